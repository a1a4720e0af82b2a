import { MINUTE_MS } from '../base/time.js';
import type { FreeHours, WeekPattern } from '../record/free-time.js';
import type { Slot } from './task.js';

/** A day as the calendar of the place has it: it may have 23 or 25 hours. */
export interface LocalDay {
  /** Its date, year first. */
  readonly date: string;
  /** Its noon, ms: clocks are put forward and back at night, and hours of the day are counted from here. */
  readonly noonMs: number;
  /** 0 is Monday. */
  readonly weekday: number;
}

/** A time at which somebody is there. */
export interface FreeSpan extends Slot {
  readonly date: string;
  readonly isDayOff: boolean;
}

const NOON_MINUTE = 720;

/** The times over some days at which somebody is there, in order; what touches is one. */
export function freeSpans(days: readonly LocalDay[], pattern: WeekPattern): readonly FreeSpan[] {
  const spans: FreeSpan[] = [];
  for (const { date, noonMs, weekday } of days) {
    const hours = pattern.dates[date] ?? pattern.weekdays[weekday] ?? [];
    const isDayOff = pattern.daysOff.includes(weekday);
    for (const { fromMinute, toMinute } of [...hours].sort((a, b) => a.fromMinute - b.fromMinute)) {
      const slot = {
        startMs: noonMs + (fromMinute - NOON_MINUTE) * MINUTE_MS,
        endMs: noonMs + (toMinute - NOON_MINUTE) * MINUTE_MS,
      };
      const last = spans[spans.length - 1];
      if (slot.endMs <= slot.startMs) {
        continue;
      }
      if (last !== undefined && slot.startMs <= last.endMs) {
        spans[spans.length - 1] = { ...last, endMs: Math.max(last.endMs, slot.endMs) };
      } else {
        spans.push({ ...slot, date, isDayOff });
      }
    }
  }
  return spans;
}

/** The same with each day's last going on until the quiet begins: somebody is awake, and watches a cooker. */
export function awakeSpans(days: readonly LocalDay[], pattern: WeekPattern): readonly FreeSpan[] {
  const longer = (hours: readonly FreeHours[]) => {
    const last = Math.max(...hours.map((h) => h.toMinute));
    return hours.map((h) =>
      h.toMinute === last ? { ...h, toMinute: Math.max(last, pattern.quietFromMinute) } : h,
    );
  };
  return freeSpans(days, {
    ...pattern,
    weekdays: pattern.weekdays.map(longer),
    dates: Object.fromEntries(Object.entries(pattern.dates).map(([date, hours]) => [date, longer(hours)])),
  });
}

/** The last of some spans that begins by a moment, by its place among them; -1 for none. */
export function spanBy(spans: readonly Slot[], ms: number): number {
  let [low, high] = [0, spans.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (spans[middle]!.startMs <= ms) {
      low = middle + 1;
    } else {
      high = middle;
    }
  }
  return low - 1;
}
