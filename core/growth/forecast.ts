import { bisected } from '../base/bisected.js';
import { CoreError, requireWithin } from '../base/errors.js';
import { TENTH_Z } from '../base/normal.js';
import { fractionOf, type CurveShape } from './curve.js';
import {
  VESSEL_SIGMA,
  fitPooled,
  unshaken,
  type ColonizationMark,
  type FittedVessel,
  type LogNormal,
  type Normal,
  type VesselMarks,
} from './pooled-fit.js';
import { hasStalled } from './stall.js';
import type { WarmClock } from './warm-clock.js';

/** What is expected before any mark: the species' usual full day, with its 8-in-10 range. */
export interface ColonizationPrior {
  readonly fullDay: number;
  readonly low: number;
  readonly high: number;
}

export interface ColonizationForecast {
  /** Day on which 95 % is reached: as likely earlier as later. */
  readonly fullDay: number;
  /** 8 in 10 full days lie between low and high. */
  readonly low: number;
  readonly high: number;
  /** No gain over the last days, well short of full. */
  readonly stalled: boolean;
  /** What it rests on: each family's curve, by how likely it is. */
  readonly curves: readonly WeighedCurve[];
  readonly shakenDay?: number;
  readonly converged: boolean;
  /** How its days are counted where it is warmer or colder than usual: curves and the shake go by it. */
  readonly clock?: WarmClock;
}

export interface WeighedCurve extends Pick<FittedVessel, 'curve' | 'lnSpeed'> {
  readonly weight: number;
}

/** Without a species: grain is full on day 9 to 28 (common practice, no source). */
const ANY_GRAIN: ColonizationPrior = { fullDay: 17, low: 10, high: 27 };
/**
 * Nobody knows which a vessel follows; what is seen decides. Before, a slow end is likelier: the last corners take long
 * (common practice, no source; how much likelier is put so that a stated 8 in 10 holds under each of four laws). Gompertz
 * needs no lag of its own: moving its middle moves all of it.
 */
const FAMILIES: readonly { readonly shape: CurveShape; readonly odds: number }[] = [
  { shape: { family: 'logistic', lagShare: 0 }, odds: 1 },
  { shape: { family: 'gompertz', lagShare: 0 }, odds: 8 },
  { shape: { family: 'avrami', lagShare: 0.05 }, odds: 1 },
  { shape: { family: 'avrami', lagShare: 0.2 }, odds: 1 },
];
/**
 * Half is there at 0.6 ± 0.1 of the full day (from memory), put together of narrow parts: within each the likelihood is
 * nearly a normal, whose mode is its middle; over all of it, it is skewed.
 */
const MIDDLES: readonly { readonly share: Normal; readonly odds: number }[] = [
  { share: { mean: 0.5, sigma: 0.06 }, odds: 0.28 },
  { share: { mean: 0.6, sigma: 0.06 }, odds: 0.44 },
  { share: { mean: 0.7, sigma: 0.06 }, odds: 0.28 },
];
const HYPOTHESES = FAMILIES.flatMap(({ shape, odds }) =>
  MIDDLES.map((mid) => ({ shape, midShare: mid.share, odds: odds * mid.odds })),
);
/** Seen so far, a vessel is not full yet: two errors of judgement below. */
const SURELY_NOT_FULL = 0.8;
const LATEST_DAY = 400;
const DAY_WITHIN = 1e-4;
/** What weighs less moves no tenth. */
const LEAST_WEIGHT = 1e-6;

/** Forecasts of the vessels of a batch, and one of the batch: 8 in 10 of its vessels are full within its band. */
export interface BatchForecast {
  readonly vessels: readonly ColonizationForecast[];
  readonly batch: ColonizationForecast;
}

/**
 * When like vessels are full, from what was seen of all of them: families of curves are fitted to the batch at once, each
 * with an early, a usual and a late middle, and weighed by how well they foretold it (Laplace's approximation; Kass and
 * Raftery 1995). Few marks leave the prior in
 * charge, and a vessel leans on its siblings until its own marks say more.
 *
 * @throws CoreError naming the field
 */
export function forecastTogether(vessels: readonly VesselMarks[], prior = ANY_GRAIN): BatchForecast {
  const known = vessels.map(checked);
  const ofBatch = batchPrior(prior);
  const fits = HYPOTHESES.map(({ shape, midShare }) => fitPooled(known, shape, ofBatch, midShare));
  const best = Math.max(...fits.map((f) => f.lnEvidence));
  const weights = fits.map((f, i) => HYPOTHESES[i]!.odds * Math.exp(f.lnEvidence - best));
  const total = weights.reduce((sum, w) => sum + w, 0);
  const shares = weights.map((w) => w / total);
  const converged = fits.every((f) => f.converged);
  const each = known.map((vessel, i) => {
    const own = fits.map((f) => f.vessels[i]!);
    const unfull = vessel.marks.findLast((m) => m.fraction < SURELY_NOT_FULL);
    const told = toldBy(own, shares);
    return {
      ...told,
      low: Math.max(told.low, Math.min(unfull?.day ?? 0, told.fullDay)),
      stalled: hasStalled(vessel.marks),
      curves: weighedCurves(own, shares),
      shakenDay: vessel.shakenDay,
      converged,
    };
  });
  const unseen = fits.map((f) => f.unseen);
  const all = known.length === 0 ? unseen : fits.flatMap((f) => f.vessels);
  const shaken = known.flatMap((v) => v.shakenDay ?? []);
  return {
    vessels: each,
    batch: {
      ...toldBy(all, known.length === 0 ? shares : shares.flatMap((w) => known.map(() => w / known.length))),
      stalled: false,
      curves: weighedCurves(unseen, shares),
      ...(2 * shaken.length > known.length && { shakenDay: Math.min(...shaken) }),
      converged,
    },
  };
}

