import { normalTail } from '../base/normal.js';
import { shareRunSlopes, type Curve, type CurveShape } from './curve.js';
import { SIZE, determinant, inverse, solved } from '../base/three-by-three.js';

/** A look at one vessel. */
export interface ColonizationMark {
  /** Days since inoculation. */
  readonly day: number;
  /** Visible colonization, 0 to 1. */
  readonly fraction: number;
}

/** What was seen of one vessel of a batch. */
export interface VesselMarks {
  /** By day. */
  readonly marks: readonly ColonizationMark[];
  /** Day on which it was shaken. */
  readonly shakenDay?: number;
}

/** What is expected of something before it was seen. */
export interface Normal {
  readonly mean: number;
  readonly sigma: number;
}

/** The same of a day, by its natural logarithm. */
export type LogNormal = Normal;

/** A vessel's full day by one family of curves, as it is after its shake. */
export interface FittedVessel extends LogNormal {
  /** Its curve as it would be without a shake. */
  readonly curve: Curve;
  /** ln of how much quicker it is after one. */
  readonly lnSpeed: number;
}

/** All vessels of a batch by one family of curves. */
export interface PooledFit {
  readonly vessels: readonly FittedVessel[];
  /** A vessel of the batch of which nothing was seen. */
  readonly unseen: FittedVessel;
  /** ln of how well the family foretold what was seen, its own freedom paid for (Laplace). */
  readonly lnEvidence: number;
  readonly converged: boolean;
}

/** People judge a jar to about ±7 points (from memory). */
const MARK_SIGMA = 0.07;
/** For two days after a shake it looks worse than it is. Common practice, no source. */
const HIDDEN_DAYS = 2;
const HIDDEN_SIGMA = 0.25;
/** How much the full days of like vessels of one batch differ: 8 in 10 within 13 %. Our estimate. */
export const VESSEL_SIGMA = 0.1;
const MID_BOUNDS = [0.3, 0.9] as const;
/** Where the middle may be looked for when the first way ended at a bound. */
const OTHER_STARTS = [0.45, 0.75] as const;
/** Between the lag and the middle. */
const LEAST_RISE = 0.1;
/** How much quicker it runs after a shake than before, ln; from memory. */
const LN_SPEED: Normal = { mean: 0.1, sigma: 0.3 };
const MOST_ITERATIONS = 40;
/** Of a logarithm: far less than is told. */
const SETTLED = 1e-4;
const MOST_DAMPING = 1e6;
const MOST_STEP = 0.5;
/** A vessel differs from its siblings by no more, ln. */
const MOST_OWN = 5 * VESSEL_SIGMA;

/** ln of the batch's full day, share of its middle, ln of the speed after a shake. */
type Point = readonly [number, number, number];

/**
 * One family of curves fitted to all vessels of a batch at once. Vessels share shape and speed, and each has a full day of
 * its own about the batch's (a mixed model, straight about its optimum: Lindstrom and Bates 1990), so that a vessel with two
 * marks leans on its siblings and one with ten on itself. Gauss and Newton with Levenberg's damping, held by the priors.
 */
export function fitPooled(
  vessels: readonly VesselMarks[],
  shape: CurveShape,
  prior: LogNormal,
  midShare: Normal,
): PooledFit {
  const priors = [prior, midShare, LN_SPEED] as const;
  const from = (lnFull: number, mid: number) =>
    descended(vessels, shape, [lnFull, Math.max(mid, shape.lagShare + LEAST_RISE), LN_SPEED.mean], priors);
  let best = from(prior.mean, midShare.mean);
  if (isAtBound(best.at, shape)) {
    // A step too far may end in a corner that is no optimum: others are tried, and the best is kept.
    for (const mid of OTHER_STARTS) {
      const other = from(best.at[0], mid);
      best = other.here.misfit < best.here.misfit ? other : best;
    }
    const lastDay = Math.max(1, ...vessels.flatMap(({ marks }) => marks.map((m) => m.day)));
    const late = from(Math.log(lastDay), midShare.mean);
    best = late.here.misfit < best.here.misfit ? late : best;
  }
  const { at, owns, here, converged } = best;
  const covariance = inverse(here.normal);
  const sums = new VesselSums();
  return {
    vessels: vessels.map((vessel, i) => {
      sums.take(vessel, shape, at, owns[i]!);
      return fitted(vessel, shape, at, owns[i]!, sums, covariance);
    }),
    unseen: fitted({ marks: [] }, shape, at, 0, sums.none(), covariance),
    lnEvidence: -(here.misfit + here.lnSpread + Math.log(determinant(here.normal))) / 2,
    converged,
  };
}

