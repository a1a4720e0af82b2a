import type { Batch } from '../../record/batch.js';
import type { FactOf } from '../../record/effective.js';

/** What a vessel has left to give: milliliters of a culture or poured medium, grams of anything else. */
export interface LeftIn {
  readonly left: number;
  readonly leftUnit: 'ml' | 'g';
}

/** @param given what was taken from it so far, in the same unit */
export function leftIn(batch: Batch, isGone: boolean, given: number): LeftIn {
  const hadMl = batch.contentsMl ?? batch.plan?.vesselMl;
  const had = hadMl ?? batch.plan?.vesselWetG ?? 0;
  return { left: isGone ? 0 : Math.max(0, had - given), leftUnit: hadMl === undefined ? 'g' : 'ml' };
}

/** What one inoculation takes from each of its sources: a pooled dose is taken in equal shares. */
export function takenFromEach(fact: FactOf<'inoculated'>): number {
  return (fact.doseEach * fact.vesselIds.length) / fact.sourceVesselIds.length;
}
