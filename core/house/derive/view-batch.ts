import { takesUpWater } from '../../formula/hydration.js';
import { mixMoisture, weighedMoisture } from '../../formula/moisture.js';
import type { Batch } from '../../record/batch.js';
import type { Fact } from '../../record/effective.js';
import { WATER } from '../../record/entry.js';
import type { BatchView, VesselView } from './house.js';
import type { Attempt } from './attempt.js';
import { forecaster, isForetold, type BatchForecasts } from './forecast.js';
import { lastOf } from './last-of.js';
import { runsBefore } from './own-runs.js';
import type { RunsOfKind } from './runs-of-kind.js';
import type { Warmth } from './warmth.js';

const NO_FORECASTS: BatchForecasts['vessels'] = new Map();

/**
 * A batch with its vessels and where it stands in being made ready.
 * @param facts those of the batch itself, in order
 * @param runs what ran full in this house, by kind
 */
export function viewBatch(
  batch: Batch,
  code: string,
  madeAt: string,
  vessels: readonly VesselView[],
  facts: readonly Fact[],
  warmth: Warmth,
  runs: RunsOfKind,
  attempt: Attempt,
): BatchView {
  const steps = facts.filter((f) => f.kind === 'stepDone');
  const last = steps[steps.length - 1];
  const weighed = lastOf(facts, 'weighed');
  const tissue = lastOf(facts, 'tissueTested');
  const mix = viewMix(batch, facts, attempt);
  const inoculatedAtMs = earliest(vessels.map((v) => v.state.inoculatedAt));
  const species = vessels.find((v) => v.species !== undefined)?.species;
  const ownRuns = runsBefore({ batch, species, inoculatedAtMs }, runs);
  const foretell =
    isForetold(batch) && inoculatedAtMs !== undefined
      ? attempt('forecast', () => forecaster(batch, vessels, species, warmth, ownRuns))
      : undefined;
  return {
    batch,
    code,
    madeAtMs: Date.parse(madeAt),
    vessels,
    steps,
    lastStep: last?.step,
    lastStepMs: last === undefined ? undefined : Date.parse(last.at),
    tissue: tissue?.result,
    tissueAtMs: tissue === undefined ? undefined : Date.parse(tissue.at),
    weighedG: weighed?.massG,
    weighedMoisture:
      weighed && mix.dryMatterG !== undefined ? safeMoisture(weighed.massG, mix.dryMatterG) : undefined,
    squeeze: squeezeOf(facts),
    ...mix,
    measuredMl: lastOf(facts, 'volumeMeasured')?.volumeMl,
    phReads: facts.filter((f) => f.kind === 'phRead'),
    species,
    isolate: vessels.find((v) => v.isolate !== undefined)?.isolate,
    inoculatedAtMs,
    ownRuns: ownRuns.length,
    bottleFacts: facts.filter(
      (f) => f.kind === 'agarPoured' || f.kind === 'bottlesKept' || f.kind === 'bottlesMelted',
    ),
    notes: facts.filter((f) => f.kind === 'batchNoted'),
    putAwayAt: lastOf(facts, 'putAway')?.at,
    get forecast() {
      return foretell?.().batch;
    },
    get vesselForecasts() {
      return foretell?.().vessels ?? NO_FORECASTS;
    },
  };
}

/** The squeeze of what is in it now: one before a later addition says nothing any more. */
function squeezeOf(facts: readonly Fact[]): BatchView['squeeze'] {
  const last = facts.findLast((f) => f.kind === 'squeezed' || f.kind === 'adjusted');
  return last?.kind === 'squeezed' ? last.result : undefined;
}

/** What really went into a mix: the weighed masses where there are any, the planned ones else, and corrections. */
function viewMix(
  batch: Batch,
  facts: readonly Fact[],
  attempt: Attempt,
): Pick<BatchView, 'weighedOut' | 'adjustments' | 'mixed' | 'dryMatterG'> {
  const weighedOut = new Map<string, number>();
  facts.forEach((f) => f.kind === 'weighedOut' && weighedOut.set(f.materialId, f.massG));
  const adjustments = facts.filter((f) => f.kind === 'adjusted');
  const { plan, formula } = batch;
  if (plan === undefined || formula === undefined || formula.basis === 'perLiter') {
    return { weighedOut, adjustments, ...(plan && { dryMatterG: plan.dryMatterG }) };
  }
  // What went into the soak was poured off with it.
  const leftOut = (plan.leftOut ?? []).filter((p) => p.inSoak !== true);
  const moistureOfPart = new Map(formula.parts.map((p) => [p.material.id, p.material.moisture.value]));
  const inSoak = new Set(formula.parts.filter((p) => p.inSoak === true).map((p) => p.material.id));
  const mix = [
    ...leftOut.map(({ material }) => ({
      massG: weighedOut.get(material.id) ?? 0,
      moisture: material.moisture.value,
    })),
    ...plan.parts
      .filter((p) => !inSoak.has(p.materialId))
      .map((p) => ({
        massG: weighedOut.get(p.materialId) ?? p.massG,
        moisture: moistureOfPart.get(p.materialId) ?? 0,
      })),
    { massG: weighedOut.get(WATER) ?? plan.waterG, moisture: 1 },
    ...adjustments,
  ];
  const isAsPlanned = weighedOut.size + adjustments.length === 0;
  const dryMatterG = isAsPlanned
    ? plan.dryMatterG
    : mix.reduce((sum, p) => sum + p.massG * (1 - p.moisture), 0);
  const drainedG = takesUpWater(formula.hydration) ? drainedMassG(facts) : undefined;
  const massG = drainedG ?? mix.reduce((sum, p) => sum + p.massG, 0);
  const moisture =
    massG <= 0
      ? undefined
      : drainedG === undefined
        ? attempt('mix', () => mixMoisture(mix))
        : safeMoisture(drainedG, dryMatterG);
  return {
    weighedOut,
    adjustments,
    dryMatterG,
    ...(moisture !== undefined && { mixed: { massG, moisture } }),
  };
}

/** What took its water from a soak weighs what it weighed once it was drained, and what was added since. */
function drainedMassG(facts: readonly Fact[]): number | undefined {
  const at = facts.findLastIndex((f) => f.kind === 'weighed');
  const weighed = facts[at];
  return weighed?.kind === 'weighed'
    ? facts.slice(at).reduce((sum, f) => sum + (f.kind === 'adjusted' ? f.massG : 0), weighed.massG)
    : undefined;
}

/** A weighing that was noted before its plan was corrected must not stop the house from opening. */
function safeMoisture(massG: number, dryMatterG: number): number | undefined {
  return massG > dryMatterG && massG < 20 * dryMatterG ? weighedMoisture(massG, dryMatterG) : undefined;
}

function earliest(instants: readonly (string | undefined)[]): number | undefined {
  const known = instants.flatMap((i) => (i === undefined ? [] : [Date.parse(i)]));
  return known.length === 0 ? undefined : Math.min(...known);
}
