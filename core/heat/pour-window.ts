import { probit } from 'simple-statistics';
import { CoreError, requireWithin } from '../base/errors.js';
import { TENTH_Z } from '../base/normal.js';
import { likelyOf, type Likely } from './band/f0-band.js';
import { NATURAL_CONVECTION } from './cooling.js';
import type { ProfilePoint } from './lethality.js';
import { gaussLegendre } from './quadrature.js';

/** Hot enough to flow, cool enough not to steam the lid: 45 to 50 °C. Common practice; USP agar sets at 32 to 39. */
export const POUR_FROM_C = 50;
export const POUR_UNTIL_C = 45;
/** Below this lumps form; kitchen agar may set as high as 45. USP/NF agar, and the trade. */
export const SETS_C = 40;
/** A household thermometer is off by at most 1 °C from reading to reading, 8 in 10. From memory. */
const READING_SIGMA_C = 1 / TENTH_Z;
/** Readings closer than this say little about the slope. */
export const APART_C = 15;

/** How fast a bottle loses its heat, but for a factor: by what it is hotter than the room, °C, and by what it is, °C. */
type Law = (excessC: number, celsius: number) => number;

/** Where evaporation and a steaming lid take as much again as the air does, °C. Our judgement. */
const STEAMS_FROM_C = 95;
/** Vapor pressure doubles about every 14 °C below boiling: steam tables. */
const DOUBLES_C = 14;

/** Bottles in moving air, in still air, and in still air with a lid that steams while they are hot. */
const LAWS: readonly Law[] = [
  (excessC) => excessC,
  (excessC) => excessC ** NATURAL_CONVECTION,
  (excessC, celsius) => excessC ** NATURAL_CONVECTION * (1 + 2 ** ((celsius - STEAMS_FROM_C) / DOUBLES_C)),
];

/** Equal shares of a normal for what the readings may be off, in level and in slope. */
const SHARES = 15;
const NORMALS = Array.from({ length: SHARES }, (_, i) => probit((i + 0.5) / SHARES));
/** For an integral over temperature. */
const RULE = gaussLegendre(24);

export interface PourWindow {
  /** Minutes after the last reading until it may be poured: 8 in 10. */
  readonly opens: Likely;
  /** Minutes after the last reading until it is too cool: 8 in 10. */
  readonly closes: Likely;
  /** Minutes after the last reading until it has set in the bottle: 8 in 10. */
  readonly sets: Likely;
  /** Minutes that the window likely stays open. */
  readonly lasts: number;
  /** Readings lie at least 15 °C apart, so that the interval is of use. */
  readonly sure: boolean;
}

/**
 * When agar may be poured and until when, from thermometer readings, with 8 in 10 for each. It holds what a reading may be
 * off and what the law of cooling may be; it narrows as readings lie further apart.
 *
 * @throws CoreError `out-of-range`, `too-few`, or `not-falling`
 */
export function pourWindow(readings: readonly ProfilePoint[], ambientCelsius: number): PourWindow {
  requireWithin(ambientCelsius, { field: 'room', min: -10, max: SETS_C - 2, unit: ' °C' });
  const [first, last] = [readings[0], readings[readings.length - 1]];
  if (first === undefined || last === undefined || readings.length < 2) {
    throw new CoreError('too-few', { of: 'readings', least: 2 });
  }
  for (const { celsius } of readings) {
    requireWithin(celsius - ambientCelsius, {
      field: 'readingAboveRoom',
      min: 0.01,
      max: 300,
      unit: ' °C',
    });
  }
  const fits = LAWS.map((law) => fitOf(readings, ambientCelsius, law));
  if (fits.every((fit) => fit.slope <= 0)) {
    throw new CoreError('not-falling', { celsius: readings.map((r) => r.celsius) });
  }
  const reached = (celsius: number) => likelyAt(celsius, fits, last.minutes);
  const [opens, closes] = [reached(POUR_FROM_C), reached(POUR_UNTIL_C)];
  return {
    opens,
    closes,
    sets: reached(SETS_C),
    lasts: closes.middle - opens.middle,
    sure: first.celsius - last.celsius >= APART_C,
  };
}

/** A law fitted to readings. In y, the integral over temperature of 1/law, cooling is a straight line in time. */
interface Fit {
  readonly yOf: (celsius: number) => number;
  /** Weighted means of the readings, and what they may be off: standard deviations. */
  readonly meanMinutes: number;
  readonly meanY: number;
  readonly meanSigma: number;
  readonly slope: number;
  readonly slopeSigma: number;
  /** How well the law agrees with the readings. */
  readonly weight: number;
}

function fitOf(readings: readonly ProfilePoint[], ambientC: number, law: Law): Fit {
  const speed = (celsius: number) => law(celsius - ambientC, celsius);
  const yOf = (celsius: number) => -integral((c) => 1 / speed(c), POUR_UNTIL_C, celsius);
  // An error of a reading is one of y by what y changes with temperature there.
  const points = readings.map(({ minutes, celsius }) => ({
    minutes,
    y: yOf(celsius),
    weight: (speed(celsius) / READING_SIGMA_C) ** 2,
  }));
  const sum = (of: (p: (typeof points)[number]) => number) =>
    points.reduce((all, p) => all + p.weight * of(p), 0);
  const all = sum(() => 1);
  const meanMinutes = sum((p) => p.minutes) / all;
  const meanY = sum((p) => p.y) / all;
  const spread = sum((p) => (p.minutes - meanMinutes) ** 2);
  const slope = sum((p) => (p.minutes - meanMinutes) * (p.y - meanY)) / spread;
  const misfit = sum((p) => (p.y - meanY - slope * (p.minutes - meanMinutes)) ** 2);
  return {
    yOf,
    meanMinutes,
    meanY,
    meanSigma: 1 / Math.sqrt(all),
    slope,
    slopeSigma: 1 / Math.sqrt(spread),
    weight: Math.exp(-misfit / 2),
  };
}

function integral(of: (x: number) => number, from: number, to: number): number {
  return (
    RULE.at.reduce((sum, at, i) => sum + RULE.weights[i]! * of(from + at * (to - from)), 0) * (to - from)
  );
}

function likelyAt(targetC: number, fits: readonly Fit[], lastMinutes: number): Likely {
  const [minutes, weights]: [number[], number[]] = [[], []];
  for (const { yOf, meanMinutes, meanY, meanSigma, slope, slopeSigma, weight } of fits) {
    const target = yOf(targetC);
    for (const level of NORMALS) {
      for (const tilt of NORMALS) {
        const falls = slope + tilt * slopeSigma;
        const left = target - meanY - level * meanSigma;
        const after =
          left <= 0
            ? meanMinutes + left / Math.abs(slope)
            : falls > 0
              ? meanMinutes + left / falls
              : Infinity;
        minutes.push(Math.max(0, after - lastMinutes));
        weights.push(weight);
      }
    }
  }
  const all = weights.reduce((sum, w) => sum + w, 0);
  return likelyOf(
    minutes,
    Float64Array.from(weights, (w) => w / all),
  );
}
