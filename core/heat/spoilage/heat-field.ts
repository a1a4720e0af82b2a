import { f0Behind } from '../conduction/hot-samples.js';
import type { Place, Shape } from '../conduction/shape.js';
import { lookedAt } from '../load/coldest-f0.js';
import type { Run } from '../load/run-heat.js';
import type { DrawnLoad } from '../load/uncertain-load.js';
import { gaussLegendre, lagrangeShares, type Rule } from '../quadrature.js';

/** What every part of a vessel got. */
export interface HeatField {
  /** F0 of each part, min; never hotter than the chamber. */
  readonly f0: Float64Array;
  /** Their shares of the volume; they add up to one. */
  readonly shares: Float64Array;
}

/** Places at which heat is reckoned: from the axis out, and so far below and above the coldest point, as shares of the way. */
const OUT_NODES = [0, 0.25, 0.5, 0.75] as const;
const UP_BY = 0.4;
const UP_NODES = [0, 0.25, 0.5, 0.75, 1] as const;
/** Parts from as hot as the chamber to a little colder than where the slowest mode is strongest. */
const PARTS = 600;
const MOST_LAG = 1.2;
/** Lags for which F0 is reckoned; between them it is a polynomial. */
const LAG_NODES = [0, 0.1, 0.25, 0.4, 0.6, 0.8, 1, MOST_LAG] as const;
/** Points of a direction over which volume is summed. */
const POINTS = gaussLegendre(12);

/**
 * What every part of a vessel gets if things are as one draw says. A liquid mixes itself: it is one part.
 *
 * A part's lag behind the chamber is taken as the coldest point's, times a factor for each direction. That is exact once
 * the slowest mode is left alone; before, each factor is the one with which its own direction earns what it really earns.
 *
 * @param rule by which volume is summed along each direction
 */
export function heatField(run: Run, normals: ArrayLike<number>, rule = POINTS): HeatField {
  const { drawn, coldest: middle, samplesAt } = lookedAt(run, normals);
  const lines = linesOf(drawn.body, middle, rule);
  const samples = samplesAt([middle, ...lines.flatMap((line) => line.places)]);
  const [coldest] = samples.lagsC as [Float64Array];
  const f0OfLag = tableOf((share) => f0Behind(samples, coldest, share));
  const earned = samples.lagsC.map((lag) => f0Behind(samples, lag, 1));
  let next = 1;
  const along = lines.map((line) => {
    const factors = line.places.map(() => lagOf(f0OfLag, earned[next++]!));
    return line.carry.map((carry) => dot(carry, factors));
  });
  return { f0: f0OfLag, shares: volumesByLag(lines, along) };
}

/** F0 of a part by its lag, from none to the coldest point's. */
function tableOf(f0At: (share: number) => number): Float64Array {
  const logs = LAG_NODES.map((share) => Math.log(Math.max(f0At(share), Number.MIN_VALUE)));
  const table = new Float64Array(PARTS + 1);
  for (let part = 0; part <= PARTS; part++) {
    // More lag never earns more; the polynomial may turn a little at its end.
    table[part] = Math.min(table[part - 1] ?? Infinity, Math.exp(dot(TABLE[part]!, logs)));
  }
  return table;
}
const TABLE = Array.from({ length: PARTS + 1 }, (_, i) => lagrangeShares(LAG_NODES, (i / PARTS) * MOST_LAG));

function dot(shares: Float64Array, values: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < shares.length; i++) {
    sum += shares[i]! * values[i]!;
  }
  return sum;
}

/** The lag with which a part earns so much; F0 falls with lag. */
function lagOf(f0OfLag: Float64Array, f0: number): number {
  let [low, high] = [0, PARTS];
  while (high - low > 1) {
    const half = (low + high) >> 1;
    if (f0OfLag[half]! >= f0) {
      low = half;
    } else {
      high = half;
    }
  }
  const [more, less] = [f0OfLag[low]!, f0OfLag[high]!];
  const within = more > less ? (more - f0) / (more - less) : 0;
  return ((low + Math.min(1, Math.max(0, within))) / PARTS) * MOST_LAG;
}

