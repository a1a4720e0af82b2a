import type { Booking } from './bookings.js';
import type { FreeSpan } from './free-time.js';
import type { Presence } from './task.js';

/** What cannot be had over a time, whatever is planned: a cooker that is out of order, a shelf that is taken. */
export type Taken = Booking;

/** What a schedule has to keep to. */
export interface Limits {
  readonly nowMs: number;
  /** Nothing is planned beyond this. */
  readonly horizonMs: number;
  /** When somebody is there, in order. */
  readonly spans: Readonly<Record<Presence, readonly FreeSpan[]>>;
  readonly taken: readonly Taken[];
  /** A task may be put so much before its last moment to be done together with another, or to keep a day off free, ms. */
  readonly easeMs: number;
}
