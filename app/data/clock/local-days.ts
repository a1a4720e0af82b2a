import { addDays, format, getDay, parseISO, setHours, setMinutes, startOfDay } from 'date-fns';
import type { LocalDay } from '../../../core/index';

/** Days of the calendar of this place, the day of a moment first. */
export function localDays(fromMs: number, count: number): readonly LocalDay[] {
  const first = startOfDay(fromMs);
  return Array.from({ length: count }, (_, i) => {
    const day = addDays(first, i);
    return {
      date: dateOf(day.getTime()),
      noonMs: setHours(day, 12).getTime(),
      // Weeks begin on Monday.
      weekday: (getDay(day) + 6) % 7,
    };
  });
}

/** A date, year first, as it is here. */
export function dateOf(ms: number): string {
  return format(ms, 'yyyy-MM-dd');
}

/** A minute of a date, ms. */
export function atMinute(date: string, minute: number): number {
  return setMinutes(setHours(parseISO(date), Math.floor(minute / 60)), minute % 60).getTime();
}
