import type { Appliance, VesselType } from '../record/definitions.js';
import { footprintOf, potOf } from './footprint.js';
import { likeInPot } from './pack-pot.js';

/** Share of a cooker’s volume that vessels hold brimful: a canner of 25 l takes 8 quarts, 14 pints or 3 bags. From memory. */
const HELD_SHARE = 0.28;

type PotMeasures = Pick<Appliance, 'volumeL' | 'innerDiameterMm' | 'innerHeightMm'>;

/**
 * How many of a vessel go into a cooker, likely: by packing where the cooker was measured, else by what cookers hold of
 * their volume. A suggestion; what was tried counts. Whole, 0 or more.
 */
export function likelyPlaces(appliance: PotMeasures, vessel: VesselType): number {
  const { isMeasured, ...pot } = potOf(appliance);
  return isMeasured
    ? likeInPot(pot, footprintOf(vessel))
    : Math.floor((HELD_SHARE * appliance.volumeL * 1000) / vessel.capacityMl + 1e-9);
}

/** How many fit at once: as it was tried and told, else by the pot's own measures; 0 where neither is known. */
export function placesOf(appliance: PotMeasures & Pick<Appliance, 'places'>, vessel: VesselType): number {
  return appliance.places[vessel.id] ?? (potOf(appliance).isMeasured ? likelyPlaces(appliance, vessel) : 0);
}
