import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { formatNumber } from '../../core/index';

/** A past batch on the bar. */
export interface BalanceMark {
  readonly moisture: number;
}

const STEPS = 1000;
/** A side of so many per cent holds no words. */
const NARROW = 28;
/** What a letter of the words above takes of the bar, per cent. */
const LETTER = 1.2;

/** Words of the bar: what is left of the handle, what is right of it, and what lies beyond the good range. */
export interface BalanceWords {
  readonly name: string;
  readonly left: string;
  readonly right: string;
  readonly below: string;
  readonly above: string;
}

/**
 * Two things as one bar with the wanted share as its handle: water and dry matter, or a dissolved thing and its
 * water. Drag it, or use the arrow keys; past batches are small marks.
 */
@Component({
  selector: 'nw-balance-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="above">
      <span class="wanted rye strong" [class.leftward]="at(value()) > 30" [style.left.%]="at(value())"
        >{{ percent(value()) }} wanted</span
      >
      @for (mark of marks(); track $index) {
        <span class="past" [style.left.%]="at(mark.moisture)" aria-hidden="true"></span>
      }
      @if (shownPast(); as words) {
        <span class="words small soft" [style.left.%]="at(wordsAt())">{{ words }}</span>
      }
    </div>
    <div class="bar">
      <span class="water" [style.width.%]="at(value())"
        ><span>{{ sides().left }}</span></span
      >
      <span class="dry"
        ><span>{{ sides().right }}</span></span
      >
      <span class="handle" [style.left.%]="at(value())" aria-hidden="true"></span>
      <input
        #box
        type="range"
        min="0"
        [max]="steps"
        step="5"
        [value]="(value() / end()) * steps"
        [attr.aria-label]="words().name"
        [attr.aria-valuetext]="percent(value())"
        (input)="drag(box)"
      />
    </div>
    <div class="below small">
      <span
        class="good"
        [style.left.%]="at(low())"
        [style.width.%]="at(high()) - at(low())"
        aria-hidden="true"
      ></span>
      <span class="drier soft" [style.right.%]="100 - at(low())">{{ words().below }}</span>
      <span class="wetter soft" [style.left.%]="at(high())">{{ words().above }}</span>
      <span class="range strong" [style.left.%]="(at(low()) + at(high())) / 2"
        >good {{ number(low()) }} to {{ percent(high()) }}</span
      >
    </div>
  `,
  styleUrl: './balance-bar.scss',
})
export class BalanceBar {
  readonly value = model.required<number>();
  readonly low = input.required<number>();
  readonly high = input.required<number>();
  /** The handle stops at these. */
  readonly least = input(0.2);
  readonly most = input(0.86);
  readonly words = input.required<BalanceWords>();
  /** The share at the right end of the bar. */
  readonly end = input(1);
  readonly marks = input<readonly BalanceMark[]>([]);

  protected readonly steps = STEPS;
  /** Where one side grows too narrow for its words, the other takes both. */
  protected readonly sides = computed(() => {
    const { left, right } = this.words();
    const share = this.at(this.value());
    const both = `${left} · ${right}`;
    if (share > 100 - NARROW) {
      return { left: both, right: '' };
    }
    return share < NARROW ? { left: '', right: both } : { left, right };
  });
  protected readonly wordsAt = computed(() => Math.max(this.value(), ...this.marks().map((m) => m.moisture)));
  private readonly pastWords = computed(() => {
    const shown = this.marks().map((m) => formatNumber(m.moisture * 100, 1));
    return shown.length === 0
      ? ''
      : shown.length === 1
        ? `last weighed ${shown[0]} %`
        : `last two weighed ${shown.slice(-2).join(' and ')} %`;
  });

  /** Where they would run off the bar the marks alone stay. */
  protected readonly shownPast = computed(() => {
    const words = this.pastWords();
    return this.at(this.wordsAt()) + words.length * LETTER > 100 ? '' : words;
  });

  protected drag(box: HTMLInputElement): void {
    const wanted = (Number(box.value) / STEPS) * this.end();
    const kept = Math.min(this.most(), Math.max(this.least(), wanted));
    box.value = String((kept / this.end()) * STEPS);
    this.value.set(kept);
  }

  /** Place on the bar, %. */
  protected at(share: number): number {
    return Math.min(100, (share / this.end()) * 100);
  }

  protected number(fraction: number): string {
    const shown = fraction * 100;
    return formatNumber(shown, Math.abs(shown - Math.round(shown)) < 0.05 ? 0 : 1);
  }

  protected percent(fraction: number): string {
    return `${this.number(fraction)} %`;
  }
}
