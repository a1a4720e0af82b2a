import { heldAtFirst } from '../../culture/amounts.js';
import type { Batch } from '../../record/batch.js';
import type { CultureUnit } from '../../record/culture.js';
import type { FactOf } from '../../record/effective.js';
import type { VesselId } from '../../record/ids.js';

/** What a vessel has left to give, in the unit in which such a culture is given. */
export interface Remaining {
  readonly remaining: number;
  readonly remainingUnit: CultureUnit;
}

/** @param given what was taken from it so far, in the same unit */
export function remainingIn(batch: Batch, isGone: boolean, given: number): Remaining {
  const { amount, unit } = heldAtFirst(batch);
  return { remaining: isGone ? 0 : Math.max(0, amount - given), remainingUnit: unit };
}

/** What one inoculation took from a vessel of a batch, in the unit that this gives by. */
export function takenFrom(source: VesselId, batch: Batch, fact: FactOf<'inoculated'>): number {
  const { doseEach, vesselIds, sourceVesselIds, shares } = fact;
  const all = doseEach * vesselIds.length;
  const isTold = shares?.length === sourceVesselIds.length;
  const taken = sourceVesselIds.reduce(
    (sum, id, i) => (id === source ? sum + (isTold ? (shares[i] ?? 0) : 1 / sourceVesselIds.length) : sum),
    0,
  );
  const { amount, unit } = heldAtFirst(batch);
  // Plates of earlier versions gave by the milliliter of their agar.
  const times = fact.doseUnit === unit ? 1 : amount / (batch.plan?.vesselMl ?? batch.vessel.capacityMl);
  return all * taken * times;
}
