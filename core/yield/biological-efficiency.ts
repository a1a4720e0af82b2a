import { requireWithin } from '../base/errors.js';

/**
 * Fresh mass over dry substrate mass, as a fraction; the usual measure of a block's yield.
 *
 * @param freshG all flushes together
 * @param dryG dry matter of the substrate; with the spawn's own dry matter unless said otherwise
 */
export function biologicalEfficiency(freshG: number, dryG: number): number {
  requireWithin(freshG, { field: 'freshMass', min: 0, max: 1e7, unit: ' g' });
  requireWithin(dryG, { field: 'drySubstrate', min: 1, max: 1e7, unit: ' g' });
  return freshG / dryG;
}
