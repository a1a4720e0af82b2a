/** Natural convection in air: loss grows with ΔT^1.25 (laminar vertical surfaces, standard heat-transfer texts). */
export const NATURAL_CONVECTION = 1.25;
/** Below this distance from 1 the general closed form loses digits; Newton's is then exact enough. */
const NEWTON_WITHIN = 1e-9;

/**
 * Minutes from one excess temperature to another at a known rate.
 *
 * @param ratePerMinute k in d(ΔT)/dt = −k ΔT^exponent
 */
export function coolingMinutes(
  fromExcessC: number,
  toExcessC: number,
  ratePerMinute: number,
  exponent = NATURAL_CONVECTION,
): number {
  return (
    (straighten(toExcessC, exponent) - straighten(fromExcessC, exponent)) /
    (slopeAtRateOne(exponent) * ratePerMinute)
  );
}

/** Excess over the room after some minutes at a known rate; the inverse of `coolingMinutes`. */
export function excessAfter(
  fromExcessC: number,
  minutes: number,
  ratePerMinute: number,
  exponent = NATURAL_CONVECTION,
): number {
  const u = straighten(fromExcessC, exponent) + slopeAtRateOne(exponent) * ratePerMinute * minutes;
  return isNewton(exponent) ? Math.exp(-u) : u ** (1 / (1 - exponent));
}

/** A coordinate in which the excess moves at a constant, positive speed. */
export function straighten(excessC: number, exponent: number): number {
  return isNewton(exponent) ? -Math.log(excessC) : excessC ** (1 - exponent);
}

/** How fast that coordinate moves where k is one. */
export function slopeAtRateOne(exponent: number): number {
  return isNewton(exponent) ? 1 : exponent - 1;
}

function isNewton(exponent: number): boolean {
  return Math.abs(exponent - 1) < NEWTON_WITHIN;
}
