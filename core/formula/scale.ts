import type { ResolvedFormula } from '../record/definitions.js';
import { scaleDissolved } from './scale-dissolved.js';
import { scaleSolid } from './scale-solid.js';
import type { ScaleTarget, ScaledFormula } from './scaled-formula.js';

/**
 * Scales a formula to vessels. Linear in `count`.
 *
 * @throws CoreError naming the field and its range
 */
export function scaleFormula(formula: ResolvedFormula, target: ScaleTarget): ScaledFormula {
  return formula.basis === 'perLiter' ? scaleDissolved(formula, target) : scaleSolid(formula, target);
}
