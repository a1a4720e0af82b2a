import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import {
  MINUTE_MS,
  durationWords,
  formatNumber,
  takesUpWater,
  weighedMoisture,
  type BatchView,
  unlessRefused,
} from '../../../../core/index';
import { amountWords, volumeWords } from '../../../data/words/measure-words';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { shortTime, vesselCount } from '../../../data/words/words';
import { ClockFace } from '../../../pieces/clock-face';
import { OtherVessels } from '../../../pieces/other-vessels';
import { Plaque } from '../../../pieces/plaque';
import { AskNumber } from '../../../pieces/form/ask-number';
import { readIn } from '../../../pieces/form/checked-by';
import { Keys } from '../../../data/devices/keys';
import { DissolvedTests } from './dissolved-tests';
import { hydrationClock } from './hydration-clock';
import { MixTests } from './mix-tests';
import { Pasteurize } from './pasteurize';
import { WeighList } from './weigh-list';

const TISSUE = [
  { result: 'dry', words: 'Dry core left', hint: 'back into hot water' },
  { result: 'right', words: 'Clean', hint: 'no wet spot in 5 s' },
  { result: 'wet', words: 'Wet spot', hint: 'let it steam on' },
] as const;

/** A medium from the sack to its vessels: soak, simmer, dry, test, weigh, fill. */
@Component({
  selector: 'nw-hydration-screen',
  imports: [
    AskNumber,
    ClockFace,
    DissolvedTests,
    MatButton,
    MixTests,
    OtherVessels,
    Pasteurize,
    Plaque,
    RouterLink,
    WeighList,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hydration-screen.html',
  styleUrls: ['../stove-face.scss', './hydration-screen.scss'],
})
export class HydrationScreen {
  readonly view = input.required<BatchView>();

  private readonly journal = inject(Journal);
  private readonly time = inject(Time);

  protected readonly tissue = TISSUE;
  protected readonly massText = signal('');
  protected readonly clock = computed(() => hydrationClock(this.view()));
  /** Which step goes on; all before it are done. */
  protected readonly at = computed(() =>
    this.clock().steps.findIndex((step) => step.step === this.clock().current?.step),
  );
  protected readonly leftMinutes = computed(() => ((this.clock().dueMs ?? 0) - this.time.now()) / MINUTE_MS);
  protected readonly share = computed(() => {
    const { dueMs, sinceMs } = this.clock();
    return dueMs === undefined || sinceMs === undefined
      ? undefined
      : Math.min(1, Math.max(0, (this.time.now() - sinceMs) / (dueMs - sinceMs)));
  });
  protected readonly due = computed(() => this.clock().dueMs === undefined || this.leftMinutes() <= 0);
  private readonly isDissolved = computed(() => this.view().batch.formula?.basis === 'perLiter');
  /** Until the first step; what is boiled first is weighed again once it was measured. */
  protected readonly showsWeighing = computed(
    () =>
      this.clock().current === undefined || (this.isDissolved() && this.clock().current?.step !== 'extract'),
  );
  protected readonly showsDissolved = computed(
    () => this.isDissolved() && this.clock().current !== undefined,
  );
  protected readonly showsMix = computed(() => {
    const step = this.clock().current?.step;
    return (
      this.view().batch.stage === 'bulk' && (step === 'mix' || step === 'drain' || step === 'pasteurize')
    );
  });
  /** Straw and paper take their water from a soak: the scale says how much it was. */
  protected readonly showsDrained = computed(() => {
    const step = this.clock().current?.step;
    const { stage, formula } = this.view().batch;
    const isSoaked = formula !== undefined && takesUpWater(formula.hydration);
    return stage === 'bulk' && isSoaked && (step === 'drain' || step === 'pasteurize');
  });
  /** Before it is said to be dry enough, and until it is filled. */
  protected readonly showsTissue = computed(() => {
    const step = this.clock().current?.step;
    return this.view().batch.stage === 'grain' && (step === 'drain' || step === 'dryEnough');
  });
  protected readonly byJar = computed(() => {
    const { batch } = this.view();
    const each =
      batch.plan?.vesselMl === undefined
        ? amountWords(batch.plan?.vesselWetG ?? 0)
        : volumeWords(batch.plan.vesselMl);
    return `${each} in each, ${vesselCount(this.view().vessels.length, batch.vessel)}`;
  });
  protected readonly stageWords = computed(() => {
    const at = shortTime(this.clock().dueMs ?? 0, this.time.now());
    return this.clock().dueMs === undefined ? this.clock().next : `${this.clock().next} at ${at}`;
  });
  protected readonly range = computed(() => {
    const minutes = this.clock().current?.minutes;
    return minutes && `${durationWords(minutes.least)} to ${durationWords(minutes.most)} works`;
  });
  protected readonly measured = computed(() => {
    const moisture = this.view().weighedMoisture;
    const target = this.view().batch.plan?.targetMoisture ?? 0;
    if (moisture === undefined) {
      return 'It gives the real moisture, and corrects the next batch.';
    }
    const off = moisture - target;
    const words =
      Math.abs(off) < 0.01
        ? 'as wanted'
        : off > 0
          ? `wetter than wanted: let it ${this.view().batch.stage === 'bulk' ? 'drain' : 'steam'} on, then weigh again`
          : 'drier than wanted: it will run slowly';
    return `${formatNumber(moisture * 100, 1)} % moisture, ${words}.`;
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
      void this.journal.say({ kind: 'stepDone', batchId: this.view().batch.id, step });
    }
  }

  protected test(result: (typeof TISSUE)[number]['result']): void {
    void this.journal.say({ kind: 'tissueTested', batchId: this.view().batch.id, result });
  }

  /** The moisture that the typed mass would mean, while it is typed. */
  protected readonly preview = computed(() =>
    this.massText() === ''
      ? ''
      : unlessRefused(() => `${formatNumber(this.moistureOf(this.massText()) * 100, 1)} % moisture`, ''),
  );

  protected readonly readMass = (text: string): number => {
    // Below its dry matter it cannot weigh: that is refused here.
    this.moistureOf(text);
    return readIn(text, 'drainedMass', 'g');
  };

  protected readonly weigh = (massG: number): Promise<boolean> =>
    this.journal.say({ kind: 'weighed', batchId: this.view().batch.id, massG });

  private moistureOf(text: string): number {
    return weighedMoisture(readIn(text, 'drainedMass', 'g'), this.view().dryMatterG ?? 0);
  }
}
