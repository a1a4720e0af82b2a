import type { Batch } from '../../record/batch.js';
import type { FactOf } from '../../record/effective.js';

/** What a vessel has left to give: milliliters of a culture or poured medium, grams of anything else. */
export interface Remaining {
  readonly remaining: number;
  readonly remainingUnit: 'ml' | 'g';
}

/** @param given what was taken from it so far, in the same unit */
export function remainingIn(batch: Batch, isGone: boolean, given: number): Remaining {
  const hadMl = batch.contentsMl ?? batch.plan?.vesselMl;
  const had = hadMl ?? batch.plan?.vesselWetG ?? 0;
  return {
    remaining: isGone ? 0 : Math.max(0, had - given),
    remainingUnit: hadMl === undefined ? 'g' : 'ml',
  };
}

/** What one inoculation takes from each of its sources: a pooled dose is taken in equal shares. */
export function takenFromEach(fact: FactOf<'inoculated'>): number {
  return (fact.doseEach * fact.vesselIds.length) / fact.sourceVesselIds.length;
}
