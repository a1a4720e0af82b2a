import type { ProfilePoint } from '../heat/lethality.js';
import type { FactOf } from '../record/effective.js';
import type { Channel } from '../record/entry.js';
import { isPlausible } from './channel-limits.js';
import { MINUTE_MS } from '../base/time.js';

/** One reading, on the clock of the wall. */
export interface Reading {
  readonly atMs: number;
  readonly value: number;
}

/** An instrument that is silent for longer leaves a gap; nothing is drawn or counted across it. */
export const GAP_MS = 3 * MINUTE_MS;

/**
 * All readings of one channel, in time. What no instrument in order could have shown stays in the record and counts
 * for nothing: the moment is a gap.
 */
export function readingsOf(logs: readonly FactOf<'logged'>[], channel: Channel): readonly Reading[] {
  return logs
    .filter((log) => log.channel === channel)
    .flatMap((log) => {
      const atMs = Date.parse(log.at);
      return log.readings.flatMap(([seconds, value]): Reading[] =>
        isPlausible(channel, value) ? [{ atMs: atMs + seconds * 1000, value }] : [],
      );
    })
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
