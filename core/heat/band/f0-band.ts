import { requireWithin } from '../../base/errors.js';
import { ColdestF0 } from '../load/coldest-f0.js';
import { effectiveCount, weightedQuantiles, type Draws } from '../load/draws.js';
import type { Run } from '../load/run-heat.js';

export interface Likely {
  /** One in ten is lower. */
  readonly low: number;
  readonly middle: number;
  /** One in ten is higher. */
  readonly high: number;
}

/** What the coldest point of a vessel likely has at the end. */
export interface F0Band {
  /** min */
  readonly coreF0: Likely;
  /** Chance that it is the target. */
  readonly chance: number;
  /** How many equal draws the band rests on. */
  readonly draws: number;
  /** What was measured contradicts itself: more likely than not one of it is wrong altogether. */
  readonly isDoubted: boolean;
}

/** 8 in 10, and the middle. */
const SHARES = [0.1, 0.5, 0.9] as const;

/**
 * The band without the curve that leads to it, from a few dozen runs and not one for each draw: for what is planned while
 * a slider moves. Within some hundredths of `heatBand` (measured, `f0-band.spec.ts`).
 *
 * @param targetF0 min
 */
export function f0Band(run: Run, draws: Draws, targetF0: number): F0Band {
  const coldest = new ColdestF0(run);
  return bandOf(
    draws.normals.map((row) => coldest.of(row)),
    draws,
    targetF0,
  );
}

/** @param f0s of the coldest point, draw by draw, min */
export function bandOf(f0s: readonly number[], draws: Draws, targetF0: number): F0Band {
  requireWithin(targetF0, { field: 'targetF0', min: 0, max: 1e4, unit: ' min' });
  return {
    coreF0: likelyOf(f0s, draws.weights),
    chance: f0s.reduce((sum, f0, k) => (f0 >= targetF0 ? sum + draws.weights[k]! : sum), 0),
    draws: effectiveCount(draws),
    isDoubted: (draws.doubt ?? 0) > 0.5,
  };
}

/** Where 8 in 10 of some weighted values lie. */
export function likelyOf(values: ArrayLike<number>, weights: Float64Array): Likely {
  const [low, middle, high] = weightedQuantiles(values, weights, SHARES);
  return { low, middle, high };
}
