import { requireWithin } from '../base/errors.js';

// From memory of kitchen runs, to be replaced by what the user measures: water lost per minute.
const VENT_LOSS_ML_PER_MIN = 35;
const HOLD_LOSS_ML_PER_MIN = 7;
/** Half as much again as the run should lose: common practice, no source. */
const RESERVE = 0.5;
const BOTTLE_STEP_ML = 100;

/**
 * Water that a run has lost, ml, from its minutes of full steam and of hold.
 *
 * @param factor what this very cooker loses, as a multiple of the usual
 */
export function waterLostMl(ventMinutes: number, holdMinutes: number, factor = 1): number {
  return factor * (ventMinutes * VENT_LOSS_ML_PER_MIN + holdMinutes * HOLD_LOSS_ML_PER_MIN);
}

export interface WaterBudget {
  readonly startMl: number;
  readonly lossMl: number;
  readonly leftMl: number;
  /** No level satisfies both the need and the limit under the vessels. */
  readonly tooLong: boolean;
}

/**
 * Water to start with, so that some is left at the end and none touches what it must not.
 *
 * @param leastMl what the appliance's manual asks for at least
 * @param mostMl level under the bags, or half way up the jars
 */
export function waterBudget(input: {
  readonly ventMinutes: number;
  readonly holdMinutes: number;
  readonly leastMl: number;
  readonly mostMl: number;
  /** What this cooker has been found to lose, as a multiple of the usual. */
  readonly factor?: number;
}): WaterBudget {
  requireWithin(input.ventMinutes, { field: 'venting', min: 0, max: 120, unit: ' min' });
  requireWithin(input.holdMinutes, { field: 'hold', min: 0, max: 1440, unit: ' min' });
  const lossMl = waterLostMl(input.ventMinutes, input.holdMinutes, input.factor);
  const neededMl = Math.ceil((lossMl * (1 + RESERVE)) / BOTTLE_STEP_ML) * BOTTLE_STEP_ML;
  const startMl = Math.min(Math.max(neededMl, input.leastMl), input.mostMl);
  return { startMl, lossMl, leftMl: startMl - lossMl, tooLong: neededMl > input.mostMl };
}
