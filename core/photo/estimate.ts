import { TENTH_Z } from '../base/normal.js';
import { CELL_COUNT, SIDE, cellsOf, type Cells } from './cells.js';
import { solved } from '../base/three-by-three.js';
import type { Lab } from './lab.js';
import { masksOf } from './masks.js';
import type { Outline, Picture } from './picture.js';

/** What mycelium is to be told from. */
export type PhotoMedium = 'grain' | 'wood' | 'straw' | 'broth';

/** How far a vessel looks to have run, in what the picture shows of it. */
export interface ColonizationEstimate {
  /** 0 to 1, with the range that holds in 8 of 10 pictures. */
  readonly fraction: number;
  readonly low: number;
  readonly high: number;
  /** Share that was left out, since it is glare or a label. */
  readonly maskedShare: number;
}

/** Where a color lies usually and how far it strays: lightness, toward red, toward yellow. All from memory. */
interface Color {
  readonly mean: Lab;
  readonly strays: Lab;
}
const MYCELIUM: Color = { mean: [83, 0, 7], strays: [9, 4, 7] };
const SHADE: Color = { mean: [24, 4, 8], strays: [9, 4, 7] };
const MEDIA: Readonly<Record<PhotoMedium, Color>> = {
  grain: { mean: [54, 9, 26], strays: [10, 5, 8] },
  wood: { mean: [45, 10, 22], strays: [10, 5, 8] },
  straw: { mean: [63, 4, 30], strays: [9, 5, 9] },
  broth: { mean: [55, 8, 34], strays: [12, 7, 10] },
};

/** A cluster counts what is usual like this share of all cells: an empty one stays where it is expected. Our choice. */
const PRIOR_SHARE = 0.04;
const ROUNDS = 7;
/** Standard deviations between the second and the fourth of five draws of a normal, on average. */
const MIDDLE_HALF = 0.99;
/** Light falls unevenly on a round jar; it is evened out so many times. */
const SHADING_ROUNDS = 2;
/** Light is taken to be even unless much says otherwise, and never to differ by more. Our choices. */
const LIGHT_DAMPING = 0.05;
const LEAST_LIGHT = 0.5;
const MOST_LIGHT = 1.6;
/** Farther from every cluster than this, in standard deviations, is none of them. */
const STRANGE = 4;
/** Within a cluster colors stray at least so far. */
const LEAST_SPREAD: Lab = [3.5, 1.8, 2.5];
/** What a picture cannot say, in points: beside what differs by the reckoning. Measured on pictures made for it. */
const BASE_SD = 0.035;
/** Of what is masked nobody knows; it is taken to be like the rest give or take this share. */
const MASKED_SD = 0.25;

/** The same picture reckoned otherwise: what strays between these is not known. Lightness and yellowness, mycelium and medium. */
const VARIANTS: readonly (readonly [mycelium: Lab, medium: Lab])[] = [
  [
    [0, 0, 0],
    [0, 0, 0],
  ],
  [
    [-7, 0, 5],
    [-4, 0, 4],
  ],
  [
    [5, 0, -4],
    [6, 0, -4],
  ],
  [
    [-6, 0, 0],
    [6, 0, 0],
  ],
  [
    [0, 2, 6],
    [-6, 2, 0],
  ],
];

/**
 * Colonization from the colors inside an outline: mycelium, the medium and the shade between its pieces as three clusters (a
 * mixture of normals, found by expectation and maximization), begun and held back by what is usual.
 *
 * @param picture at least 16 points wide and high
 */
export function estimateColonization(
  picture: Picture,
  outline: Outline,
  medium: PhotoMedium,
): ColonizationEstimate {
  const cells = cellsOf(picture, outline);
  const mask = masksOf(cells);
  const points = evened(cells, mask, [MYCELIUM, MEDIA[medium], SHADE]);
  const fractions = VARIANTS.map(([mycelium, other]) =>
    coverage(points, [moved(MYCELIUM, mycelium), moved(MEDIA[medium], other), SHADE]),
  ).sort((a, b) => a - b);
  // The middle one of five, and how far its neighbors are: one that took mycelium for the medium must not pull it along.
  const [, below, fraction, above] = fractions as [number, number, number, number, number];
  const strays = (above - below) / MIDDLE_HALF;
  const maskedShare = 1 - points.places.length / CELL_COUNT;
  const sd = Math.hypot(BASE_SD, strays, maskedShare * MASKED_SD);
  return {
    fraction,
    low: Math.max(0, fraction - TENTH_Z * sd),
    high: Math.min(1, fraction + TENTH_Z * sd),
    maskedShare,
  };
}

function moved({ mean, strays }: Color, by: Lab): Color {
  return { mean: [mean[0] + by[0], mean[1] + by[1], mean[2] + by[2]], strays };
}

/** The seen cells: where each is, and its color, part by part. */
interface Points {
  readonly places: Int32Array;
  readonly values: readonly [Float64Array, Float64Array, Float64Array];
}

/** The seen cells, with their light evened out. */
function evened({ lightness, a, b }: Cells, mask: Uint8Array, colors: readonly Color[]): Points {
  const places = Int32Array.from([...mask.keys()].filter((i) => mask[i] === 0));
  const seen = (all: Float32Array) => Float64Array.from(places, (i) => all[i]!);
  const points: Points = { places, values: [seen(lightness), seen(a), seen(b)] };
  for (let round = 0; round < SHADING_ROUNDS && places.length > 0; round++) {
    const { clusters, weights } = clustered(points, colors);
    evenOut(points, clusters, weights);
  }
  return points;
}

