import { requireWithin } from '../../base/errors.js';
import { effectiveCount, weightedQuantiles, type Draws } from '../load/draws.js';
import { runHeat, type Run } from '../load/run-heat.js';

export interface Likely {
  /** One in ten is lower. */
  readonly low: number;
  readonly middle: number;
  /** One in ten is higher. */
  readonly high: number;
}

/** What the coldest point of a vessel likely gets: 8 in 10 lie in the band. */
export interface HeatBand {
  readonly minutes: readonly number[];
  readonly low: readonly number[];
  readonly middle: readonly number[];
  readonly high: readonly number[];
  readonly coreF0: Likely;
  /** Before the cap, for comparison. */
  readonly uncappedF0: Likely;
  /** Chance that the coldest point has the target at the end. */
  readonly chance: number;
  /** How many equal draws the band rests on. */
  readonly draws: number;
  /** What was measured contradicts itself: more likely than not one of it is wrong altogether. */
  readonly isDoubted: boolean;
}

/** 8 in 10, and the middle. */
const SHARES = [0.1, 0.5, 0.9] as const;
/** A minute is fine enough to draw and to sum a band. */
const STEP_MINUTES = 1;

/**
 * Runs every draw and says where 8 in 10 lie.
 *
 * @param targetF0 min
 */
export function heatBand(run: Run, draws: Draws, targetF0: number, stepMinutes = STEP_MINUTES): HeatBand {
  requireWithin(targetF0, { field: 'targetF0', min: 0, max: 1e4, unit: ' min' });
  const runs = draws.normals.map((row) => runHeat(run, row, stepMinutes));
  const { weights } = draws;
  const f0s = runs.map((r) => r.coreF0);
  const uncapped = runs.map((r) => r.uncappedF0);
  const from = run.chamber[0]!.minutes;
  const minutes = Array.from(runs[0]!.minutes, (m) => m + from);
  const low: number[] = [];
  const middle: number[] = [];
  const high: number[] = [];
  const column = new Float64Array(runs.length);
  for (let i = 0; i < minutes.length; i++) {
    for (let k = 0; k < runs.length; k++) {
      column[k] = runs[k]!.coreCelsius[i]!;
    }
    const likely = likelyOf(column, weights);
    low.push(likely.low);
    middle.push(likely.middle);
    high.push(likely.high);
  }
  return {
    minutes,
    low,
    middle,
    high,
    coreF0: likelyOf(f0s, weights),
    uncappedF0: likelyOf(uncapped, weights),
    chance: chanceOf(f0s, weights, targetF0),
    draws: effectiveCount(draws),
    isDoubted: (draws.doubt ?? 0) > 0.5,
  };
}

/** Where 8 in 10 of some weighted values lie. */
export function likelyOf(values: ArrayLike<number>, weights: Float64Array): Likely {
  const [low, middle, high] = weightedQuantiles(values, weights, SHARES);
  return { low, middle, high };
}

export function chanceOf(values: readonly number[], weights: Float64Array, target: number): number {
  return values.reduce((sum, v, i) => (v >= target ? sum + weights[i]! : sum), 0);
}
