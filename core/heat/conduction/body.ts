import type { Direction } from './directions.js';
import { directionsOf, fastestAfter, type Films, type Place, type Shape, type Three } from './shape.js';

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

const SECONDS = 60;
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
  const fastest = fastestAfter(settleMinutes);
  const grouping = settleMinutes < COARSE_FROM_MINUTES ? FINE : COARSE;
  const { directions, slowestUp, at } = directionsOf(shape, films, diffusivityM2PerS, fastest);
  return product(directions, grouping, fastest, slowestUp, at);
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
