import { remembered } from '../base/remembered.js';
import { MINUTE_MS } from '../base/time.js';
import { unlessRefused } from '../base/errors.js';
import { pourWindow, type PourWindow } from '../heat/pour-window.js';
import { asProfile, readingsOf, type CookLog, type Reading } from '../readings/measured.js';

/** What a thermometer reads each few seconds says little more than a few of its readings do. Our choice. */
const MOST_READINGS = 8;

/** When bottles of agar may be poured, as far as their thermometer tells. */
export interface PourClock {
  /** How many readings there are. */
  readonly readings: number;
  readonly lastMs?: number;
  readonly lastC?: number;
  readonly window?: PourWindow;
  /** When the window opens, and when it has likely set; undefined before two readings. */
  readonly opensMs?: number;
  readonly setsMs?: number;
  /** The readings do not fall, so that they foretell nothing. */
  readonly isRising: boolean;
}

const windowOf = remembered((readings: readonly Reading[], roomC: number) =>
  unlessRefused(() => pourWindow(asProfile(readings, readings[0]!.atMs), roomC), undefined),
);

/**
 * When agar may be poured and when it sets, from what a thermometer read since it came out of the cooker or was melted
 * again; typed readings and a stream alike.
 *
 * @param sinceMs readings before it are of other heat
 */
export function pourClock(logs: readonly CookLog[], roomC: number, sinceMs: number): PourClock {
  const readings = readingsOf(logs, 'agarC').filter((r) => r.atMs >= sinceMs);
  const last = readings.at(-1);
  if (last === undefined) {
    return { readings: 0, isRising: false };
  }
  const known = { readings: readings.length, lastMs: last.atMs, lastC: last.value };
  if (readings.length < 2) {
    return { ...known, isRising: false };
  }
  const window = windowOf(spread(readings), roomC);
  return window === undefined
    ? { ...known, isRising: true }
    : {
        ...known,
        isRising: false,
        window,
        opensMs: last.atMs + window.opens.middle * MINUTE_MS,
        setsMs: last.atMs + window.sets.middle * MINUTE_MS,
      };
}

/** A few of many, evenly, the first and the last with them. */
function spread(readings: readonly Reading[]): readonly Reading[] {
  if (readings.length <= MOST_READINGS) {
    return readings;
  }
  const step = (readings.length - 1) / (MOST_READINGS - 1);
  return Array.from({ length: MOST_READINGS }, (_, i) => readings[Math.round(i * step)]!);
}
