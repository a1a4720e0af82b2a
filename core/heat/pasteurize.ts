import { requireWithin } from '../base/errors.js';
import { bodyOf } from './conduction/body.js';
import type { Shape } from './conduction/shape.js';
import { respond } from './conduction/respond.js';
import type { ProfilePoint } from './lethality.js';

/** The middle must be this hot, for this long. Common practice, no source: 65 to 80 °C water, 60 to 120 min. */
export const PASTEURIZE_C = 60;
export const PASTEURIZE_MIN = 60;
/** Above this, what helps the mycelium dies too and what is left ferments. Common practice, no source. */
export const TOO_HOT_C = 85;

// Specific heats, kJ/(kg K), from memory of handbook tables.
const WATER = 4.19;
const DRY_MATTER = 1.7;
/** Plastic and steel buckets differ; by mass plastic holds four times as much heat as steel. */
const VESSEL = { plastic: 1.9, steel: 0.5, glass: 0.84 } as const;
/** Diffusivity of soaked straw and chips in water, m²/s, and conductivity, W/(m K). From memory. */
const SOAKED_DIFFUSIVITY = 1.45e-7;
const SOAKED_CONDUCTIVITY = 0.55;
/** From a wall to the air of a room with what radiates, W/(m² K); wrapped in a blanket a quarter of it. From memory. */
const OPEN_FILM = 9;
const WRAPPED_FILM = 2.5;
/** Hot water or steam around a bag or basket, W/(m² K). From memory. */
const BATH_FILM = 250;
const STEP_MINUTES = 1;
const WATCHED_MIN = 12 * 60;

export type BucketMaterial = keyof typeof VESSEL;

/**
 * Temperature after boiling water, substrate and bucket have shared their heat.
 *
 * @param input.moisture of the substrate as it goes in, wet basis
 * @returns °C
 */
export function mixTemperature(input: {
  readonly waterKg: number;
  readonly waterC: number;
  readonly substrateKg: number;
  readonly moisture: number;
  readonly roomC: number;
  readonly vesselKg: number;
  readonly vessel: BucketMaterial;
}): number {
  const water = requireWithin(input.waterKg, { field: 'water', min: 0.1, max: 500, unit: ' kg' }) * WATER;
  const substrateKg = requireWithin(input.substrateKg, { field: 'substrate', min: 0, max: 500, unit: ' kg' });
  const moisture = requireWithin(input.moisture, {
    field: 'moisture',
    min: 0,
    max: 0.99,
    unit: ' %',
    shownTimes: 100,
  });
  requireWithin(input.vesselKg, { field: 'bucket', min: 0, max: 100, unit: ' kg' });
  const cold =
    substrateKg * (moisture * WATER + (1 - moisture) * DRY_MATTER) + input.vesselKg * VESSEL[input.vessel];
  return (water * input.waterC + cold * input.roomC) / (water + cold);
}

export interface WarmMiddle {
  readonly minutes: readonly number[];
  readonly middleC: readonly number[];
  /** Minutes that the middle is above 60 °C. */
  readonly aboveMinutes: number;
  readonly hottestC: number;
  /** When the middle is warm enough to count, min; absent when it never is. */
  readonly warmAtMinutes?: number;
}

/** A filled bucket of so many liters is taken as wide as it is high. */
export function bucketShape(liters: number): Shape {
  requireWithin(liters, { field: 'bucket', min: 1, max: 500, unit: ' l' });
  const radiusMm = 100 * Math.cbrt(liters / (2 * Math.PI));
  return { kind: 'cylinder', radiusMm, heightMm: 2 * radiusMm };
}

/** A bucket with its lid on, cooling in the room from the temperature of the mix. */
export function coolingBucket(input: {
  readonly liters: number;
  readonly mixC: number;
  readonly roomC: number;
  readonly wrapped: boolean;
}): WarmMiddle {
  const film = input.wrapped ? WRAPPED_FILM : OPEN_FILM;
  const still: ProfilePoint[] = [
    { minutes: 0, celsius: input.roomC },
    { minutes: WATCHED_MIN, celsius: input.roomC },
  ];
  return warmMiddle(bucketShape(input.liters), film, input.mixC, still);
}

