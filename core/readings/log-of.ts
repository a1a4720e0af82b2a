import { groupBy } from '../base/collections.js';
import { f0 } from '../heat/lethality.js';
import type { CookChannel } from '../record/entry.js';
import type { CookId } from '../record/ids.js';
import type { Log, ReadingChunk } from '../record/readings.js';
import { GAP_MS, asProfile, soundReadings, stretches, type CookLog, type Reading } from './measured.js';

/** A minute of readings that differ by less is told by its first. Our choice: finer than a kitchen thermometer shows. */
const SAME_WITHIN = 0.3;
const MINUTE_S = 60;

/** What the house keeps of a chunk of a cook. */
export function logOf(chunk: ReadingChunk, cookId: CookId, channel: CookChannel, updatedAt: string): Log {
  const { id, at, source, count, device, who } = chunk;
  return {
    id,
    schemaVersion: 1,
    ...(device !== undefined && { device }),
    ...(who !== undefined && { who }),
    updatedAt,
    cookId,
    channel,
    source,
    at,
    count,
    ...courseOf(channel, chunk),
    ...(channel === 'coreC' && { f0Min: f0OfReadings(soundReadings(channel, chunk)) }),
  };
}

/**
 * The course of a chunk: of each minute the first reading, and its least and most where they differ; of each silence both
 * ends; and the last. Nothing that shows on a cook's curve is lost, and readings a second shrink to a sixtieth.
 */
export function courseOf(
  channel: CookChannel,
  chunk: Pick<ReadingChunk, 'at' | 'seconds' | 'values'>,
): Pick<Log, 'seconds' | 'values'> {
  const startMs = Date.parse(chunk.at);
  const kept: Reading[] = [];
  for (const minute of minutesOf(soundReadings(channel, chunk), startMs)) {
    const chosen = new Set([minute.readings[0]!]);
    const least = minute.readings.reduce((a, b) => (b.value < a.value ? b : a));
    const most = minute.readings.reduce((a, b) => (b.value > a.value ? b : a));
    if (most.value - least.value >= SAME_WITHIN) {
      chosen.add(least).add(most);
    }
    if (minute.isLast) {
      chosen.add(minute.readings[minute.readings.length - 1]!);
    }
    kept.push(...minute.readings.filter((r) => chosen.has(r)));
  }
  return {
    seconds: kept.map((r) => (r.atMs - startMs) / 1000),
    values: kept.map((r) => r.value),
  };
}

interface Minute {
  readonly number: number;
  readonly readings: Reading[];
  /** None was read in the minute after it. */
  isLast: boolean;
}

function minutesOf(readings: readonly Reading[], startMs: number): readonly Minute[] {
  const minutes: Minute[] = [];
  for (const reading of readings) {
    const number = Math.floor((reading.atMs - startMs) / 1000 / MINUTE_S);
    const last = minutes[minutes.length - 1];
    if (last?.number === number) {
      last.readings.push(reading);
    } else {
      if (last?.number === number - 1) {
        last.isLast = false;
      }
      minutes.push({ number, readings: [reading], isLast: true });
    }
  }
  return minutes;
}

/** F0 of readings of the middle in time, min. Gaps earn nothing. */
function f0OfReadings(readings: readonly Reading[]): number {
  return stretches(readings).reduce((sum, s) => sum + f0(asProfile(s, s[0]!.atMs)), 0);
}

/** A probe that was read for less than half as long as another tells only of a part of the cook. Our choice. */
const LEAST_SHARE = 0.5;

/**
 * F0 that probes in the middle saw, min: of each its own readings and the seams between its chunks, and of several the
 * least, since the coldest place decides. One that was read for a short part only does not count beside a longer one.
 *
 * @returns undefined where no probe was read twice without a gap
 */
export function probedF0(logs: readonly CookLog[]): number | undefined {
  const read = logs.filter((log) => log.channel === 'coreC' && log.seconds.length > 0);
  const bySource = groupBy(read, (log) => log.source);
  const probes = [...bySource.values()].flatMap((own) => {
    const parts = own.flatMap(partOf).sort((a, b) => a.first.atMs - b.first.atMs);
    const all = [...parts, ...parts.slice(1).map((part, i) => seam(parts[i]!, part))];
    const readForMs = sumOf(all.map((p) => p.readForMs));
    return readForMs > 0 ? [{ readForMs, f0Min: sumOf(all.map((p) => p.f0Min)) }] : [];
  });
  const longest = Math.max(0, ...probes.map((p) => p.readForMs));
  const counting = probes.filter((p) => p.readForMs >= longest * LEAST_SHARE);
  return counting.length === 0 ? undefined : Math.min(...counting.map((p) => p.f0Min));
}

/** A piece of what a probe read: how long it was read without silences, and the heat of that time. */
interface Piece {
  readonly readForMs: number;
  readonly f0Min: number;
}

interface Part extends Piece {
  readonly first: Reading;
  readonly last: Reading;
}

function partOf(log: CookLog): readonly Part[] {
  const readings = soundReadings('coreC', log);
  const [first, last] = [readings[0], readings[readings.length - 1]];
  const readForMs = sumOf(stretches(readings).map((s) => s[s.length - 1]!.atMs - s[0]!.atMs));
  return first === undefined || last === undefined
    ? []
    : [{ first, last, readForMs, f0Min: log.f0Min ?? f0OfReadings(readings) }];
}

/** Between the last reading of a chunk and the first of the next, where no silence lies between them. */
function seam(before: Part, after: Part): Piece {
  const ms = after.first.atMs - before.last.atMs;
  return ms > 0 && ms <= GAP_MS
    ? { readForMs: ms, f0Min: f0(asProfile([before.last, after.first], before.last.atMs)) }
    : { readForMs: 0, f0Min: 0 };
}

function sumOf(numbers: readonly number[]): number {
  return numbers.reduce((sum, n) => sum + n, 0);
}
