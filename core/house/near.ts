import type { Fact } from '../record/effective.js';
import type { Entry } from '../record/entry.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { namedAtLast } from './derive/fact-index.js';
import type { House } from './derive/house.js';

/**
 * The vessels that must be told anew to see what corrections do: those that the corrected facts are about, in both
 * houses, and those that any fact about them names too. What lies farther cannot be changed by them: a fact is possible
 * or not by the state of what it names.
 */
export function vesselsNear(
  before: House,
  after: House,
  corrections: readonly Entry[],
): ReadonlySet<VesselId> {
  const houses = [before, after];
  const entries = after.workings.index.entries;
  const corrected = corrections.map((correction) => namedAtLast(correction, entries));
  const touched = new Set(
    houses.flatMap((h) =>
      corrected.flatMap((id) => {
        const fact = h.factById.get(id);
        return fact === undefined ? [] : vesselsOfFact(h, fact);
      }),
    ),
  );
  const near = new Set(touched);
  for (const house of houses) {
    for (const fact of factsAbout(house, touched)) {
      vesselsOfFact(house, fact).forEach((id) => near.add(id));
    }
  }
  return near;
}

/** Cooks that some vessels were in. */
export function cooksAround({ workings }: House, vessels: ReadonlySet<VesselId>): ReadonlySet<CookId> {
  const cooks = new Set<CookId>();
  for (const id of vessels) {
    workings.index.ofVessel.get(id)?.forEach((fact) => 'cookId' in fact && cooks.add(fact.cookId));
  }
  return cooks;
}

/**
 * Everything that stands of some vessels, of their batches (and one more) and of the cooks that they were in.
 * @param alsoCooks cooks of which no vessel need know: their load may be what was struck
 */
export function factsAbout(
  house: House,
  vessels: ReadonlySet<VesselId>,
  batchId?: BatchId,
  alsoCooks: ReadonlySet<CookId> = new Set(),
): ReadonlySet<Fact> {
  const { workings } = house;
  const { index, vesselRows } = workings;
  const found = new Set<Fact>();
  const add = (facts: readonly Fact[] | undefined) => facts?.forEach((fact) => found.add(fact));
  const batches = new Set<BatchId>(batchId === undefined ? [] : [batchId]);
  const cooks = new Set([...cooksAround(house, vessels), ...alsoCooks]);
  for (const id of vessels) {
    const own = index.ofVessel.get(id) ?? [];
    add(own);
    add(index.givenFrom.get(id));
    const batchId = vesselRows.get(id)?.batchId;
    if (batchId !== undefined) {
      batches.add(batchId);
    }
  }
  batches.forEach((id) => {
    add(index.ofBatch.get(id));
  });
  // Glass in an oven and the care of cookers are of no vessel: all that is told of them is little.
  add(index.kitchen.filter((f) => f.kind !== 'agarPoured'));
  cooks.forEach((id) => {
    add(index.ofCook.get(id));
  });
  return found;
}

/** Vessels that a fact names or that stand in the batch or cook that it names. */
export function vesselsOfFact({ workings }: House, fact: Fact): readonly VesselId[] {
  const { index, vesselsOf } = workings;
  return [
    ...('vesselIds' in fact ? fact.vesselIds : []),
    ...(fact.kind === 'inoculated' ? fact.sourceVesselIds : []),
    ...('batchId' in fact ? (vesselsOf.get(fact.batchId) ?? []).map((v) => v.id) : []),
    ...('cookId' in fact
      ? (index.ofCook.get(fact.cookId) ?? []).flatMap((f) => (f.kind === 'cookLoaded' ? f.vesselIds : []))
      : []),
  ];
}
