import { convert } from '../quantity/convert.js';
import { MOST_PLACES, type Appliance, type ApplianceKind, type VesselType } from '../record/definitions.js';
import { likelyPlaces } from './places-in.js';

/** What a kind is called, and where a new one of it starts. All from memory of common sizes. */
interface Start {
  readonly name: string;
  readonly volumeL: number;
  readonly ratedPsi: number;
  readonly heat: Appliance['heat'];
  readonly gauge: NonNullable<Appliance['gauge']>;
  readonly netKW: number;
  readonly emptyKg: number;
  readonly leastWaterMl: number;
  readonly mostWaterMl: number;
  readonly places: Appliance['places'];
}

const CANNER_PLACES = { 'quart-jar': 7, 'pint-jar': 14, 'block-bag': 3, 'bottle-500': 7, 'bottle-250': 14 };

export const APPLIANCE_STARTS: Readonly<Record<ApplianceKind, Start>> = {
  canner: {
    name: 'Canner',
    volumeL: 22,
    ratedPsi: 15,
    heat: 'gas',
    gauge: 'weighted',
    netKW: 2,
    emptyKg: 6,
    leastWaterMl: 2000,
    mostWaterMl: 3500,
    places: CANNER_PLACES,
  },
  multiCooker: {
    name: 'Multi-cooker',
    volumeL: 5.7,
    ratedPsi: 11.6,
    heat: 'electric',
    gauge: 'none',
    netKW: 0.85,
    emptyKg: 1.2,
    leastWaterMl: 500,
    mostWaterMl: 1500,
    places: { 'pint-jar': 4, 'bottle-250': 5 },
  },
  autoclave: {
    name: 'Autoclave',
    volumeL: 24,
    ratedPsi: 18,
    heat: 'electric',
    gauge: 'dial',
    netKW: 1.8,
    emptyKg: 9,
    leastWaterMl: 2500,
    mostWaterMl: 4000,
    places: CANNER_PLACES,
  },
  pot: {
    name: 'Large pot',
    volumeL: 20,
    ratedPsi: 0,
    heat: 'gas',
    gauge: 'none',
    netKW: 1.5,
    emptyKg: 2.5,
    leastWaterMl: 2000,
    mostWaterMl: 6000,
    places: { ...CANNER_PLACES, 'block-bag': 2 },
  },
  steamDrum: {
    name: 'Steam drum',
    volumeL: 200,
    ratedPsi: 0,
    heat: 'gas',
    gauge: 'none',
    netKW: 5,
    emptyKg: 18,
    leastWaterMl: 15_000,
    mostWaterMl: 40_000,
    places: { 'block-bag': 40, 'large-bag': 18 },
  },
  hotBath: {
    name: 'Hot bath',
    volumeL: 50,
    ratedPsi: 0,
    heat: 'electric',
    gauge: 'none',
    netKW: 2,
    emptyKg: 5,
    leastWaterMl: 20_000,
    mostWaterMl: 40_000,
    places: {},
  },
  bucket: {
    name: 'Bucket',
    volumeL: 20,
    ratedPsi: 0,
    heat: 'electric',
    gauge: 'none',
    netKW: 2,
    emptyKg: 1,
    leastWaterMl: 1000,
    mostWaterMl: 18_000,
    places: {},
  },
  oven: {
    name: 'Oven',
    volumeL: 60,
    ratedPsi: 0,
    heat: 'electric',
    gauge: 'none',
    netKW: 2,
    emptyKg: 20,
    leastWaterMl: 0,
    mostWaterMl: 1,
    places: {},
  },
};

/**
 * A new appliance of a kind, to be changed to what is printed on it.
 *
 * @param vessels what may be cooked in it: so many as are likely to fit, where nothing better is known
 */
export function newAppliance(
  kind: ApplianceKind,
  id: string,
  name: string,
  updatedAt: string,
  vessels: readonly VesselType[] = [],
): Appliance {
  const { ratedPsi, ...start } = APPLIANCE_STARTS[kind];
  const likely = Object.fromEntries(
    vessels.map((v) => [v.id, Math.min(MOST_PLACES, likelyPlaces(start, v))]),
  );
  return {
    ...start,
    places: { ...likely, ...start.places },
    schemaVersion: 1,
    id,
    updatedAt,
    kind,
    name,
    ratedGaugeKPa: convert(ratedPsi, 'psi', 'kPa'),
    inUse: false,
    source: 'from memory of common sizes',
  };
}
