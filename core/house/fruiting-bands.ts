import { asShown } from '../readings/as-shown.js';
import type { Channel } from '../record/entry.js';
import type { House, VesselView } from './derive/house.js';
import { placeOfVessel } from './places.js';
import { vesselsInHand } from './running.js';
import { isFruiting } from './to-harvest.js';

/** Between what and what something is good for all that fruits; one side may be open. */
export interface Band {
  readonly low?: number;
  readonly high?: number;
}

/** °C while a species fruits. From memory. */
const FRUITING_C: Readonly<Record<string, readonly [low: number, high: number]>> = {
  'black-poplar': [13, 20],
  chestnut: [12, 18],
  shiitake: [10, 20],
  'king-oyster': [12, 18],
  'pearl-oyster': [12, 24],
  'blue-oyster': [8, 18],
  'phoenix-oyster': [16, 27],
  'lions-mane': [15, 22],
  enoki: [6, 14],
  nameko: [8, 16],
  maitake: [12, 18],
  reishi: [22, 28],
  'turkey-tail': [16, 24],
  'wood-ear': [18, 28],
  'wine-cap': [14, 24],
  'cordyceps-militaris': [16, 22],
  button: [14, 18],
};
/** Where nothing that is known fruits. From memory. */
const USUAL_C: readonly [number, number] = [12, 22];
/** Relative humidity of fruiting, per cent. Common practice, no source. */
const HUMIDITY: Band = { low: 85, high: 95 };
/** Carbon dioxide above which most grow long stems and small caps, ppm. Common practice, no source. */
const MOST_CO2 = 1000;
/** King oyster is grown for its stem. Common practice, no source. */
const MOST_CO2_OF_STEMS = 2000;
const STEMS: ReadonlySet<string> = new Set(['king-oyster', 'enoki']);

/** What fruits at a place. */
export function fruitingAt(house: House, placeId: string): readonly VesselView[] {
  return vesselsInHand(house).filter((v) => isFruiting(v) && placeOfVessel(v) === placeId);
}

/**
 * What all of these bear at once; where they have nothing in common, from the least of one to the most of another.
 * @returns undefined for what has no band
 */
export function fruitingBand(channel: Channel, views: readonly VesselView[]): Band | undefined {
  const species = [...new Set(views.flatMap((v) => v.species?.id ?? []))];
  switch (channel) {
    case 'humidityPercent':
      return HUMIDITY;
    case 'co2Ppm':
      return {
        high: species.length > 0 && species.every((id) => STEMS.has(id)) ? MOST_CO2_OF_STEMS : MOST_CO2,
      };
    case 'airC': {
      const bands = species.flatMap((id) => [FRUITING_C[id] ?? USUAL_C]);
      const all = bands.length === 0 ? [USUAL_C] : bands;
      const low = Math.max(...all.map((b) => b[0]));
      const high = Math.min(...all.map((b) => b[1]));
      return low < high
        ? { low, high }
        : { low: Math.min(...all.map((b) => b[0])), high: Math.max(...all.map((b) => b[1])) };
    }
    default:
      return undefined;
  }
}

/** On which side of a band a value lies; undefined within it. */
export function sideOf(value: number, { low, high }: Band): 'below' | 'above' | undefined {
  return low !== undefined && value < low
    ? 'below'
    : high !== undefined && value > high
      ? 'above'
      : undefined;
}

/**
 * The same of what an instrument shows, as finely as it is shown. What reads "85 %" is not below 85 %.
 */
export function sideOfShown(channel: Channel, value: number, band: Band): 'below' | 'above' | undefined {
  return sideOf(asShown(channel, value), band);
}