/** A bag or a basket in water or steam that is kept at one temperature, then taken out into the room. */
export function heldInBath(input: {
  readonly shape: Shape;
  readonly startC: number;
  readonly bathC: number;
  readonly minutes: number;
  readonly roomC: number;
}): WarmMiddle {
  requireWithin(input.bathC, { field: 'bath', min: 40, max: 101, unit: ' °C' });
  requireWithin(input.minutes, { field: 'timeInBath', min: 1, max: 24 * 60, unit: ' min' });
  return warmMiddle(input.shape, BATH_FILM, input.startC, [
    { minutes: 0, celsius: input.bathC },
    { minutes: input.minutes, celsius: input.bathC },
    // Out of the bath it steams off: taken to fall at once, which errs to less.
    { minutes: input.minutes, celsius: input.roomC },
    { minutes: input.minutes + 120, celsius: input.roomC },
  ]);
}

function warmMiddle(shape: Shape, film: number, startC: number, around: readonly ProfilePoint[]): WarmMiddle {
  const unitMm =
    shape.kind === 'cylinder' ? shape.radiusMm : Math.min(shape.lengthMm, shape.widthMm, shape.heightMm) / 2;
  const biot = (film * unitMm) / 1000 / SOAKED_CONDUCTIVITY;
  const body = bodyOf(shape, { side: biot, bottom: biot, top: biot }, SOAKED_DIFFUSIVITY);
  const { minutes, celsius } = respond(
    body,
    [body.sharesAt({ out: 0, up: 0.5 })],
    around,
    startC,
    STEP_MINUTES,
  );
  const middleC = Array.from(celsius[0]);
  const warm = middleC.filter((c) => c >= PASTEURIZE_C).length;
  const first = middleC.findIndex((c) => c >= PASTEURIZE_C);
  return {
    minutes: Array.from(minutes),
    middleC,
    aboveMinutes: Math.max(0, warm - 1) * STEP_MINUTES,
    hottestC: Math.max(...middleC),
    warmAtMinutes: first === -1 ? undefined : minutes[first],
  };
}

/** Cold lime: pH above 12 for 12 to 18 hours. Common practice, no source. */
export const LIME = { leastPh: 12, leastHours: 12, mostHours: 18 } as const;

/** Whether a lime bath has done its work, in words that say what lacks. */
export function limeBath(ph: number, hours: number): { readonly enough: boolean; readonly words: string } {
  requireWithin(ph, { field: 'ph', min: 0, max: 14 });
  requireWithin(hours, { field: 'timeInBath', min: 0, max: 240, unit: ' h' });
  if (ph < LIME.leastPh) {
    return { enough: false, words: `pH ${ph} is too low: stir in more hydrated lime until it is above 12.` };
  }
  if (hours < LIME.leastHours) {
    const left = Math.ceil(LIME.leastHours - hours);
    return { enough: false, words: `${left} h more: it wants 12 to 18 h above pH 12.` };
  }
  return hours <= LIME.mostHours
    ? { enough: true, words: 'Long enough. Drain until it drips no more, then fill.' }
    : { enough: true, words: 'Long enough; beyond 18 h it only softens. Drain and fill.' };
}

/**
 * Dry heat for empty glass and metal: the pairs of the pharmacopoeias, from memory of Ph. Eur. 5.1.1 and the older BP.
 * Never for media, and never for anything wet or closed.
 */
export const DRY_HEAT: readonly { readonly celsius: number; readonly minutes: number }[] = [
  { celsius: 160, minutes: 120 },
  { celsius: 170, minutes: 60 },
  { celsius: 180, minutes: 30 },
];

/** The time at an oven's temperature, counted once the glass itself is that hot. Undefined below 160 °C. */
export function dryHeatMinutes(celsius: number): number | undefined {
  requireWithin(celsius, { field: 'oven', min: 50, max: 300, unit: ' °C' });
  return DRY_HEAT.filter((pair) => pair.celsius <= celsius).at(-1)?.minutes;
}
