import type { Batch, Vessel } from '../../record/batch.js';
import type { Isolate, Species } from '../../record/definitions.js';
import { byHappening, type Fact, type FactOf } from '../../record/effective.js';
import type { VesselId } from '../../record/ids.js';
import { foldVessel } from './vessel-state.js';
import type { VesselView } from './house.js';
import { remainingIn, takenFromEach } from './remaining-in.js';

/** What is known of a vessel beside its own row. */
export interface AboutVessel {
  readonly batch: Batch;
  readonly batchCode: string;
  /** Facts that name it, in order. */
  readonly own: readonly Fact[];
  /** What its cooks and its batch went through while it was there. */
  readonly shared: readonly Fact[];
  readonly given: readonly FactOf<'inoculated'>[];
  readonly isolate?: Isolate;
  readonly species?: Species;
}

export function viewVessel(vessel: Vessel, about: AboutVessel): VesselView {
  const { batch, batchCode, own, shared, given, isolate, species } = about;
  const state = foldVessel(shared.length === 0 ? own : [...own, ...shared].sort(byHappening));
  return {
    vessel,
    batch,
    code: `${batchCode}-${vessel.number}`,
    batchCode,
    state,
    ...(isolate !== undefined && { isolate }),
    ...(species !== undefined && { species }),
    ...remainingIn(batch, state.phase === 'gone', givenOf(vessel.id, given)),
  };
}

function givenOf(id: VesselId, given: readonly FactOf<'inoculated'>[]): number {
  return given.reduce(
    (sum, fact) => sum + takenFromEach(fact) * fact.sourceVesselIds.filter((source) => source === id).length,
    0,
  );
}
