import type { HydrationMethod, ResolvedFormula } from '../record/definitions.js';
import { schoolOf } from './hydration.js';

/** The same formula, hydrated another way. A grain is named after its school: "Wheat, soak and simmer". */
export function withSchool<F extends ResolvedFormula>(
  formula: F,
  method: HydrationMethod = formula.hydration,
): F {
  const school = schoolOf(method);
  return school === undefined || formula.stage !== 'grain'
    ? { ...formula, hydration: method }
    : { ...formula, hydration: method, name: `${formula.name}, ${school.words}`.slice(0, LONGEST_NAME) };
}

/** A line holds so much. */
const LONGEST_NAME = 80;
