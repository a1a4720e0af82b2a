import { groupBy } from '../base/collections.js';
import { compareText } from '../record/order.js';
import { earliestStart } from './find-time.js';
import { Placing, type Link } from './placing.js';
import { firstWithRoom, nearestWithRoom } from './room-to-stand.js';
import type { Limits } from './limits.js';
import type { Schedule } from './schedule.js';
import { lengthMs, type Slot, type Task } from './task.js';

/** What a move leaves undone. */
export type Broken =
  /** One begins before another that it waits for is ready, or when that is fresh no more. */
  | { readonly kind: 'order'; readonly before: string; readonly after: string }
  /** Something is taken twice. */
  | { readonly kind: 'room'; readonly key: string }
  /** It is later than it was wanted. */
  | { readonly kind: 'late'; readonly key: string; readonly byMs: number };

/** What became of a schedule when one task was moved. */
export interface Moved extends Pick<Schedule, 'slots' | 'with'> {
  /** Tasks that have another time than before, the moved one first. */
  readonly moved: readonly string[];
  readonly broken: readonly Broken[];
}

/** A task that was pushed so often is left where it is. Our choice. */
const MOST_PUSHES = 4;

/**
 * Moves one task to a time, or to the first after it at which somebody is there, with those that it is done together with.
 * What waits for it is pushed on, what it waits for is drawn along, and what it takes the place of makes way; nothing else
 * moves.
 *
 * @param pinned tasks that stay where they are, whatever comes
 * @returns undefined where there is no such time before the horizon
 */
export function moveTask(
  tasks: readonly Task[],
  limits: Limits,
  schedule: Schedule,
  key: string,
  toMs: number,
  pinned: ReadonlySet<string> = new Set(),
): Moved | undefined {
  const moving = new Moving(tasks, limits, schedule, pinned);
  return moving.moved(key, toMs);
}

class Moving {
  private readonly placing: Placing;
  private readonly pushes = new Map<string, number>();
  private readonly queue: string[] = [];

  constructor(
    tasks: readonly Task[],
    private readonly limits: Limits,
    private readonly before: Schedule,
    private readonly pinned: ReadonlySet<string>,
  ) {
    this.placing = new Placing(tasks, limits);
    this.placing.putAsIn(before);
  }

  moved(key: string, toMs: number): Moved | undefined {
    const { placing, limits } = this;
    const group = placing.togetherWith(key);
    const task = group[0]!;
    // Only when somebody is there, and what is taken by no task, bind what is moved by hand.
    const alone = new Placing([{ ...task, after: [] }], limits);
    const lastMs = limits.horizonMs - lengthMs(task);
    const startMs = earliestStart(task, alone.room, Math.max(limits.nowMs, toMs), lastMs);
    if (startMs === undefined) {
      return undefined;
    }
    this.placing.takeOutAll(group);
    const inTheWay = [...placing.inTheWayOf(task, startMs)].filter((k) => !this.pinned.has(k));
    const groups = [...groupBy(inTheWay, (k) => placing.togetherWith(k)[0]!.key).keys()].map((k) =>
      placing.togetherWith(k),
    );
    const wanted = groups.map((g) => ({ group: g, startMs: placing.slots.get(g[0]!.key)!.startMs }));
    wanted.forEach((w) => {
      this.placing.takeOutAll(w.group);
    });
    this.put(group, startMs);
    group.forEach((t) => this.pushes.set(t.key, MOST_PUSHES));
    wanted
      .sort((a, b) => a.startMs - b.startMs)
      .forEach((w) => {
        this.makeWay(w.group, w.startMs);
      });
    for (let next = this.queue.shift(); next !== undefined; next = this.queue.shift()) {
      this.settleAround(next);
    }
    return this.result(key);
  }

  private put(group: readonly Task[], startMs: number): void {
    this.placing.putAll(group, startMs);
    this.queue.push(...group.map((t) => t.key));
  }

