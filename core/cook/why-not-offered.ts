import type { Appliance, Stage, VesselType } from '../record/definitions.js';
import { takesLoads } from './pot.js';
import { placesOf } from './places-in.js';
import { holdIn } from './trade-holds.js';

/** Why nothing that waits can go into an appliance: it is on; it steams nothing; it has no place; it only boils. */
export type WhyNotOffered = 'on' | 'dry' | 'bath' | 'noPlaces' | 'onlyBoils';

/** What waits to be cooked, as far as that decides where it can go. */
export interface WaitsForCook {
  readonly vessel: VesselType;
  readonly stage: Stage;
}

/**
 * Why an appliance is not offered for a load; undefined where something of it can go in.
 *
 * @param waiting what stands in a cooker for each batch that waits
 */
export function whyNotOffered(
  appliance: Appliance,
  isOn: boolean,
  waiting: readonly WaitsForCook[],
): WhyNotOffered | undefined {
  if (!takesLoads(appliance)) {
    return appliance.kind === 'oven' ? 'dry' : 'bath';
  }
  if (isOn) {
    return 'on';
  }
  const placed = waiting.filter(({ vessel }) => placesOf(appliance, vessel) > 0);
  if (placed.length === 0) {
    return waiting.length === 0 ? undefined : 'noPlaces';
  }
  return placed.some(({ vessel, stage }) => holdIn(appliance, vessel, stage) !== undefined)
    ? undefined
    : 'onlyBoils';
}
