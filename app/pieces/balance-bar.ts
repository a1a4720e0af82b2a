import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { formatNumber } from '../../core/index';

/** A past batch on the bar. */
export interface BalanceMark {
  readonly moisture: number;
}

const STEPS = 1000;

/** Water and dry matter as one bar with the wanted moisture as its handle: drag it, or use the arrow keys. */
@Component({
  selector: 'nw-balance-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="above">
      <span class="wanted rye strong" [class.leftward]="value() > 0.3" [style.left.%]="value() * 100"
        >{{ percent(value()) }} wanted</span
      >
      @for (mark of marks(); track $index) {
        <span class="past" [style.left.%]="mark.moisture * 100" aria-hidden="true"></span>
      }
      @if (pastWords(); as words) {
        <span class="words small soft" [style.left.%]="wordsAt() * 100">{{ words }}</span>
      }
    </div>
    <div class="bar">
      <span class="water" [style.width.%]="value() * 100"
        ><span>water {{ grams(waterG()) }} g</span></span
      >
      <span class="dry"
        ><span>dry matter {{ grams(dryG()) }} g</span></span
      >
      <span class="handle" [style.left.%]="value() * 100" aria-hidden="true"></span>
      <input
        #box
        type="range"
        min="0"
        [max]="steps"
        step="5"
        [value]="value() * steps"
        aria-label="Wanted moisture"
        [attr.aria-valuetext]="percent(value())"
        (input)="drag(box)"
      />
    </div>
    <div class="below small">
      <span
        class="good"
        [style.left.%]="low() * 100"
        [style.width.%]="(high() - low()) * 100"
        aria-hidden="true"
      ></span>
      <span class="drier soft" [style.right.%]="100 - low() * 100">drier runs slowly</span>
      <span class="wetter soft" [style.left.%]="high() * 100">wetter bursts and sours</span>
      <span class="range strong" [style.left.%]="(low() + high()) * 50"
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
  readonly waterG = input.required<number>();
  readonly dryG = input.required<number>();
  readonly marks = input<readonly BalanceMark[]>([]);

  protected readonly steps = STEPS;
  protected readonly wordsAt = computed(() => Math.max(this.value(), ...this.marks().map((m) => m.moisture)));
  protected readonly pastWords = computed(() => {
    const shown = this.marks().map((m) => formatNumber(m.moisture * 100, 1));
    return shown.length === 0
      ? ''
      : shown.length === 1
        ? `last weighed ${shown[0]} %`
        : `last two weighed ${shown.slice(-2).join(' and ')} %`;
  });

  protected drag(box: HTMLInputElement): void {
    const wanted = Number(box.value) / STEPS;
    const kept = Math.min(this.most(), Math.max(this.least(), wanted));
    box.value = String(kept * STEPS);
    this.value.set(kept);
  }

  protected grams(value: number): string {
    return formatNumber(value);
  }

  protected number(fraction: number): string {
    return formatNumber(fraction * 100);
  }

  protected percent(fraction: number): string {
    const shown = fraction * 100;
    return `${formatNumber(shown, Math.abs(shown - Math.round(shown)) < 0.05 ? 0 : 1)} %`;
  }
}