  /** Between when all of a group may begin, and be no later than their goals are. */
  private boundsOf(group: readonly Task[]): { readonly fromMs: number; readonly byMs: number } {
    const all = group.map((t) => this.placing.bounds(t, this.before.lateMs.get(t.goal) ?? 0));
    return {
      fromMs: Math.max(...all.map((b) => b.fromMs)),
      byMs: Math.min(...all.map((b) => b.byMs)),
    };
  }

  /** Something lost its place: the nearest that suits its neighbors, else the next after it. */
  private makeWay(group: readonly Task[], wantedMs: number): void {
    const { placing, limits } = this;
    const task = group[0]!;
    const { fromMs, byMs } = this.boundsOf(group);
    const startMs =
      nearestWithRoom(placing, task, wantedMs, fromMs, byMs) ??
      firstWithRoom(placing, task, Math.max(wantedMs, fromMs), limits.horizonMs - lengthMs(task));
    this.put(group, startMs ?? wantedMs);
  }

  /** Sees to it that what comes right before and after one is in order with it. */
  private settleAround(key: string): void {
    const slot = this.placing.slots.get(key)!;
    for (const link of this.placing.after(key)) {
      this.settle(link, slot.endMs + link.ms, slot.endMs + link.mostMs);
    }
    for (const link of this.placing.before(key)) {
      const length = lengthMs(link.task);
      this.settle(link, slot.startMs - link.mostMs - length, slot.startMs - link.ms - length);
    }
  }

  private settle({ task }: Link, fromMs: number, byMs: number): void {
    const { placing, limits } = this;
    const startMs = placing.slots.get(task.key)?.startMs;
    if (startMs === undefined || (startMs >= fromMs && startMs <= byMs)) {
      return;
    }
    const group = placing.togetherWith(task.key);
    const pushed = this.pushes.get(task.key) ?? 0;
    if (pushed >= MOST_PUSHES || group.some((t) => this.pinned.has(t.key))) {
      return;
    }
    group.forEach((t) => this.pushes.set(t.key, pushed + 1));
    this.placing.takeOutAll(group);
    const leastMs = Math.max(fromMs, limits.nowMs, ...group.map((t) => t.fromMs ?? limits.nowMs));
    const mostMs = Math.min(byMs, limits.horizonMs - lengthMs(task));
    const placedMs = nearestWithRoom(placing, group[0]!, startMs, leastMs, mostMs);
    this.put(group, placedMs ?? startMs);
    if (placedMs === undefined) {
      // It stays where it was, and is told.
      group.forEach((t) => this.pushes.set(t.key, MOST_PUSHES));
    }
  }

  private result(key: string): Moved {
    const { slots } = this.placing;
    const others = [...slots]
      .filter(([k, { startMs }]) => k !== key && startMs !== this.before.slots.get(k)?.startMs)
      .sort(([a, one], [b, other]) => one.startMs - other.startMs || compareText(a, b))
      .map(([k]) => k);
    return { slots, with: this.placing.with, moved: [key, ...others], broken: brokenIn(this.placing) };
  }
}

/** What is not as it should be among tasks that have their times. */
function brokenIn(placing: Placing): readonly Broken[] {
  const isPlaced = (task: Task) => placing.slots.has(task.key);
  const placed = placing.ordered.filter(isPlaced);
  return placed.flatMap((task): Broken[] => {
    const slot: Slot = placing.slots.get(task.key)!;
    const order = placing.before(task.key).flatMap((link): Broken[] => {
      const before = placing.slots.get(link.task.key);
      const gapMs = before && slot.startMs - before.endMs;
      return gapMs === undefined || (gapMs >= link.ms && gapMs <= link.mostMs)
        ? []
        : [{ kind: 'order', before: link.task.key, after: task.key }];
    });
    const byMs = task.due?.byMs ?? Infinity;
    return [
      ...order,
      ...(placing.isCrowded(task) ? [{ kind: 'room', key: task.key } as const] : []),
      ...(slot.endMs > byMs ? [{ kind: 'late', key: task.key, byMs } as const] : []),
    ];
  });
}
