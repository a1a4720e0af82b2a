import {
  defaultHousehold,
  seededRandom,
  shippedDefinitions,
  type CookId,
  type CookStep,
  type Entry,
  type EntryId,
  type Random,
  type Records,
} from '../index.js';
import { DAY_MS, MINUTE_MS, newId } from '../index.js';
import type { Said } from '../record/entry.js';

export const START_MS = Date.parse('2026-03-02T08:00:00.000Z');
export { DAY_MS, MINUTE_MS };

/** A house with definitions and nothing that happened. */
export function furnishedRecords(): Records {
  const at = new Date(START_MS).toISOString();
  return { ...shippedDefinitions(at), household: [defaultHousehold(at)] };
}

/** Entries of a test, with ids from a seed. */
export function entryMaker(
  random: Random = seededRandom(1),
): (atMs: number, said: Said, notedMs?: number) => Entry {
  return (atMs, said, notedMs = atMs) => ({
    ...said,
    id: newId(notedMs, random) as EntryId,
    schemaVersion: 1,
    at: new Date(atMs).toISOString(),
    notedAt: new Date(notedMs).toISOString(),
  });
}

/** All steps of a cook that went as planned, a minute apart but for the hold, up to heat off. */
export function stepsOfGoodCook(
  entry: ReturnType<typeof entryMaker>,
  cookId: CookId,
  lidOnMs: number,
  holdMinutes = 120,
): Entry[] {
  const atPressureMs = lidOnMs + 30 * MINUTE_MS;
  const at: readonly (readonly [CookStep, number])[] = [
    ['lidOn', lidOnMs],
    ['steamSteady', lidOnMs + 12 * MINUTE_MS],
    ['weightOn', lidOnMs + 22 * MINUTE_MS],
    ['atPressure', atPressureMs],
    ['heatOff', atPressureMs + holdMinutes * MINUTE_MS],
  ];
  return at.map(([step, ms]) => entry(ms, { kind: 'cookStep', cookId, step }));
}
