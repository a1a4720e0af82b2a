import { requireWithin } from '../base/errors.js';

/** Reference of F0: 121.1 °C and z = 10 °C (ISO 17665:2024, USP). Ph. Eur. 5.1.5 takes 121 °C. */
export const REFERENCE_C = 121.1;
export const Z_C = 10;
/** Below this relative slope the closed form loses digits and the trapezoid is exact enough. */
const FLAT = 1e-9;
const FLAT_IN_CURVE = 1e-6;

export interface ProfilePoint {
  readonly minutes: number;
  readonly celsius: number;
}

export interface LethalityOptions {
  readonly reference?: number;
  readonly z?: number;
}

/** How many times faster than at the reference spores die: 10^((T − ref)/z). Dimensionless. */
export function lethalRate(celsius: number, options: LethalityOptions = {}): number {
  requireWithin(celsius, { field: 'temperature', min: -80, max: 300, unit: ' °C' });
  const z = requireWithin(options.z ?? Z_C, { field: 'zValue', min: 1, max: 100, unit: ' °C' });
  return 10 ** ((celsius - (options.reference ?? REFERENCE_C)) / z);
}

/**
 * Equivalent minutes at the reference, ∫ 10^((T − ref)/z) dt, exact on straight segments:
 * between rates L1 and L2 the integral is Δt (L2 − L1)/ln(L2/L1).
 *
 * @param profile times in minutes, not decreasing; fewer than two points earn nothing
 * @throws CoreError `out-of-range` when time runs backwards
 */
export function f0(profile: readonly ProfilePoint[], options: LethalityOptions = {}): number {
  let sum = 0;
  for (let i = 1; i < profile.length; i++) {
    const from = profile[i - 1]!;
    const to = profile[i]!;
    const minutes = requireWithin(to.minutes - from.minutes, {
      field: 'timeStep',
      min: 0,
      max: 1e6,
      unit: ' min',
    });
    const start = lethalRate(from.celsius, options);
    const end = lethalRate(to.celsius, options);
    const logRatio = Math.log(end / start);
    sum += minutes * (Math.abs(logRatio) < FLAT ? (start + end) / 2 : (end - start) / logRatio);
  }
  return sum;
}

/**
 * The same integral over a curve in arrays, without an object for each point: for curves that were computed.
 *
 * @param minutes not decreasing
 */
export function f0OfCurve(
  minutes: Float64Array,
  celsius: Float64Array,
  options: LethalityOptions = {},
): number {
  const perDegree = Math.LN10 / (options.z ?? Z_C);
  const reference = options.reference ?? REFERENCE_C;
  let sum = 0;
  let last = Math.exp((celsius[0]! - reference) * perDegree);
  for (let i = 1; i < celsius.length; i++) {
    const next = Math.exp((celsius[i]! - reference) * perDegree);
    const logRatio = (celsius[i]! - celsius[i - 1]!) * perDegree;
    const mean = Math.abs(logRatio) < FLAT_IN_CURVE ? (last + next) / 2 : (next - last) / logRatio;
    sum += (minutes[i]! - minutes[i - 1]!) * mean;
    last = next;
  }
  return sum;
}

/**
 * The hold at another chamber temperature that gives the chamber the same lethality.
 * For the middle of a vessel this errs to longer, since warming up does not stretch with it.
 *
 * @returns minutes
 */
export function equalLethalityHold(minutes: number, atCelsius: number, insteadOfCelsius: number): number {
  return (minutes * lethalRate(insteadOfCelsius)) / lethalRate(atCelsius);
}
