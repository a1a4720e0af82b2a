import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import {
  REFERENCE_C,
  TRADE_GAUGE_KPA,
  USUAL_TARGET_F0,
  browningOf,
  formatNumber,
  holdReaching,
  middleF0,
  runOf,
  schoolsHere,
  steamBesideAir,
  vesselAir,
  type CookPlan,
  type F0Band,
  type SchoolHere,
  type Spoilage,
} from '../../../../core/index';
import { degreesWords, pressureWords, temperatureWords } from '../../../data/words/measure-words';
import { HeatService } from '../../../data/work/heat-service';
import { f0BandWords, f0Words, holdWords, restsOn } from '../../../data/words/heat-words';
import { eachWords, oneInWords, spoilWords } from '../../../data/words/spoil-words';
import { MeasuredHolds } from '../../../data/work/measured-holds';
import { HeatBandBar } from '../../../pieces/heat-band-bar';

const SHORTEST_MIN = 5;
const LONGEST_MIN = 360;
/** Nothing is set in proportion to less, min. */
const LEAST_F0 = 1e-6;

/** How long: the schools side by side, turned into this pressure and these vessels, with what the middle likely gets. */
@Component({
  selector: 'nw-hold-choice',
  imports: [HeatBandBar, MatButtonToggle, MatButtonToggleGroup, MatSlider, MatSliderThumb],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hold-choice.html',
  styleUrl: './hold-choice.scss',
})
export class HoldChoice {
  readonly plan = input.required<CookPlan>();
  /** Vessels of the load. */
  readonly count = input.required<number>();
  readonly roomC = input.required<number>();
  /** What an earlier cook had browned it by, min. */
  readonly brownedBefore = input(0);
  /** A school, with the hold that stood on it. */
  readonly schoolChosen = output<SchoolHere>();
  readonly holdChosen = output<number>();

  private readonly heat = inject(HeatService);
  private readonly measuredHolds = inject(MeasuredHolds);
  protected readonly pressureWords = pressureWords;
  protected readonly tradeKPa = TRADE_GAUGE_KPA;
  protected readonly target = USUAL_TARGET_F0;
  protected readonly shortest = SHORTEST_MIN;
  protected readonly longest = LONGEST_MIN;
  protected readonly band = signal<F0Band | undefined>(undefined);
  /** The middle of the band beside the middling run that it was asked for: both move with a run, the one from the worker. */
  private readonly bandToMiddling = signal(1);
  protected readonly spoilage = signal<Spoilage | undefined>(undefined);
  /** The hold that measuring asks for; none where no hold is enough, undefined while it is reckoned. */
  private readonly measured = computed(() => this.measuredHolds.of(this.plan(), this.roomC()));

