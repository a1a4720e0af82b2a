import type { Batch, Vessel } from '../../record/batch.js';
import type { Isolate, Species } from '../../record/definitions.js';
import { byHappening, type Fact, type FactOf } from '../../record/effective.js';
import { foldVessel, standing } from './vessel-state.js';
import type { VesselView } from './house.js';
import { remainingIn, takenFrom } from './remaining-in.js';

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
  const told = foldVessel(shared.length === 0 ? own : [...own, ...shared].sort(byHappening));
  const state = standing(told, batch);
  const taken = given.reduce((sum, fact) => sum + takenFrom(vessel.id, batch, fact), 0);
  return {
    vessel,
    batch,
    code: `${batchCode}-${vessel.number}`,
    batchCode,
    state,
    ...(isolate !== undefined && { isolate }),
    ...(species !== undefined && { species }),
    ...remainingIn(batch, state.phase === 'gone', taken),
  };
}
