import { groupBy } from '../base/collections.js';
import type { Limits, Taken } from './limits.js';
import { Placing } from './placing.js';
import type { Schedule } from './schedule.js';
import type { Slot, Task } from './task.js';

/** How much of something is taken over a time; 1 is all of it. */
export interface Load extends Slot {
  readonly share: number;
}

/** All that is taken once tasks lie where a schedule puts them: by them, by what stands between them, and otherwise. */
export function takenIn(
  tasks: readonly Task[],
  limits: Limits,
  schedule: Pick<Schedule, 'slots' | 'with'>,
): readonly Taken[] {
  const placing = new Placing(tasks, limits);
  placing.putAsIn(schedule);
  return placing.taken;
}

/** How much of each thing is taken when, in order of time; times at which it is free are left out. */
export function loadsOf(taken: readonly Taken[]): ReadonlyMap<string, readonly Load[]> {
  return new Map([...groupBy(taken, (t) => t.of)].map(([of, all]) => [of, loadOf(all)]));
}

function loadOf(taken: readonly Taken[]): readonly Load[] {
  const steps = taken
    .flatMap(({ startMs, endMs, share }) => [
      { atMs: startMs, share },
      { atMs: endMs, share: -share },
    ])
    .sort((a, b) => a.atMs - b.atMs);
  const loads: Load[] = [];
  let share = 0;
  steps.forEach(({ atMs, share: more }, i) => {
    share += more;
    const endMs = steps[i + 1]?.atMs ?? atMs;
    if (endMs > atMs && share > ROUNDING) {
      loads.push({ startMs: atMs, endMs, share });
    }
  });
  return loads;
}

/** Sums of shares differ from a whole by less. */
const ROUNDING = 1e-9;
