import { linearRegression } from 'simple-statistics';
import { CoreError, requireWithin } from '../base/errors.js';
import { NATURAL_CONVECTION, slopeAtRateOne, straighten } from './cooling.js';
import type { ProfilePoint } from './lethality.js';

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
  return slope > 0 ? slope / slopeAtRateOne(exponent) : undefined;
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
