import { linearRegression } from 'simple-statistics';
import { CoreError, requireWithin } from '../base/errors.js';
import type { ProfilePoint } from './lethality.js';

/** Natural convection in air: loss grows with ΔT^1.25 (laminar vertical surfaces, standard heat-transfer texts). */
export const NATURAL_CONVECTION = 1.25;
/** Below this distance from 1 the general closed form loses digits; Newton's is then exact enough. */
const NEWTON_WITHIN = 1e-9;
/** Two readings give a rate but no hint that they are in error. */
const LEAST_READINGS = 3;

export interface CoolingInput {
  readonly readings: readonly ProfilePoint[];
  readonly ambientCelsius: number;
  readonly targetCelsius: number;
  /** dT/dt ∝ −ΔT^exponent; 1 is Newton. */
  readonly exponent?: number;
}

/**
 * Minutes after the last reading until the target is reached, from two or more thermometer readings.
 * In u = ΔT^(1−n), or ln ΔT for n = 1, cooling is a straight line, fitted by least squares.
 *
 * @returns 0 when the target is already passed
 * @throws CoreError `out-of-range`, `too-few`, or `not-falling`
 */
export function minutesToCool(input: CoolingInput): number {
  const exponent = requireWithin(input.exponent ?? NATURAL_CONVECTION, { field: 'exponent', min: 1, max: 2 });
  const { ambientCelsius, targetCelsius, readings } = input;
  const excess = requireWithin(targetCelsius - ambientCelsius, {
    field: 'targetAboveRoom',
    min: 0.1,
    max: 300,
    unit: ' °C',
  });
  const last = readings[readings.length - 1];
  if (readings.length < 2 || last === undefined) {
    throw new CoreError('too-few', { of: 'readings', least: 2 });
  }
  if (last.celsius <= targetCelsius) {
    return 0;
  }
  const points = readings.map((r) => ({
    x: r.minutes,
    y: straighten(
      requireWithin(r.celsius - ambientCelsius, {
        field: 'readingAboveRoom',
        min: 0.01,
        max: 300,
        unit: ' °C',
      }),
      exponent,
    ),
  }));
  const line = leastSquaresLine(points);
  if (!(line.slope > 0)) {
    throw new CoreError('not-falling', { celsius: readings.map((r) => r.celsius) });
  }
  return Math.max(0, (straighten(excess, exponent) - line.intercept) / line.slope - last.minutes);
}

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
    (straighten(toExcessC, exponent) - straighten(fromExcessC, exponent)) / (scale(exponent) * ratePerMinute)
  );
}

/**
 * The rate k of d(ΔT)/dt = −k ΔT^exponent that readings show, by least squares.
 *
 * @param readings all above the room
 * @returns undefined when there are fewer than three, or when they do not fall
 */
export function coolingRateOf(
  readings: readonly ProfilePoint[],
  ambientCelsius: number,
  exponent = NATURAL_CONVECTION,
): number | undefined {
  if (readings.length < LEAST_READINGS) {
    return undefined;
  }
  const { slope } = leastSquaresLine(
    readings.map((r) => ({ x: r.minutes, y: straighten(r.celsius - ambientCelsius, exponent) })),
  );
  return slope > 0 ? slope / scale(exponent) : undefined;
}

/** Excess over the room after some minutes at a known rate; the inverse of `coolingMinutes`. */
export function excessAfter(
  fromExcessC: number,
  minutes: number,
  ratePerMinute: number,
  exponent = NATURAL_CONVECTION,
): number {
  const u = straighten(fromExcessC, exponent) + scale(exponent) * ratePerMinute * minutes;
  return isNewton(exponent) ? Math.exp(-u) : u ** (1 / (1 - exponent));
}

/** A coordinate in which the excess moves at a constant, positive speed. */
function straighten(excessC: number, exponent: number): number {
  return isNewton(exponent) ? -Math.log(excessC) : excessC ** (1 - exponent);
}

function scale(exponent: number): number {
  return isNewton(exponent) ? 1 : exponent - 1;
}

function isNewton(exponent: number): boolean {
  return Math.abs(exponent - 1) < NEWTON_WITHIN;
}

function leastSquaresLine(points: readonly { readonly x: number; readonly y: number }[]): {
  slope: number;
  intercept: number;
} {
  const [first] = points;
  const [x0, y0] = [first?.x ?? 0, first?.y ?? 0];
  // The library sums squares as they come: from the first point on they stay small, and nothing cancels out.
  const { m: slope, b } = linearRegression(points.map((p) => [p.x - x0, p.y - y0]));
  return { slope, intercept: y0 + b - slope * x0 };
}
