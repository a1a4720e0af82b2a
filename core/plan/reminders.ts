import { MINUTE_MS } from '../base/time.js';

/** Something that is due, in its words. */
export interface Told {
  readonly text: string;
  readonly atMs: number;
  /** At the minute, and not just on the day. */
  readonly exact: boolean;
}

/** The hours of a day in which somebody may be spoken to, ms. */
export interface WakingHours {
  readonly date: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly endOfDayMs: number;
}

/** One thing to be said once. */
export interface Reminder {
  /** The same for the same matter, on every page and in every tab. */
  readonly tag: string;
  readonly lines: readonly string[];
  /** To be shown without a sound. */
  readonly isSilent: boolean;
}

/** A page that is opened much later need not speak of a minute that is long over. Our choice. */
const TOLD_WITHIN_MS = 30 * MINUTE_MS;
/** More lines than this are counted. Our choice. */
const MOST_LINES = 5;

/**
 * What is to be said now: what is due at the minute one by one, at night without a sound; what is due on the day all
 * together, once the day has begun.
 */
export function remindersAt(due: readonly Told[], nowMs: number, hours: WakingHours): readonly Reminder[] {
  const isAwake = nowMs >= hours.fromMs && nowMs < hours.toMs;
  const minutes = due
    .filter((d) => d.exact && d.atMs <= nowMs && nowMs - d.atMs < TOLD_WITHIN_MS)
    .map(({ text, atMs }) => ({
      tag: `minute ${text} ${Math.round(atMs / 1000)}`,
      lines: [text],
      isSilent: !isAwake,
    }));
  const ofDay = due.filter((d) => !d.exact && d.atMs <= hours.endOfDayMs);
  return ofDay.length === 0 || !isAwake
    ? minutes
    : [...minutes, { tag: `day ${hours.date}`, lines: linesOf(ofDay), isSilent: true }];
}

function linesOf(due: readonly Told[]): readonly string[] {
  const shown = due.slice(0, MOST_LINES).map((d) => d.text);
  return due.length > MOST_LINES ? [...shown, `and ${due.length - MOST_LINES} more`] : shown;
}
