import { TENTH_Z, normalBelow, normalTail } from './normal.js';

/** What lies above z by Simpson's rule, apart from the polynomial. */
function above(z: number): number {
  const [steps, most] = [20_000, z + 12];
  const h = (most - z) / steps;
  let sum = 0;
  for (let i = 0; i <= steps; i++) {
    const x = z + i * h;
    sum += (i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2) * Math.exp((-x * x) / 2);
  }
  return (sum * h) / 3 / Math.sqrt(2 * Math.PI);
}

describe('the tail of a normal', () => {
  it('is as summed by Simpson’s rule, far out too', () => {
    for (const z of [0, 0.3, 1, 2, 4, 8, 14]) {
      const { minusLn, hazard } = normalTail(z);
      const tail = above(z);
      expect(Math.exp(-minusLn) / (2 * tail)).toBeCloseTo(1, 5);
      expect((hazard * tail) / (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI))).toBeCloseTo(1, 5);
    }
  });

  it('and what lies below are all there is', () => {
    expect(normalBelow(0)).toBeCloseTo(0.5, 6);
    for (const z of [0.5, TENTH_Z, 3]) {
      expect(normalBelow(-z)).toBeCloseTo(above(z), 6);
      expect(normalBelow(z)).toBeCloseTo(1 - above(z), 6);
    }
  });
});
