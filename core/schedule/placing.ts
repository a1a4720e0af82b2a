import { compareText } from '../record/order.js';
import { Bookings } from './bookings.js';
import type { Room } from './find-time.js';
import { inOrder } from './network.js';
import type { Limits, Taken } from './limits.js';
import { lengthMs, partSlots, type Slot, type Task, type Use } from './task.js';

/** Sums of shares fall short of a whole by less. */
const ROUNDING = 1e-9;

/** A link of a task to one before it or after it. */
export interface Link {
  readonly task: Task;
  readonly ms: number;
  readonly mostMs: number;
  readonly stands: readonly Use[];
}

/** Tasks in the making: what is placed so far, and what it takes. */
export class Placing {
  readonly slots = new Map<string, Slot>();
  /** By task, the one whose parts it shares. */
  readonly with = new Map<string, string>();
  /** Each after all that it waits for. */
  readonly ordered: readonly Task[];
  readonly room: Room;
  private readonly bookings = new Bookings();
  private readonly byKey: ReadonlyMap<string, Task>;
  private readonly linksBefore = new Map<string, Link[]>();
  private readonly linksAfter = new Map<string, Link[]>();

  /** @throws RangeError where tasks wait for each other in a ring or for one that is not there */
  constructor(
    tasks: readonly Task[],
    readonly limits: Limits,
  ) {
    this.byKey = new Map(tasks.map((t) => [t.key, t]));
    this.ordered = inOrder(tasks.map((t) => ({ key: t.key, after: t.after.map((w) => w.key) }))).map((o) =>
      this.taskOf(o.key),
    );
    tasks.forEach(({ key }) => {
      this.linksBefore.set(key, []);
      this.linksAfter.set(key, []);
    });
    tasks.forEach((task) => {
      task.after.forEach(({ key, ms, mostMs = Infinity, stands = [] }) => {
        this.linksBefore.get(task.key)!.push({ task: this.taskOf(key), ms, mostMs, stands });
        this.linksAfter.get(key)!.push({ task, ms, mostMs, stands });
      });
    });
    limits.taken.forEach((booking) => {
      this.bookings.add(booking);
    });
    this.room = { spans: limits.spans, bookings: this.bookings };
  }

  taskOf(key: string): Task {
    return this.byKey.get(key)!;
  }

  before(key: string): readonly Link[] {
    return this.linksBefore.get(key)!;
  }

  after(key: string): readonly Link[] {
    return this.linksAfter.get(key)!;
  }

  /** Puts a task at a time, with what it takes; `host` is the one whose parts it shares. */
  put(task: Task, startMs: number, host?: string): void {
    const slot = { startMs, endMs: startMs + lengthMs(task) };
    this.slots.set(task.key, slot);
    if (host === undefined) {
      this.bookParts(task, startMs);
    } else {
      this.with.set(task.key, host);
    }
    for (const { before, after, stands } of this.standings(task.key, slot)) {
      const by = standingOf(before.key, after.key);
      stands.forEach((use) => {
        this.bookings.add({ ...use, startMs: before.endMs, endMs: after.startMs, by });
      });
    }
  }

  /** Takes a task out again. The first of those that shared its parts has them from now on. */
  takeOut(key: string): void {
    this.bookings.release(key);
    this.slots.delete(key);
    this.with.delete(key);
    this.before(key).forEach(({ task }) => {
      this.bookings.release(standingOf(task.key, key));
    });
    this.after(key).forEach(({ task }) => {
      this.bookings.release(standingOf(key, task.key));
    });
    const [heir, ...others] = [...this.with].filter(([, host]) => host === key).map(([guest]) => guest);
    if (heir !== undefined) {
      this.with.delete(heir);
      this.bookParts(this.taskOf(heir), this.slots.get(heir)!.startMs);
      others.forEach((guest) => this.with.set(guest, heir));
    }
  }

  /** Puts each of the tasks that has a time in a schedule there. */
  putAsIn({
    slots,
    with: guests,
  }: {
    readonly slots: ReadonlyMap<string, Slot>;
    readonly with: ReadonlyMap<string, string>;
  }): void {
    for (const [key, { startMs }] of slots) {
      const task = this.byKey.get(key);
      if (task !== undefined) {
        this.put(task, startMs, guests.get(key));
      }
    }
  }

  /** All that is taken, by tasks and otherwise. */
  get taken(): readonly Taken[] {
    return this.bookings.all;
  }

  /** Tasks that share their parts, the one that they share first. */
  putAll(group: readonly Task[], startMs: number): void {
    group.forEach((task, i) => {
      this.put(task, startMs, i === 0 ? undefined : group[0]!.key);
    });
  }

  takeOutAll(group: readonly Task[]): void {
    [...group].reverse().forEach((t) => {
      this.takeOut(t.key);
    });
  }

  private bookParts(task: Task, startMs: number): void {
    for (const { part, startMs: fromMs, endMs } of partSlots(task, startMs)) {
      part.uses.forEach((use) => {
        this.bookings.add({ ...use, startMs: fromMs, endMs, by: task.key });
      });
    }
  }

