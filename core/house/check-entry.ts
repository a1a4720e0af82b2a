import { CoreError, requireWithin } from '../base/errors.js';
import { wetMassG } from '../culture/amounts.js';
import { CHANNEL_LIMITS } from '../readings/channel-limits.js';
import { MOST_HELD } from '../record/culture.js';
import { isCorrection, type Entry, type EntryOf } from '../record/entry.js';
import type { CookId, VesselId } from '../record/ids.js';
import type { House } from './derive/house.js';
import { dryHeatRunIn } from './dry-heat.js';
import { refillOf } from './fill-into.js';
import { requirePossible, takingOf, type World } from './rules.js';
import { DAY_MS, MINUTE_MS } from '../base/time.js';

/** Clocks of two devices may differ by this much before a time counts as the future. */
const CLOCK_SLACK_MS = MINUTE_MS;
/** No run or store lasts longer; an older date is a slip. */
const MOST_AGE_MS = 20 * 365 * DAY_MS;

/**
 * Refuses an entry that cannot be true of this house, before anything is written. What a correction does to later
 * entries is asked apart (`consequencesOf`).
 *
 * @throws CoreError naming the field, the value and the allowed range
 */
export function checkEntry(house: House, entry: Entry, nowMs: number): void {
  if (isCorrection(entry)) {
    requireInstant(Date.parse(entry.at), undefined, nowMs);
    if (entry.kind === 'retimed') {
      checkRetimed(house, entry, nowMs);
    }
    return;
  }
  requireInstant(Date.parse(entry.at), madeBefore(house, entry), nowMs);
  requirePossible(worldOf(house), entry);
  if (entry.kind === 'cookStep') {
    checkAfterStep(house, entry);
  }
  if (entry.kind === 'cultureTold') {
    checkTold(house, entry);
  }
  if (entry.kind === 'filledInto') {
    checkFits(house, entry);
  }
  if (entry.kind === 'airRead') {
    const { least, most } = CHANNEL_LIMITS[entry.channel];
    requireWithin(entry.value, {
      field: entry.channel === 'co2Ppm' ? 'carbonDioxide' : 'humidity',
      min: least,
      max: most,
    });
  }
  const placeId = placeNamed(entry);
  if (placeId !== undefined && !house.placeById.has(placeId)) {
    throw new CoreError('not-found', { what: 'place', id: placeId });
  }
}

/** Key of the place that an entry speaks of. */
function placeNamed(entry: Entry): string | undefined {
  switch (entry.kind) {
    case 'moved':
    case 'opened':
      return entry.place;
    case 'placeRead':
    case 'airRead':
    case 'placeSet':
    case 'tended':
      return entry.placeId;
    default:
      return undefined;
  }
}

/** What came was at least what was taken of it, in the unit of such a culture. */
function checkTold(house: House, { batchId, holds: { amount, unit } }: EntryOf<'cultureTold'>): void {
  const view = house.batchById.get(batchId);
  const held = view?.batch.holds;
  if (view === undefined || held?.unit !== unit) {
    throw new CoreError('not-found', { what: 'batch', id: batchId });
  }
  const taken = view.vessels.map((v) => (v.state.phase === 'gone' ? 0 : held.amount - v.remaining));
  requireWithin(amount, { field: 'held', min: Math.max(0, ...taken), max: MOST_HELD });
}

/** No vessel holds more than it does to the brim. */
function checkFits(house: House, { batchId, vessel, vesselIds }: EntryOf<'filledInto'>): void {
  const view = house.batchById.get(batchId);
  const refilled = view && refillOf(view, vessel, vesselIds.length);
  if (refilled !== undefined) {
    requireWithin(refilled.share, {
      field: { field: 'fill', of: vessel.plural },
      min: 0,
      max: 1,
      unit: ' %',
      shownTimes: 100,
    });
  }
}

