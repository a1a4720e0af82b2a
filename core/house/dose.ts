import { CoreError } from '../base/errors.js';

/** What a dose is taken from. */
export interface DoseSource {
  readonly code: string;
  readonly remaining: number;
  readonly remainingUnit: 'ml' | 'g';
}

const AMOUNT_SLACK = 1e-6;

/**
 * Whether the sources hold so much for each of so many vessels: asked while it is typed, and again before it is written.
 *
 * @param each ml or g for one vessel
 * @throws CoreError `wrong-dose-unit` or `bad-dose`
 */
export function requireDose(
  each: number,
  unit: 'ml' | 'g',
  sources: readonly DoseSource[],
  vessels: number,
): void {
  for (const { remainingUnit } of sources) {
    if (remainingUnit !== unit) {
      throw new CoreError('wrong-dose-unit', { unit, wanted: remainingUnit });
    }
  }
  const remaining = sources.reduce((sum, s) => sum + s.remaining, 0);
  const most = remaining / vessels;
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
