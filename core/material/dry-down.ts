import { CoreError, requireWithin } from '../base/errors.js';

/** Two weighings that differ by less than this share of the dry mass count as constant. Common practice, no source. */
const CONSTANT_WITHIN = 0.005;

export interface DryDown {
  /** Fraction, wet basis. */
  readonly moisture: number;
  /** Nothing more goes: the last two weighings agree. Only then is it a measurement. */
  readonly constant: boolean;
  /** What the last drying took off, g. */
  readonly lastLossG?: number;
}

/**
 * Moisture of a sample by drying: 1 − dry ÷ wet, both less the dish. Dried again until its mass is constant
 * (an oven at 105 °C; short bursts in a microwave, since dry wood can ignite there).
 *
 * @param input.dryG masses after each drying, dish included, in order, g
 * @throws CoreError for a mass that is not below the one before it, or not above the dish
 */
export function dryDown(input: {
  readonly wetG: number;
  readonly dryG: readonly number[];
  readonly dishG?: number;
}): DryDown {
  const dishG = requireWithin(input.dishG ?? 0, { field: 'dish', min: 0, max: 5000, unit: ' g' });
  const wetG = requireWithin(input.wetG, { field: 'wetMass', min: dishG + 0.1, max: 100_000, unit: ' g' });
  if (input.dryG.length === 0) {
    throw new CoreError('too-few', { of: 'dryMasses', least: 1 });
  }
  let before = wetG;
  let lastLossG: number | undefined;
  for (const [index, massG] of input.dryG.entries()) {
    // A scale may wander by a little; more than that is a slip or another dish.
    const slack = CONSTANT_WITHIN * (before - dishG);
    requireWithin(massG, {
      field: { field: 'dryMass', of: index + 1 },
      min: dishG,
      max: before + slack,
      unit: ' g',
    });
    lastLossG = before - massG;
    before = Math.min(before, massG);
  }
  const dryMatterG = before - dishG;
  const constant = input.dryG.length > 1 && (lastLossG ?? Infinity) <= CONSTANT_WITHIN * dryMatterG;
  return { moisture: 1 - dryMatterG / (wetG - dishG), constant, lastLossG };
}
