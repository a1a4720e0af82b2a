import { CoreError } from '../base/errors.js';
import type { Figure } from '../record/definitions.js';

/** Temperatures at which growth begins, is quickest and ends, °C. */
export interface CardinalC {
  readonly least: number;
  readonly best: number;
  readonly most: number;
}

/** Growth of the kitchen's species all but stands in a fridge. From memory. */
const LEAST_C = 3;
/** It is quickest a little above where it is usually kept, since contaminants like it warmer still. From memory. */
const BEST_ABOVE_USUAL_C = 1.5;
/** And ends so far above the warmest that it is kept at. From memory. */
const MOST_ABOVE_RANGE_C = 8;

/** What is known of a species by the range in which it is kept. */
export function cardinalOf(incubationC: Pick<Figure, 'value' | 'high'>): CardinalC {
  const { value, high } = incubationC;
  return {
    least: Math.min(LEAST_C, value - 10),
    best: value + BEST_ABOVE_USUAL_C,
    most: Math.max(high, value + BEST_ABOVE_USUAL_C) + MOST_ABOVE_RANGE_C,
  };
}

/**
 * How quick growth is at a temperature, as a share of the quickest: the cardinal temperature model with inflection (Rosso,
 * Lobry and Flandrois 1993, J. Theor. Biol. 162, 447). 0 outside of where anything grows.
 *
 * @param celsius the temperature where it grows
 * @throws CoreError `bad-prior` where the three do not rise, or best is nearer to least than to most, as the model needs
 */
export function growthRateAt(celsius: number, { least, best, most }: CardinalC): number {
  if (!(least < best && best < most && best > (least + most) / 2)) {
    throw new CoreError('bad-prior', { low: least, high: most });
  }
  if (!(celsius > least && celsius < most)) {
    return 0;
  }
  const above = (celsius - most) * (celsius - least) ** 2;
  const below =
    (best - least) * ((best - least) * (celsius - best) - (best - most) * (best + least - 2 * celsius));
  return above / below;
}
