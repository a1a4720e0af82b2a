import type { Draws } from '../load/draws.js';
import { chanceOf, likelyOf, type Likely } from './heat-band.js';
import { runHeat, type Run } from '../load/run-heat.js';

/** What one hold likely gives, and the chance that it is enough. */
export interface HoldChance {
  readonly holdMinutes: number;
  readonly coreF0: Likely;
  readonly chance: number;
}

/** Coarser than the band of one run: many runs are asked for and only their sums. */
const STEP_MINUTES = 2;

/** The same draws at several holds, so that one hold can be weighed against another. */
export function chanceByHold(
  runs: readonly { readonly holdMinutes: number; readonly run: Run }[],
  draws: Draws,
  targetF0: number,
): readonly HoldChance[] {
  return runs.map(({ holdMinutes, run }) => {
    const f0s = draws.normals.map((row) => runHeat(run, row, STEP_MINUTES).coreF0);
    return {
      holdMinutes,
      coreF0: likelyOf(f0s, draws.weights),
      chance: chanceOf(f0s, draws.weights, targetF0),
    };
  });
}

/** The least hold that reaches a chance, straight between those that were reckoned; undefined beyond the longest. */
export function holdForChance(holds: readonly HoldChance[], chance: number): number | undefined {
  const at = holds.findIndex((h) => h.chance >= chance);
  const [before, here] = [holds[at - 1], holds[at]];
  if (here === undefined || before === undefined) {
    return here?.holdMinutes;
  }
  const share = (chance - before.chance) / (here.chance - before.chance);
  return before.holdMinutes + share * (here.holdMinutes - before.holdMinutes);
}
