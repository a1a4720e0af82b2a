import { requireWithin } from '../base/errors.js';
import type { BatchPlan } from '../record/batch.js';
import type { VesselType } from '../record/definitions.js';

/**
 * Splits a volume over as few bottles as keep each at or under its fill limit, all equally full.
 * Liquids boil over above half.
 */
export function splitIntoBottles(volumeMl: number, vessel: VesselType): NonNullable<BatchPlan['cookedIn']> {
  requireWithin(volumeMl, { field: 'volume', min: 0.1, max: 500_000, unit: ' ml' });
  const most = vessel.capacityMl * vessel.fillLimit;
  const count = Math.ceil(volumeMl / most - 1e-9);
  requireWithin(count, { field: { field: 'number', of: vessel.plural }, min: 1, max: 500 });
  return { vessel, count, eachMl: volumeMl / count };
}

/**
 * The other way for grain and bulk: an amount of one ingredient that is there → how many vessels it really fills.
 *
 * @param neededG what all `wanted` vessels take of it, with what is to spare
 */
export function vesselsFrom(haveG: number, neededG: number, wanted: number): number {
  requireWithin(haveG, { field: 'amountThere', min: 0, max: 1e7, unit: ' g' });
  return neededG > 0 ? Math.min(wanted, Math.floor((haveG / neededG) * wanted + 1e-9)) : wanted;
}

export interface Pour {
  /** Vessels that it really fills. */
  readonly filled: number;
  /** What all of them would take, to the next 10 ml. */
  readonly neededMl: number;
}

/** A volume that is there → how many vessels it really fills, and what all of them would take. */
export function pourOut(input: {
  readonly volumeMl: number;
  readonly eachMl: number;
  readonly wanted: number;
  readonly spare: number;
}): Pour {
  const volumeMl = requireWithin(input.volumeMl, { field: 'volume', min: 0, max: 500_000, unit: ' ml' });
  const eachMl = requireWithin(input.eachMl, { field: 'inEach', min: 0.1, max: 20_000, unit: ' ml' });
  const perVessel =
    eachMl *
    (1 + requireWithin(input.spare, { field: 'spare', min: 0, max: 0.5, unit: ' %', shownTimes: 100 }));
  return {
    filled: Math.min(input.wanted, Math.floor(volumeMl / perVessel + 1e-9)),
    neededMl: Math.ceil((input.wanted * perVessel) / 10 - 1e-9) * 10,
  };
}
