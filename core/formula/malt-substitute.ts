import { requireWithin } from '../base/errors.js';

/** One school's factor from dried to liquid malt. Common practice, no source. */
const SCHOOL_FACTOR = 1.5;
/** Solids of dried and liquid malt as shipped, from memory. */
const DRY_SOLIDS = 0.97;
const LIQUID_SOLIDS = 0.8;

/**
 * Liquid malt in place of dried malt, both ways that people do it: by solids (× 1.21) or × 1.5.
 *
 * @param dryMaltG grams of dried malt that the formula asks for
 */
export function liquidMaltFor(dryMaltG: number): {
  readonly bySolidsG: number;
  readonly bySchoolG: number;
} {
  const dryG = requireWithin(dryMaltG, { field: 'driedMalt', min: 0, max: 100_000, unit: ' g' });
  return { bySolidsG: (dryG * DRY_SOLIDS) / LIQUID_SOLIDS, bySchoolG: dryG * SCHOOL_FACTOR };
}
