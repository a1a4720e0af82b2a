import { MINUTE_MS } from '../base/time.js';
import type { Booking, Bookings } from './bookings.js';
import { spanBy, type FreeSpan } from './free-time.js';
import { partSlots, type Presence, type Task } from './task.js';

/** What a task could not begin at a time for. */
export type Hindrance =
  /** Nobody is there for long enough. */
  | { readonly kind: 'nobody' }
  | { readonly kind: 'taken'; readonly of: string; readonly by: readonly string[] };

/** Where a task may be put: when somebody is there, and what is taken already. */
export interface Room {
  readonly spans: Readonly<Record<Presence, readonly FreeSpan[]>>;
  readonly bookings: Bookings;
}

/** Times are told to five minutes. Our choice. */
const STEP_MS = 5 * MINUTE_MS;

/**
 * The last beginning by `byMs` and not before `fromMs` at which a task has all that it needs; undefined for none.
 *
 * @param isFree whether a beginning suits otherwise; asked of those that suit
 */
export function latestStart(
  task: Task,
  room: Room,
  byMs: number,
  fromMs: number,
  hindrances?: Hindrance[],
): number | undefined {
  return found(task, room, down(byMs), fromMs, -1, hindrances);
}

/** The first such beginning. */
export function earliestStart(
  task: Task,
  room: Room,
  fromMs: number,
  byMs: number,
  hindrances?: Hindrance[],
): number | undefined {
  return found(task, room, up(fromMs), byMs, 1, hindrances);
}

function down(ms: number): number {
  return Math.floor(ms / STEP_MS) * STEP_MS;
}

function up(ms: number): number {
  return Math.ceil(ms / STEP_MS) * STEP_MS;
}

/** Steps from one obstacle to the next, in one direction, until none is left or the limit is passed. */
function found(
  task: Task,
  room: Room,
  firstMs: number,
  limitMs: number,
  way: 1 | -1,
  hindrances?: Hindrance[],
): number | undefined {
  let startMs = firstMs;
  while (way * (limitMs - startMs) >= 0) {
    const obstacle = obstacleAt(task, room, startMs, way);
    if (obstacle === undefined) {
      return startMs;
    }
    hindrances?.push(obstacle.hindrance);
    const nextMs = way < 0 ? down(obstacle.nextMs) : up(obstacle.nextMs);
    // Rounding never turns back.
    startMs = way * (nextMs - startMs) > 0 ? nextMs : startMs + way * STEP_MS;
  }
  return undefined;
}

interface Obstacle {
  readonly hindrance: Hindrance;
  /** The next beginning in this direction at which it may be gone. */
  readonly nextMs: number;
}

function obstacleAt(task: Task, room: Room, startMs: number, way: 1 | -1): Obstacle | undefined {
  for (const { part, startMs: fromMs, endMs } of partSlots(task, startMs)) {
    const offsetMs = fromMs - startMs;
    const lengthMs = endMs - fromMs;
    if (part.within !== undefined) {
      const nextMs = attendedFrom(room.spans[part.within], fromMs, lengthMs, way);
      if (nextMs !== fromMs) {
        return { hindrance: { kind: 'nobody' }, nextMs: nextMs - offsetMs };
      }
    }
    for (const use of part.uses) {
      const against = room.bookings.against({ startMs: fromMs, endMs }, use);
      if (against.length > 0) {
        const hindrance: Hindrance = { kind: 'taken', of: use.of, by: against.map((b) => b.by) };
        return { hindrance, nextMs: past(against, lengthMs, way) - offsetMs };
      }
    }
  }
  return undefined;
}

/** Where the first of some bookings is out of the way. */
function past(bookings: readonly Booking[], lengthMs: number, way: 1 | -1): number {
  return way < 0
    ? Math.max(...bookings.map((b) => b.startMs - lengthMs))
    : Math.min(...bookings.map((b) => b.endMs));
}

/** The nearest beginning, in one direction, from which on somebody is there for so long; infinite for none. */
function attendedFrom(spans: readonly FreeSpan[], fromMs: number, lengthMs: number, way: 1 | -1): number {
  let at = spanBy(spans, fromMs);
  if (way > 0 && (spans[at]?.endMs ?? -Infinity) < fromMs + lengthMs) {
    at += 1;
  }
  for (; at >= 0 && at < spans.length; at += way) {
    const { startMs, endMs } = spans[at]!;
    const nextMs = way < 0 ? Math.min(fromMs, endMs - lengthMs) : Math.max(fromMs, startMs);
    if (nextMs >= startMs && nextMs + lengthMs <= endMs) {
      return nextMs;
    }
  }
  return way * Infinity;
}
