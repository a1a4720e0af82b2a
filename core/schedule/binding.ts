import { DAY_MS } from '../base/time.js';
import { compareText } from '../record/order.js';
import type { Limits } from './limits.js';
import { Placing } from './placing.js';
import { scheduleTasks, type Schedule } from './schedule.js';
import type { Task, Use } from './task.js';

/** What keeps a goal from being sooner. */
export type Binding =
  /** Its own steps take so long, even with everything free. */
  | { readonly kind: 'itself' }
  /** Something that is taken; with more of it the goal would be so much sooner. */
  | { readonly kind: 'taken'; readonly of: string; readonly gainMs: number }
  /** Several things together: none of them alone would help. */
  | { readonly kind: 'several' };

/** What each goal that is late waits for: it is scheduled anew with one thing after another left out of account. */
export function bindingsOf(
  tasks: readonly Task[],
  limits: Limits,
  schedule: Schedule,
): ReadonlyMap<string, Binding> {
  const late = [...schedule.lateMs].filter(([, ms]) => ms > 0);
  return new Map(late.map(([goal, ms]) => [goal, bindingOf(goal, ms, tasks, limits, schedule)]));
}

function bindingOf(
  goal: string,
  lateMs: number,
  tasks: readonly Task[],
  limits: Limits,
  schedule: Schedule,
): Binding {
  const own = tasks.filter((t) => t.goal === goal);
  const others = new Placing(
    tasks.filter((t) => t.goal !== goal),
    limits,
  );
  others.putAsIn(schedule);
  const { taken } = others;
  const lateWithout = (isLeftOut: (of: string) => boolean) => {
    const freed = own.map((task) => freedOf(task, isLeftOut));
    return scheduleTasks(freed, { ...limits, taken }).lateMs.get(goal)!;
  };
  if (lateWithout(() => true) > lateMs - DAY_MS) {
    return { kind: 'itself' };
  }
  const gains = [...usedBy(own)]
    .sort(compareText)
    .map((of) => ({
      of,
      gainMs: gainOf(
        lateMs,
        lateWithout((used) => used === of),
      ),
    }))
    .sort((a, b) => b.gainMs - a.gainMs);
  const [most] = gains;
  return most !== undefined && most.gainMs >= DAY_MS ? { kind: 'taken', ...most } : { kind: 'several' };
}

/** Where no time is found either way nothing is gained. */
function gainOf(lateMs: number, withoutMs: number): number {
  return withoutMs === lateMs ? 0 : lateMs - withoutMs;
}

function freedOf(task: Task, isLeftOut: (of: string) => boolean): Task {
  const kept = (uses: readonly Use[]) => uses.filter((u) => !isLeftOut(u.of));
  return {
    ...task,
    parts: task.parts.map((part) => ({ ...part, uses: kept(part.uses) })),
    after: task.after.map((wait) => ({ ...wait, stands: kept(wait.stands ?? []) })),
  };
}

/** All that tasks take something of, while they are done and while what they wait for stands. */
export function usedBy(tasks: readonly Task[]): ReadonlySet<string> {
  return new Set(
    tasks.flatMap((t) => [
      ...t.parts.flatMap((p) => p.uses.map((u) => u.of)),
      ...t.after.flatMap((w) => (w.stands ?? []).map((u) => u.of)),
    ]),
  );
}
