import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import {
  CoreError,
  decimalsOf,
  formatNumber,
  parseNumber,
  weighedMoisture,
  type BatchView,
} from '../../../core/index';
import { HouseStore } from '../../data/house-store';
import { Scribe } from '../../data/scribe';
import { Time } from '../../data/time';
import { shortTime } from '../../data/words';
import { ClockFace } from '../../pieces/clock-face';
import { Plaque } from '../../pieces/plaque';
import { Keys } from '../../shell/keys';
import { hydrationClock } from './hydration-clock';

const TISSUE = [
  { result: 'dry', words: 'Dry core left', hint: 'a white core inside' },
  { result: 'right', words: 'Clean', hint: 'no wet spot in 5 s' },
  { result: 'wet', words: 'Wet spot', hint: 'let it steam on' },
] as const;

/** A medium from the sack to its vessels: soak, simmer, dry, test, weigh, fill. */
@Component({
  selector: 'nw-hydration-screen',
  imports: [ClockFace, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hydration-screen.html',
  styleUrl: './hydration-screen.scss',
})
export class HydrationScreen {
  readonly view = input.required<BatchView>();

  private readonly store = inject(HouseStore);
  private readonly scribe = inject(Scribe);
  private readonly time = inject(Time);

  protected readonly tissue = TISSUE;
  protected readonly massText = signal('');
  protected readonly massProblem = signal('');
  protected readonly clock = computed(() => hydrationClock(this.view()));
  protected readonly leftMinutes = computed(() => ((this.clock().dueMs ?? 0) - this.time.now()) / 60_000);
  protected readonly share = computed(() => {
    const { dueMs, sinceMs } = this.clock();
    return dueMs === undefined || sinceMs === undefined
      ? undefined
      : Math.min(1, Math.max(0, (this.time.now() - sinceMs) / (dueMs - sinceMs)));
  });
  protected readonly due = computed(() => this.clock().dueMs === undefined || this.leftMinutes() <= 0);
  protected readonly parts = computed(() => {
    const plan = this.view().batch.plan;
    const water =
      this.view().batch.formula?.hydration === 'mix' ? [{ name: 'Water', massG: plan?.waterG ?? 0 }] : [];
    return [...(plan?.parts ?? []), ...water];
  });
  protected readonly byJar = computed(() => {
    const { batch } = this.view();
    return `${formatNumber(batch.plan?.vesselWetG ?? 0)} g in each of ${this.view().vessels.length} ${batch.vessel.plural}`;
  });
  protected readonly stageWords = computed(() => {
    const at = shortTime(this.clock().dueMs ?? 0, this.time.now());
    return this.clock().dueMs === undefined ? this.clock().next : `${this.clock().next} at ${at}`;
  });
  protected readonly range = computed(() => {
    const minutes = this.clock().current?.minutes;
    const words = (m: number) => (m >= 120 ? `${formatNumber(m / 60)} h` : `${m} min`);
    return minutes && `${words(minutes.least)} to ${words(minutes.most)} works`;
  });
  protected readonly measured = computed(() => {
    const moisture = this.view().weighedMoisture;
    const target = this.view().batch.plan?.targetMoisture ?? 0;
    if (moisture === undefined) {
      return undefined;
    }
    const off = moisture - target;
    const words =
      Math.abs(off) < 0.01
        ? 'as wanted'
        : off > 0
          ? 'wetter than wanted: let it steam on, then weigh again'
          : 'drier than wanted: it will run slowly';
    return { percent: formatNumber(moisture * 100, 1), words, off };
  });

  constructor() {
    const remove = inject(Keys).add([
      { key: 'm', words: 'The next step of this batch', act: () => this.deed() },
    ]);
    inject(DestroyRef).onDestroy(remove);
  }

  protected deed(): void {
    const step = this.clock().following?.step;
    if (step !== undefined) {
      void this.scribe.say({ kind: 'stepDone', batchId: this.view().batch.id, step });
    }
  }

  protected test(result: (typeof TISSUE)[number]['result']): void {
    void this.scribe.say({ kind: 'tissueTested', batchId: this.view().batch.id, result });
  }

  /** The moisture that the typed mass would mean, while it is typed. */
  protected readonly preview = computed(() => {
    try {
      return this.massText() === ''
        ? ''
        : `${formatNumber(this.moistureOf(this.massText()) * 100, 1)} % moisture`;
    } catch {
      return '';
    }
  });

  protected async weigh(): Promise<void> {
    try {
      this.moistureOf(this.massText());
      this.massProblem.set('');
      if (
        await this.scribe.say({
          kind: 'weighed',
          batchId: this.view().batch.id,
          massG: parseNumber(this.massText(), 'Drained mass'),
        })
      ) {
        this.massText.set('');
      }
    } catch (error) {
      this.massProblem.set(
        `${error instanceof CoreError ? error.message : String(error)} Nothing was changed.`,
      );
    }
  }

  protected grams(value: number): string {
    return formatNumber(value, decimalsOf(this.store.household()?.scaleStepG ?? 1));
  }

  private moistureOf(text: string): number {
    return weighedMoisture(parseNumber(text, 'Drained mass'), this.view().batch.plan?.dryMatterG ?? 0);
  }
}
