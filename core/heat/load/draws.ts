import type { Random } from '../../record/new-id.js';
import { HEAT_NORMALS, SPORE_NORMALS } from './uncertain-load.js';

/** Draws of what is uncertain about a load: rows of standard normals, each with a weight; the weights add up to one. */
export interface Draws {
  readonly normals: readonly Float64Array[];
  readonly weights: Float64Array;
  /** How likely it is, after all, that something which was measured is wrong altogether, as when two contradict; 0 to 1. */
  readonly doubt?: number;
}

/** So many draws from what is likely before anything was measured. The same seed gives the same draws. */
export function priorDraws(count: number, random: Random): Draws {
  const heat = normalRows(count, random, HEAT_NORMALS);
  const spores = normalRows(count, random, SPORE_NORMALS);
  return {
    normals: heat.map((row, k) => Float64Array.of(...row, ...spores[k]!)),
    weights: new Float64Array(count).fill(1 / count),
  };
}

/** Rows of standard normals. */
export function normalRows(count: number, random: Random, size: number): readonly Float64Array[] {
  return Array.from({ length: count }, () => normalRow(random, size));
}

function normalRow(random: Random, size: number): Float64Array {
  const row = new Float64Array(size);
  for (let i = 0; i < size; i += 2) {
    // Box and Muller 1958.
    const length = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    row[i] = length * Math.cos(angle);
    // Beyond the end of an odd row nothing is kept.
    row[i + 1] = length * Math.sin(angle);
  }
  return row;
}

/** Number of equal draws that would say as much (Kish): one over the sum of squared weights. */
export function effectiveCount({ weights }: Draws): number {
  return 1 / weights.reduce((sum, w) => sum + w * w, 0);
}

/**
 * The values below which shares of the weight lie, with one sorting. Ours, since the library's quantiles know no weights.
 * @param shares rising
 */
export function weightedQuantiles<const S extends readonly number[]>(
  values: ArrayLike<number>,
  weights: Float64Array,
  shares: S,
): { readonly [K in keyof S]: number } {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) => values[a]! - values[b]!);
  const found: number[] = [];
  let sum = 0;
  for (const i of order) {
    sum += weights[i]!;
    while (found.length < shares.length && sum >= shares[found.length]! - 1e-12) {
      found.push(values[i]!);
    }
  }
  const last = values[order[order.length - 1]!]!;
  // Mapping a tuple loses its length.
  return shares.map((_, n) => found[n] ?? last) as { readonly [K in keyof S]: number };
}
