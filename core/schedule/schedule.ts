import { groupBy } from '../base/collections.js';
import { DAY_MS, MINUTE_MS } from '../base/time.js';
import { compareText } from '../record/order.js';
import { spanBy } from './free-time.js';
import type { Limits } from './limits.js';
import { Placing } from './placing.js';
import { firstWithRoom, lastWithRoom } from './room-to-stand.js';
import { isAtOnce, type Slot, type Task } from './task.js';

/** Tasks with their times. */
export interface Schedule {
  readonly slots: ReadonlyMap<string, Slot>;
  /** Each task that is done together with others, by the one that it is done with. */
  readonly with: ReadonlyMap<string, string>;
  /** By how much a goal is later than it was wanted, ms; 0 for one that is in time, infinite where it cannot be had at all. */
  readonly lateMs: ReadonlyMap<string, number>;
}

/**
 * Puts the tasks of each goal as late as its date allows, from the last back (serial schedule generation, as in Kolisch 1996,
 * from the end); the goal that is wanted first has the first choice. Where a goal cannot be had in time it is put at the
 * soonest day that is found for it. Tasks of one kind share a slot where that fits, and what would fall on a day off moves
 * before it, where either costs no more than the ease. The same input gives the same schedule.
 *
 * @throws RangeError where tasks wait for each other in a ring or for one that is not there
 */
export function scheduleTasks(tasks: readonly Task[], limits: Limits): Schedule {
  const placing = new Placing(tasks, limits);
  const lateMs = new Map<string, number>();
  const goals = [...groupBy(placing.ordered, (t) => t.goal)]
    .map(([goal, ofGoal]) => ({ goal, ofGoal, byMs: Math.min(...ofGoal.flatMap((t) => t.due?.byMs ?? [])) }))
    .sort((a, b) => a.byMs - b.byMs || compareText(a.goal, b.goal));
  for (const { goal, ofGoal } of goals) {
    lateMs.set(goal, placeGoal(placing, ofGoal));
  }
  settle(placing, lateMs);
  return { slots: placing.slots, with: placing.with, lateMs };
}

/**
 * What lies at the end of an evening moves to its beginning, where that suits everything else. What another follows at once
 * stays as near to that as it can.
 */
function settle(placing: Placing, lateMs: ReadonlyMap<string, number>): void {
  const inTime = [...placing.slots]
    .filter(([key]) => !placing.with.has(key))
    .sort(([a, one], [b, other]) => one.startMs - other.startMs || compareText(a, b));
  for (const [key, { startMs }] of inTime) {
    const group = placing.togetherWith(key);
    const { free } = placing.limits.spans;
    const span = free[spanBy(free, startMs)];
    if (span === undefined || startMs > span.endMs) {
      continue;
    }
    placing.takeOutAll(group);
    const bounds = group.map((t) => placing.bounds(t, lateMs.get(t.goal)!));
    const fromMs = Math.max(span.startMs, ...bounds.map((b) => b.fromMs));
    const soonerMs = firstWithRoom(placing, group[0]!, fromMs, startMs) ?? startMs;
    const isRoom = group.every((t) => placing.hasStandingRoom(t, soonerMs));
    placing.putAll(group, isRoom ? soonerMs : startMs);
  }
  for (const [key, { startMs }] of [...placing.slots]) {
    const task = placing.taskOf(key);
    if (placing.togetherWith(key).length === 1 && placing.after(key).some((f) => f.ms === 0)) {
      placing.takeOut(key);
      const { byMs } = placing.bounds(task, lateMs.get(task.goal)!);
      placing.put(task, lastWithRoom(placing, task, byMs, startMs) ?? startMs);
    }
  }
}

