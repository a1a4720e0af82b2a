import { push } from '../../base/collections.js';
import { takenSteps } from '../../cook/cook-state.js';
import type { Fact } from '../../record/effective.js';
import type { VesselId } from '../../record/ids.js';

/** What happened to vessels without naming them, by vessel: to the cook that they were in, or to their whole batch. */
export type SharedFacts = ReadonlyMap<VesselId, readonly Fact[]>;

/** Steps of a cook that count, for the vessels that stood in it then. */
export function sharedByCook(facts: readonly Fact[]): SharedFacts {
  const shared = new Map<VesselId, Fact[]>();
  const taken = new Set(takenSteps(facts.filter((f) => f.kind === 'cookStep')).map((t) => t.fact.id));
  let load: readonly VesselId[] = [];
  for (const fact of facts) {
    if (fact.kind === 'cookLoaded') {
      load = fact.vesselIds;
    } else if (fact.kind === 'cookStep' && taken.has(fact.id)) {
      load.forEach((id) => {
        push(shared, id, fact);
      });
    }
  }
  return shared;
}

/** Whether what was done to a batch was done to its vessels with it. */
export function isShared(fact: Fact): boolean {
  return (fact.kind === 'stepDone' && fact.step === 'cooled') || fact.kind === 'putAway';
}

/** What a batch went through that its vessels went through with it. */
export function sharedByBatch(facts: readonly Fact[]): SharedFacts {
  const shared = new Map<VesselId, Fact[]>();
  let vessels: readonly VesselId[] = [];
  for (const fact of facts) {
    if (fact.kind === 'batchMade' || fact.kind === 'filledInto') {
      vessels = fact.vesselIds;
    } else if (isShared(fact)) {
      vessels.forEach((id) => {
        push(shared, id, fact);
      });
    }
  }
  return shared;
}
