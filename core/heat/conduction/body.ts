import { requireWithin } from '../../base/errors.js';
import type { Field } from '../../base/refusals.js';
import { radius, slab, stillDirection, type Direction } from './directions.js';

/** A jar's contents stand as a cylinder, a bag's as a brick. Millimeters. */
export type Shape =
  | { readonly kind: 'cylinder'; readonly radiusMm: number; readonly heightMm: number }
  | {
      readonly kind: 'brick';
      readonly lengthMm: number;
      readonly widthMm: number;
      readonly heightMm: number;
    };

/** Biot numbers h L/k face by face, with L of `characteristicM`. Left out: the face is at the chamber's temperature. */
export interface Films {
  readonly side?: number;
  readonly bottom?: number;
  readonly top?: number;
}

/** A point of the body: 0 to 1 from the axis (or the middle of a brick) to its side, and from bottom to top. */
export interface Place {
  readonly out: number;
  readonly up: number;
}

/** How a body answers its chamber at some points: a sum of modes that forget at their own rates. */
export interface Body {
  /** 1/min, slowest first. */
  readonly ratesPerMin: Float64Array;
  /** Shares of the modes at a point; with all modes they add up to one. */
  sharesAt(place: Place): Float64Array;
  readonly meanShares: Float64Array;
  /** Height at which the slowest mode is strongest: the coldest point once the body has warmed for a while. */
  readonly slowestUp: number;
}

const MM_PER_M = 1000;
const SECONDS = 60;
/** A mode that has faded to e^−9 is gone. */
const GONE_AFTER_RATES = 9;
/** Modes are exact at this time after a jump of the chamber, unless asked otherwise. */
export const SETTLE_MINUTES = 0.25;
/**
 * Modes of almost one rate move as one; the faster they fade the wider the group, up to a widest. Relative widths.
 * Fine groups keep 0.01 K after a jump of 100 K, coarse ones after ramps, for half the work.
 */
interface Grouping {
  readonly width: number;
  readonly widest: number;
}
const FINE: Grouping = { width: 0.01, widest: 0.06 };
const COARSE: Grouping = { width: 0.02, widest: 0.15 };
const COARSE_FROM_MINUTES = 0.5;

/** Length that a Biot number is made with: the radius of a cylinder, half the shortest side of a brick. */
export function characteristicM(shape: Shape): number {
  return shape.kind === 'cylinder'
    ? shape.radiusMm / MM_PER_M
    : Math.min(shape.lengthMm, shape.widthMm, shape.heightMm) / 2 / MM_PER_M;
}

/**
 * The modes of a finite cylinder or a brick.
 *
 * @param diffusivityM2PerS 1e-8 to 1e-5
 * @param settleMinutes after a jump of the chamber the answer is exact from here on; a ramp needs less
 * @throws CoreError `out-of-range`
 */
export function bodyOf(
  shape: Shape,
  films: Films,
  diffusivityM2PerS: number,
  settleMinutes = SETTLE_MINUTES,
): Body {
  checkShape(shape);
  requireWithin(diffusivityM2PerS, { field: 'diffusivity', min: 1e-8, max: 1e-5, unit: ' m²/s' });
  const fastest = GONE_AFTER_RATES / (settleMinutes * SECONDS);
  const grouping = settleMinutes < COARSE_FROM_MINUTES ? FINE : COARSE;
  const unit = characteristicM(shape);
  const biot = (value: number | undefined, lengthM: number) => (checkBiot(value) * lengthM) / unit;
  const up = (heightMm: number) => {
    const heightM = heightMm / MM_PER_M;
    return slab(heightM, biot(films.bottom, heightM), biot(films.top, heightM), diffusivityM2PerS, fastest);
  };
  if (shape.kind === 'cylinder') {
    const around = radius(shape.radiusMm / MM_PER_M, checkBiot(films.side), diffusivityM2PerS, fastest);
    const upward = up(shape.heightMm);
    return product(
      [around, upward, stillDirection()],
      grouping,
      fastest,
      upward.slowestAt,
      ({ out, up: height }) => [out, height, 0],
    );
  }
  const across = (sideMm: number) => {
    const sideM = sideMm / MM_PER_M;
    const side = biot(films.side, sideM);
    return slab(sideM, side, side, diffusivityM2PerS, fastest);
  };
  const upward = up(shape.heightMm);
  return product(
    [across(shape.lengthMm), across(shape.widthMm), upward],
    grouping,
    fastest,
    upward.slowestAt,
    ({ out, up: height }) => [0.5, 0.5 + out / 2, height],
  );
}

/** A liquid mixes itself: one temperature, one time constant. */
export function mixedBody(timeConstantMinutes: number): Body {
  const one = Float64Array.of(1);
  return {
    ratesPerMin: Float64Array.of(1 / timeConstantMinutes),
    meanShares: one,
    sharesAt: () => one,
    slowestUp: 0.5,
  };
}