function checked({ marks, shakenDay }: VesselMarks): VesselMarks {
  return {
    marks: marks
      .map((m): ColonizationMark => ({
        day: requireWithin(m.day, { field: 'day', min: 0, max: LATEST_DAY }),
        fraction: requireWithin(m.fraction, {
          field: 'colonization',
          min: 0,
          max: 1,
          unit: ' %',
          shownTimes: 100,
        }),
      }))
      .sort((a, b) => a.day - b.day),
    shakenDay,
  };
}

/** @returns grain's usual range for none @throws CoreError `bad-prior` for a range that is none */
export function checkedPrior(prior = ANY_GRAIN): ColonizationPrior {
  const { fullDay, low, high } = prior;
  if (!(low < high && low > 0 && fullDay > 0)) {
    throw new CoreError('bad-prior', { low, high });
  }
  return prior;
}

/** A species' range is that of a vessel; the batch's own is what its vessels do not differ by. */
export function batchPrior(prior: ColonizationPrior): LogNormal {
  const { fullDay, low, high } = checkedPrior(prior);
  const sigma = Math.log(high / low) / (2 * TENTH_Z);
  const LEAST = 0.03;
  return { mean: Math.log(fullDay), sigma: Math.sqrt(Math.max(sigma ** 2 - VESSEL_SIGMA ** 2, LEAST ** 2)) };
}

function weighedCurves(fits: readonly FittedVessel[], shares: readonly number[]): readonly WeighedCurve[] {
  return fits.map(({ curve, lnSpeed }, i) => ({ curve, lnSpeed, weight: shares[i]! }));
}

/** Where a mixture of normals of ln day has its tenth, its half and its nine tenths. */
function toldBy(
  days: readonly LogNormal[],
  weights: readonly number[],
): Pick<ColonizationForecast, 'fullDay' | 'low' | 'high'> {
  const told = days.flatMap(({ mean, sigma }, i) =>
    weights[i]! > LEAST_WEIGHT ? [{ mean, sigma, weight: weights[i]! }] : [],
  );
  const share = (ln: number) =>
    told.reduce((sum, { mean, sigma, weight }) => sum + weight * below((ln - mean) / sigma), 0);
  const least = Math.min(...days.map((d) => d.mean - 4 * d.sigma));
  const most = Math.max(...days.map((d) => d.mean + 4 * d.sigma));
  const at = (wanted: number) => Math.exp(bisected(least, most, DAY_WITHIN, (ln) => share(ln) >= wanted));
  return { low: at(0.1), fullDay: at(0.5), high: at(0.9) };
}

/** Share of a normal that lies below, to 1.4e-4 (Bowling et al. 2009); the library's table is coarser, and jumps. */
function below(z: number): number {
  return 1 / (1 + Math.exp(-1.5976 * z - 0.07056 * z ** 3));
}

/** A forecast in days as growth counts them, told in days of the calendar. */
export function onClock(forecast: ColonizationForecast, clock: WarmClock | undefined): ColonizationForecast {
  return clock === undefined
    ? forecast
    : {
        ...forecast,
        clock,
        fullDay: clock.dayOf(forecast.fullDay),
        low: clock.dayOf(forecast.low),
        high: clock.dayOf(forecast.high),
      };
}

/** Fraction expected on a day by a forecast. */
export function expectedFraction(
  { curves, shakenDay, clock }: Pick<ColonizationForecast, 'curves' | 'shakenDay' | 'clock'>,
  day: number,
): number {
  const grown = clock?.grownBy(day) ?? day;
  return curves.reduce(
    (sum, { curve, lnSpeed, weight }) =>
      sum + weight * fractionOf(curve, unshaken(grown, shakenDay, lnSpeed)),
    0,
  );
}

/** Day on which a forecast reaches a fraction, 0 to 1 exclusive; the inverse of `expectedFraction`. */
export function dayOfFraction(
  forecast: Pick<ColonizationForecast, 'curves' | 'shakenDay' | 'clock'>,
  fraction: number,
): number {
  return bisected(0, LATEST_DAY, DAY_WITHIN, (day) => expectedFraction(forecast, day) >= fraction);
}
