import { TENTH_Z } from '../base/normal.js';
import { CoreError, requireWithin } from '../base/errors.js';

export interface ColonizationMark {
  /** Days since inoculation. */
  readonly day: number;
  /** Visible colonization, 0 to 1. */
  readonly fraction: number;
}

/** What is expected before any mark: the species' usual full day, with its 8-in-10 range. */
export interface ColonizationPrior {
  readonly fullDay: number;
  readonly low: number;
  readonly high: number;
}

export interface ColonizationForecast {
  /** Day on which 95 % is reached. */
  readonly fullDay: number;
  /** 8 in 10 full days lie between low and high. */
  readonly low: number;
  readonly high: number;
  /** No gain over the last days, well short of full. */
  readonly stalled: boolean;
  /** Logistic midpoint (day) and rate (1/day), for drawing the curve. */
  readonly midDay: number;
  readonly ratePerDay: number;
  readonly converged: boolean;
}

/** Full means 95 %: the last twentieth cannot be seen. */
export const FULL = 0.95;
const FULL_LOGIT = Math.log(FULL / (1 - FULL));
/** People judge a jar to about ±7 points (from memory). */
const MARK_SD = 0.07;
/** Without a species: grain is full on day 9 to 28 (common practice, no source). */
const ANY_GRAIN: ColonizationPrior = { fullDay: 17, low: 10, high: 27 };
/** The midpoint comes at about 60 % of the full day (from memory); the rate may differ twofold. */
const MID_SHARE = 0.6;
const LOG_RATE_SD = 0.5;
/** No gain of two points in four days is a stall (common practice: 4 to 5 days). */
const STALL_DAYS = 4;
const STALL_GAIN = 0.02;
const STALL_BELOW = 0.9;
const MOST_ITERATIONS = 100;

/**
 * Fits a logistic f(t) = 1 / (1 + exp(−r (t − m))) to marks by least squares, starting from and held by the
 * prior (Gauss–Newton with Levenberg damping on m and ln r). The interval is the normal approximation at the
 * optimum. Few marks leave the prior in charge; many marks overrule it.
 *
 * @param marks in any order; fractions 0 to 1, days 0 to 400
 * @throws CoreError naming the field
 */
export function fitColonization(
  marks: readonly ColonizationMark[],
  options: { readonly prior?: ColonizationPrior; readonly priorWeight?: number } = {},
): ColonizationForecast {
  const prior = options.prior ?? ANY_GRAIN;
  const weight = options.priorWeight ?? 1;
  if (!(prior.low < prior.high && prior.low > 0)) {
    throw new CoreError('bad-prior', { low: prior.low, high: prior.high });
  }
  const points = marks
    .map((m) => ({
      day: requireWithin(m.day, { field: 'day', min: 0, max: 400 }),
      fraction: requireWithin(m.fraction, {
        field: 'colonization',
        min: 0,
        max: 1,
        unit: ' %',
        shownTimes: 100,
      }),
    }))
    .sort((a, b) => a.day - b.day);
  const optimum = minimize(points, prior, weight);
  const { mid, logRate } = optimum;
  const rate = Math.exp(logRate);
  const fullDay = mid + FULL_LOGIT / rate;
  const half = TENTH_Z * optimum.fullSd;
  const lastDay = points[points.length - 1]?.day ?? 0;
  return {
    fullDay,
    low: Math.max(fullDay - half, Math.min(lastDay, fullDay)),
    high: fullDay + half,
    stalled: hasStalled(points),
    midDay: mid,
    ratePerDay: rate,
    converged: optimum.converged,
  };
}

/** Fraction expected on a day by a forecast. */
export function expectedFraction(
  forecast: Pick<ColonizationForecast, 'midDay' | 'ratePerDay'>,
  day: number,
): number {
  return 1 / (1 + Math.exp(-forecast.ratePerDay * (day - forecast.midDay)));
}

/** Day on which a forecast reaches a fraction, 0 to 1 exclusive; the inverse of `expectedFraction`. */
export function dayOfFraction(
  forecast: Pick<ColonizationForecast, 'midDay' | 'ratePerDay'>,
  fraction: number,
): number {
  return forecast.midDay + Math.log(fraction / (1 - fraction)) / forecast.ratePerDay;
}

