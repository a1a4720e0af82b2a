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
  holdForChance,
  holdReaching,
  middleF0,
  runOf,
  steamBesideAir,
  vesselAir,
  type CookPlan,
  type HeatBand,
} from '../../../../core/index';
import { degreesWords, pressureWords, temperatureWords } from '../../../data/words/measure-words';
import { HeatService } from '../../../data/work/heat-service';
import {
  chanceWords,
  courseWords,
  f0Words,
  holdWords,
  likelyWords,
  restsOn,
} from '../../../data/words/heat-words';
import { Time } from '../../../data/clock/time';
import { HouseStore } from '../../../data/store/house-store';
import { HeatBandBar } from '../../../pieces/heat-band-bar';

/** Once something was measured, the hold is the one that nine vessels in ten reach the target with. */
const WANTED_CHANCE = 0.9;
const SHORTEST_MIN = 5;
const LONGEST_MIN = 360;

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
  readonly roomC = input.required<number>();
  readonly schoolChosen = output<number>();
  readonly holdChosen = output<number>();
  /** The hold that measuring has shown; undefined when nothing was measured or no hold is enough. */
  readonly measuredHold = output<number | undefined>();

  private readonly heat = inject(HeatService);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  protected readonly pressureWords = pressureWords;
  protected readonly tradeKPa = TRADE_GAUGE_KPA;
  protected readonly target = USUAL_TARGET_F0;
  protected readonly shortest = SHORTEST_MIN;
  protected readonly longest = LONGEST_MIN;
  protected readonly band = signal<HeatBand | undefined>(undefined);
  private readonly measured = signal<number | undefined>(undefined);

  private readonly run = computed(() => {
    const plan = this.plan();
    return runOf(plan.contents, { ...plan, roomC: this.roomC() }, plan.startC);
  });
  protected readonly observations = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : this.heat.observations(house, this.plan().contents, this.time.minute());
  });
  /** In the frame of the change; the band follows from the worker. */
  protected readonly middle = computed(() => middleF0(this.run()));
  protected readonly course = computed(() => {
    const band = this.band();
    return band && courseWords(band.coreF0, this.target);
  });
  protected readonly rests = computed(() => {
    const band = this.band();
    return band && restsOn(this.observations().length, band);
  });
  protected readonly governs = computed(() => {
    const { isHoldChosen, basis, holdMinutes } = this.plan();
    if (isHoldChosen) {
      return 'The hold below is your own choice.';
    }
    if (basis === 'measured') {
      return `What was measured in these vessels governs: ${holdMinutes} min gives the target to nine in ten.`;
    }
    return this.observations().length > 0 && this.measured() === undefined
      ? 'By what was measured no hold up to five hours is sure; the trade’s hold stands. Smaller vessels, or find out why.'
      : 'The trade’s hold governs until a probe or an indicator has spoken for these vessels.';
  });
  /** What the target alone would need if everything is middling. */
  protected readonly neededForTarget = computed(() => {
    const plan = this.plan();
    const needed = holdReaching(
      (holdMinutes) =>
        middleF0(runOf(plan.contents, { ...plan, roomC: this.roomC(), holdMinutes }, plan.startC)),
      this.target,
    );
    return holdWords(needed);
  });
  protected readonly browning = computed(() => {
    const found = browningOf(this.plan(), this.roomC());
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
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );

  constructor() {
    effect(() => {
      void this.reckonBand();
    });
    effect(() => {
      void this.reckonMeasured();
    });
  }

  protected words(f0: number): string {
    return f0Words(f0);
  }

  protected likely(band: HeatBand): string {
    return likelyWords(band.coreF0);
  }

  protected chance(band: HeatBand): string {
    return chanceWords(band.chance);
  }

  protected readonly holdWords = holdWords;

  private async reckonBand(): Promise<void> {
    const band = await this.heat.band('load', this.run(), this.observations());
    if (band !== undefined) {
      this.band.set(band);
    }
  }

  private async reckonMeasured(): Promise<void> {
    const observations = this.observations();
    const { contents, startC, planned } = this.withoutHold();
    if (observations.length === 0) {
      this.measuredHold.emit(undefined);
      return;
    }
    const holds = await this.heat.holds('load', contents, planned, startC, observations);
    if (holds !== undefined) {
      const hold = holdForChance(holds, WANTED_CHANCE);
      this.measured.set(hold);
      this.measuredHold.emit(hold);
    }
  }
}
