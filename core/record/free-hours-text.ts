import { FreeHours } from './free-time.js';

/** "18-22", "7:30–9.15": from one time of day to another. */
const SPAN = /^(\d{1,2})(?:[:.](\d{2}))?\s*[-–]\s*(\d{1,2})(?:[:.](\d{2}))?$/;
const MOST_SPANS = 4;
const MINUTES_OF_DAY = 1440;

/**
 * Times of a day as one types them: "18-22", "6:30-7:30, 19-1". What ends before it begins goes on past midnight. Empty for
 * no time.
 *
 * @returns undefined where it is none
 */
export function freeHoursOf(text: string): readonly FreeHours[] | undefined {
  const spans = text
    .split(/[,;]|\band\b/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const hours = spans.map((part) => {
    const [, fromHour, fromMin = '0', toHour, toMin = '0'] = SPAN.exec(part) ?? [];
    const [fromMinute, to] = [minuteOf(fromHour, fromMin), minuteOf(toHour, toMin)];
    const read = FreeHours.safeParse({ fromMinute, toMinute: to <= fromMinute ? to + MINUTES_OF_DAY : to });
    return read.success ? read.data : undefined;
  });
  return hours.length > MOST_SPANS || hours.includes(undefined) ? undefined : (hours as FreeHours[]);
}

function minuteOf(hour: string | undefined, minute: string): number {
  const value = Number(hour ?? NaN) * 60 + Number(minute);
  return Number(minute) > 59 || value > MINUTES_OF_DAY ? NaN : value;
}

/** "18:00–22:00" */
export function freeHoursText(hours: readonly FreeHours[]): string {
  const clock = (minute: number) =>
    `${String(Math.floor((minute % MINUTES_OF_DAY) / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
  return hours.map((h) => `${clock(h.fromMinute)}–${clock(h.toMinute)}`).join(', ');
}
