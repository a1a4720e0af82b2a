import { requireWithin } from '../base/errors.js';

/** What a cooker loses, ml a minute: while steam rushes out, and at pressure. */
export interface WaterLoss {
  readonly ventMlPerMin: number;
  readonly holdMlPerMin: number;
  /** What this very cooker has been found to lose, as a multiple of that. */
  readonly factor?: number;
}

/** Of a canner on a large flame, with a weight that jiggles. From memory of kitchen runs, until the user measures. */
export const USUAL_WATER_LOSS: WaterLoss = { ventMlPerMin: 35, holdMlPerMin: 7 };

/** Heat that makes steam of water at 100 °C, kJ/kg: steam tables, IAPWS-IF97. */
const EVAPORATION_KJ_PER_KG = 2256.5;

/** The most that so much heat can boil away. A milliliter weighs a gram. */
export function boiledMlPerMin(netKW: number): number {
  return (netKW * 60 * 1000) / EVAPORATION_KJ_PER_KG;
}
/** Half as much again as the run should lose: common practice, no source. */
const RESERVE = 0.5;
const BOTTLE_STEP_ML = 100;

/** Water that a run has lost, ml, from its minutes of full steam and of hold. */
export function waterLostMl(
  ventMinutes: number,
  holdMinutes: number,
  loss: WaterLoss = USUAL_WATER_LOSS,
): number {
  return (loss.factor ?? 1) * (ventMinutes * loss.ventMlPerMin + holdMinutes * loss.holdMlPerMin);
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
  readonly loss?: WaterLoss;
}): WaterBudget {
  requireWithin(input.ventMinutes, { field: 'venting', min: 0, max: 120, unit: ' min' });
  requireWithin(input.holdMinutes, { field: 'hold', min: 0, max: 1440, unit: ' min' });
  const lossMl = waterLostMl(input.ventMinutes, input.holdMinutes, input.loss);
  const neededMl = Math.ceil((lossMl * (1 + RESERVE)) / BOTTLE_STEP_ML) * BOTTLE_STEP_ML;
  const startMl = Math.min(Math.max(neededMl, input.leastMl), input.mostMl);
  return { startMl, lossMl, leftMl: startMl - lossMl, tooLong: neededMl > input.mostMl };
}
