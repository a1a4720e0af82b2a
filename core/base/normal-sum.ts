/** Places and weights that sum over a standard normal: Gauss and Hermite, five points (Abramowitz and Stegun 25.10). */
export const NORMAL_SUM = [
  [-2.85697, 0.011257],
  [-1.355626, 0.222076],
  [0, 0.533333],
  [1.355626, 0.222076],
  [2.85697, 0.011257],
] as const;
