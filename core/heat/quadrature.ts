/** Points and weights of a rule on 0 to 1. */
export interface Rule {
  readonly at: readonly number[];
  readonly weights: readonly number[];
}

/**
 * Gauss and Legendre's rule on 0 to 1: exact for polynomials up to degree 2 n − 1. Roots by Newton's method from the usual
 * first guess (Abramowitz and Stegun 25.4.30; Press et al. 2007 §4.6).
 *
 * @param count 1 to 64
 */
export function gaussLegendre(count: number): Rule {
  const at: number[] = [];
  const weights: number[] = [];
  for (let i = 0; i < count; i++) {
    let x = Math.cos((Math.PI * (i + 0.75)) / (count + 0.5));
    let slope = 0;
    for (let round = 0; round < 20; round++) {
      const { value, before } = legendre(count, x);
      slope = (count * (x * value - before)) / (x * x - 1);
      const step = value / slope;
      x -= step;
      if (Math.abs(step) < 1e-15) {
        break;
      }
    }
    at.push((1 - x) / 2);
    weights.push(1 / ((1 - x * x) * slope * slope));
  }
  return { at, weights };
}

function legendre(count: number, x: number): { readonly value: number; readonly before: number } {
  let [before, value] = [1, x];
  for (let n = 2; n <= count; n++) {
    [before, value] = [value, ((2 * n - 1) * x * value - (n - 1) * before) / n];
  }
  return { value, before };
}

/** How much each node's value counts at a place, by the polynomial through all of them (Lagrange). */
export function lagrangeShares(nodes: readonly number[], at: number): Float64Array {
  const shares = new Float64Array(nodes.length);
  for (let i = 0; i < nodes.length; i++) {
    let share = 1;
    for (let j = 0; j < nodes.length; j++) {
      if (j !== i) {
        share *= (at - nodes[j]!) / (nodes[i]! - nodes[j]!);
      }
    }
    shares[i] = share;
  }
  return shares;
}