type Three<T> = readonly [T, T, T];

/** The modes of a body are all products of one mode a direction; those of almost one rate are grouped. */
function product(
  directions: Three<Direction>,
  grouping: Grouping,
  fastestPerS: number,
  slowestUp: number,
  places: (place: Place) => Three<number>,
): Body {
  const rates = three(directions, (d) => d.ratesPerS);
  const sharesOf = (place: Place) => {
    const at = places(place);
    return three(directions, (d, i) => d.sharesAt(at[i]!));
  };
  const { of, ratesPerS } = groupOf(rates, sharesOf({ out: 0, up: 0.5 }), grouping, fastestPerS);
  /** What the modes that were left out would add goes to the fastest group, so that a still body is exact. */
  const gather = (shares: Three<Float64Array>) => {
    const sums = new Float64Array(ratesPerS.length);
    let all = 0;
    let mode = 0;
    eachMode(rates, shares, fastestPerS, (_rate, share) => {
      sums[of[mode++]!]! += share;
      all += share;
    });
    sums[sums.length - 1]! += 1 - all;
    return sums;
  };
  return {
    ratesPerMin: ratesPerS.map((r) => r * SECONDS),
    // Many bodies are only asked for their middle.
    get meanShares() {
      return gather(three(directions, (d) => d.meanShares));
    },
    sharesAt: (place) => gather(sharesOf(place)),
    slowestUp,
  };
}

function three<A, B>([a, b, c]: Three<A>, of: (value: A, index: number) => B): Three<B> {
  return [of(a, 0), of(b, 1), of(c, 2)];
}

/** A group's rate is the mean of its modes', weighted by how much each stirs in the middle. */
function groupOf(
  rates: Three<Float64Array>,
  middle: Three<Float64Array>,
  grouping: Grouping,
  fastestPerS: number,
): { readonly of: readonly number[]; readonly ratesPerS: Float64Array } {
  const slowest = rates.reduce((sum, r) => sum + r[0]!, 0);
  // Keys are few and small, modes are many: plain arrays by key, no map of objects.
  const weights: number[] = [];
  const weighted: number[] = [];
  const keys: number[] = [];
  eachMode(rates, middle, fastestPerS, (rate, share) => {
    // Those that lift and those that lower stay apart, so that the mean rate leaves only a small second-order error.
    const key = (slowest > 0 ? 2 * groupKey(rate / slowest, grouping) : 0) + (share < 0 ? 1 : 0);
    // A mode that is still in the middle may stir elsewhere.
    const weight = Math.abs(share) + 1e-9;
    weights[key] = (weights[key] ?? 0) + weight;
    weighted[key] = (weighted[key] ?? 0) + weight * rate;
    keys.push(key);
  });
  const used = Array.from(weights.keys()).filter((key) => weights[key] !== undefined);
  const indexOf: number[] = [];
  used.forEach((key, index) => (indexOf[key] = index));
  return {
    of: keys.map((key) => indexOf[key]!),
    ratesPerS: Float64Array.from(used, (key) => weighted[key]! / weights[key]!),
  };
}

/** Number of the group of a rate, as a multiple of the slowest: widths grow with the root of the rate up to the widest. */
function groupKey(multiple: number, { width, widest }: Grouping): number {
  const widestFrom = (widest / width) ** 2;
  return Math.floor(
    multiple < widestFrom
      ? (2 / width) * (1 - 1 / Math.sqrt(multiple))
      : (2 / width) * (1 - width / widest) + Math.log(multiple / widestFrom) / widest,
  );
}

/** Calls for each product of modes that is slow enough, always in the same order. */
function eachMode(
  [first, second, third]: Three<Float64Array>,
  [shareA, shareB, shareC]: Three<Float64Array>,
  fastestPerS: number,
  act: (ratePerS: number, share: number) => void,
): void {
  for (let i = 0; i < first.length; i++) {
    for (let j = 0; j < second.length; j++) {
      const rate = first[i]! + second[j]!;
      const share = shareA[i]! * shareB[j]!;
      for (let k = 0; k < third.length; k++) {
        if (i + j + k > 0 && rate + third[k]! > fastestPerS) {
          break;
        }
        act(rate + third[k]!, share * shareC[k]!);
      }
    }
  }
}

function checkShape(shape: Shape): void {
  const side = (field: Field, value: number) =>
    requireWithin(value, { field, min: 1, max: 1e6, unit: ' mm' });
  if (shape.kind === 'cylinder') {
    side('radius', shape.radiusMm);
  } else {
    side('length', shape.lengthMm);
    side('width', shape.widthMm);
  }
  side('height', shape.heightMm);
}

function checkBiot(value: number | undefined): number {
  return value === undefined || value === Infinity
    ? Infinity
    : requireWithin(value, { field: 'biotNumber', min: 0, max: 1e6 });
}