/** @returns by how much it is late, ms */
function placeGoal(placing: Placing, tasks: readonly Task[]): number {
  const { nowMs, horizonMs } = placing.limits;
  if (hasPlaced(placing, tasks, 0)) {
    return 0;
  }
  const mostDays = Math.ceil((horizonMs - nowMs) / DAY_MS);
  let [low, high] = [0, 1];
  while (!hasPlaced(placing, tasks, high * DAY_MS)) {
    if (high >= mostDays) {
      return Infinity;
    }
    [low, high] = [high, Math.min(mostDays, high * 2)];
  }
  // Placed at `high`, and not at `low`.
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    tasks.forEach((t) => {
      placing.takeOut(t.key);
    });
    if (hasPlaced(placing, tasks, middle * DAY_MS)) {
      high = middle;
    } else {
      low = middle;
      hasPlaced(placing, tasks, high * DAY_MS);
    }
  }
  return high * DAY_MS;
}

/** Places all of them, or none. */
function hasPlaced(placing: Placing, tasks: readonly Task[], lateMs: number): boolean {
  const left = new Set(tasks);
  while (left.size > 0) {
    const task = lastOf(placing, left, lateMs);
    const put = timeFor(placing, task, lateMs);
    if (put === undefined) {
      tasks.forEach((t) => {
        placing.takeOut(t.key);
      });
      return false;
    }
    placing.put(task, put.startMs, put.host);
    left.delete(task);
  }
  return true;
}

/**
 * Of those for which none that is to follow is left, the one that may be last; before it what another follows at once, since
 * the time for that was seen to be there.
 */
function lastOf(placing: Placing, left: ReadonlySet<Task>, lateMs: number): Task {
  let best: { task: Task; byMs: number } | undefined;
  for (const task of left) {
    const after = placing.after(task.key);
    if (after.some((f) => left.has(f.task))) {
      continue;
    }
    if (after.some(isAtOnce)) {
      return task;
    }
    const { byMs } = placing.bounds(task, lateMs);
    if (
      best === undefined ||
      byMs > best.byMs ||
      (byMs === best.byMs && compareText(task.key, best.task.key) < 0)
    ) {
      best = { task, byMs };
    }
  }
  return best!.task;
}

function timeFor(
  placing: Placing,
  task: Task,
  lateMs: number,
): { readonly startMs: number; readonly host?: string } | undefined {
  const { easeMs } = placing.limits;
  const { fromMs, byMs } = placing.bounds(task, lateMs);
  const shared = placing.hostFor(task, Math.max(fromMs, byMs - easeMs), byMs);
  if (shared !== undefined && isRoomBefore(placing, task, shared.startMs, lateMs, shared.key)) {
    return { startMs: shared.startMs, host: shared.key };
  }
  let startMs = lastWithRoom(placing, task, byMs, fromMs);
  while (startMs !== undefined && !isRoomBefore(placing, task, startMs, lateMs)) {
    startMs = lastWithRoom(placing, task, startMs - SOONER_MS, fromMs);
  }
  if (startMs === undefined) {
    return undefined;
  }
  const workdayMs = beforeDayOff(placing, task, startMs, Math.max(fromMs, startMs - easeMs));
  return { startMs: isRoomBefore(placing, task, workdayMs, lateMs) ? workdayMs : startMs };
}

/** Where there is no room for what must come right before, so much sooner is tried. Our choice. */
const SOONER_MS = 30 * MINUTE_MS;

/** Whether what one follows at once has its time too, if that one is put here: what is filled must go into the cooker. */
function isRoomBefore(placing: Placing, task: Task, startMs: number, lateMs: number, host?: string): boolean {
  const before = placing
    .before(task.key)
    .filter((link) => isAtOnce(link) && !placing.slots.has(link.task.key));
  if (before.length === 0) {
    return true;
  }
  placing.put(task, startMs, host);
  const isRoom = before.every((link) => timeFor(placing, link.task, lateMs) !== undefined);
  placing.takeOut(task.key);
  return isRoom;
}

/** The last time before days off, where one lies within the ease; the time itself otherwise. */
function beforeDayOff(placing: Placing, task: Task, startMs: number, fromMs: number): number {
  const spans = placing.limits.spans.free;
  let atMs: number | undefined = startMs;
  while (atMs !== undefined) {
    const span = spans[spanBy(spans, atMs)];
    if (span?.isDayOff !== true || atMs >= span.endMs) {
      return atMs;
    }
    atMs = lastWithRoom(placing, task, span.startMs - 1, fromMs);
  }
  return startMs;
}
