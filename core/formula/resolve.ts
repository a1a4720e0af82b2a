import { CoreError } from '../base/errors.js';
import { asMeasured } from '../material/effective.js';
import { usualParts } from './optional-parts.js';
import type { Formula, Material, ResolvedFormula } from '../record/definitions.js';

/**
 * A formula with its materials copied in: with what usually goes in, or with all that may.
 *
 * @throws CoreError `not-found` naming the missing material
 */
export function resolveFormula(
  formula: Formula,
  materials: readonly Material[],
  which: 'usual' | 'all' = 'usual',
): ResolvedFormula {
  const wanted = which === 'all' ? formula.parts : usualParts(formula);
  const parts = wanted.map(({ materialId, ...part }) => {
    const material = materials.find((m) => m.id === materialId);
    if (material === undefined) {
      throw new CoreError('not-found', { what: 'material', id: materialId });
    }
    return { ...part, material: asMeasured(material) };
  });
  return { ...formula, parts };
}
