import { CANNER_COOLING_RATE, CORE_LAG_MIN } from '../cook/canner-figures.js';
import { SAFE_CORE_C, coreCoolMinutes } from '../cook/programme.js';
import { probedF0 } from '../cook/cook-heat.js';
import { cookState, takenStepIds, takenSteps } from '../cook/cook-state.js';
import { groupBy, push } from '../collections.js';
import { contentsOf } from '../cook/in-cooker.js';
import { cookVerdict } from '../cook/verdict.js';
import { mixMoisture, weighedMoisture } from '../formula/moisture.js';
import {
  fitColonization,
  type ColonizationForecast,
  type ColonizationMark,
} from '../growth/fit-colonization.js';
import { coolingMinutes } from '../heat/cooling.js';
import { plainCode, type Batch, type Cook, type Vessel } from '../record/batch.js';
import { batchCodes, cookNames } from '../record/codes.js';
import type { Isolate, Species } from '../record/definitions.js';
import { WATER } from '../record/entry.js';
import { effectiveEntries, type Fact, type FactOf } from '../record/effective.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { lineageOfFacts, type Lineage } from '../record/lineage.js';
import type { Records } from '../record/tables.js';
import { foldVessel, type VesselState } from '../record/vessel-state.js';
import { leftIn, takenFromEach } from './left-in.js';
import type { BatchView, CookView, House, Trouble, VesselView } from './house.js';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/**
 * Derives the present state of a house from its records. Pure: the same records give the same house, in any
 * order. Batches whose making was taken back are left out.
 */
export function buildHouse(records: Omit<Records, 'photos'>): House {
  const facts = effectiveEntries(records.entries);
  const index = indexFacts(facts);
  const graph = lineageOfFacts(facts);
  const vesselsOf = groupBy(records.vessels, (v) => v.batchId);
  const batchOf = new Map(records.batches.map((b) => [b.id, b]));
  const batchOfVessel = new Map(records.vessels.map((v) => [v.id, batchOf.get(v.batchId)]));
  const kind = kindFinder(records, graph, batchOfVessel);
  const codes = batchCodes(records.batches);
  const names = cookNames(records.cooks);
  const troubles: Trouble[] = [];

  const vesselById = new Map<VesselId, VesselView>();
  const batches: BatchView[] = [];
  for (const batch of records.batches) {
    const made = index.madeAt.get(batch.id);
    if (made !== undefined) {
      const vessels = (vesselsOf.get(batch.id) ?? []).slice().sort((a, b) => a.number - b.number);
      const code = codes.get(batch.id) ?? plainCode(batch);
      const views = vessels.map((vessel) => viewVessel(vessel, batch, code, index, kind(vessel.id)));
      views.forEach((view) => vesselById.set(view.vessel.id, view));
      const attempt = attemptFor(code, troubles);
      batches.push(viewBatch(batch, code, made, views, index.byBatch.get(batch.id) ?? [], attempt));
    }
  }
  batches.sort((a, b) => a.madeAtMs - b.madeAtMs || a.batch.number - b.batch.number);
  const cooks = records.cooks
    .flatMap((cook) => {
      const name = names.get(cook.id) ?? String(cook.number);
      return viewCook(cook, name, index, batchOfVessel, attemptFor(`cook ${name}`, troubles));
    })
    .sort((a, b) => a.cook.number - b.cook.number);
  return {
    records,
    household: records.household[0],
    facts,
    batches,
    batchById: new Map(batches.map((b) => [b.batch.id, b])),
    vesselById,
    cooks,
    cookById: new Map(cooks.map((c) => [c.cook.id, c])),
    lineage: graph,
    troubles,
  };
}

/** Works a part out; where its figures do not allow that, the part is missing and the house says why. */
type Attempt = <T>(part: string, act: () => T) => T | undefined;

function attemptFor(code: string, troubles: Trouble[]): Attempt {
  return (part, act) => {
    try {
      return act();
    } catch (error) {
      troubles.push({ code, part, reason: error instanceof Error ? error.message : String(error) });
      return undefined;
    }
  };
}

