import { allowedCookSteps, type CookPhase } from '../cook/cook-state.js';
import { CoreError, requireWithin } from '../base/errors.js';
import type { WantedOfVessel } from '../base/refusals.js';
import { weighedMoisture } from '../formula/moisture.js';
import type { Batch, BatchPlan } from '../record/batch.js';
import type { Fact, FactOf } from '../record/effective.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { allowedGlassSteps, type GlassPhase } from './dry-heat.js';
import type { VesselPhase, VesselState } from './derive/vessel-state.js';
import { requireDose, type DoseSource } from './dose.js';

/** A vessel as the rules see it. */
export interface VesselInRules extends DoseSource {
  readonly phase: VesselPhase;
  /** What is to be sown in it: the whole, or parts that do not touch, some of them sown already. */
  readonly taking: Taking;
  readonly wetG: number;
}

/** How far a vessel can take a culture still. */
export interface Taking {
  /** Filled as it came, with a culture of its own or to be drawn into; a medium must have been cooked. */
  readonly isFilled: boolean;
  readonly isSown: boolean;
  readonly parts: number;
  readonly sownParts: readonly number[];
}

export function takingOf(
  batch: Pick<Batch, 'holds' | 'vessel'>,
  state: Pick<VesselState, 'sourceVesselIds' | 'compartments'>,
): Taking {
  return {
    isFilled: batch.holds !== undefined,
    isSown: state.sourceVesselIds.length > 0,
    parts: batch.vessel.compartments ?? 1,
    sownParts: state.compartments,
  };
}

/** What a house is at one moment, as far as a new fact must agree with it. */
export interface World {
  vessel(id: VesselId): VesselInRules | undefined;
  /** Absent where the batch was never made, or its making was taken back. */
  batch(id: BatchId):
    | {
        readonly plan?: BatchPlan;
        readonly dryMatterG?: number;
        readonly isPutAway: boolean;
        readonly vesselIds: readonly VesselId[];
      }
    | undefined;
  cookPhase(id: CookId): CookPhase | undefined;
  /** Absent where no glass went into the oven by this name. */
  glassPhase(runId: string): GlassPhase | undefined;
}

/**
 * Whether a fact can be true in a world: the one set of rules, asked before an entry is written and again when an
 * earlier one is corrected.
 *
 * @throws CoreError naming the field, the value and the allowed range
 */
export function requirePossible(world: World, fact: Fact): void {
  if ('vesselIds' in fact && !makesVessels(fact)) {
    fact.vesselIds.forEach((id) => vesselOf(world, id));
  }
  if ('batchId' in fact && fact.kind !== 'batchMade') {
    batchOf(world, fact.batchId);
  }
  switch (fact.kind) {
    case 'weighed':
      weighedMoisture(
        fact.massG,
        batchOf(world, fact.batchId).dryMatterG ?? planOf(world, fact.batchId).dryMatterG,
      );
      return;
    case 'weighedOut':
    case 'adjusted':
    case 'volumeMeasured':
    case 'phRead':
    case 'squeezed':
    case 'tissueTested':
      planOf(world, fact.batchId);
      return;
    case 'filledInto':
      planOf(world, fact.batchId);
      requirePhase(world, batchOf(world, fact.batchId).vesselIds, ['planned'], 'uncooked');
      return;
    case 'putAway':
      if (batchOf(world, fact.batchId).isPutAway) {
        throw new CoreError('put-away', {});
      }
      return;
    case 'cookLoaded':
      // Cooked before, and nothing put in yet: a cook that fell short is made good by another.
      requirePhase(world, fact.vesselIds, ['planned', 'cooked'], 'uncooked');
      return;
    case 'cookStep':
      requireStep(world, fact);
      return;
    case 'logged':
    case 'coreRead':
    case 'proofRead':
    case 'poured':
    case 'waterLeft':
    case 'fuelUsed':
    case 'cookNoted':
      requireCook(world, fact.cookId);
      return;
    case 'agarPoured':
      requireCook(world, fact.cookId);
      planOf(world, fact.batchId);
      requirePhase(
        world,
        fact.vesselIds.filter((id) => world.vessel(id) !== undefined),
        ['cooked'],
        'cooked',
      );
      return;
    case 'bottlesKept':
    case 'bottlesMelted':
      requireCook(world, fact.cookId);
      planOf(world, fact.batchId);
      return;
    case 'glassStep': {
      const phase = world.glassPhase(fact.runId);
      const allowed = phase === undefined ? [] : allowedGlassSteps(phase);
      if (!allowed.includes(fact.step)) {
        throw new CoreError('wrong-glass-step', { step: fact.step, allowed });
      }
      return;
    }
    case 'inoculated':
      requireInoculable(world, fact);
      return;
    case 'wrapped':
      // Blank plates too, so that they keep.
      requirePhase(world, fact.vesselIds, ['cooked', 'running'], 'filled');
      return;
    case 'swirled':
    case 'shaken':
      requirePhase(world, fact.vesselIds, ['running'], 'running');
      return;
    case 'opened':
    case 'pinned':
    case 'soaked':
    case 'chilled':
      requirePhase(world, fact.vesselIds, ['running', 'opened'], 'inoculated');
      return;
    case 'layered':
      requirePhase(world, fact.vesselIds, ['cooked', 'running', 'opened'], 'filled');
      return;
    case 'keptAsControl':
      requirePhase(world, fact.vesselIds, ['cooked'], 'cooked');
      return;
    case 'harvested':
      requireHarvest(world, fact);
      return;
    case 'discarded':
      requirePhase(world, fact.vesselIds, ['planned', 'cooking', 'cooked', 'running', 'opened'], 'here');
      return;
    default:
  }
}

