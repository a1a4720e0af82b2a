import { DAY_MS, HOUR_MS } from '../base/time.js';
import type { Reading } from '../readings/measured.js';
import type { IsNews } from '../readings/worth-noting.js';
import { AirChannel, type Tending } from '../record/entry.js';
import { fruitingAt, fruitingBand, sideOfShown } from './fruiting-bands.js';
import type { House } from './derive/house.js';
import { placesInUse } from './places.js';
import { lastAtPlace } from './tending.js';

/** What was read longer ago says nothing of now. Our choice. */
const FRESH_MS = DAY_MS;
/** Air that stays out of its band is told again. Our choice. */
const AGAIN_MS = 12 * HOUR_MS;

/** Air that does not suit what fruits in it, and was not answered since. */
export interface AirTrouble {
  readonly placeId: string;
  readonly name: string;
  readonly channel: AirChannel;
  readonly value: number;
  readonly side: 'below' | 'above';
  readonly atMs: number;
  /** What helps. */
  readonly answer: Tending;
}

/** Every place where something fruits and its air was read last to be too dry, too wet or too stale. */
export function airTroubles(house: House, nowMs: number): readonly AirTrouble[] {
  return placesInUse(house, 'fruit').flatMap(({ id: placeId, name }) => {
    const views = fruitingAt(house, placeId);
    const last = lastAtPlace(house, placeId);
    return views.length === 0
      ? []
      : AirChannel.options.flatMap((channel): readonly AirTrouble[] => {
          const read = last[channel];
          const band = fruitingBand(channel, views);
          const side = read && band && sideOfShown(channel, read.value, band);
          if (read === undefined || band === undefined || side === undefined) {
            return [];
          }
          const answer = channel === 'humidityPercent' && side === 'below' ? 'misted' : 'fanned';
          const isAnswered = (last[answer] ?? -Infinity) >= read.atMs;
          return isAnswered || read.atMs < nowMs - FRESH_MS
            ? []
            : [{ placeId, name, channel, side, answer, ...read }];
        });
  });
}

/** What a house must know of the air of a place: that it left its band, that it is out of it still, that it came back. */
export function airIsNews(house: House, placeId: string, channel: AirChannel): IsNews {
  const band = fruitingBand(channel, fruitingAt(house, placeId)) ?? {};
  return (mean: Reading, last: Reading | undefined) => {
    const side = sideOfShown(channel, mean.value, band);
    return last === undefined
      ? side !== undefined
      : side !== sideOfShown(channel, last.value, band) ||
          (side !== undefined && mean.atMs - last.atMs >= AGAIN_MS);
  };
}
