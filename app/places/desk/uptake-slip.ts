import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  durationWords,
  formatNumber,
  hydrationSteps,
  isWetStep,
  schoolOf,
  uptakeCurve,
  uptakeStages,
  uptakeWindow,
  type BatchPlan,
  type HydrationMethod,
  type Material,
  type WetStep,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { BlankNumber } from '../../pieces/blank';
import { Slip } from '../../pieces/slip';
import { UptakeChart } from './uptake-chart';

type Minutes = NonNullable<BatchPlan['stepMinutes']>;

/** How a grain takes up water over the steps in it, the window for the wanted moisture, and the minutes to change. */
@Component({
  selector: 'nw-uptake-slip',
  imports: [BlankNumber, Slip, UptakeChart],
  host: { '(keydown.escape)': 'closed.emit()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-slip title="How it takes up water" (closed)="closed.emit()">
      @for (step of steps(); track step.step) {
        <p class="step">
          {{ step.words }}
          <nw-blank-number
            [name]="step.words"
            [unit]="step.inHours ? 'h' : 'min'"
            [times]="step.inHours ? 1 / 60 : 1"
            [value]="step.minutes"
            (valueChange)="change(step.step, $event)"
          />
          <span class="soft">{{ step.range }}</span>
        </p>
      }
      <nw-uptake-chart
        [curve]="curve()"
        [low]="window().low"
        [high]="window().high"
        [words]="words()"
        [stages]="stageWords()"
      />
      <p>
        <strong>{{ endWords() }}</strong> {{ windowWords() }}
      </p>
      <p class="soft">
        By Peleg’s uptake, carried as a rate from step to step; ends and rates of each grain are from memory.
        Weigh the batch after drying: that corrects the next one.
      </p>
    </nw-slip>
  `,
  styles: `
    .step .soft {
      font-size: 15px;
    }
  `,
})
export class UptakeSlip {
  readonly material = input.required<Material>();
  readonly method = input.required<HydrationMethod>();
  readonly minutes = input.required<Minutes>();
  readonly window = input.required<{ readonly low: number; readonly high: number }>();
  readonly target = input.required<number>();
  readonly minutesChange = output<{ readonly step: WetStep; readonly minutes: number }>();
  readonly closed = output();

  private readonly store = inject(HouseStore);
  private readonly roomC = computed(() => this.store.household()?.roomC ?? 20);

  protected readonly steps = computed(() =>
    hydrationSteps(this.method()).flatMap((step) => {
      if (step.minutes === undefined || !isWetStep(step.step)) {
        return [];
      }
      const inHours = step.minutes.usual >= 120;
      const words = { soak: 'Soak', simmer: 'Simmer', hotRest: 'Hot water' }[step.step];
      const { least, most } = step.minutes;
      const range = inHours ? `usually ${least / 60} to ${most / 60}` : `usually ${least} to ${most}`;
      return [
        { step: step.step, words, inHours, minutes: this.minutes()[step.step] ?? step.minutes.usual, range },
      ];
    }),
  );
  private readonly stages = computed(() => uptakeStages(this.method(), this.roomC(), this.minutes()));
  protected readonly stageWords = computed(() => this.stages().map((s) => s.words));
  protected readonly curve = computed(() => uptakeCurve(this.material(), this.stages(), this.roomC()));
  private readonly end = computed(() => this.curve().points.at(-1)?.moisture ?? 0);
  protected readonly endWords = computed(() => `Likely ${formatNumber(this.end() * 100)} % at the end.`);
  protected readonly windowWords = computed(() => {
    const last = this.steps().at(-1);
    const { low, target, high } = uptakeWindow(
      this.material(),
      this.stages(),
      { ...this.window(), target: this.target() },
      this.roomC(),
    );
    if (last === undefined || low === undefined) {
      return 'This way does not get it there; take another, or accept it drier.';
    }
    const name = last.words.toLowerCase();
    const to = high === undefined ? 'and it hardly gets wetter' : `to ${durationWords(Math.round(high))}`;
    const at =
      target === undefined
        ? ''
        : `, ${durationWords(Math.round(target))} for ${formatNumber(this.target() * 100)} %`;
    return `Good from ${durationWords(Math.round(low))} of ${name} ${to}${at}.`;
  });
  protected readonly words = computed(
    () =>
      `${schoolOf(this.method())?.words ?? ''}: moisture over time. ${this.endWords()} ${this.windowWords()}`,
  );

  protected change(step: WetStep, minutes: number): void {
    if (minutes >= 1 && minutes <= MOST_MINUTES) {
      this.minutesChange.emit({ step, minutes });
    }
  }
}

/** Two days in water: longer is no soak any more. */
const MOST_MINUTES = 2880;