interface Descended {
  readonly at: Point;
  readonly owns: Float64Array<ArrayBuffer>;
  readonly here: Sums;
  readonly converged: boolean;
}

/** Down from one point to where no step betters it. */
function descended(
  vessels: readonly VesselMarks[],
  shape: CurveShape,
  start: Point,
  priors: readonly Normal[],
): Descended {
  let at = start;
  let owns = new Float64Array(vessels.length);
  let here = summed(vessels, shape, at, owns, priors);
  let [damping, converged] = [1e-3, false];
  for (let i = 0; i < MOST_ITERATIONS && !converged; i++) {
    const step = solved(here.normal, here.slope, damping);
    const next = moved(at, step, shape);
    const theirs = here.owns(next.map((value, n) => value - at[n]!));
    const there = summed(vessels, shape, next, theirs, priors);
    if (there.misfit <= here.misfit) {
      const most = Math.max(...next.map((value, n) => Math.abs(value - at[n]!)));
      [at, owns, here, damping] = [next, theirs, there, damping / 4];
      converged = most < SETTLED;
    } else {
      damping *= 8;
      converged = damping > MOST_DAMPING;
    }
  }
  return { at, owns, here, converged };
}

interface Sums {
  /** Squares of what was missed, each by its own standard deviation, and of how far the priors are left. */
  readonly misfit: number;
  /** ln of how much wider the vessels' own days make what is foretold. */
  readonly lnSpread: number;
  readonly normal: Float64Array;
  readonly slope: Float64Array;
  /** The vessels' own days that go best with a step of what is shared. */
  readonly owns: (step: readonly number[]) => Float64Array<ArrayBuffer>;
}

/** @param owns ln of each vessel's own full day beside the batch's */
function summed(
  vessels: readonly VesselMarks[],
  shape: CurveShape,
  at: Point,
  owns: Float64Array<ArrayBuffer>,
  priors: readonly Normal[],
): Sums {
  const normal = new Float64Array(SIZE * SIZE);
  const slope = new Float64Array(SIZE);
  let [misfit, lnSpread] = [0, 0];
  priors.forEach(({ mean, sigma }, n) => {
    const miss = mean - at[n]!;
    misfit += (miss / sigma) ** 2;
    normal[n * SIZE + n]! += 1 / sigma ** 2;
    slope[n]! += miss / sigma ** 2;
  });
  const own = new VesselSums();
  const pulls = vessels.map((vessel, v) => {
    own.take(vessel, shape, at, owns[v]!);
    // What is a vessel's own is taken out of the equations of what is shared (Schur's complement).
    const { variance, jj, jr } = own;
    const pull = variance * (jr[0]! - owns[v]! / VESSEL_SIGMA ** 2);
    misfit += own.rr + (owns[v]! / VESSEL_SIGMA) ** 2;
    lnSpread += Math.log(1 + VESSEL_SIGMA ** 2 * jj[0]!);
    for (let i = 0; i < SIZE; i++) {
      slope[i]! += jr[i]! - jj[i]! * pull;
      for (let j = 0; j < SIZE; j++) {
        normal[i * SIZE + j]! += jj[i * SIZE + j]! - variance * jj[i]! * jj[j]!;
      }
    }
    return [pull, variance * jj[0]!, variance * jj[1]!, variance * jj[2]!] as const;
  });
  return {
    misfit,
    lnSpread,
    normal,
    slope,
    owns: ([a = 0, b = 0, c = 0]) =>
      owns.map((value, v) => {
        const [pull, x, y, z] = pulls[v]!;
        return Math.min(MOST_OWN, Math.max(-MOST_OWN, value + pull - x * a - y * b - z * c));
      }),
  };
}

/**
 * Sums over the marks of one vessel: j of the shared parameters, r of what was missed. Its own full day moves a curve as the
 * batch's does, so the first row of j j' is that of its own too.
 */
class VesselSums {
  readonly jj = new Float64Array(SIZE * SIZE);
  readonly jr = new Float64Array(SIZE);
  rr = 0;
  private readonly along = new Float64Array(SIZE);

