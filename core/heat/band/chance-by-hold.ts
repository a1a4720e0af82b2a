import type { Draws } from '../load/draws.js';
import type { Run } from '../load/run-heat.js';
import { f0Band, type F0Band } from './f0-band.js';

/** What one hold likely gives, and the chance that it is enough. */
export interface HoldChance extends F0Band {
  readonly holdMinutes: number;
}

/** The same draws at several holds, so that one hold can be weighed against another. */
export function chanceByHold(
  runs: readonly { readonly holdMinutes: number; readonly run: Run }[],
  draws: Draws,
  targetF0: number,
): readonly HoldChance[] {
  return runs.map(({ holdMinutes, run }) => ({ holdMinutes, ...f0Band(run, draws, targetF0) }));
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
