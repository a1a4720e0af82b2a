import type { Draws } from '../load/draws.js';
import { runHeat, type Run } from '../load/run-heat.js';
import { bandOf, likelyOf, type F0Band, type Likely } from './f0-band.js';

/** What the coldest point of a vessel likely gets: 8 in 10 lie in the band. */
export interface HeatBand extends F0Band {
  readonly minutes: readonly number[];
  readonly low: readonly number[];
  readonly middle: readonly number[];
  readonly high: readonly number[];
  /** Before the cap, for comparison. */
  readonly uncappedF0: Likely;
}

/** A minute is fine enough to draw and to sum a band. */
const STEP_MINUTES = 1;

/**
 * Runs every draw and says where 8 in 10 lie.
 *
 * @param targetF0 min
 */
export function heatBand(run: Run, draws: Draws, targetF0: number, stepMinutes = STEP_MINUTES): HeatBand {
  const runs = draws.normals.map((row) => runHeat(run, row, stepMinutes));
  const { weights } = draws;
  const uncapped = runs.map((r) => r.uncappedF0);
  const ofF0 = bandOf(
    runs.map((r) => r.coreF0),
    draws,
    targetF0,
  );
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
    ...ofF0,
    uncappedF0: likelyOf(uncapped, weights),
  };
}