  /** Of ln of the own full day, once these marks are known. */
  get variance(): number {
    return 1 / (1 / VESSEL_SIGMA ** 2 + this.jj[0]!);
  }

  none(): this {
    this.jj.fill(0);
    this.jr.fill(0);
    this.rr = 0;
    return this;
  }

  take(
    { marks, shakenDay = Infinity }: VesselMarks,
    shape: CurveShape,
    [lnFull, mid, lnSpeed]: Point,
    own: number,
  ): void {
    this.none();
    const { jj, jr, along } = this;
    const full = Math.exp(lnFull + own);
    const speed = Math.exp(lnSpeed);
    for (const { day, fraction } of marks) {
      const isHidden = day >= shakenDay && day < shakenDay + HIDDEN_DAYS;
      const weight = 1 / (isHidden ? HIDDEN_SIGMA : MARK_SIGMA);
      // Nothing is quicker before the shake.
      const sinceShake = day <= shakenDay ? 0 : (day - shakenDay) * speed;
      const part = (day <= shakenDay ? day : shakenDay + sinceShake) / full;
      const { run: here, perPart, perMid } = shareRunSlopes(shape, part, mid);
      along[0] = -perPart * part * weight;
      along[1] = perMid * weight;
      along[2] = ((perPart * sinceShake) / full) * weight;
      let [miss, curb] = [(fraction - here) * weight, 1];
      if (fraction === 0 || fraction === 1) {
        // Nothing below nothing can be judged, nor more than all: all that lies beyond goes with it (Tobin 1958).
        const { minusLn, hazard } = normalTail(Math.abs(miss));
        this.rr += 2 * minusLn;
        curb = hazard * (hazard - Math.abs(miss));
        miss = fraction === 0 ? -hazard : hazard;
      } else {
        this.rr += miss * miss;
      }
      for (let i = 0; i < SIZE; i++) {
        jr[i]! += along[i]! * miss;
        for (let j = 0; j < SIZE; j++) {
          jj[i * SIZE + j]! += curb * along[i]! * along[j]!;
        }
      }
    }
  }
}

/** The day by which it would be as far, had it not been shaken. */
export function unshaken(day: number, shakenDay = Infinity, lnSpeed = 0): number {
  return day <= shakenDay ? day : shakenDay + (day - shakenDay) * Math.exp(lnSpeed);
}

/** A vessel's own full day, with what it shares and what it has to itself. */
function fitted(
  { shakenDay = Infinity }: VesselMarks,
  shape: CurveShape,
  at: Point,
  own: number,
  { variance, jj }: VesselSums,
  covariance: Float64Array,
): FittedVessel {
  const fullDay = Math.exp(at[0] + own);
  // How ln of the day moves with what is shared, and with what is its own.
  const along = [1, 0, 0].map((one, n) => one - variance * jj[n]!);
  let [day, stretch] = [fullDay, 1];
  if (fullDay > shakenDay) {
    const rest = (fullDay - shakenDay) * Math.exp(-at[2]);
    day = shakenDay + rest;
    stretch = (fullDay * Math.exp(-at[2])) / day;
    along.forEach((a, n) => (along[n] = a * stretch));
    along[2]! -= rest / day;
  }
  let sum = variance * stretch ** 2;
  for (let i = 0; i < SIZE; i++) {
    for (let j = 0; j < SIZE; j++) {
      sum += along[i]! * covariance[i * SIZE + j]! * along[j]!;
    }
  }
  return {
    mean: Math.log(day),
    sigma: Math.sqrt(sum),
    curve: { shape, fullDay, midShare: at[1] },
    lnSpeed: at[2],
  };
}

/** Where the middle may lie. */
function midBounds({ lagShare }: CurveShape): readonly [least: number, most: number] {
  return [Math.max(MID_BOUNDS[0], lagShare + LEAST_RISE), MID_BOUNDS[1]];
}

function isAtBound([, mid]: Point, shape: CurveShape): boolean {
  return midBounds(shape).includes(mid);
}

/** A step that stays where curves are curves. */
function moved(at: Point, step: Float64Array, shape: CurveShape): Point {
  const [lnFull, mid, lnSpeed] = at.map(
    (value, n) => value + Math.min(MOST_STEP, Math.max(-MOST_STEP, step[n]!)),
  ) as [number, number, number];
  const [least, most] = midBounds(shape);
  return [lnFull, Math.min(most, Math.max(least, mid)), lnSpeed];
}