/** The rules' view of a house as it stands. */
function worldOf(house: House): World {
  return {
    vessel: (id) => {
      const view = house.vesselById.get(id);
      return (
        view && {
          code: view.code,
          phase: view.state.phase,
          taking: takingOf(view.batch, view.state),
          remaining: view.remaining,
          remainingUnit: view.remainingUnit,
          wetG: wetMassG(view.batch),
        }
      );
    },
    batch: (id) => {
      const view = house.batchById.get(id);
      return (
        view && {
          plan: view.batch.plan,
          dryMatterG: view.dryMatterG,
          isPutAway: view.putAwayAt !== undefined,
          vesselIds: view.vessels.map((v) => v.vessel.id),
        }
      );
    },
    glassPhase: (runId) => dryHeatRunIn(house, runId)?.phase,
    cookPhase: (id) => house.cookById.get(id)?.state.phase,
  };
}

/** @throws CoreError when a moment lies in the future, or before what it is about */
export function requireInstant(atMs: number, notBeforeMs: number | undefined, nowMs: number): void {
  const least = notBeforeMs ?? nowMs - MOST_AGE_MS;
  if (!(atMs >= least)) {
    const limit = notBeforeMs === undefined ? 'mostAge' : 'batchMade';
    throw new CoreError('bad-moment', { atMs, limit, limitMs: least });
  }
  if (!(atMs <= nowMs + CLOCK_SLACK_MS)) {
    throw new CoreError('bad-moment', { atMs, limit: 'now', limitMs: nowMs });
  }
}

/** When the batches that a fact speaks of were made: nothing can have happened to them before. */
function madeBefore(house: House, entry: Entry): number | undefined {
  if (entry.kind === 'batchMade') {
    return undefined;
  }
  if ('vesselIds' in entry) {
    return latestMade(house, entry.vesselIds);
  }
  return 'batchId' in entry ? house.batchById.get(entry.batchId)?.madeAtMs : undefined;
}

function latestMade(house: House, ids: readonly VesselId[]): number | undefined {
  return ids.reduce<number | undefined>((latest, id) => {
    const batchId = house.vesselById.get(id)?.batch.id;
    const madeAtMs = batchId === undefined ? undefined : house.batchById.get(batchId)?.madeAtMs;
    return madeAtMs === undefined ? latest : Math.max(latest ?? madeAtMs, madeAtMs);
  }, undefined);
}

function checkAfterStep(house: House, entry: EntryOf<'cookStep'>): void {
  const since = house.cookById.get(entry.cookId)?.state.sinceMs;
  const atMs = Date.parse(entry.at);
  if (since !== undefined && atMs < since) {
    throw new CoreError('bad-moment', { atMs, limit: 'stepBefore', limitMs: since });
  }
}

function checkRetimed(house: House, entry: EntryOf<'retimed'>, nowMs: number): void {
  const named = house.factById.get(entry.entryId);
  if (named === undefined) {
    throw new CoreError('not-found', { what: 'entry', id: entry.entryId });
  }
  const atMs = Date.parse(entry.actualAt);
  requireInstant(atMs, madeBefore(house, named), nowMs);
  if (named.kind === 'cookStep') {
    checkBetweenSteps(house, named.cookId, named.id, atMs);
  }
}

/** A step may not be moved across its neighbours, or the cook would be told in another order. */
function checkBetweenSteps(house: House, cookId: CookId, entryId: string, atMs: number): void {
  const steps = house.cookById.get(cookId)?.steps ?? [];
  const place = steps.findIndex((s) => s.id === entryId);
  const before = steps[place - 1];
  const after = steps[place + 1];
  if (before !== undefined && atMs < Date.parse(before.at)) {
    throw new CoreError('bad-moment', { atMs, limit: 'stepBefore', limitMs: Date.parse(before.at) });
  }
  if (after !== undefined && atMs > Date.parse(after.at)) {
    throw new CoreError('bad-moment', { atMs, limit: 'stepAfter', limitMs: Date.parse(after.at) });
  }
}
