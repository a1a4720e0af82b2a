import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  APART_C,
  MINUTE_MS,
  POUR_FROM_C,
  POUR_UNTIL_C,
  SETS_C,
  formatNumber,
  type CookView,
} from '../../../../core/index';
import { degreesWords, temperatureRange, temperatureWords } from '../../../data/words/measure-words';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { shortTime } from '../../../data/words/words';
import { ClockFace } from '../../../pieces/clock-face';
import { Plaque } from '../../../pieces/plaque';
import { AskNumber } from '../../../pieces/form/ask-number';
import { codesOf } from '../../../data/views/codes-of';
import { pourClock } from './pour-clock';

/** Agar cooling to pouring heat: readings foretell the minute, and how long the window lasts. */
@Component({
  selector: 'nw-pour-screen',
  imports: [AskNumber, ClockFace, MatButton, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card face" [class.needs]="isOpen()" aria-label="Agar cooling to pour">
      <p class="what">
        @for (code of codes(); track code) {
          <nw-plaque [code]="code" />
        }
        <strong>Agar, cook {{ view().name }}</strong>
      </p>
      @if (clock().window; as w) {
        <nw-clock-face [minutes]="left()" [at]="isOpen() ? 'of the window' : 'to pouring heat'">
          <p class="main-words">{{ isOpen() ? 'Pour now' : 'Pour at ' + at(w.opens.middle) }}</p>
          <p class="soft">
            8 in 10: between {{ at(w.opens.low) }} and {{ latest(w.opens.high) }}; then about
            {{ whole(w.lasts) }} min until it is {{ temperatureWords(until) }} and begins to set.
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
      @if (clock().problem; as words) {
        <p class="rye">{{ words }}</p>
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
      <p class="caution">
        Above boiling it erupts when it is moved: wait, then swirl at arm's length before pouring. Pour at
        {{ temperatureRange(until, from) }}; it sets near {{ temperatureWords(sets) }}.
      </p>
    </section>
    <div class="deeds">
      <button type="button" [matButton]="isOpen() ? 'elevated' : 'outlined'" class="deed" (click)="poured()">
        Poured<small>{{
          isOpen() ? 'press when the last plate is poured' : 'press when you have poured'
        }}</small>
      </button>
    </div>
  `,
  styleUrl: '../stove-face.scss',
  styles: `
    .soft {
      font-size: 19px;
    }
    .deed {
      min-height: 84px;
      font-size: 30px;
    }
    .deed small {
      font-size: 18px;
    }
  `,
})
export class PourScreen {
  readonly view = input.required<CookView>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  protected readonly from = POUR_FROM_C;
  protected readonly until = POUR_UNTIL_C;
  protected readonly sets = SETS_C;
  protected readonly likely = { low: SETS_C, high: 125 };
  protected readonly temperatureWords = temperatureWords;
  protected readonly temperatureRange = temperatureRange;
  protected readonly apart = computed(() => degreesWords(APART_C, 0));
  protected readonly clock = computed(() => pourClock(this.view()));
  protected readonly codes = computed(() => codesOf(this.view(), this.store.house()));
  protected readonly isOpen = computed(() => (this.clock().dueMs ?? Infinity) <= this.time.now());
  /** Minutes until the window opens, then until it closes. */
  protected readonly left = computed(() => {
    const { window, lastMs } = this.clock();
    if (window === undefined || lastMs === undefined) {
      return 0;
    }
    const end = this.isOpen() ? window.closes.middle : window.opens.middle;
    return (lastMs + end * MINUTE_MS - this.time.now()) / MINUTE_MS;
  });
  protected readonly lastWords = computed(() => {
    const { lastC, lastMs } = this.clock();
    return lastC === undefined || lastMs === undefined
      ? ''
      : `Last: ${temperatureWords(lastC, 1)} at ${shortTime(lastMs, this.time.now())}`;
  });

  protected at(minutes: number): string {
    return shortTime((this.clock().lastMs ?? 0) + minutes * MINUTE_MS, this.time.now());
  }

  protected latest(minutes: number): string {
    return Number.isFinite(minutes) ? this.at(minutes) : 'much later';
  }

  protected whole(value: number): string {
    return formatNumber(value);
  }

  protected readonly read = (celsius: number): Promise<boolean> =>
    this.journal.say({
      kind: 'logged',
      cookId: this.view().cook.id,
      channel: 'agarC',
      source: 'typed',
      readings: [[0, celsius]],
    });

  protected poured(): void {
    void this.journal.say({ kind: 'poured', cookId: this.view().cook.id });
  }
}