interface Cluster {
  mean: [number, number, number];
  spread: [number, number, number];
  share: number;
}

interface Clustered {
  readonly clusters: readonly Cluster[];
  /** How much of each seen cell belongs to each cluster. */
  readonly weights: readonly Float64Array[];
}

function clustered(points: Points, colors: readonly Color[]): Clustered {
  const clusters = colors.map(({ mean, strays }): Cluster => ({
    mean: [...mean],
    spread: [...strays],
    share: 1 / colors.length,
  }));
  const weights = clusters.map(() => new Float64Array(points.places.length));
  for (let round = 0; round < ROUNDS; round++) {
    weigh(points, clusters, weights);
    clusters.forEach((cluster, k) => {
      settle(cluster, colors[k]!, points, weights[k]!);
    });
  }
  weigh(points, clusters, weights);
  return { clusters, weights };
}

/** Share of the seen cells that is mycelium. */
function coverage(points: Points, colors: readonly Color[]): number {
  const sums = clustered(points, colors).weights.map(sumOf);
  const all = sums.reduce((sum, own) => sum + own, 0);
  return all > 0 ? sums[0]! / all : 0;
}

function sumOf(values: Float64Array): number {
  let sum = 0;
  for (let n = 0; n < values.length; n++) {
    sum += values[n]!;
  }
  return sum;
}

/** How much of each cell belongs to each cluster; what is strange to all belongs to none. */
function weigh(
  { values: [lightness, a, b] }: Points,
  clusters: readonly Cluster[],
  weights: readonly Float64Array[],
): void {
  const scale = clusters.map((c) => c.share / (c.spread[0] * c.spread[1] * c.spread[2]));
  const sums = new Float64Array(lightness.length).fill(Math.max(...scale) * Math.exp(-(STRANGE ** 2) / 2));
  clusters.forEach(({ mean, spread }, k) => {
    const own = weights[k]!;
    for (let n = 0; n < own.length; n++) {
      const x = (lightness[n]! - mean[0]) / spread[0];
      const y = (a[n]! - mean[1]) / spread[1];
      const z = (b[n]! - mean[2]) / spread[2];
      own[n] = scale[k]! * Math.exp(-(x * x + y * y + z * z) / 2);
      sums[n]! += own[n]!;
    }
  });
  for (const own of weights) {
    for (let n = 0; n < own.length; n++) {
      own[n]! /= sums[n]!;
    }
  }
}

/** Moves a cluster to its cells, held back by what is usual. */
function settle(cluster: Cluster, { mean, strays }: Color, { values }: Points, weight: Float64Array): void {
  const prior = PRIOR_SHARE * weight.length;
  const count = sumOf(weight);
  for (let d = 0; d < 3; d++) {
    const value = values[d]!;
    let sum = 0;
    for (let n = 0; n < weight.length; n++) {
      sum += weight[n]! * value[n]!;
    }
    const center = (sum + prior * mean[d]!) / (count + prior);
    let square = 0;
    for (let n = 0; n < weight.length; n++) {
      square += weight[n]! * (value[n]! - center) * (value[n]! - center);
    }
    cluster.mean[d] = center;
    cluster.spread[d] = Math.max(
      LEAST_SPREAD[d]!,
      Math.sqrt((square + prior * strays[d]! ** 2) / (count + prior)),
    );
  }
  cluster.share = (count + prior / 3) / (weight.length + prior);
}

/**
 * Takes the slow change of light over the picture out of the lightness: across, up and down, and toward both sides, by least
 * squares of what each cell is lighter than its cluster.
 */
function evenOut(
  { places, values: [lightness] }: Points,
  clusters: readonly Cluster[],
  weights: readonly Float64Array[],
): void {
  const normal = new Float64Array(9);
  const right = new Float64Array(3);
  for (let n = 0; n < places.length; n++) {
    const terms = lightTerms(places[n]!);
    // Mycelium and medium; shade between pieces has a light of its own.
    for (let k = 0; k < 2; k++) {
      const weight = weights[k]![n]!;
      const mean = clusters[k]!.mean[0];
      for (let row = 0; row < 3; row++) {
        for (let column = 0; column < 3; column++) {
          normal[row * 3 + column]! += weight * terms[row]! * terms[column]!;
        }
        right[row]! += (weight * terms[row]! * (lightness[n]! - mean)) / mean;
      }
    }
  }
  const slopes = solved(normal, right, LIGHT_DAMPING);
  for (let n = 0; n < places.length; n++) {
    const change = lightTerms(places[n]!).reduce((sum, term, k) => sum + term * slopes[k]!, 0);
    lightness[n]! /= Math.min(MOST_LIGHT, Math.max(LEAST_LIGHT, 1 + change));
  }
}

/** Across, up and down, and toward both sides. */
function lightTerms(index: number): readonly [number, number, number] {
  const across = ((index % SIDE) / (SIDE - 1)) * 2 - 1;
  const down = (Math.floor(index / SIDE) / (SIDE - 1)) * 2 - 1;
  return [across, down, across * across - 1 / 3];
}
