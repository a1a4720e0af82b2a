import { HOUR_MS } from '../base/time.js';
import { earliestStart, type Hindrance } from './find-time.js';
import type { Limits } from './limits.js';
import { Placing } from './placing.js';
import type { Schedule } from './schedule.js';
import { isAtOnce, lengthMs, type Task } from './task.js';

/** What keeps a task from lying sooner than it does. */
export type WhyNotSooner =
  /** What it waits for is ready then. */
  | { readonly kind: 'waits'; readonly for: string; readonly readyMs: number }
  /** What it needs is there from then on. */
  | { readonly kind: 'from'; readonly fromMs: number }
  /** What comes after it would find it stale. */
  | { readonly kind: 'stale'; readonly after: string; readonly fromMs: number }
  /** It is wanted within a time, and no sooner. */
  | { readonly kind: 'due'; readonly fromMs: number }
  /** It begins at once as time goes. */
  | { readonly kind: 'now' }
  /** Somebody else has it. */
  | { readonly kind: 'taken'; readonly of: string; readonly by: readonly string[] }
  /** Nobody has time before. */
  | { readonly kind: 'nobody' }
  /** Nothing does: it is put as late as its date allows. */
  | { readonly kind: 'none'; readonly soonestMs: number };

/** Sooner by less than this is as soon. Our choice. */
const AS_SOON_MS = HOUR_MS;

/**
 * Why a task lies when it lies: what bounds it, else what is in the way between that and its time.
 * @returns undefined for one that has no time
 */
export function whyNotSooner(
  tasks: readonly Task[],
  limits: Limits,
  schedule: Schedule,
  key: string,
): WhyNotSooner | undefined {
  const slot = schedule.slots.get(key);
  if (slot === undefined) {
    return undefined;
  }
  const placing = new Placing(tasks, limits);
  placing.putAsIn(schedule);
  const task = placing.taskOf(key);
  placing.takeOutAll(placing.togetherWith(key));
  const bound = boundOf(placing, task, schedule.lateMs.get(task.goal) ?? 0);
  if (slot.startMs - bound.ms < AS_SOON_MS) {
    return bound.why;
  }
  const hindrances: Hindrance[] = [];
  const soonestMs = earliestStart(task, placing.room, bound.ms, slot.startMs, hindrances) ?? slot.startMs;
  if (slot.startMs - soonestMs >= AS_SOON_MS) {
    return { kind: 'none', soonestMs };
  }
  // Somebody who is not there tells less than something that is taken.
  const taken = hindrances.find((h) => h.kind === 'taken');
  return taken ?? { kind: 'nobody' };
}

/** The latest of all that bounds the beginning of a task, and what that is. */
function boundOf(
  placing: Placing,
  task: Task,
  lateMs: number,
): { readonly ms: number; readonly why: WhyNotSooner } {
  const { nowMs } = placing.limits;
  const at = (key: string) => placing.slots.get(key);
  const bounds: { readonly ms: number; readonly why: WhyNotSooner }[] = [{ ms: nowMs, why: { kind: 'now' } }];
  if (task.fromMs !== undefined) {
    bounds.push({ ms: task.fromMs, why: { kind: 'from', fromMs: task.fromMs } });
  }
  if (task.due !== undefined) {
    const fromMs = task.due.fromMs + lateMs;
    bounds.push({ ms: fromMs, why: { kind: 'due', fromMs } });
  }
  for (const link of placing.before(task.key)) {
    const slot = at(link.task.key);
    if (slot !== undefined) {
      const readyMs = slot.endMs + link.ms;
      bounds.push({ ms: readyMs, why: { kind: 'waits', for: link.task.key, readyMs } });
    }
  }
  for (const link of placing.after(task.key)) {
    const slot = at(link.task.key);
    // What follows at once moves along.
    if (slot !== undefined && link.mostMs !== Infinity && !isAtOnce(link)) {
      const fromMs = slot.startMs - link.mostMs - lengthMs(task);
      bounds.push({ ms: fromMs, why: { kind: 'stale', after: link.task.key, fromMs } });
    }
  }
  return bounds.reduce((latest, bound) => (bound.ms > latest.ms ? bound : latest));
}
