import { CoreError, isRefusal, requireWithin } from '../base/errors.js';
import { NATURAL_CONVECTION, minutesToCool } from './cooling.js';
import type { ProfilePoint } from './lethality.js';

/** Hot enough to flow, cool enough not to steam the lid: 45 to 50 °C. Common practice; USP agar sets at 32 to 39. */
export const POUR_FROM_C = 50;
export const POUR_UNTIL_C = 45;
/** Below this lumps form; kitchen agar may set as high as 45. USP/NF agar, and the trade. */
export const SETS_C = 40;
/** A household thermometer is off by about this much from reading to reading. From memory. */
const READING_ERROR_C = 1;
/** The law of cooling lies between Newton's and natural convection with evaporation. */
const EXPONENTS = [1, NATURAL_CONVECTION, 1.4] as const;
/** Readings closer than this say little about the slope. */
export const APART_C = 15;

export interface Interval {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

export interface PourWindow {
  /** Minutes after the last reading until it may be poured. */
  readonly opens: Interval;
  /** Minutes after the last reading until it is too cool. */
  readonly closes: Interval;
  /** Minutes that the window stays open. */
  readonly lasts: number;
  /** Readings lie at least 15 °C apart, so that the interval can be trusted. */
  readonly sure: boolean;
}

/**
 * When agar may be poured and until when, from thermometer readings. The interval holds what a reading may be off and
 * what the law of cooling may be; it narrows as readings lie further apart.
 *
 * @throws CoreError with fewer than two readings or when they do not fall
 */
export function pourWindow(readings: readonly ProfilePoint[], ambientCelsius: number): PourWindow {
  requireWithin(ambientCelsius, { field: 'room', min: -10, max: POUR_UNTIL_C - 2, unit: ' °C' });
  const [first, last] = [readings[0], readings[readings.length - 1]];
  if (first === undefined || last === undefined || readings.length < 2) {
    throw new CoreError('too-few', { of: 'readings', least: 2 });
  }
  return {
    opens: intervalTo(POUR_FROM_C, readings, ambientCelsius),
    closes: intervalTo(POUR_UNTIL_C, readings, ambientCelsius),
    lasts:
      intervalTo(POUR_UNTIL_C, readings, ambientCelsius).middle -
      intervalTo(POUR_FROM_C, readings, ambientCelsius).middle,
    sure: first.celsius - last.celsius >= APART_C,
  };
}

function intervalTo(target: number, readings: readonly ProfilePoint[], ambientCelsius: number): Interval {
  const after = (shifted: readonly ProfilePoint[], exponent: number) => {
    try {
      return minutesToCool({ readings: shifted, ambientCelsius, targetCelsius: target, exponent });
    } catch (error) {
      // The error of the readings may hide the fall altogether: then there is no upper end.
      if (isRefusal(error) && (error.code === 'not-falling' || error.code === 'too-few')) {
        return Infinity;
      }
      throw error;
    }
  };
  const middle = after(readings, NATURAL_CONVECTION);
  if (middle === Infinity) {
    throw new CoreError('not-falling', { celsius: readings.map((r) => r.celsius) });
  }
  const end = readings.length - 1;
  const tilted = (sign: number) =>
    readings.map((r, i) => ({
      minutes: r.minutes,
      celsius: r.celsius + (sign * READING_ERROR_C * (2 * i - end)) / (2 * Math.max(end, 1)),
    }));
  const all = EXPONENTS.flatMap((exponent) => [-1, 0, 1].map((sign) => after(tilted(sign), exponent)));
  return { low: Math.min(...all), middle, high: Math.max(...all) };
}
