import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { AllowReminders } from '../../../pieces/allow-reminders';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import {
  APART_C,
  MINUTE_MS,
  POUR_FROM_C,
  POUR_UNTIL_C,
  SETS_C,
  pourClock,
  type Likely,
  type Pouring,
} from '../../../../core/index';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { degreesWords, temperatureRange, temperatureWords } from '../../../data/words/measure-words';
import { shortTime } from '../../../data/words/words';
import { ClockFace } from '../../../pieces/clock-face';
import { Plaque } from '../../../pieces/plaque';
import { AskNumber } from '../../../pieces/form/ask-number';
import { InstrumentPanel } from '../cook/instrument-panel';
import { PourCounts } from './pour-counts';

type Stage = 'unknown' | 'hot' | 'open' | 'late';

/** Agar of one batch cooling to pouring heat: readings foretell the minute and when it sets; then what was poured is told. */
@Component({
  selector: 'nw-pour-screen',
  imports: [AllowReminders, AskNumber, ClockFace, InstrumentPanel, MatButton, Plaque, PourCounts, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card face" [class.needs]="stage() === 'open'" aria-label="Agar cooling to pour">
      <p class="what">
        <nw-plaque [code]="pouring().view.code" />
        <span
          ><strong>{{ pouring().view.batch.formula?.name ?? 'Agar' }}</strong
          ><span class="soft"
            >, <a class="word" [routerLink]="['/stove/cook', cook().cook.id]">cook {{ cook().name }}</a
            >{{ meltedWords() }}</span
          ></span
        >
      </p>
      @if (clock().window; as w) {
        <nw-clock-face [minutes]="left()" [at]="clockAt()">
          <p class="main-words">{{ mainWords() }}</p>
          <p class="soft">
            From {{ temperatureWords(from) }} {{ between(w.opens) }}; set, near {{ temperatureWords(sets) }},
            {{ between(w.sets) }}: 8 in 10 for each.
            {{ w.sure ? '' : 'Readings ' + apart() + ' apart make it sure.' }}
          </p>
        </nw-clock-face>
      } @else {
        <p class="main-words">{{ clock().readings === 0 ? 'How hot is it?' : 'And again in ten minutes' }}</p>
        <p class="soft">
          Two readings at least {{ apart() }} apart foretell the minute. A thermometer on the glass, or wiped
          and dipped into a spare bottle.
        </p>
      }
      @if (clock().isRising) {
        <p class="rye">The readings do not fall: measure again in some minutes.</p>
      }
      <nw-ask-number
        name="Agar is at"
        unit="°C"
        deed="Note it"
        [min]="20"
        [max]="125"
        [likely]="likely"
        [answer]="lastWords()"
        [keep]="read"
      />
      <p>{{ mistWords() }}</p>
      <p class="caution">
        Above boiling it erupts when it is moved: wait, then swirl at arm's length before pouring. Pour at
        {{ temperatureRange(until, from) }}; it sets near {{ temperatureWords(sets) }}.
      </p>
    </section>
    <div class="deeds">
      <nw-pour-counts [pouring]="pouring()" [isOpen]="stage() === 'open' || stage() === 'late'" />
      <nw-instrument-panel [view]="cook()" agar />
      <nw-allow-reminders class="alarm" />
    </div>
  `,
  styleUrl: '../stove-face.scss',
  styles: `
    .soft {
      font-size: 19px;
    }
    .alarm {
      justify-self: start;
    }
  `,
})
export class PourScreen {
  readonly pouring = input.required<Pouring>();

  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  protected readonly from = POUR_FROM_C;
  protected readonly until = POUR_UNTIL_C;
  protected readonly sets = SETS_C;
  protected readonly likely = { low: SETS_C, high: 125 };
  protected readonly temperatureWords = temperatureWords;
  protected readonly temperatureRange = temperatureRange;
  protected readonly apart = computed(() => degreesWords(APART_C, 0));
  protected readonly cook = computed(() => this.pouring().cook);
  protected readonly clock = computed(() => {
    const { logs, cook } = this.cook();
    return pourClock(logs, cook.roomC, this.pouring().hotSinceMs);
  });
  private readonly closesMs = computed(() => {
    const { window, lastMs } = this.clock();
    return window === undefined || lastMs === undefined
      ? undefined
      : lastMs + window.closes.middle * MINUTE_MS;
  });
  protected readonly stage = computed<Stage>(() => {
    const now = this.time.now();
    const [opensMs, closesMs] = [this.clock().opensMs, this.closesMs()];
    if (opensMs === undefined || closesMs === undefined) {
      return 'unknown';
    }
    return now < opensMs ? 'hot' : now < closesMs ? 'open' : 'late';
  });
  /** Minutes until the window opens, then until it closes, then until it has set. */
  protected readonly left = computed(() => {
    const { opensMs, setsMs } = this.clock();
    const end = { unknown: undefined, hot: opensMs, open: this.closesMs(), late: setsMs }[this.stage()];
    return end === undefined ? 0 : (end - this.time.now()) / MINUTE_MS;
  });
  protected readonly clockAt = computed(
    () =>
      ({ unknown: '', hot: 'to pouring heat', open: 'of the window', late: 'until it sets' })[this.stage()],
  );
  protected readonly mainWords = computed(() => {
    const { opensMs } = this.clock();
    const words: Record<Stage, string> = {
      unknown: '',
      hot: `Pour at ${opensMs === undefined ? '' : shortTime(opensMs, this.time.now())}`,
      open: 'Pour now',
      late: 'Pour at once, or keep it shut',
    };
    return words[this.stage()];
  });
  /** What heat and stack do to the lids. */
  protected readonly mistWords = computed(() => {
    const words: Record<Stage, string> = {
      unknown:
        'Hot agar steams the lids, and in a tall stack dishes stick. Cool agar in stacks of five to ten mists least.',
      hot: 'Poured now it would run down the lids, and in a tall stack the dishes would stick to each other.',
      open: 'Stacks of five to ten cool slowly and mist less than dishes side by side; a cup of warm water on the top one keeps its lid clear.',
      late: 'It thickens: lumps do not level. What no longer flows can be kept shut and melted again.',
    };
    return words[this.stage()];
  });
  protected readonly meltedWords = computed(() => {
    const { remelts } = this.pouring();
    return remelts === 0 ? '' : `, melted again ${remelts === 1 ? 'once' : `${remelts} times`}`;
  });
  protected readonly lastWords = computed(() => {
    const { lastC, lastMs } = this.clock();
    return lastC === undefined || lastMs === undefined
      ? ''
      : `Last: ${temperatureWords(lastC, 1)} at ${shortTime(lastMs, this.time.now())}`;
  });

  /** A range that is one: what would be one minute is told as one. */
  protected between({ low, high }: Likely): string {
    const at = (minutes: number) =>
      shortTime((this.clock().lastMs ?? 0) + minutes * MINUTE_MS, this.time.now());
    if (!Number.isFinite(high)) {
      return `not before ${at(low)}`;
    }
    return at(low) === at(high) ? `at ${at(low)}` : `between ${at(low)} and ${at(high)}`;
  }

  protected readonly read = (celsius: number): Promise<boolean> =>
    this.journal.say({
      kind: 'logged',
      cookId: this.cook().cook.id,
      channel: 'agarC',
      source: 'typed',
      readings: [[0, celsius]],
    });
}