interface FactIndex {
  readonly byVessel: Map<VesselId, Fact[]>;
  readonly byBatch: Map<BatchId, Fact[]>;
  readonly byCook: Map<CookId, Fact[]>;
  readonly madeAt: Map<BatchId, string>;
  readonly given: Map<VesselId, number>;
}

function indexFacts(facts: readonly Fact[]): FactIndex {
  const index: FactIndex = {
    byVessel: new Map(),
    byBatch: new Map(),
    byCook: new Map(),
    madeAt: new Map(),
    given: new Map(),
  };
  const loadOf = new Map<CookId, readonly VesselId[]>();
  const taken = takenStepIds(facts);
  const vesselsOfBatch = new Map<BatchId, readonly VesselId[]>();
  for (const fact of facts) {
    if ('cookId' in fact) {
      push(index.byCook, fact.cookId, fact);
    }
    if ('batchId' in fact) {
      push(index.byBatch, fact.batchId, fact);
    }
    if (fact.kind === 'batchMade') {
      index.madeAt.set(fact.batchId, fact.at);
    }
    if (fact.kind === 'cookLoaded') {
      loadOf.set(fact.cookId, fact.vesselIds);
    }
    if (fact.kind === 'inoculated') {
      const share = takenFromEach(fact);
      fact.sourceVesselIds.forEach((id) => index.given.set(id, (index.given.get(id) ?? 0) + share));
    }
    if (fact.kind === 'batchMade') {
      vesselsOfBatch.set(fact.batchId, fact.vesselIds);
    }
    const about =
      'vesselIds' in fact
        ? fact.vesselIds
        : fact.kind === 'cookStep'
          ? taken.has(fact.id)
            ? (loadOf.get(fact.cookId) ?? [])
            : []
          : (fact.kind === 'stepDone' && fact.step === 'cooled') || fact.kind === 'putAway'
            ? (vesselsOfBatch.get(fact.batchId) ?? [])
            : [];
    about.forEach((id) => push(index.byVessel, id, fact));
  }
  return index;
}

type KindOf = (id: VesselId) => { readonly isolate?: Isolate; readonly species?: Species };

/**
 * Isolate and species come from the nearest source that has one. Walked once, outward from the vessels that have their
 * own, so that a chain of thousands costs as many steps.
 */
function kindFinder(
  records: Omit<Records, 'photos'>,
  graph: Lineage,
  batchOfVessel: ReadonlyMap<VesselId, Batch | undefined>,
): KindOf {
  const isolates = new Map(records.isolates.map((i) => [i.id, i]));
  const species = new Map(records.species.map((s) => [s.id, s]));
  const found = new Map<VesselId, Isolate>();
  for (const [id, batch] of batchOfVessel) {
    const isolate = batch?.isolateId === undefined ? undefined : isolates.get(batch.isolateId);
    if (isolate !== undefined) {
      found.set(id, isolate);
    }
  }
  let front = [...found.keys()];
  while (front.length > 0) {
    const reached = new Set(front.flatMap((id) => graph.fedBy.get(id) ?? []).filter((id) => !found.has(id)));
    // All of one distance at once; the source that was named first decides among equals.
    const nearest = [...reached].map((id) => {
      const source = graph.sourcesOf.get(id)?.find((s) => found.has(s));
      return [id, source && found.get(source)] as const;
    });
    nearest.forEach(([id, isolate]) => isolate && found.set(id, isolate));
    front = [...reached];
  }
  return (id) => {
    const isolate = found.get(id);
    return isolate === undefined ? {} : { isolate, species: species.get(isolate.speciesId) };
  };
}

function viewVessel(
  vessel: Vessel,
  batch: Batch,
  batchCode: string,
  index: FactIndex,
  kind: ReturnType<KindOf>,
): VesselView {
  const state = foldVessel(index.byVessel.get(vessel.id) ?? []);
  return {
    vessel,
    batch,
    code: `${batchCode}-${vessel.number}`,
    batchCode,
    state,
    ...kind,
    ...leftIn(batch, state.phase === 'gone', index.given.get(vessel.id) ?? 0),
  };
}

