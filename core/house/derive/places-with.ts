import type { Place } from '../../record/definitions.js';
import { SHIPPED_AT, shippedPlaces } from '../shipped-places.js';

/** Places by key: what every house begins with, in its own words where it has some, then its own. */
export function placesWith(rows: readonly Place[]): ReadonlyMap<string, Place> {
  const shipped = shippedPlaces(SHIPPED_AT);
  return new Map([...shipped, ...rows].map((place) => [place.id, place]));
}
