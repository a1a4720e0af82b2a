import { Injectable, inject } from '@angular/core';
import {
  NEXT_COOK,
  USUAL_TARGET_F0,
  observationsOf,
  runOf,
  type About,
  type Contents,
  type CookView,
  type HeatBand,
  type HoldChance,
  type House,
  type Observation,
  type PlannedRun,
  type Run,
  BAND_SEED,
  DRAWS,
  DRAWS_AFTER_MEASURING,
  HOLDS_RECKONED,
} from '../../../core/index';
import { HeatWorker } from '../../workers/heat-client';
import { Notices } from '../store/notices';
import { messageOf } from '../words/message-of';

/** The matter of notices about what the middle gets. */
const HEAT = 'heat of the middle';

/** What the middle of vessels likely gets, with what this house has measured of vessels and media of that kind. */
@Injectable({ providedIn: 'root' })
export class HeatService {
  private readonly worker = inject(HeatWorker);
  private readonly notices = inject(Notices);

  /** Everything that was measured in vessels of this type with this medium. */
  observations(house: House, contents: Contents, nowMs: number, except?: CookView): readonly Observation[] {
    return house.cooks
      .filter(
        (c) =>
          c.cook.id !== except?.cook.id &&
          c.contents?.vessel.id === contents.vessel.id &&
          c.contents.stage === contents.stage,
      )
      .flatMap((c) => observationsOf(c, nowMs));
  }

  /**
   * @param about which vessel: one of another cook than those that were measured, where it is left out
   * @returns undefined for a question that was overtaken by another, or could not be answered: the page says so then
   */
  band(
    kind: string,
    run: Run,
    observations: readonly Observation[],
    targetF0 = USUAL_TARGET_F0,
    about: About = NEXT_COOK,
  ): Promise<HeatBand | undefined> {
    return this.told(this.worker.band(kind, run, this.question(observations, targetF0, about)));
  }

  /** The chance of the target at a range of holds of one plan; undefined as above. */
  holds(
    kind: string,
    contents: Contents,
    planned: Omit<PlannedRun, 'holdMinutes'>,
    startC: number,
    observations: readonly Observation[],
    targetF0 = USUAL_TARGET_F0,
  ): Promise<readonly HoldChance[] | undefined> {
    const runs = HOLDS_RECKONED.map((holdMinutes) => ({
      holdMinutes,
      run: runOf(contents, { ...planned, holdMinutes }, startC),
    }));
    return this.told(this.worker.holds(kind, runs, this.question(observations, targetF0, NEXT_COOK)));
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

  private question(observations: readonly Observation[], targetF0: number, about: About) {
    return {
      observations,
      about,
      targetF0,
      draws: observations.length > 0 ? DRAWS_AFTER_MEASURING : DRAWS,
      seed: BAND_SEED,
    };
  }
}
