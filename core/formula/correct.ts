import { CoreError, requireWithin } from '../base/errors.js';

const FRACTION = { min: 0, max: 0.99, unit: ' %', shownTimes: 100 } as const;

/** What brings a mix that turned out wet or dry to its target. */
export interface Correction {
  /** Grams of the thing that was asked for. */
  readonly massG: number;
  /** What the mix weighs then. */
  readonly afterG: number;
}

/**
 * Grams of one more thing (water, vermiculite, more of the dry blend) that bring a mix to a target:
 * m (w − t)/(t − a), with the moistures of mix, target and addition on wet basis.
 *
 * @throws CoreError when the addition cannot get there: its moisture must lie beyond the target, seen from the mix
 */
export function correctMix(input: {
  readonly massG: number;
  readonly moisture: number;
  readonly targetMoisture: number;
  /** Moisture of what is added; 1 is water. */
  readonly addedMoisture: number;
}): Correction {
  const massG = requireWithin(input.massG, { field: 'mixMass', min: 1, max: 1e6, unit: ' g' });
  const moisture = requireWithin(input.moisture, { field: 'mixMoisture', ...FRACTION });
  const target = requireWithin(input.targetMoisture, { field: 'wantedMoisture', ...FRACTION });
  const added = requireWithin(input.addedMoisture, {
    ...FRACTION,
    field: 'addedMoisture',
    max: 1,
  });
  const gap = moisture - target;
  if (gap === 0) {
    return { massG: 0, afterG: massG };
  }
  const reach = target - added;
  if (!(gap * reach > 0)) {
    throw new CoreError('cannot-correct', { wants: gap > 0 ? 'drier' : 'wetter', target, added });
  }
  const addedG = (massG * gap) / reach;
  return { massG: addedG, afterG: massG + addedG };
}
