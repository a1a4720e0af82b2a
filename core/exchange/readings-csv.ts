import { CoreError } from '../base/errors.js';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';
import { isPlausible } from '../readings/channel-limits.js';
import type { Channel } from '../record/entry.js';

/** A reading as a file tells it: of one channel, so long after the first line, and when, if the file says so. */
export interface FileReading {
  readonly channel: Channel;
  readonly afterMs: number;
  readonly value: number;
}

const MOST_COLUMNS = 40;
/** No time and no temperature is longer; a field of blanks without end would hold the search up. */
const MOST_FIELD_CHARACTERS = 64;
/** A clock that falls by more has passed midnight; by less, its lines are out of order. Our choice. */
const PAST_MIDNIGHT_MS = 12 * HOUR_MS;

/** Columns of a climate logger by their headings, where temperature is the air's. */
const HEADINGS: readonly (readonly [RegExp, Channel])[] = [
  [/hum|\brh\b|%/, 'humidityPercent'],
  [/co2|co₂|carbon dioxide/, 'co2Ppm'],
  [/lux|light/, 'lightLux'],
  [/temp|°|\b[cf]\b|celsius|fahrenheit/, 'airC'],
];

/**
 * Reads a logger's CSV file a few lines at a time: the first column is the time (an instant, hours:minutes:seconds, or a
 * number of minutes, seconds where the heading says so). Fahrenheit where the heading says so. Decimal comma too.
 */
export class ReadingsCsv {
  /** When its first line was, if the file says so. */
  startMs: number | undefined;
  /** Readings that were given. */
  count = 0;
  /** Lines, or values of a line, that hold no reading that can be true. */
  skipped = 0;
  private firstMs: number | undefined;
  private lastMs = -Infinity;
  private midnights = 0;
  /** The last line that came before the first time. */
  private heading: readonly string[] = [];
  private columns: readonly Column[] | undefined;

  /** @param channel what the first number of each line is; without one, each column is what its heading says */
  constructor(private readonly channel?: Channel) {}

  take(rows: readonly (readonly string[])[]): readonly FileReading[] {
    return rows.flatMap((row) => {
      const fields = row.slice(0, MOST_COLUMNS).map((field) => field.slice(0, MOST_FIELD_CHARACTERS).trim());
      const afterMs = this.afterMs(fields[0] ?? '');
      if (this.firstMs === undefined) {
        this.heading = fields.map((field) => field.toLowerCase());
      }
      const values = afterMs === undefined ? [] : this.valuesOf(fields);
      if (afterMs === undefined || values.length === 0) {
        this.skipped++;
        return [];
      }
      this.lastMs = afterMs;
      this.count += values.length;
      return values.map(({ channel, value }) => ({ channel, afterMs, value }));
    });
  }

  /** To be called after the last line. @throws CoreError when hardly any line held a reading */
  end(): void {
    if (this.count < 2) {
      throw new CoreError('no-readings', {});
    }
  }

  private columnsByHeading(): readonly Column[] {
    const named = this.heading.slice(1).flatMap((word, i): Column[] => {
      const channel = HEADINGS.find(([pattern]) => pattern.test(word))?.[1];
      return channel === undefined
        ? []
        : [{ place: i + 1, channel, fahrenheit: channel === 'airC' && isFahrenheit(word) }];
    });
    const once = named.filter(({ channel }, i) => named.findIndex((c) => c.channel === channel) === i);
    // A file without headings is of one thermometer.
    return once.length > 0 ? once : [{ place: 1, channel: 'airC', fahrenheit: false }];
  }

  /** Since the first line; undefined for a line without a time, or with one that does not come after the last. */
  private afterMs(text: string): number | undefined {
    const time = timeOf(text, this.heading.some(isInSeconds));
    if (time === undefined) {
      return undefined;
    }
    if (this.firstMs === undefined) {
      this.firstMs = time.ms;
      this.startMs = time.isInstant ? time.ms : undefined;
    }
    let afterMs = time.ms - this.firstMs + this.midnights * DAY_MS;
    if (time.isClock && this.lastMs - afterMs > PAST_MIDNIGHT_MS) {
      this.midnights++;
      afterMs += DAY_MS;
    }
    return afterMs > this.lastMs ? afterMs : undefined;
  }

  private valuesOf(
    fields: readonly string[],
  ): readonly { readonly channel: Channel; readonly value: number }[] {
    return this.told(fields)
      .filter(({ channel, value }) => isPlausible(channel, value))
      .map(({ channel, value }) => ({ channel, value: Math.round(value * 100) / 100 }));
  }

  private told(fields: readonly string[]): readonly { readonly channel: Channel; readonly value: number }[] {
    const { channel } = this;
    if (channel !== undefined) {
      const value = fields
        .slice(1)
        .map(numberOf)
        .find((n) => n !== undefined);
      return value === undefined
        ? []
        : [{ channel, value: inCelsius(value, this.heading.some(isFahrenheit)) }];
    }
    this.columns ??= this.columnsByHeading();
    return this.columns.flatMap(({ place, channel: own, fahrenheit }) => {
      const value = numberOf(fields[place] ?? '');
      return value === undefined ? [] : [{ channel: own, value: inCelsius(value, fahrenheit) }];
    });
  }
}

interface Column {
  readonly place: number;
  readonly channel: Channel;
  readonly fahrenheit: boolean;
}

function isFahrenheit(heading: string): boolean {
  return /°?\bf\b|fahrenheit/.test(heading);
}

function isInSeconds(heading: string): boolean {
  return /\bsec|\(s\)|\bs\b/.test(heading);
}

function inCelsius(value: number, fahrenheit: boolean): number {
  return fahrenheit ? ((value - 32) * 5) / 9 : value;
}

interface FileTime {
  readonly ms: number;
  readonly isInstant: boolean;
  readonly isClock: boolean;
}

function timeOf(text: string, inSeconds: boolean): FileTime | undefined {
  const clock = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(text);
  if (clock !== null) {
    const minutes = Number(clock[1]) * 60 + Number(clock[2]) + Number(clock[3] ?? 0) / 60;
    return { ms: minutes * MINUTE_MS, isInstant: false, isClock: true };
  }
  if (/^\d{4}-\d{2}-\d{2}/.test(text)) {
    const ms = Date.parse(text);
    return Number.isNaN(ms) ? undefined : { ms, isInstant: true, isClock: false };
  }
  const number = numberOf(text);
  return number === undefined
    ? undefined
    : { ms: inSeconds ? number * 1000 : number * MINUTE_MS, isInstant: false, isClock: false };
}

function numberOf(text: string): number | undefined {
  const trimmed = text.replace(/\s*(°?[CF]|%)$/i, '');
  const value = /^[-+]?\d+([.,]\d+)?$/.test(trimmed) ? Number(trimmed.replace(',', '.')) : NaN;
  return Number.isNaN(value) ? undefined : value;
}