  /** What stands between a task that has such a slot and its neighbors that have theirs. */
  private standings(key: string, slot: Slot) {
    const at = (other: string) => this.slots.get(other);
    const before = this.before(key).flatMap(({ task, stands }) => {
      const other = at(task.key);
      return other === undefined
        ? []
        : { before: { key: task.key, ...other }, after: { key, ...slot }, stands };
    });
    const after = this.after(key).flatMap(({ task, stands }) => {
      const other = at(task.key);
      return other === undefined
        ? []
        : { before: { key, ...slot }, after: { key: task.key, ...other }, stands };
    });
    return [...before, ...after].filter((s) => s.after.startMs > s.before.endMs);
  }

  /** Tasks in whose way one is that begins at a time: those that take what it needs. */
  inTheWayOf(task: Task, startMs: number): ReadonlySet<string> {
    const slots = partSlots(task, startMs).flatMap(({ part, ...slot }) =>
      part.uses.map((use) => ({ use, slot })),
    );
    const takers = slots.flatMap(({ use, slot }) => this.bookings.against(slot, use));
    return new Set(takers.map((b) => b.by).filter((by) => this.slots.has(by)));
  }

  /** Whether more is taken than there is, of what one takes or of where something stands beside it. */
  isCrowded(task: Task): boolean {
    const slot = this.slots.get(task.key)!;
    const own = this.with.has(task.key)
      ? []
      : partSlots(task, slot.startMs).flatMap(({ part, ...time }) => part.uses.map((use) => ({ use, time })));
    const standing = this.standings(task.key, slot).flatMap(({ before, after, stands }) =>
      stands.map((use) => ({ use, time: { startMs: before.endMs, endMs: after.startMs } })),
    );
    // Its own share is booked already: nothing more is asked for.
    return [...own, ...standing].some(
      ({ use, time }) => this.bookings.against(time, { of: use.of, share: 0 }).length > 0,
    );
  }

  /** One with all that share its parts, the one that they share first. */
  togetherWith(key: string): readonly Task[] {
    const host = this.with.get(key) ?? key;
    const guests = [...this.with].filter(([, of]) => of === host).map(([guest]) => guest);
    return [host, ...guests].map((k) => this.taskOf(k));
  }

  /** Whether what would stand before or after a task that begins at a time has its room. */
  hasStandingRoom(task: Task, startMs: number): boolean {
    const slot = { startMs, endMs: startMs + lengthMs(task) };
    const standing = this.standings(task.key, slot).flatMap(({ before, after, stands }) =>
      stands.map((use) => ({ ...use, startMs: before.endMs, endMs: after.startMs })),
    );
    return this.bookings.isRoomFor(standing);
  }

  /**
   * Between when a task may begin, for those before it and after it that have their times and for when it is wanted.
   * @param lateMs how much later its goal may be than it was wanted
   */
  bounds(task: Task, lateMs: number): { readonly fromMs: number; readonly byMs: number } {
    const length = lengthMs(task);
    const { nowMs, horizonMs } = this.limits;
    let [fromMs, byMs] = [Math.max(nowMs, task.fromMs ?? nowMs), horizonMs - length];
    if (task.due !== undefined) {
      fromMs = Math.max(fromMs, task.due.fromMs + lateMs);
      byMs = Math.min(byMs, task.due.byMs + lateMs - length);
    }
    for (const link of this.before(task.key)) {
      const slot = this.slots.get(link.task.key);
      if (slot !== undefined) {
        fromMs = Math.max(fromMs, slot.endMs + link.ms);
        byMs = Math.min(byMs, slot.endMs + link.mostMs);
      }
    }
    for (const link of this.after(task.key)) {
      const slot = this.slots.get(link.task.key);
      if (slot !== undefined) {
        fromMs = Math.max(fromMs, slot.startMs - link.mostMs - length);
        byMs = Math.min(byMs, slot.startMs - link.ms - length);
      }
    }
    return { fromMs, byMs };
  }

  /** The last of the same kind that begins in a time and has room for this one too. */
  hostFor(task: Task, fromMs: number, byMs: number): { key: string; startMs: number } | undefined {
    const { together } = task;
    if (together === undefined) {
      return undefined;
    }
    const hosts = [...this.slots].flatMap(([key, { startMs }]) => {
      const host = this.taskOf(key);
      const isOne =
        host.together?.kind === together.kind && !this.with.has(key) && startMs >= fromMs && startMs <= byMs;
      return isOne && this.fullOf(host) + together.share <= 1 + ROUNDING ? [{ key, startMs }] : [];
    });
    return hosts
      .sort((a, b) => b.startMs - a.startMs || compareText(a.key, b.key))
      .find((h) => this.hasStandingRoom(task, h.startMs));
  }

  /** How full the one is that others share. */
  private fullOf(host: Task): number {
    let full = host.together?.share ?? 0;
    for (const [guest, of] of this.with) {
      full += of === host.key ? (this.taskOf(guest).together?.share ?? 0) : 0;
    }
    return full;
  }
}

function standingOf(from: string, to: string): string {
  return `${from} → ${to}`;
}
