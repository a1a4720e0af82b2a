import { CoreError } from '../base/errors.js';
import type { CultureUnit } from '../record/culture.js';

/** What a dose is taken from. */
export interface DoseSource {
  readonly code: string;
  readonly remaining: number;
  readonly remainingUnit: CultureUnit;
}

const AMOUNT_SLACK = 1e-6;

/**
 * Whether the sources hold so much for each of so many vessels: asked while it is typed, and again before it is written.
 *
 * @param each for one vessel, in `unit`
 * @param shares of it all that each source gives, in their order; together where it is not told
 * @throws CoreError `wrong-dose-unit` or `bad-dose`
 */
export function requireDose(
  each: number,
  unit: CultureUnit,
  sources: readonly DoseSource[],
  vessels: number,
  shares?: readonly number[],
): void {
  for (const { remainingUnit } of sources) {
    if (remainingUnit !== unit) {
      throw new CoreError('wrong-dose-unit', { unit, wanted: remainingUnit });
    }
  }
  const remaining = sources.reduce((sum, s) => sum + s.remaining, 0);
  const isTold = shares?.length === sources.length;
  // Where it is told what each gives, the first that is empty decides.
  const most =
    (isTold
      ? Math.min(...sources.map((s, i) => (shares[i]! > 0 ? s.remaining / shares[i]! : Infinity)))
      : remaining) / vessels;
  if (!(each > 0 && each <= most + AMOUNT_SLACK)) {
    throw new CoreError('bad-dose', {
      each,
      most,
      unit,
      sources: sources.map((s) => s.code),
      remaining,
      vessels,
    });
  }
}
