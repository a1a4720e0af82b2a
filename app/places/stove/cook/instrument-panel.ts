import {
  ChangeDetectionStrategy,
  Component,
  booleanAttribute,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import {
  FAULTS,
  formatNumber,
  measuredAir,
  type CookChannel,
  type CookView,
  type Fault,
  unlessRefused,
} from '../../../../core/index';
import { degreesWords, pressureWords, temperatureWords } from '../../../data/words/measure-words';
import { Instruments } from '../../../data/devices/instruments';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { shortTime } from '../../../data/words/words';
import { AskNumber } from '../../../pieces/form/ask-number';
import { readIn } from '../../../pieces/form/checked-by';
import { ChoiceField, type Choice } from '../../../pieces/form/choice-field';
import { Fold } from '../../../pieces/fold';

const FAULT_WORDS: Readonly<Record<Fault, string>> = {
  none: 'a good run',
  unvented: 'hardly vented',
  leaking: 'pressure lost at minute 40',
  boilingDry: 'boils dry',
  probeOut: 'the probe falls out',
};

/** What instruments read, or the way to connect one: a logger on this machine, or a pretended canner for practice. */
@Component({
  selector: 'nw-instrument-panel',
  imports: [AskNumber, ChoiceField, Fold, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (listening(); as on) {
      <section class="card note" aria-label="Instruments" [class.needs]="silent()">
        @if (silent(); as since) {
          <p class="rye strong">Instrument silent since {{ since }}; nothing is filled in.</p>
        }
        @if (instruments.faulty(); as count) {
          <p class="rye">
            {{ count === 1 ? '1 reading' : count + ' readings' }} that no sound instrument could show: left
            out. Look at its plug and wire.
          </p>
        } @else {
          <p class="figures">
            <strong>{{ figures() || 'Listening …' }}</strong>
          </p>
        }
        <p class="soft small">
          {{ on.kind === 'logger' ? 'A logger on this machine' : 'A pretended canner, for practice' }}. It
          {{ agar() ? 'is read once a minute.' : 'takes the steps by itself.' }}
          <button type="button" matButton class="word" (click)="instruments.disconnect()">Disconnect</button>
        </p>
      </section>
    } @else {
      <nw-fold title="Connect an instrument">
        <button type="button" matButton="outlined" class="deed" (click)="connect('logger')">
          Listen to a logger<small>that posts to this machine</small>
        </button>
        @if (!agar()) {
          <nw-choice-field name="Practice with a pretended canner:" [control]="fault" [options]="faults" />
          <button type="button" matButton="outlined" class="deed" (click)="connect('pretended', fault.value)">
            Practice
          </button>
        }
      </nw-fold>
      @if (!agar()) {
        <nw-fold title="Type a reading">
          <nw-ask-number
            name="Steam, by a thermometer"
            unit="°C"
            deed="Note it"
            [min]="0"
            [max]="150"
            [answer]="airWords()"
            (typed)="typed.set($event)"
            [keep]="noteChamber"
          />
          <nw-ask-number
            name="Middle of a vessel, by a probe"
            unit="°C"
            deed="Note it"
            [min]="0"
            [max]="150"
            [keep]="noteCore"
          />
        </nw-fold>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    .note {
      padding: 12px 16px;
      font-size: 18px;
    }
    .figures {
      font-size: 21px;
    }
    .deed {
      width: 100%;
      min-height: 56px;
      font-size: 20px;
    }
  `,
})
export class InstrumentPanel {
  readonly view = input.required<CookView>();
  /** What is read is agar that cools in its bottle. */
  readonly agar = input(false, { transform: booleanAttribute });
  /** 0 lets the pretended canner send all ahead; for trials. */
  readonly pace = input(1);

  protected readonly instruments = inject(Instruments);
  private readonly time = inject(Time);
  private readonly journal = inject(Journal);
  protected readonly typed = signal('');
  protected readonly faults: readonly Choice<Fault>[] = FAULTS.map((value) => ({
    value,
    words: FAULT_WORDS[value],
  }));
  protected readonly fault = new FormControl<Fault>('none', { nonNullable: true });
  private readonly resumed = signal(false);

  protected readonly listening = computed(() => {
    const connection = this.instruments.connection();
    return connection?.cookId === this.view().cook.id ? connection : undefined;
  });
  protected readonly silent = computed(() => {
    const since = this.instruments.silentSinceMs();
    return since === undefined ? '' : shortTime(since, this.time.now());
  });
  protected readonly figures = computed(() => {
    const latest = this.instruments.latest();
    const gauge = latest.get('gaugeKPa');
    const chamber = latest.get('chamberC');
    const core = latest.get('coreC');
    const agar = latest.get('agarC');
    const air = this.instruments.air();
    return [
      ...(gauge ? [pressureWords(gauge.value)] : []),
      ...(chamber ? [`steam ${temperatureWords(chamber.value, 1)}`] : []),
      ...(agar ? [`agar ${temperatureWords(agar.value, 1)}`] : []),
      ...(core ? [`middle ${temperatureWords(core.value, 1)}`] : []),
      ...(air !== undefined && air > 0.02 ? [`${formatNumber(air * 100)} % air`] : []),
    ].join(' · ');
  });

  /** Air in the steam while a temperature is typed, if the gauge shows what was planned. */
  protected readonly airWords = computed(() => {
    const { cook, state } = this.view();
    if (state.phase !== 'holding' || this.typed().trim() === '') {
      return '';
    }
    return unlessRefused(() => {
      const celsius = readIn(this.typed(), { label: 'Steam' }, '°C');
      const air = measuredAir(Math.min(Math.max(celsius, 0), 150), cook.gaugeKPa + cook.atmosphereKPa);
      return air < 0.02
        ? 'Pure steam at this pressure.'
        : `${formatNumber(air * 100)} % air at this pressure: ${degreesWords(cook.chamberC - celsius)} cooler than pure steam.`;
    }, '');
  });

  constructor() {
    effect(() => {
      if (!this.resumed()) {
        this.resumed.set(true);
        this.instruments.resume(this.view().cook.id);
      }
    });
  }

  protected readonly noteChamber = (value: number) => this.note('chamberC', value);
  protected readonly noteCore = (value: number) => this.note('coreC', value);

  protected connect(kind: 'logger' | 'pretended', fault: Fault = 'none'): void {
    this.instruments.connect({
      cookId: this.view().cook.id,
      kind,
      fault,
      pace: this.pace(),
    });
  }

  private note(channel: CookChannel, value: number): Promise<boolean> {
    return this.journal.say({
      kind: 'logged',
      cookId: this.view().cook.id,
      channel,
      source: 'typed',
      readings: [[0, value]],
    });
  }
}
