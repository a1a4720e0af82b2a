import type { AskedAmount } from '../record/plan.js';
import type { ScaledFormula } from './scaled-formula.js';

/** What a plan that is worked out comes to, when it is asked for like this: asked so again, it stays as it is. */
export function amountOf(
  by: AskedAmount['by'],
  scaled: ScaledFormula,
  materialId = scaled.parts[0]!.material.id,
): AskedAmount {
  const vessels = scaled.count * (1 + scaled.spare);
  switch (by) {
    case 'leadEach':
      return { by, massG: scaled.parts[0]!.massG / vessels };
    case 'wetEach':
      return { by, massG: scaled.vesselWetG };
    case 'wetTotal':
      return { by, massG: scaled.wetG };
    case 'partTotal': {
      const part = scaled.parts.find((p) => p.material.id === materialId) ?? scaled.parts[0]!;
      return { by, materialId: part.material.id, massG: part.massG };
    }
  }
}
