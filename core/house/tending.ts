import { HOUR_MS } from '../base/time.js';
import { Tending } from '../record/entry.js';
import { fruitingAt } from './fruiting-bands.js';
import type { House } from './derive/house.js';
import type { TendedAt } from './derive/tended.js';
import { placesInUse } from './places.js';

/** Mist or fresh air that a place asks for. */
export interface TendingDue {
  readonly placeId: string;
  readonly name: string;
  readonly how: Tending;
  readonly atMs: number;
}

/** When a place was last misted and fanned. */
export function tendingAt({ workings }: Pick<House, 'workings'>, placeId: string): TendedAt {
  return workings.tended.get(placeId) ?? {};
}

/** What places where something fruits ask for by their rhythm; at once where it was never done. */
export function tendingDue(house: House, nowMs: number): readonly TendingDue[] {
  return placesInUse(house, 'fruit')
    .filter((p) => (p.mistEveryH ?? p.fanEveryH) !== undefined && fruitingAt(house, p.id).length > 0)
    .flatMap((place) =>
      Tending.options.flatMap((how) => {
        const everyH = how === 'misted' ? place.mistEveryH : place.fanEveryH;
        const lastMs = tendingAt(house, place.id)[how];
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
