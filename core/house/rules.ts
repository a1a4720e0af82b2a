import { allowedCookSteps, type CookPhase } from '../cook/cook-state.js';
import { CoreError, requireWithin } from '../base/errors.js';
import { weighedMoisture } from '../formula/moisture.js';
import type { BatchPlan } from '../record/batch.js';
import type { Fact, FactOf } from '../record/effective.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import type { VesselPhase } from './derive/vessel-state.js';

/** A vessel as the rules see it. */
export interface VesselInRules {
  readonly code: string;
  readonly phase: VesselPhase;
  /** A culture vessel is ready as it came; a medium must have been cooked. */
  readonly isReceived: boolean;
  readonly remaining: number;
  readonly remainingUnit: 'ml' | 'g';
  readonly wetG: number;
}

/** What a house is at one moment, as far as a new fact must agree with it. */
export interface World {
  vessel(id: VesselId): VesselInRules | undefined;
  /** Absent where the batch was never made, or its making was taken back. */
  batch(id: BatchId): { readonly plan?: BatchPlan; readonly isPutAway: boolean } | undefined;
  cookPhase(id: CookId): CookPhase | undefined;
}

const AMOUNT_SLACK = 1e-6;

/**
 * Whether a fact can be true in a world: the one set of rules, asked before an entry is written and again when an
 * earlier one is corrected.
 *
 * @throws CoreError naming the field, the value and the allowed range
 */
export function requirePossible(world: World, fact: Fact): void {
  if ('vesselIds' in fact && fact.kind !== 'batchMade') {
    fact.vesselIds.forEach((id) => vesselOf(world, id));
  }
  if ('batchId' in fact && fact.kind !== 'batchMade') {
    batchOf(world, fact.batchId);
  }
  switch (fact.kind) {
    case 'weighed':
      weighedMoisture(fact.massG, planOf(world, fact.batchId).dryMatterG);
      return;
    case 'weighedOut':
    case 'adjusted':
    case 'volumeMeasured':
    case 'phRead':
    case 'squeezed':
    case 'tissueTested':
      planOf(world, fact.batchId);
      return;
    case 'putAway':
      if (batchOf(world, fact.batchId).isPutAway) {
        throw new CoreError('wrong-state', 'Batch', 'put away', 'one that still stands');
      }
      return;
    case 'cookLoaded':
      requirePhase(world, fact.vesselIds, ['planned'], 'ready to be cooked and not in another cook');
      return;
    case 'cookStep':
      requireStep(world, fact);
      return;
    case 'logged':
    case 'coreRead':
    case 'proofRead':
    case 'poured':
    case 'waterLeft':
    case 'cookNoted':
      if (world.cookPhase(fact.cookId) === undefined) {
        throw new CoreError('not-found', 'Cook', fact.cookId, 'one that is in this house');
      }
      return;
    case 'inoculated':
      requireInoculable(world, fact);
      return;
    case 'shaken':
      requirePhase(world, fact.vesselIds, ['running'], 'inoculated and not yet opened');
      return;
    case 'opened':
      requirePhase(world, fact.vesselIds, ['running', 'opened'], 'inoculated');
      return;
    case 'pinned':
      requirePhase(world, fact.vesselIds, ['opened'], 'opened and in the tent');
      return;
    case 'harvested':
      requireHarvest(world, fact);
      return;
    case 'discarded':
      requirePhase(
        world,
        fact.vesselIds,
        ['planned', 'cooking', 'cooked', 'running', 'opened'],
        'still here',
      );
      return;
    default:
  }
}

function vesselOf(world: World, id: VesselId): VesselInRules {
  const vessel = world.vessel(id);
  if (vessel === undefined) {
    throw new CoreError('not-found', 'Vessel', id, 'one that is in this house');
  }
  return vessel;
}

function batchOf(world: World, id: BatchId): NonNullable<ReturnType<World['batch']>> {
  const batch = world.batch(id);
  if (batch === undefined) {
    throw new CoreError('not-found', 'Batch', id, 'one that is in this house');
  }
  return batch;
}

function planOf(world: World, id: BatchId): BatchPlan {
  const { plan } = batchOf(world, id);
  if (plan === undefined) {
    throw new CoreError('not-found', 'Batch', id, 'one with a plan');
  }
  return plan;
}

const PHASE_WORDS: Readonly<Record<VesselPhase, string>> = {
  planned: 'not cooked yet',
  cooking: 'in the cooker',
  cooked: 'cooked and waiting',
  running: 'inoculated',
  opened: 'opened',
  gone: 'taken out',
};

function requirePhase(
  world: World,
  ids: readonly VesselId[],
  phases: readonly VesselPhase[],
  allowed: string,
): void {
  for (const id of ids) {
    const { code, phase } = vesselOf(world, id);
    if (!phases.includes(phase)) {
      throw new CoreError(
        'wrong-state',
        code,
        phase,
        allowed,
        `${code} must be ${allowed}. It is ${PHASE_WORDS[phase]}.`,
      );
    }
  }
}

function requireStep(world: World, fact: FactOf<'cookStep'>): void {
  const phase = world.cookPhase(fact.cookId);
  const allowed = phase === undefined ? [] : allowedCookSteps(phase);
  if (!allowed.includes(fact.step)) {
    const words = allowed.length > 0 ? `one of ${allowed.join(', ')}` : 'of a cook that is still on';
    throw new CoreError('wrong-state', 'Step', fact.step, words);
  }
}

function requireInoculable(world: World, fact: FactOf<'inoculated'>): void {
  for (const id of fact.vesselIds) {
    const { code, phase, isReceived } = vesselOf(world, id);
    if (phase !== (isReceived ? 'planned' : 'cooked')) {
      throw new CoreError('wrong-state', code, phase, 'cooked and not yet inoculated');
    }
  }
  const sources = fact.sourceVesselIds.map((id) => vesselOf(world, id));
  for (const source of sources) {
    if (source.remainingUnit !== fact.doseUnit) {
      throw new CoreError('out-of-range', 'Unit of the dose', fact.doseUnit, source.remainingUnit);
    }
  }
  const remaining = sources.reduce((sum, s) => sum + s.remaining, 0);
  const most = remaining / fact.vesselIds.length;
  if (!(fact.doseEach <= most + AMOUNT_SLACK)) {
    const codes = sources.map((s) => s.code).join(', ');
    const shown = Math.floor(most * 10) / 10;
    throw new CoreError(
      'out-of-range',
      'Dose',
      fact.doseEach,
      `between 0.1 and ${shown} ${fact.doseUnit}`,
      `Dose must be between 0.1 and ${shown} ${fact.doseUnit}: ${codes} holds ${Math.floor(remaining)} ${fact.doseUnit} for ${fact.vesselIds.length}. You gave ${fact.doseEach} ${fact.doseUnit}.`,
    );
  }
}

function requireHarvest(world: World, fact: FactOf<'harvested'>): void {
  requirePhase(world, fact.vesselIds, ['opened'], 'opened and in the tent');
  const wetG = fact.vesselIds.reduce((sum, id) => sum + vesselOf(world, id).wetG, 0);
  // No flush weighs more than its block.
  requireWithin(fact.massG, { field: 'Harvest', min: 1, max: Math.round(wetG), unit: ' g' });
}