  private readonly run = computed(() => {
    const plan = this.plan();
    return runOf(plan.contents, { ...plan, roomC: this.roomC() }, plan.startC);
  });
  private readonly evidence = computed(() => this.measuredHolds.evidenceOf(this.withoutHold().contents), {
    equal: isSame,
  });
  protected readonly schools = computed(() => {
    const { contents, startC, planned } = this.withoutHold();
    return schoolsHere(contents, planned, startC);
  });
  /** What each school comes to here, by its minutes. */
  protected readonly outcomes = signal<ReadonlyMap<number, string>>(new Map());
  /** In the frame of the change; the band follows from the worker. */
  protected readonly middle = computed(() => middleF0(this.run()) * this.bandToMiddling());
  /** What the load comes to, first of all. */
  protected readonly verdict = computed(() => {
    const spoilage = this.spoilage();
    return spoilage && { ...spoilWords(spoilage), each: eachWords(spoilage) };
  });
  protected readonly f0 = computed(() => {
    const band = this.band();
    return band === undefined
      ? `Coldest point: F0 about ${f0Words(this.middle())} min.`
      : f0BandWords(band, this.target);
  });
  protected readonly rests = computed(() => {
    const band = this.band();
    return band && restsOn(this.heat.weighed(this.run(), this.evidence()), band);
  });
  protected readonly governs = computed(() => {
    const { isHoldChosen, basis, holdMinutes } = this.plan();
    if (isHoldChosen) {
      return 'The hold below is your own choice.';
    }
    if (basis === 'measured') {
      return `What was measured in these vessels governs: ${holdMinutes} min gives the target to nine in ten.`;
    }
    const hold = this.measured();
    if (this.evidence().measured.length === 0 || typeof hold === 'number') {
      return 'The trade’s hold governs until a probe or an indicator has spoken for these vessels.';
    }
    return hold === 'none'
      ? 'By what was measured no hold up to five hours is sure; the trade’s hold stands. Smaller vessels, or find out why.'
      : 'What the measurements ask for is being reckoned.';
  });
  /** What the target alone would need if everything is middling. */
  protected readonly neededForTarget = computed(() => {
    const { contents, startC, planned } = this.withoutHold();
    const needed = holdReaching(
      (holdMinutes) => middleF0(runOf(contents, { ...planned, holdMinutes }, startC)),
      this.target,
    );
    return holdWords(needed);
  });
  protected readonly browning = computed(() => {
    const found = browningOf(this.plan(), this.roomC(), this.brownedBefore());
    if (found === undefined || found.grade === 'pale') {
      return undefined;
    }
    const as = `It browns like ${formatNumber(found.minutes)} min at ${temperatureWords(REFERENCE_C)} (a model)`;
    return found.grade === 'brown'
      ? { words: `${as}: darker, still good.`, tone: 'soft' }
      : {
          words: `${as}: sugar this dark is better made anew. Cook broth and agar apart from long runs.`,
          tone: 'rye',
        };
  });
  /** What the venting leaves, and what a minute less would cost. */
  protected readonly air = computed(() => {
    const { ventMinutes, chamberC } = this.plan();
    const cooler = (minutes: number) => chamberC - steamBesideAir(chamberC, vesselAir(minutes));
    const here = cooler(ventMinutes);
    const shorter = Math.max(0, ventMinutes - 5);
    const killed = 10 ** (-(cooler(shorter) - here) / 10);
    return `${formatNumber(vesselAir(ventMinutes) * 100)} % air stays in the vessels at first (${degreesWords(here)} cooler). With ${shorter} min it would be ${formatNumber(vesselAir(shorter) * 100)} %: ${degreesWords(cooler(shorter))} cooler, ${formatNumber((1 - killed) * 100)} % less killing at the start.`;
  });

  /** The plan apart from its hold; the same while only the slider moves. */
  private readonly withoutHold = computed(
    () => {
      const { contents, startC, boilC, chamberC, comeUpMinutes, ventMinutes, coolingRate } = this.plan();
      const planned = { roomC: this.roomC(), boilC, chamberC, comeUpMinutes, ventMinutes, coolingRate };
      return { contents, startC, planned };
    },
    { equal: isSame },
  );

  constructor() {
    effect(() => {
      void this.reckonBand();
    });
    effect(() => {
      void this.reckonSpoilage();
    });
    effect(() => {
      void this.reckonSchools();
    });
  }

  protected readonly holdWords = holdWords;

  protected choose(minutes: number): void {
    const school = this.schools().find((s) => s.minutes === minutes);
    if (school !== undefined) {
      this.schoolChosen.emit(school);
    }
  }

  private async reckonBand(): Promise<void> {
    const run = this.run();
    const band = await this.heat.f0('load', run, this.evidence());
    if (band !== undefined) {
      this.band.set(band);
      this.bandToMiddling.set(band.coreF0.middle / Math.max(middleF0(run), LEAST_F0));
    }
  }

  private async reckonSpoilage(): Promise<void> {
    const { contents } = this.plan();
    const spoilage = await this.heat.spoilage('load', this.run(), contents, this.count(), this.evidence());
    if (spoilage !== undefined) {
      this.spoilage.set(spoilage);
    }
  }

  private async reckonSchools(): Promise<void> {
    const [schools, count, evidence] = [this.schools(), this.count(), this.evidence()];
    const { contents, startC, planned } = this.withoutHold();
    const told = await Promise.all(
      schools.map(async ({ minutes, hereMinutes: holdMinutes }) => {
        const run = holdMinutes && runOf(contents, { ...planned, holdMinutes }, startC);
        const found = run && (await this.heat.spoilage(`school ${minutes}`, run, contents, count, evidence));
        return found && ([minutes, oneInWords(found.perVessel)] as const);
      }),
    );
    const known = told.flatMap((t) => (t ? [t] : []));
    // One that was overtaken leaves what stands; the newest of all comes last.
    if (known.length > 0) {
      this.outcomes.set(new Map(known));
    }
  }
}

function isSame<T>(a: T, b: T): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
