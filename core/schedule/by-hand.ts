import { DAY_MS } from '../base/time.js';
import { compareText } from '../record/order.js';
import type { Limits } from './limits.js';
import { moveTask, type Broken, type Moved } from './move.js';
import type { Schedule } from './schedule.js';
import { isAtOnce, type Task } from './task.js';

/** A task that somebody put on a time. */
export interface ByHand {
  readonly key: string;
  readonly atMs: number;
}

/** A schedule in which some tasks lie where they were put. */
export interface ScheduleByHand extends Schedule {
  /** Tasks that lie where they were put. */
  readonly byHand: ReadonlySet<string>;
  /** What is not as it should be for that. */
  readonly broken: readonly Broken[];
}

/**
 * Puts tasks on the times that were chosen for them, the first of them first; each stays there while the next is put. A time
 * that is over is not kept to, nor one of a task that is not there.
 */
export function putByHand(
  tasks: readonly Task[],
  limits: Limits,
  schedule: Schedule,
  chosen: readonly ByHand[],
): ScheduleByHand {
  let result: ScheduleByHand = { ...schedule, byHand: new Set(), broken: [] };
  const ahead = chosen
    .filter((c) => c.atMs >= limits.nowMs && schedule.slots.has(c.key))
    .sort((a, b) => a.atMs - b.atMs || compareText(a.key, b.key));
  for (const { key, atMs } of ahead) {
    result = afterMove(tasks, limits, result, key, atMs)?.schedule ?? result;
  }
  return result;
}

/** The first of the tasks that follow each other at once, of which this is one: they are moved together. */
function headOf(tasks: readonly Task[], key: string): string {
  const byKey = new Map(tasks.map((t) => [t.key, t]));
  let head = key;
  // Tasks wait in no ring, so that this comes to an end.
  for (;;) {
    const before = byKey.get(head)?.after.find(isAtOnce);
    if (before === undefined) {
      return head;
    }
    head = before.key;
  }
}

/**
 * One task more is put on a time; those put before stay. What it follows at once comes along.
 * @returns undefined where nobody is there before the horizon
 */
export function afterMove(
  tasks: readonly Task[],
  limits: Limits,
  schedule: ScheduleByHand,
  key: string,
  toMs: number,
): { readonly schedule: ScheduleByHand; readonly moved: Moved } | undefined {
  const head = headOf(tasks, key);
  const byMs = toMs - (schedule.slots.get(key)?.startMs ?? toMs);
  const headMs = (schedule.slots.get(head)?.startMs ?? toMs) + byMs;
  const stay = new Set([...schedule.byHand].filter((k) => k !== head));
  const moved = moveTask(tasks, limits, schedule, head, headMs, stay);
  return (
    moved && {
      moved,
      schedule: {
        slots: moved.slots,
        with: moved.with,
        lateMs: lateAfter(tasks, schedule, moved),
        byHand: new Set([...stay, head]),
        broken: moved.broken,
      },
    }
  );
}

/** Whole days by which goals are late; those of which nothing was moved are as they were. */
function lateAfter(tasks: readonly Task[], { lateMs }: Schedule, moved: Moved): ReadonlyMap<string, number> {
  const touched = new Set(moved.moved);
  const after = new Map(lateMs);
  for (const goal of new Set(tasks.filter((t) => touched.has(t.key)).map((t) => t.goal))) {
    const late = tasks
      .filter((t) => t.goal === goal)
      .map(({ key, due }) => (moved.slots.get(key)?.endMs ?? 0) - (due?.byMs ?? Infinity));
    after.set(goal, Math.ceil(Math.max(0, ...late) / DAY_MS) * DAY_MS);
  }
  return after;
}