/** Whether a fact may tell of vessels that were not there before it. */
function makesVessels({ kind }: Fact): boolean {
  return kind === 'batchMade' || kind === 'filledInto' || kind === 'agarPoured';
}

function vesselOf(world: World, id: VesselId): VesselInRules {
  const vessel = world.vessel(id);
  if (vessel === undefined) {
    throw new CoreError('not-found', { what: 'vessel', id });
  }
  return vessel;
}

function batchOf(world: World, id: BatchId): NonNullable<ReturnType<World['batch']>> {
  const batch = world.batch(id);
  if (batch === undefined) {
    throw new CoreError('not-found', { what: 'batch', id });
  }
  return batch;
}

function requireCook(world: World, id: CookId): void {
  if (world.cookPhase(id) === undefined) {
    throw new CoreError('not-found', { what: 'cook', id });
  }
}

function planOf(world: World, id: BatchId): BatchPlan {
  const { plan } = batchOf(world, id);
  if (plan === undefined) {
    throw new CoreError('not-found', { what: 'plan', id });
  }
  return plan;
}

function requirePhase(
  world: World,
  ids: readonly VesselId[],
  phases: readonly VesselPhase[],
  wanted: WantedOfVessel,
): void {
  for (const id of ids) {
    const { code, phase } = vesselOf(world, id);
    if (!phases.includes(phase)) {
      throw new CoreError('wrong-phase', { code, phase, wanted });
    }
  }
}

function requireStep(world: World, fact: FactOf<'cookStep'>): void {
  const phase = world.cookPhase(fact.cookId);
  const allowed = phase === undefined ? [] : allowedCookSteps(phase);
  if (!allowed.includes(fact.step)) {
    throw new CoreError('wrong-step', { step: fact.step, allowed });
  }
}

function requireInoculable(world: World, fact: FactOf<'inoculated'>): void {
  for (const id of fact.vesselIds) {
    requireTaking(vesselOf(world, id), fact);
  }
  if (fact.vesselIds.some((id) => fact.sourceVesselIds.includes(id))) {
    throw new CoreError('feeds-itself', { code: vesselOf(world, fact.vesselIds[0]!).code });
  }
  const sources = fact.sourceVesselIds.map((id) => vesselOf(world, id));
  for (const { code, phase } of sources) {
    if (phase !== 'running' && phase !== 'opened') {
      throw new CoreError('wrong-phase', { code, phase, wanted: 'inoculated' });
    }
  }
  requireDose(fact.doseEach, fact.doseUnit, sources, fact.vesselIds.length, fact.shares);
}

/** Nothing is sown twice, but for the parts of a dish, each on its own. */
function requireTaking({ code, phase, taking }: VesselInRules, { compartment }: FactOf<'inoculated'>): void {
  if (taking.isFilled) {
    if (taking.isSown) {
      throw new CoreError('wrong-phase', { code, phase, wanted: 'cooked' });
    }
    return;
  }
  if (compartment !== undefined && (compartment > taking.parts || taking.sownParts.includes(compartment))) {
    throw new CoreError('part-sown', { code, part: compartment, parts: taking.parts });
  }
  const isFree = phase === 'cooked' || (phase === 'running' && compartment !== undefined);
  if (!isFree) {
    throw new CoreError('wrong-phase', { code, phase, wanted: 'cooked' });
  }
}

function requireHarvest(world: World, fact: FactOf<'harvested'>): void {
  // A shut bag may fruit too, and pins are cut as they come.
  requirePhase(world, fact.vesselIds, ['running', 'opened'], 'inoculated');
  const wetG = fact.vesselIds.reduce((sum, id) => sum + vesselOf(world, id).wetG, 0);
  // No flush weighs more than its block.
  requireWithin(fact.massG, { field: 'harvest', min: 1, max: Math.round(wetG), unit: ' g' });
}
