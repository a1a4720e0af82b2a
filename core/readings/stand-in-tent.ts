import { DAY_MS, HOUR_MS } from '../base/time.js';
import type { Random } from '../record/new-id.js';

/** What a pretended logger in a tent shows. Invented, by a course that is common: mist every four hours, air every three. */
const MIST_EVERY_MS = 4 * HOUR_MS;
const FAN_EVERY_MS = 3 * HOUR_MS;

export interface TentReading {
  readonly airC: number;
  readonly humidityPercent: number;
  readonly co2Ppm: number;
}

/** @param atMs the moment, ms since 1970 */
export function standInTent(atMs: number, random: Random): TentReading {
  const noise = (size: number) => (random() - 0.5) * 2 * size;
  const since = (everyMs: number) => (atMs % everyMs) / everyMs;
  const day = Math.sin(2 * Math.PI * (atMs / DAY_MS - 0.33));
  return {
    airC: tenths(16.5 + 1.5 * day + noise(0.1)),
    humidityPercent: tenths(Math.min(100, 95 - 12 * since(MIST_EVERY_MS) + noise(0.5))),
    co2Ppm: Math.round(520 + 700 * since(FAN_EVERY_MS) + noise(15)),
  };
}

function tenths(value: number): number {
  return Math.round(value * 10) / 10;
}