/** One direction: where heat is reckoned, and how what is found there is carried to the points that stand for volume. */
interface Line {
  readonly places: readonly Place[];
  readonly carry: readonly Float64Array[];
  readonly shares: readonly number[];
}

function linesOf(body: DrawnLoad['body'], middle: Place, rule: Rule): readonly Line[] {
  if (body.kind === 'liquid') {
    return [];
  }
  const out = outward(body.shape, rule, (share) => ({ ...middle, out: share }));
  const up = upward(middle, rule);
  return body.shape.kind === 'cylinder'
    ? [out, up]
    : [out, outward(body.shape, rule, (along) => ({ ...middle, along })), up];
}

/** From the axis or the middle to the side; the other side is alike. Beyond the last place all counts as there. */
function outward({ kind }: Shape, { at: points, weights }: Rule, place: (share: number) => Place): Line {
  const edge = OUT_NODES[OUT_NODES.length - 1]!;
  const squares = OUT_NODES.map((share) => share * share);
  // Rings of one area are of one volume.
  const inner = kind === 'cylinder' ? edge * edge : edge;
  const at = points.map((point) => (kind === 'cylinder' ? Math.sqrt(point * inner) : point * inner));
  return {
    places: OUT_NODES.map(place),
    carry: [...at, edge].map((share) => lagrangeShares(squares, share * share)),
    shares: [...weights.map((weight) => weight * inner), 1 - inner],
  };
}

/** From below to above; beyond the lowest and highest place all counts as there. */
function upward(middle: Place, { at: points, weights }: Rule): Line {
  const low = Math.max(0, middle.up - UP_BY);
  const high = Math.min(1, middle.up + UP_BY);
  const nodes = UP_NODES.map((share) => low + share * (high - low));
  const at = points.map((point) => low + point * (high - low));
  return {
    places: nodes.map((up) => ({ ...middle, up })),
    carry: [...at, low, high].map((up) => lagrangeShares(nodes, up)),
    shares: [...weights.map((weight) => weight * (high - low)), low, 1 - high],
  };
}

/** Shares of the volume by lag, each between the two parts of the table that it lies between. */
function volumesByLag(lines: readonly Line[], factors: readonly (readonly number[])[]): Float64Array {
  let [lags, shares] = [Float64Array.of(1), Float64Array.of(1)];
  lines.forEach((line, i) => {
    lags = outer(lags, factors[i]!);
    shares = outer(shares, line.shares);
  });
  const volumes = new Float64Array(PARTS + 1);
  for (let i = 0; i < lags.length; i++) {
    const at = (Math.min(MOST_LAG, Math.max(0, lags[i]!)) / MOST_LAG) * PARTS;
    const part = Math.min(PARTS - 1, Math.floor(at));
    volumes[part]! += shares[i]! * (part + 1 - at);
    volumes[part + 1]! += shares[i]! * (at - part);
  }
  return volumes;
}

function outer(a: Float64Array, b: readonly number[]): Float64Array<ArrayBuffer> {
  const all = new Float64Array(a.length * b.length);
  for (let i = 0; i < a.length; i++) {
    for (let j = 0; j < b.length; j++) {
      all[i * b.length + j] = a[i]! * b[j]!;
    }
  }
  return all;
}

/** ln of the share of what stood in a vessel that lives, at so many minutes at 121.1 °C for nine in ten. */
export function lnSurvivingShare({ f0, shares }: HeatField, dMinutes: number): number {
  const rate = -Math.LN10 / dMinutes;
  // F0 falls with lag: what stands last with a share lives best, and nothing then is too little for a number.
  const last = shares.findLastIndex((share) => share > 0);
  const best = rate * f0[last]!;
  let sum = 0;
  for (let i = 0; i <= last; i++) {
    if (shares[i]! > 0) {
      sum += shares[i]! * Math.exp(rate * f0[i]! - best);
    }
  }
  return best + Math.log(sum);
}