interface Optimum {
  readonly mid: number;
  readonly logRate: number;
  readonly fullSd: number;
  readonly converged: boolean;
}

type Points = readonly { readonly day: number; readonly fraction: number }[];

function minimize(points: Points, prior: ColonizationPrior, weight: number): Optimum {
  const priorMid = prior.fullDay * MID_SHARE;
  const priorLogRate = Math.log(FULL_LOGIT / (prior.fullDay - priorMid));
  // The full day's spread is shared between midpoint and rate so that together they give the prior's range.
  const fullSd = (prior.high - prior.low) / (2 * TENTH_Z);
  const rateToFull = (prior.fullDay - priorMid) * LOG_RATE_SD;
  const midSd = Math.sqrt(Math.max(fullSd ** 2 - Math.min(rateToFull, fullSd * 0.8) ** 2, 0.01));
  const rateSd = Math.min(LOG_RATE_SD, (fullSd * 0.8) / (prior.fullDay - priorMid));
  const cost = (mid: number, logRate: number) =>
    points.reduce((sum, p) => sum + ((p.fraction - logistic(mid, logRate, p.day)) / MARK_SD) ** 2, 0) +
    weight * (((mid - priorMid) / midSd) ** 2 + ((logRate - priorLogRate) / rateSd) ** 2);

  let [mid, logRate, damping, converged] = [priorMid, priorLogRate, 1e-3, false];
  let best = cost(mid, logRate);
  for (let i = 0; i < MOST_ITERATIONS && !converged; i++) {
    const normal = normalEquations();
    const a = normal.mm * (1 + damping);
    const d = normal.rr * (1 + damping);
    const det = a * d - normal.mr ** 2;
    const stepMid = (d * normal.gm - normal.mr * normal.gr) / det;
    const stepRate = (a * normal.gr - normal.mr * normal.gm) / det;
    const next = cost(mid + stepMid, logRate + stepRate);
    if (next <= best) {
      converged = Math.abs(stepMid) < 1e-10 * (1 + Math.abs(mid)) && Math.abs(stepRate) < 1e-10;
      [mid, logRate, best, damping] = [mid + stepMid, logRate + stepRate, next, damping / 4];
    } else {
      damping *= 8;
      converged = damping > 1e12;
    }
  }
  const normal = normalEquations();
  const det = normal.mm * normal.rr - normal.mr ** 2;
  const toRate = -FULL_LOGIT / Math.exp(logRate);
  const variance = (normal.rr - 2 * toRate * normal.mr + toRate ** 2 * normal.mm) / det;
  return { mid, logRate, fullSd: Math.sqrt(variance), converged };

  function normalEquations(): { mm: number; mr: number; rr: number; gm: number; gr: number } {
    const sums = {
      mm: weight / midSd ** 2,
      mr: 0,
      rr: weight / rateSd ** 2,
      gm: (weight * (priorMid - mid)) / midSd ** 2,
      gr: (weight * (priorLogRate - logRate)) / rateSd ** 2,
    };
    const rate = Math.exp(logRate);
    for (const { day, fraction } of points) {
      const f = logistic(mid, logRate, day);
      const slope = f * (1 - f);
      const dMid = (-rate * slope) / MARK_SD;
      const dRate = (rate * (day - mid) * slope) / MARK_SD;
      const miss = (fraction - f) / MARK_SD;
      sums.mm += dMid * dMid;
      sums.mr += dMid * dRate;
      sums.rr += dRate * dRate;
      sums.gm += dMid * miss;
      sums.gr += dRate * miss;
    }
    return sums;
  }
}

function logistic(mid: number, logRate: number, day: number): number {
  return 1 / (1 + Math.exp(-Math.exp(logRate) * (day - mid)));
}

function hasStalled(points: Points): boolean {
  const last = points[points.length - 1];
  if (last === undefined || last.fraction >= STALL_BELOW || last.fraction === 0) {
    return false;
  }
  const before = points.filter((p) => p.day <= last.day - STALL_DAYS);
  const earlier = before[before.length - 1];
  return earlier !== undefined && last.fraction - earlier.fraction < STALL_GAIN;
}
