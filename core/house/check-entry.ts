import { allowedCookSteps } from '../cook/cook-state.js';
import { CoreError, requireWithin } from '../errors.js';
import { weighedMoisture } from '../formula/moisture.js';
import type { Entry, EntryOf } from '../record/entry.js';
import type { BatchPlan } from '../record/batch.js';
import type { BatchId, VesselId } from '../record/ids.js';
import type { House } from './house.js';

/** Clocks of two devices may differ by this much before a time counts as the future. */
const CLOCK_SLACK_MS = 60_000;
/** No run or store lasts longer; an older date is a slip. */
const MOST_AGE_MS = 20 * 365 * 86_400_000;
const AMOUNT_SLACK = 1e-6;

/**
 * Refuses an entry that cannot be true of this house, before anything is written.
 *
 * @throws CoreError naming the field, the value and the allowed range
 */
export function checkEntry(house: House, entry: Entry, nowMs: number): void {
  checkTime(house, entry, nowMs);
  switch (entry.kind) {
    case 'cookStep': {
      checkCookStep(house, entry);
      return;
    }
    case 'weighed': {
      checkWeighed(house, entry);
      return;
    }
    case 'weighedOut':
    case 'adjusted':
    case 'volumeMeasured':
    case 'phRead':
    case 'squeezed':
    case 'tissueTested': {
      requirePlan(house, entry.batchId);
      return;
    }
    case 'inoculated': {
      checkInoculated(house, entry);
      return;
    }
    case 'harvested': {
      checkHarvested(house, entry);
      return;
    }
    case 'retimed': {
      checkRetimed(house, entry, nowMs);
      return;
    }
    default:
  }
}

function checkTime(house: House, entry: Entry, nowMs: number): void {
  const made =
    'vesselIds' in entry && entry.kind !== 'batchMade'
      ? latestMade(house, entry.vesselIds)
      : batchMade(house, entry);
  requireInstant(Date.parse(entry.at), made, nowMs);
}

function requireInstant(atMs: number, notBeforeMs: number | undefined, nowMs: number): void {
  const least = notBeforeMs ?? nowMs - MOST_AGE_MS;
  if (!(atMs >= least)) {
    const words =
      notBeforeMs === undefined
        ? 'within the last 20 years'
        : `after the batch was made, ${local(notBeforeMs)}`;
    throw new CoreError('out-of-range', 'When', local(atMs), words);
  }
  if (!(atMs <= nowMs + CLOCK_SLACK_MS)) {
    throw new CoreError('out-of-range', 'When', local(atMs), `not later than now, ${local(nowMs)}`);
  }
}

/** Shown in UTC, so that core needs no time zone; the interface shows local time beside its fields. */
function local(ms: number): string {
  return Number.isFinite(ms) ? new Date(ms).toISOString().slice(0, 16).replace('T', ' ') + ' UTC' : 'no date';
}

function latestMade(house: House, ids: readonly VesselId[]): number | undefined {
  const made = ids.map((id) => house.batchById.get(vesselOf(house, id).batch.id)?.madeAtMs ?? 0);
  return made.length === 0 ? undefined : Math.max(...made);
}

function batchMade(house: House, entry: Entry): number | undefined {
  return 'batchId' in entry && entry.kind !== 'batchMade'
    ? house.batchById.get(entry.batchId)?.madeAtMs
    : undefined;
}

function vesselOf(house: House, id: VesselId): NonNullable<ReturnType<House['vesselById']['get']>> {
  const view = house.vesselById.get(id);
  if (view === undefined) {
    throw new CoreError('not-found', 'Vessel', id, 'one that is in this house');
  }
  return view;
}

function checkCookStep(house: House, entry: EntryOf<'cookStep'>): void {
  const view = house.cookById.get(entry.cookId);
  const allowed = view === undefined ? [] : allowedCookSteps(view.state.phase);
  if (!allowed.includes(entry.step)) {
    throw new CoreError(
      'wrong-state',
      'Step',
      entry.step,
      allowed.length ? `one of ${allowed.join(', ')}` : 'of a cook that is still on',
    );
  }
  const since = view?.state.sinceMs;
  if (since !== undefined && Date.parse(entry.at) < since) {
    throw new CoreError(
      'out-of-range',
      'When',
      local(Date.parse(entry.at)),
      `after the step before, ${local(since)}`,
    );
  }
}

