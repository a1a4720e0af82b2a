import Papa from 'papaparse';
import * as z from 'zod';
import { CoreError } from '../base/errors.js';
import { isPlausible } from '../cook/channel-limits.js';
import { Channel } from '../record/entry.js';
import { MINUTE_MS } from '../base/time.js';

/** What a logger may send: the documented way in for any instrument. */
export const OutsideReadings = z.strictObject({
  /** Who speaks: shown beside the curve. */
  source: z.string().trim().min(1).max(60),
  readings: z
    .array(
      z.strictObject({
        at: z.iso.datetime(),
        channel: z.enum([...Channel.options, 'scaleG']),
        value: z.number().min(-50).max(100_000),
      }),
    )
    .min(1)
    .max(5000),
});
export type OutsideReadings = z.infer<typeof OutsideReadings>;

/** A logger's file: minutes from its first line, and a temperature. */
export interface LoggedCurve {
  readonly points: readonly { readonly minutes: number; readonly celsius: number }[];
  /** When its first line was, if the file says so. */
  readonly startMs?: number;
  /** Lines that hold no reading. */
  readonly skipped: number;
}

export const MOST_CSV_BYTES = 5_000_000;
const MOST_LINES = 50_000;
const MOST_COLUMNS = 40;
/** No time and no temperature is longer; a field of blanks without end would hold the search up. */
const MOST_FIELD_CHARACTERS = 64;

/**
 * Reads time and temperature from a CSV file: the first column that is a time (an instant, hours:minutes:seconds, or a
 * number of minutes, seconds where the heading says so) and the first number after it. Fahrenheit where the heading
 * says so. Comma, semicolon or tab; decimal comma where fields are parted by semicolons.
 *
 * @throws CoreError when no two lines hold a reading
 */
export function parseReadingsCsv(text: string): LoggedCurve {
  if (text.length > MOST_CSV_BYTES) {
    throw new CoreError('out-of-range', 'File', `${Math.round(text.length / 1e6)} MB`, 'at most 5 MB');
  }
  const rows = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true, preview: MOST_LINES }).data.map(
    (row) => row.slice(0, MOST_COLUMNS).map((field) => field.slice(0, MOST_FIELD_CHARACTERS)),
  );
  const heading = (rows[0] ?? []).join(' ').toLowerCase();
  const fahrenheit = /°?\bf\b|fahrenheit/.test(heading);
  const inSeconds = /\bsec|\(s\)|\bs\b/.test(heading);
  const points: { minutes: number; celsius: number; ms?: number }[] = [];
  let skipped = 0;
  for (const row of rows) {
    const time = timeOf(row[0] ?? '', inSeconds);
    const value = row
      .slice(1)
      .map(numberOf)
      .find((n) => n !== undefined);
    if (time === undefined || value === undefined) {
      skipped++;
      continue;
    }
    points.push({ ...time, celsius: fahrenheit ? ((value - 32) * 5) / 9 : value });
  }
  const [first] = points;
  if (first === undefined || points.length < 2) {
    throw new CoreError(
      'bad-archive',
      'File',
      'no readings',
      'lines of time and temperature',
      'No readings were found. Each line wants a time and a temperature: "2026-03-01T10:00:00Z, 63.5" or "12.5; 63,5" in minutes.',
    );
  }
  let last = -Infinity;
  const kept = points.flatMap((p) => {
    const minutes = p.minutes - first.minutes;
    if (minutes <= last || !isPlausible('chamberC', p.celsius)) {
      skipped++;
      return [];
    }
    last = minutes;
    return [{ minutes, celsius: p.celsius }];
  });
  return { points: kept, startMs: first.ms, skipped };
}

function timeOf(text: string, inSeconds: boolean): { minutes: number; ms?: number } | undefined {
  const clock = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(text.trim());
  if (clock !== null) {
    return { minutes: Number(clock[1]) * 60 + Number(clock[2]) + Number(clock[3] ?? 0) / 60 };
  }
  if (/^\d{4}-\d{2}-\d{2}/.test(text.trim())) {
    const ms = Date.parse(text.trim());
    return Number.isNaN(ms) ? undefined : { minutes: ms / MINUTE_MS, ms };
  }
  const number = numberOf(text);
  return number === undefined ? undefined : { minutes: inSeconds ? number / 60 : number };
}

function numberOf(text: string): number | undefined {
  const trimmed = text.trim().replace(/\s*°?[CF]$/i, '');
  const value = /^[-+]?\d+([.,]\d+)?$/.test(trimmed) ? Number(trimmed.replace(',', '.')) : NaN;
  return Number.isNaN(value) ? undefined : value;
}
