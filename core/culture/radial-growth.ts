import { linearRegression } from 'simple-statistics';

/** How far growth had come along one sector, and when. */
export interface RadiusMark {
  readonly day: number;
  readonly mm: number;
}

export interface LineFit {
  readonly slope: number;
  readonly intercept: number;
  /** Of the slope; NaN for fewer than three points. */
  readonly slopeError: number;
}

/** A straight line by least squares, as any handbook has it. @param points at least two, at different x */
export function fitLine(points: readonly (readonly [x: number, y: number])[]): LineFit {
  const { m: slope, b: intercept } = linearRegression(points.map(([x, y]) => [x, y]));
  const { sxx, residual } = spread(points, slope, intercept);
  const degrees = points.length - 2;
  return { slope, intercept, slopeError: degrees < 1 ? NaN : Math.sqrt(residual / degrees / sxx) };
}

export interface RadialGrowth {
  readonly mmPerDay: number;
  /** Within these it lies, likely (8 in 10). */
  readonly low: number;
  readonly high: number;
}

/** A ruler behind a dish is read to about this, mm; half of it by some and double by others. From memory. */
const READING_MM = 1;
/** That counts as so many readings: found so that 8 in 10 hold over such rulers, from two marks up. */
const READING_WEIGHT = 4;

/**
 * Growth along one sector. With few marks the spread between them says little, so what a ruler can show is counted in.
 * @returns undefined for fewer than two days
 */
export function radialGrowth(marks: readonly RadiusMark[]): RadialGrowth | undefined {
  if (new Set(marks.map((m) => m.day)).size < 2) {
    return undefined;
  }
  const points = marks.map((m): [number, number] => [m.day, m.mm]);
  const { slope, intercept } = fitLine(points);
  const { sxx, residual } = spread(points, slope, intercept);
  const degrees = Math.max(0, points.length - 2) + READING_WEIGHT;
  const variance = (residual + READING_WEIGHT * READING_MM ** 2) / degrees;
  const half = likelyT(degrees) * Math.sqrt(variance / sxx);
  return { mmPerDay: slope, low: slope - half, high: slope + half };
}

function spread(
  points: readonly (readonly [number, number])[],
  slope: number,
  intercept: number,
): { readonly sxx: number; readonly residual: number } {
  const mean = points.reduce((sum, [x]) => sum + x, 0) / points.length;
  return {
    sxx: points.reduce((sum, [x]) => sum + (x - mean) ** 2, 0),
    residual: points.reduce((sum, [x, y]) => sum + (y - intercept - slope * x) ** 2, 0),
  };
}

/**
 * Student's t that leaves one in ten above it, for 1, 2, … 10 degrees of freedom and for the normal law.
 * NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2.
 */
const T_90 = [3.078, 1.886, 1.638, 1.533, 1.476, 1.44, 1.415, 1.397, 1.383, 1.372] as const;
const NORMAL_90 = 1.282;

function likelyT(degrees: number): number {
  const known = T_90[degrees - 1];
  // Beyond the table it falls towards the normal law as 1 / degrees.
  return known ?? NORMAL_90 + ((T_90[9] - NORMAL_90) * 10) / degrees;
}
