import { requireWithin } from '../base/errors.js';

/**
 * Peleg's two-parameter uptake: M(t) = M0 + t/(k1 + k2 t), all on dry basis (water ÷ dry matter), one temperature.
 * Source: Peleg 1988, J. Food Sci. 53:1216.
 *
 * @param input.k1 minutes per unit of dry-basis moisture
 * @param input.k2 1 per unit of dry-basis moisture; the end is at M0 + 1/k2
 * @returns dry-basis moisture, fraction
 */
export function pelegMoisture(input: {
  readonly initial: number;
  readonly k1: number;
  readonly k2: number;
  readonly minutes: number;
}): number {
  const initial = requireWithin(input.initial, { field: 'dryBasisMoisture', min: 0, max: 20 });
  const k1 = requireWithin(input.k1, { field: 'k1', min: 1e-9, max: 1e9, unit: ' min' });
  const k2 = requireWithin(input.k2, { field: 'k2', min: 1e-9, max: 1e9 });
  const minutes = requireWithin(input.minutes, { field: 'time', min: 0, max: 1e6, unit: ' min' });
  return initial + minutes / (k1 + k2 * minutes);
}

/** Dry basis (water ÷ dry matter) from wet basis. @param wet fraction below 1 */
export function dryBasis(wet: number): number {
  const kept = requireWithin(wet, { field: 'moisture', min: 0, max: 0.99, unit: ' %', shownTimes: 100 });
  return kept / (1 - kept);
}

/** Wet basis from dry basis. */
export function wetBasis(dry: number): number {
  return dry / (1 + dry);
}