function checkWeighed(house: House, entry: EntryOf<'weighed'>): void {
  weighedMoisture(entry.massG, requirePlan(house, entry.batchId).dryMatterG);
}

function requirePlan(house: House, batchId: BatchId): BatchPlan {
  const plan = house.batchById.get(batchId)?.batch.plan;
  if (plan === undefined) {
    throw new CoreError('not-found', 'Batch', batchId, 'one with a plan');
  }
  return plan;
}

function checkInoculated(house: House, entry: EntryOf<'inoculated'>): void {
  const sources = entry.sourceVesselIds.map((id) => vesselOf(house, id));
  for (const target of entry.vesselIds.map((id) => vesselOf(house, id))) {
    // A culture vessel is ready as it came; a medium must have been cooked.
    const ready =
      target.batch.contentsMl === undefined
        ? target.state.phase === 'sterile'
        : target.state.phase === 'planned';
    if (!ready) {
      throw new CoreError('wrong-state', target.code, target.state.phase, 'cooked and not yet inoculated');
    }
  }
  for (const source of sources) {
    if (source.leftUnit !== entry.doseUnit) {
      throw new CoreError('out-of-range', 'Unit of the dose', entry.doseUnit, source.leftUnit);
    }
  }
  const left = sources.reduce((sum, s) => sum + s.left, 0);
  const most = left / entry.vesselIds.length;
  if (!(entry.doseEach <= most + AMOUNT_SLACK)) {
    const codes = sources.map((s) => s.code).join(', ');
    const shown = Math.floor(most * 10) / 10;
    throw new CoreError(
      'out-of-range',
      'Dose',
      entry.doseEach,
      `between 0.1 and ${shown} ${entry.doseUnit}`,
      `Dose must be between 0.1 and ${shown} ${entry.doseUnit}: ${codes} holds ${Math.floor(left)} ${entry.doseUnit} for ${entry.vesselIds.length}. You gave ${entry.doseEach} ${entry.doseUnit}.`,
    );
  }
}

function checkHarvested(house: House, entry: EntryOf<'harvested'>): void {
  const wetG = entry.vesselIds.reduce((sum, id) => {
    const view = vesselOf(house, id);
    if (view.state.phase !== 'opened') {
      throw new CoreError('wrong-state', view.code, view.state.phase, 'opened and in the tent');
    }
    return sum + (view.batch.plan?.vesselWetG ?? 0);
  }, 0);
  // No flush weighs more than its block.
  requireWithin(entry.massG, { field: 'Harvest', min: 1, max: Math.round(wetG), unit: ' g' });
}

function checkRetimed(house: House, entry: EntryOf<'retimed'>, nowMs: number): void {
  const named = house.facts.find((f) => f.id === entry.entryId);
  if (named === undefined) {
    throw new CoreError('not-found', 'Entry', entry.entryId, 'one that stands');
  }
  const atMs = Date.parse(entry.actualAt);
  const about =
    'vesselIds' in named && named.kind !== 'batchMade'
      ? latestMade(house, named.vesselIds)
      : batchMade(house, named);
  requireInstant(atMs, about, nowMs);
  if (named.kind === 'cookStep') {
    checkBetweenSteps(house, named.cookId, named.id, atMs);
  }
}

/** A step may not be moved across its neighbours, or the cook would be told in another order. */
function checkBetweenSteps(
  house: House,
  cookId: EntryOf<'cookStep'>['cookId'],
  entryId: string,
  atMs: number,
): void {
  const steps = house.cookById.get(cookId)?.steps ?? [];
  const place = steps.findIndex((s) => s.id === entryId);
  const before = steps[place - 1];
  const after = steps[place + 1];
  if (before !== undefined && atMs < Date.parse(before.at)) {
    throw new CoreError(
      'out-of-range',
      'When',
      local(atMs),
      `after the step before, ${local(Date.parse(before.at))}`,
    );
  }
  if (after !== undefined && atMs > Date.parse(after.at)) {
    throw new CoreError(
      'out-of-range',
      'When',
      local(atMs),
      `before the step after, ${local(Date.parse(after.at))}`,
    );
  }
}
