import { Injectable, inject } from '@angular/core';
import {
  NEXT_COOK,
  NEXT_LOAD,
  carriesSpores,
  practiceOf,
  USUAL_TARGET_F0,
  observationsOf,
  outcomeOf,
  runOf,
  type About,
  type Contents,
  type CookView,
  type F0Band,
  type HeatBand,
  type HoldChance,
  type House,
  type Observation,
  type PlannedRun,
  type Run,
  type Spoilage,
  BAND_SEED,
  DRAWS,
  HOLDS_RECKONED,
  LOAD_DRAWS,
  MEASURED_LOAD_DRAWS,
} from '../../../core/index';
import { HeatWorker } from '../../workers/heat-client';
import type { HeatQuestion } from '../../workers/heat.worker';
import { Notices } from '../store/notices';
import { messageOf } from '../words/message-of';

/** What a house knows of vessels like those that are asked about. */
export interface Evidence {
  /** By probes, maximum thermometers and indicators. */
  readonly measured: readonly Observation[];
  /** What became of those of the last cooks. */
  readonly outcomes: readonly Observation[];
  /** How much the trade's record counts, 0 to 1. */
  readonly practiceWeight: number;
}

export const NO_EVIDENCE: Evidence = { measured: [], outcomes: [], practiceWeight: 1 };
/** Of so many cooks at most: older ones were another grain, another hand. Our choice. */
const COOKS_TOLD = 6;

/** The matter of notices about what the middle gets. */
const HEAT = 'heat of the middle';

/** What the middle of vessels likely gets, with what this house has measured of vessels and media of that kind. */
@Injectable({ providedIn: 'root' })
export class HeatService {
  private readonly worker = inject(HeatWorker);
  private readonly notices = inject(Notices);

  /** What was measured in vessels of this type with this medium, and what became of them. */
  evidence(house: House, contents: Contents, nowMs: number, except?: CookView): Evidence {
    const cooks = house.cooks.filter(
      (c) =>
        c.cook.id !== except?.cook.id &&
        c.contents?.vessel.id === contents.vessel.id &&
        c.contents.stage === contents.stage,
    );
    return {
      measured: cooks.flatMap((c) => observationsOf(c, nowMs)),
      outcomes: cooks.flatMap((c) => outcomeOf(c, house, nowMs)).slice(-COOKS_TOLD),
      practiceWeight: house.household?.practiceWeight ?? 1,
    };
  }

  /**
   * @param about which vessel: one of another cook than those that were measured, where it is left out
   * @returns undefined for a question that was overtaken by another, or could not be answered: the page says so then
   */
  band(
    kind: string,
    run: Run,
    evidence: Evidence,
    targetF0 = USUAL_TARGET_F0,
    about: About = NEXT_COOK,
  ): Promise<HeatBand | undefined> {
    return this.told(this.worker.band(kind, run, this.question(run, evidence, targetF0, about)));
  }

  /** The same of a vessel of the next cook, without its curve: while one plans; undefined as above. */
  f0(kind: string, run: Run, evidence: Evidence, targetF0 = USUAL_TARGET_F0): Promise<F0Band | undefined> {
    return this.told(this.worker.f0(kind, run, this.question(run, evidence, targetF0, NEXT_COOK)));
  }

  /** How many of so many like vessels likely sour by the cook; undefined as above. */
  spoilage(
    kind: string,
    run: Run,
    contents: Contents,
    count: number,
    evidence: Evidence,
    about: About = NEXT_LOAD,
  ): Promise<Spoilage | undefined> {
    const draws = evidence.measured.length > 0 ? MEASURED_LOAD_DRAWS : LOAD_DRAWS;
    const question = { ...this.question(run, evidence, USUAL_TARGET_F0, about), draws };
    return this.told(this.worker.spoilage(kind, { run, count, each: carriesSpores(contents) }, question));
  }

  /** How many of the very load of a cook likely sour, with what was measured in it; undefined as above. */
  spoilageOf(
    kind: string,
    { kinds: [slowest], cook }: CookView,
    run: Run,
    evidence: Evidence,
  ): Promise<Spoilage | undefined> {
    return slowest === undefined
      ? Promise.resolve(undefined)
      : this.spoilage(kind, run, slowest.contents, slowest.count, evidence, {
          of: 'sameLoad',
          cook: cook.id,
        });
  }

  /** The chance of the target at a range of holds of one plan; undefined as above. */
  holds(
    kind: string,
    contents: Contents,
    planned: Omit<PlannedRun, 'holdMinutes'>,
    startC: number,
    evidence: Evidence,
    targetF0 = USUAL_TARGET_F0,
  ): Promise<readonly HoldChance[] | undefined> {
    const runs = HOLDS_RECKONED.map((holdMinutes) => ({
      holdMinutes,
      run: runOf(contents, { ...planned, holdMinutes }, startC),
    }));
    const question = this.question(runs[0]!.run, evidence, targetF0, NEXT_COOK);
    return this.told(this.worker.holds(kind, runs, question));
  }

  private async told<T>(answer: Promise<T | undefined>): Promise<T | undefined> {
    try {
      const found = await answer;
      this.notices.settled(HEAT);
      return found;
    } catch (error) {
      this.notices.show({
        text: `What the middle likely gets could not be reckoned: ${messageOf(error)} The clock and the hold stand.`,
        isKept: false,
        about: HEAT,
      });
      return undefined;
    }
  }

  /** What a forecast rests on beside physics. */
  weighed({ load }: Run, { measured, outcomes, practiceWeight }: Evidence): readonly Observation[] {
    const practice = practiceOf(load, practiceWeight);
    return [
      ...(practice === undefined ? [] : [{ kind: 'practice' as const, practice }]),
      ...outcomes,
      ...measured,
    ];
  }

  private question(run: Run, evidence: Evidence, targetF0: number, about: About): HeatQuestion {
    return {
      observations: this.weighed(run, evidence),
      about,
      targetF0,
      draws: DRAWS,
      seed: BAND_SEED,
    };
  }
}
