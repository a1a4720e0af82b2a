import { MINUTE_MS } from '../base/time.js';
import type { ProfilePoint } from '../heat/lethality.js';
import type { Channel, CookChannel } from '../record/entry.js';
import { isPlausible } from './channel-limits.js';

/** One reading, on the clock of the wall. */
export interface Reading {
  readonly atMs: number;
  readonly value: number;
}

/** One reading that says of what. */
export interface ChannelReading extends Reading {
  readonly channel: Channel;
}

/** One reading of a cook. */
export interface CookReading extends Reading {
  readonly channel: CookChannel;
}

/** Readings of one channel of a cook by one instrument: typed, or the course of a chunk. */
export interface CookLog {
  readonly id: string;
  readonly channel: CookChannel;
  readonly source: string;
  readonly at: string;
  /** After `at`, rising; a value to each. */
  readonly seconds: readonly number[];
  readonly values: readonly number[];
  /** Readings that were taken, those included that a course leaves out. */
  readonly count: number;
  /** F0 of the readings themselves, min; absent for what is not of the middle, or was typed. */
  readonly f0Min?: number;
}

/** An instrument that is silent for longer leaves a gap; nothing is drawn or counted across it. */
export const GAP_MS = 3 * MINUTE_MS;

/**
 * Readings that can be true, on the clock of the wall, as they come. What no instrument in order could have shown stays in
 * the record and counts for nothing: the moment is a gap.
 */
export function soundReadings(
  channel: Channel,
  { at, seconds, values }: Pick<CookLog, 'at' | 'seconds' | 'values'>,
): Reading[] {
  const startMs = Date.parse(at);
  return seconds.flatMap((second, i): Reading[] => {
    const value = values[i]!;
    return isPlausible(channel, value) ? [{ atMs: startMs + second * 1000, value }] : [];
  });
}

/** All readings of one channel, in time. */
export function readingsOf(logs: readonly CookLog[], channel: CookChannel): readonly Reading[] {
  return logs
    .filter((log) => log.channel === channel)
    .flatMap((log) => soundReadings(channel, log))
    .sort((a, b) => a.atMs - b.atMs);
}

/** Readings cut where the instrument was silent. */
export function stretches(readings: readonly Reading[]): readonly (readonly Reading[])[] {
  const out: Reading[][] = [];
  for (const reading of readings) {
    const last = out[out.length - 1];
    const before = last?.[last.length - 1];
    if (last === undefined || before === undefined || reading.atMs - before.atMs > GAP_MS) {
      out.push([reading]);
    } else {
      last.push(reading);
    }
  }
  return out;
}

/** Readings as a profile, minutes from a start. */
export function asProfile(readings: readonly Reading[], startMs: number): ProfilePoint[] {
  return readings.map((r) => ({ minutes: (r.atMs - startMs) / MINUTE_MS, celsius: r.value }));
}
