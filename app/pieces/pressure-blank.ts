import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { pressuresOf, type Appliance } from '../../core/index';
import { pressureWords } from '../data/words/measure-words';
import { BlankChoice, BlankNumber } from './blank';

/** A rating in psi, typed again as it is shown. kPa */
const ROUNDING_KPA = 0.4;

/** What a cooker is set to, by its own settings: one of its steps, or what its gauge shows; never above its rating. */
@Component({
  selector: 'nw-pressure-blank',
  imports: [BlankChoice, BlankNumber],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (choice().isFree) {
      <nw-blank-number
        name="Pressure"
        unit="kPa"
        [decimals]="0"
        [value]="gaugeKPa()"
        (valueChange)="take($event)"
      />
      @if (isAbove()) {
        <span class="rye"
          >never above {{ pressureWords(appliance().ratedGaugeKPa) }}, which is printed on it</span
        >
      }
    } @else if (options().length > 1) {
      <nw-blank-choice name="Pressure" [options]="options()" [value]="step()" (valueChange)="take(+$event)" />
    } @else {
      <span>{{ pressureWords(gaugeKPa()) }}</span>
    }
  `,
  styles: `
    /* As a flex box it has no spaces of its own, which would stand before a comma. */
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0 8px;
      align-items: baseline;
    }
    .rye {
      font-size: 16px;
    }
  `,
})
export class PressureBlank {
  readonly appliance = input.required<Appliance>();
  readonly gaugeKPa = input.required<number>();
  readonly chosen = output<number>();

  protected readonly choice = computed(() => pressuresOf(this.appliance()));
  protected readonly options = computed(() =>
    this.choice().steps.map((kPa) => ({ value: String(kPa), words: pressureWords(kPa) })),
  );
  /** The step that it stands on. */
  protected readonly step = computed(() => {
    const nearest = [...this.choice().steps].sort(
      (a, b) => Math.abs(a - this.gaugeKPa()) - Math.abs(b - this.gaugeKPa()),
    )[0];
    return String(nearest);
  });
  protected readonly isAbove = signal(false);
  protected readonly pressureWords = pressureWords;

  /** What no cooker of the kind can do is said, and nothing is changed. */
  protected take(kPa: number): void {
    this.isAbove.set(kPa > this.appliance().ratedGaugeKPa + ROUNDING_KPA);
    if (!this.isAbove() && kPa > 0) {
      this.chosen.emit(Math.min(kPa, this.appliance().ratedGaugeKPa));
    }
  }
}