function viewBatch(
  batch: Batch,
  code: string,
  madeAt: string,
  vessels: readonly VesselView[],
  facts: readonly Fact[],
  attempt: Attempt,
): BatchView {
  const steps = facts.filter((f) => f.kind === 'stepDone');
  const last = steps[steps.length - 1];
  const weighed = lastOf(facts, 'weighed');
  const inoculatedAtMs = earliest(vessels.map((v) => v.state.inoculatedAt));
  const species = vessels.find((v) => v.species !== undefined)?.species;
  return {
    batch,
    code,
    madeAtMs: Date.parse(madeAt),
    vessels,
    steps,
    lastStep: last?.step,
    lastStepMs: last === undefined ? undefined : Date.parse(last.at),
    tissue: lastOf(facts, 'tissueTested')?.result,
    weighedG: weighed?.massG,
    weighedMoisture: weighed && batch.plan ? safeMoisture(weighed.massG, batch.plan.dryMatterG) : undefined,
    squeeze: squeezeOf(facts),
    ...viewMix(batch, facts, attempt),
    measuredMl: lastOf(facts, 'volumeMeasured')?.volumeMl,
    phReads: facts.filter((f) => f.kind === 'phRead'),
    species,
    isolate: vessels.find((v) => v.isolate !== undefined)?.isolate,
    inoculatedAtMs,
    notes: facts.filter((f) => f.kind === 'batchNoted'),
    putAwayAt: lastOf(facts, 'putAway')?.at,
    forecast:
      batch.plan && inoculatedAtMs !== undefined
        ? attempt('forecast', () => forecastBatch(batch, vessels, species))
        : undefined,
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
): Pick<BatchView, 'weighedOut' | 'adjustments' | 'mixed'> {
  const weighedOut = new Map<string, number>();
  facts.forEach((f) => f.kind === 'weighedOut' && weighedOut.set(f.materialId, f.massG));
  const adjustments = facts.filter((f) => f.kind === 'adjusted');
  const { plan, formula } = batch;
  if (plan === undefined || formula === undefined || formula.basis === 'perLiter') {
    return { weighedOut, adjustments };
  }
  const moistureOfPart = new Map(formula.parts.map((p) => [p.material.id, p.material.moisture.value]));
  const mix = [
    ...plan.parts.map((p) => ({
      massG: weighedOut.get(p.materialId) ?? p.massG,
      moisture: moistureOfPart.get(p.materialId) ?? 0,
    })),
    { massG: weighedOut.get(WATER) ?? plan.waterG, moisture: 1 },
    ...adjustments,
  ];
  const massG = mix.reduce((sum, p) => sum + p.massG, 0);
  const moisture = massG > 0 ? attempt('mix', () => mixMoisture(mix)) : undefined;
  return { weighedOut, adjustments, ...(moisture !== undefined && { mixed: { massG, moisture } }) };
}

/** A weighing that was noted before its plan was corrected must not stop the house from opening. */
function safeMoisture(massG: number, dryMatterG: number): number | undefined {
  return massG > dryMatterG && massG < 20 * dryMatterG ? weighedMoisture(massG, dryMatterG) : undefined;
}

/** Forecast of one vessel from its own marks; of a batch from the marks of all its sound vessels. */
export function forecastVessel(view: VesselView): ColonizationForecast | undefined {
  return view.state.inoculatedAt === undefined
    ? undefined
    : fitColonization(marksOf(view.state), { prior: priorFor(view.batch, view.species) });
}

function forecastBatch(
  batch: Batch,
  vessels: readonly VesselView[],
  species: Species | undefined,
): ColonizationForecast {
  const sound = vessels.filter((v) => v.state.suspect === undefined && v.state.phase !== 'gone');
  return fitColonization(
    sound.flatMap((v) => marksOf(v.state)),
    { prior: priorFor(batch, species) },
  );
}

function priorFor(
  batch: Batch,
  species: Species | undefined,
): { fullDay: number; low: number; high: number } | undefined {
  const figure = batch.stage === 'bulk' ? species?.blockFullDay : species?.grainFullDay;
  if (figure === undefined) {
    return undefined;
  }
  // A range without width would forbid every jar to be a day early.
  const [low, high] =
    figure.low < figure.high ? [figure.low, figure.high] : [figure.value * 0.8, figure.value * 1.2];
  return { fullDay: figure.value, low, high };
}

function marksOf(state: VesselState): ColonizationMark[] {
  const start = Date.parse(state.inoculatedAt ?? '');
  return state.marks.flatMap((m) => {
    const day = (Date.parse(m.at) - start) / DAY_MS;
    return day >= 0 && day <= 400 ? [{ day, fraction: m.fraction }] : [];
  });
}

function viewCook(
  cook: Cook,
  name: string,
  index: FactIndex,
  batchOfVessel: ReadonlyMap<VesselId, Batch | undefined>,
  attempt: Attempt,
): CookView[] {
  const facts = index.byCook.get(cook.id) ?? [];
  const loaded = lastOf(facts, 'cookLoaded');
  if (loaded === undefined) {
    return [];
  }
  const taken = takenSteps(facts.filter((f) => f.kind === 'cookStep'));
  const steps = taken.map((t) => t.fact);
  const logs = facts.filter((f) => f.kind === 'logged');
  const coreReads = facts.filter((f) => f.kind === 'coreRead');
  const proofs = facts.filter((f) => f.kind === 'proofRead');
  const state = cookState(steps);
  const batches = new Map(
    loaded.vesselIds.flatMap((id) => {
      const batch = batchOfVessel.get(id);
      return batch === undefined ? [] : [[batch.id, batch] as const];
    }),
  );
  const [first] = batches.values();
  const lastCoreRead = coreReads[coreReads.length - 1];
  const probed = attempt('heat of the probe', () => probedF0(logs));
  return [
    {
      cook,
      name,
      notes: facts.filter((f) => f.kind === 'cookNoted'),
      steps,
      state,
      logs,
      coreReads,
      proofs,
      contents: first && contentsOf(first),
      verdict: cookVerdict(state, cook, { proofs: proofs.map((p) => p.proof), probedF0: probed }),
      vesselIds: loaded.vesselIds,
      batches: [...batches.keys()],
      lastCoreRead,
      coreCoolMs: attempt('cooling', () => coreCoolMs(cook, state.heatOffMs, lastCoreRead)),
      waterLeftMl: lastOf(facts, 'waterLeft')?.leftMl,
      pouredMs: msOf(lastOf(facts, 'poured')),
      probedF0: probed,
    },
  ];
}

function coreCoolMs(
  cook: Cook,
  heatOffMs: number | undefined,
  read: FactOf<'coreRead'> | undefined,
): number | undefined {
  if (heatOffMs === undefined) {
    return undefined;
  }
  if (read === undefined) {
    return heatOffMs + coreCoolMinutes(cook.chamberC, cook.roomC) * MINUTE_MS;
  }
  const readMs = Date.parse(read.at);
  if (read.celsius <= SAFE_CORE_C) {
    return readMs;
  }
  const target = Math.max(SAFE_CORE_C - cook.roomC, 2);
  // A thermometer on the glass reads the outside; the core follows.
  return (
    readMs +
    (coolingMinutes(Math.max(read.celsius - cook.roomC, target), target, CANNER_COOLING_RATE) +
      CORE_LAG_MIN) *
      MINUTE_MS
  );
}

function lastOf<K extends Fact['kind']>(facts: readonly Fact[], kind: K): FactOf<K> | undefined {
  return facts.findLast((f): f is FactOf<K> => f.kind === kind);
}

function msOf(fact: Fact | undefined): number | undefined {
  return fact && Date.parse(fact.at);
}

function earliest(instants: readonly (string | undefined)[]): number | undefined {
  const known = instants.flatMap((i) => (i === undefined ? [] : [Date.parse(i)]));
  return known.length === 0 ? undefined : Math.min(...known);
}
