import { HOUR_MS } from '../base/time.js';
import { Tending } from '../record/entry.js';
import { fruitingAt } from './fruiting-bands.js';
import type { House } from './derive/house.js';
import { NOTHING_AT_PLACE, type LastAtPlace } from './derive/last-at-place.js';
import { placesInUse } from './places.js';

/** Mist or fresh air that a place asks for. */
export interface TendingDue {
  readonly placeId: string;
  readonly name: string;
  readonly how: Tending;
  readonly atMs: number;
}

/** When a place was last misted and fanned, and what was read of its air last. */
export function lastAtPlace({ workings }: Pick<House, 'workings'>, placeId: string): LastAtPlace {
  return workings.lastAt.get(placeId) ?? NOTHING_AT_PLACE;
}

/** What places where something fruits ask for by their rhythm; at once where it was never done. */
export function tendingDue(house: House, nowMs: number): readonly TendingDue[] {
  return placesInUse(house, 'fruit')
    .filter((p) => (p.mistEveryH ?? p.fanEveryH) !== undefined && fruitingAt(house, p.id).length > 0)
    .flatMap((place) =>
      Tending.options.flatMap((how) => {
        const everyH = how === 'misted' ? place.mistEveryH : place.fanEveryH;
        const lastMs = lastAtPlace(house, place.id)[how];
        return everyH === undefined
          ? []
          : [
              {
                placeId: place.id,
                name: place.name,
                how,
                atMs: lastMs === undefined ? nowMs : lastMs + everyH * HOUR_MS,
              },
            ];
      }),
    );
}
