import { requireWithin } from '../base/errors.js';

export interface MoistPart {
  readonly massG: number;
  /** Wet basis: water ÷ (water + dry matter). */
  readonly moisture: number;
}

/** Wet-basis moisture of a mix, as a fraction. @throws CoreError for an empty mix or moisture outside 0 to 1 */
export function mixMoisture(parts: readonly MoistPart[]): number {
  let waterG = 0;
  let totalG = 0;
  for (const part of parts) {
    requireWithin(part.massG, { field: 'mass', min: 0, max: 1e9, unit: ' g' });
    waterG +=
      part.massG *
      requireWithin(part.moisture, { field: 'moisture', min: 0, max: 1, unit: ' %', shownTimes: 100 });
    totalG += part.massG;
  }
  requireWithin(totalG, { field: 'mixMass', min: Number.MIN_VALUE, max: 1e12, unit: ' g' });
  return waterG / totalG;
}

/**
 * Water that brings a mix to a target: Σ m (w − w0)/(1 − w). Negative when the mix is already wetter.
 *
 * @returns grams
 */
export function waterToAdd(input: {
  readonly parts: readonly MoistPart[];
  readonly targetMoisture: number;
}): number {
  const target = requireWithin(input.targetMoisture, {
    field: 'moisture',
    min: 0,
    max: 0.99,
    unit: ' %',
    shownTimes: 100,
  });
  const totalG = input.parts.reduce((sum, p) => sum + p.massG, 0);
  return (totalG * (target - mixMoisture(input.parts))) / (1 - target);
}

/**
 * Moisture that a weighing reveals: what was drained and weighed, against the dry matter that went in.
 * Right within 1 to 2 points, since 2 to 6 % of the dry matter leaches into the soak water (common practice).
 *
 * @returns fraction, wet basis
 * @throws CoreError when the wet mass is not above the dry matter, or is more than twenty times it
 */
export function weighedMoisture(wetG: number, dryMatterG: number): number {
  const dryG = requireWithin(dryMatterG, { field: 'dryMatter', min: 1e-3, max: 1e9, unit: ' g' });
  requireWithin(wetG, {
    field: 'drainedMass',
    min: Math.ceil(dryG),
    max: Math.floor(dryG * 20),
    unit: ' g',
  });
  return 1 - dryG / wetG;
}
