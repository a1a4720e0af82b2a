/** Standard deviations beyond which one in ten of a normal lies: 8 in 10 lie within, either way. */
export const TENTH_Z = 1.2816;

/** erfc(x) is t·e^(−x² + this polynomial in t), t = 1 / (1 + x / 2): to 1.2e-7 of itself (Press et al., Numerical Recipes). */
const ERFC = [
  -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587,
  -0.82215223, 0.17087277,
];

/** The upper tail of a normal from z ≥ 0 on. */
export interface NormalTail {
  /** −ln of twice what lies above: 0 at the middle. */
  readonly minusLn: number;
  /** How much less lies above for each bit higher, of what lies above: φ(z) / (1 − Φ(z)). */
  readonly hazard: number;
}

/** @param z standard deviations above the middle, 0 or more */
export function normalTail(z: number): NormalTail {
  const t = 1 / (1 + (z * Math.SQRT1_2) / 2);
  const ln = Math.log(t) + ERFC.reduceRight((sum, c) => sum * t + c, 0);
  return { minusLn: (z * z) / 2 - ln, hazard: Math.sqrt(2 / Math.PI) * Math.exp(-ln) };
}

/** Share of a standard normal below z. */
export function normalBelow(z: number): number {
  const beyond = Math.exp(-normalTail(Math.abs(z)).minusLn) / 2;
  return z < 0 ? beyond : 1 - beyond;
}
