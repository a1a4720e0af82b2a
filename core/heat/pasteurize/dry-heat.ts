import { requireWithin } from '../../base/errors.js';

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

/** Held by many kitchens where an oven goes so high. A kitchen school, no source. */
export const KITCHEN_DRY_HEAT = { celsius: 200, minutes: 20 } as const;

/** By which pair glass that was so hot for so long counts as sterile; undefined by none. */
export function dryHeatHeld(celsius: number, minutes: number): 'published' | 'kitchen' | undefined {
  const least = dryHeatMinutes(celsius);
  if (least !== undefined && minutes >= least) {
    return 'published';
  }
  return celsius >= KITCHEN_DRY_HEAT.celsius && minutes >= KITCHEN_DRY_HEAT.minutes ? 'kitchen' : undefined;
}
