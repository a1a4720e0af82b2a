import { TENTH_Z } from '../../base/normal.js';
import type { Random } from '../../record/new-id.js';
import { effectiveCount, priorDraws, type Draws } from './draws.js';
import { valueAt } from '../value-at.js';
import { runHeat, type Run } from './run-heat.js';
import { BED_SIGMA, DRAW_SIZE } from './uncertain-load.js';

/** Something measured in the middle of a vessel during or after a run. */
export type Observation = Seen & {
  /** Vessels of one cook share what was particular to it; left out where it was a cook by itself. */
  readonly cook?: string;
};

type Seen =
  | {
      readonly kind: 'probe';
      readonly run: Run;
      readonly readings: readonly { readonly minutes: number; readonly celsius: number }[];
    }
  /** A thermometer that keeps its highest reading. */
  | { readonly kind: 'maximum'; readonly run: Run; readonly celsius: number }
  /** Spores that lived or died: all that they say is on which side of their limit F0 was. */
  | {
      readonly kind: 'indicator';
      readonly run: Run;
      readonly survived: boolean;
      /** Spores in it, as a power of ten. */
      readonly logPopulation: number;
      /** Minutes at 121.1 °C that kill nine in ten. */
      readonly dMinutes: number;
    };

/** Which vessel is asked about: one of the next cook, another of a cook that was measured, or the very one that was. */
export type About =
  | { readonly of: 'nextCook' }
  | { readonly of: 'sameCook'; readonly cook: string }
  | { readonly of: 'sameVessel'; readonly observation: number };

export const NEXT_COOK: About = { of: 'nextCook' };

/** Readings close together err together, so a log counts as six at most; a place beside the coldest point included. */
const PROBE_SIGMA_C = 1.2;
const READINGS_COUNTED = 6;
/** What is the same in all readings of one instrument, 8 in 10 within 2 °C. Common practice, no source. */
const OFFSET_SIGMA_C = 1.5;
const MAXIMUM_SIGMA_C = 0.5;
/** Beds of one cook differ by 12 % (8 in 10), the means of two cooks by 10 %. Our estimate. */
const VESSEL_SIGMA = 0.12 / TENTH_Z;
const COOK_SIGMA = 0.1 / TENTH_Z;
/** What D is printed on an indicator holds within a fifth either way (8 in 10). From memory. */
const D_SIGMA = Math.log(1.2) / TENTH_Z;
/**
 * One proof in a thousand is wrong altogether: the wrong jar, a slipped probe, a cap left loose. So two that cannot both
 * be true leave both possible. Our choice.
 */
const WRONG_ALTOGETHER = 1e-3;
/** Places and weights at which what D may be is summed: Gauss and Hermite, five points (Abramowitz and Stegun 25.10). */
const D_POINTS = [
  [-2.85697, 0.011257],
  [-1.355626, 0.222076],
  [0, 0.533333],
  [1.355626, 0.222076],
  [2.85697, 0.011257],
] as const;
const STEP_MINUTES = 1;
/** Fewer equal draws than this are too few to speak of a band; they are drawn anew where the weight lies. */
const ENOUGH = 60;
/** New draws are spread wider than the old ones found, so that none of the truth is cut off. */
const WIDER = 1.4;
const LEAST_SPREAD = 0.15;
/** What is about as wide as before was not spoken of; it is drawn as it was. */
const UNTOUCHED = 0.9;
const MOST_ROUNDS = 5;

/**
 * What is likely after measuring: each draw weighs as much as it foretold what was seen (Bayes, by weighting draws).
 * What was seen in one vessel carries over to another only in part: beds differ from vessel to vessel and from cook to
 * cook, and instruments are off. Where a few draws hold all the weight, as many again are drawn around them and weighed
 * by prior × likelihood over the chance of being drawn (importance sampling), a few times at most.
 *
 * @param count at least 200
 */
export function drawsAfter(
  observations: readonly Observation[],
  count: number,
  random: Random,
  about: About = NEXT_COOK,
): Draws {
  if (observations.length === 0) {
    return priorDraws(count, random);
  }
  const beds = bedsOf(observations, about);
  const size = DRAW_SIZE - 1 + beds.length;
  const prior = priorDraws(count, random, size).normals;
  let best = weighed(prior, observations, beds, () => 0);
  for (let round = 0; round < MOST_ROUNDS && effectiveCount(best) < ENOUGH; round++) {
    const around = momentsOf(best);
    // Where two rounds were not enough, more draws are the last resort.
    const steps = priorDraws(count * 2 ** Math.max(0, round - 1), random, size).normals;
    const normals = steps.map((step) => step.map((z, i) => around.mean[i]! + around.sigma[i]! * z));
    // A normal prior over a normal proposal: how wide that is, is the same for all and falls out.
    const again = weighed(normals, observations, beds, (row, k) => (squared(steps[k]!) - squared(row)) / 2);
    best = effectiveCount(again) > effectiveCount(best) ? again : best;
  }
  const asked = beds[beds.length - 1]!;
  return { ...best, normals: best.normals.map((row) => loadOf(row, asked)) };
}

/**
 * The beds of the vessels that were seen, and last of the one that is asked about, as sums of standard normals: row by row
 * the Cholesky root of how they go together. A bed is what the household's have in common, what its cook had to itself and
 * what the vessel had.
 */
function bedsOf(observations: readonly Observation[], about: About): readonly Float64Array[] {
  const total = BED_SIGMA ** 2;
  const inCook = (total - VESSEL_SIGMA ** 2) / total;
  const inHouse = (total - VESSEL_SIGMA ** 2 - COOK_SIGMA ** 2) / total;
  const vessels: readonly InCook[] = [
    ...observations.map(({ cook }, i) => ({ vessel: i, cook: cook ?? i })),
    vesselAsked(observations, about),
  ];
  const together = (one: InCook, other: InCook) =>
    one.vessel === other.vessel ? 1 : one.cook === other.cook ? inCook : inHouse;
  const root: Float64Array[] = [];
  for (let i = 0; i < vessels.length; i++) {
    const own = new Float64Array(i + 1);
    for (let j = 0; j <= i; j++) {
      const other = j === i ? own : root[j]!;
      let rest = together(vessels[i]!, vessels[j]!);
      for (let k = 0; k < j; k++) {
        rest -= own[k]! * other[k]!;
      }
      // Two of one vessel leave nothing over.
      own[j] = j === i ? Math.sqrt(Math.max(rest, 0)) : other[j]! < 1e-9 ? 0 : rest / other[j]!;
    }
    root.push(own);
  }
  return root;
}

/** A vessel, and the cook that it stood in. */
interface InCook {
  readonly vessel: number;
  readonly cook: string | number;
}

/** The one that is asked about: one that was seen, another of its cook, or one of a cook that nothing was seen of. */
function vesselAsked(observations: readonly Observation[], about: About): InCook {
  const unseen = observations.length;
  switch (about.of) {
    case 'sameVessel':
      return { vessel: about.observation, cook: observations[about.observation]?.cook ?? about.observation };
    case 'sameCook':
      return { vessel: unseen, cook: about.cook };
    case 'nextCook':
      return { vessel: unseen, cook: unseen };
  }
}

/** The six normals of a vessel's load: its bed, and what all vessels share. */
function loadOf(row: Float64Array, bed: Float64Array): Float64Array {
  const load = new Float64Array(DRAW_SIZE);
  load[0] = bed.reduce((sum, share, i) => sum + share * row[DRAW_SIZE - 1 + i]!, 0);
  load.set(row.subarray(0, DRAW_SIZE - 1), 1);
  return load;
}

/** Rows with the weights that what was seen gives them, and how much of that must be doubted. */
function weighed(
  rows: readonly Float64Array[],
  observations: readonly Observation[],
  beds: readonly Float64Array[],
  logStart: (row: Float64Array, index: number) => number,
): Draws {
  const likelihoods = rows.map((row) =>
    observations.map((seen, i) => Math.exp(logLikelihood(seen, loadOf(row, beds[i]!)))),
  );
  const logs = rows.map((row, k) =>
    likelihoods[k]!.reduce((sum, likelihood) => sum + Math.log(orWrong(likelihood)), logStart(row, k)),
  );
  const top = Math.max(...logs);
  const weights = Float64Array.from(logs, (log) => Math.exp(log - top));
  const total = weights.reduce((a, b) => a + b, 0);
  const shares = weights.map((w) => w / total);
  const allRight = likelihoods.map((own) =>
    own.reduce((chance, one) => chance * (1 - WRONG_ALTOGETHER / orWrong(one)), 1),
  );
  return {
    normals: rows,
    weights: shares,
    doubt: 1 - allRight.reduce((sum, chance, k) => sum + shares[k]! * chance, 0),
  };
}

/** A likelihood, where the proof may be wrong altogether and then says nothing. */
function orWrong(likelihood: number): number {
  return (1 - WRONG_ALTOGETHER) * likelihood + WRONG_ALTOGETHER;
}

/** How well one draw foretold one observation, as a logarithm, whatever its instrument is off. */
function logLikelihood(seen: Observation, load: Float64Array): number {
  const heat = runHeat(seen.run, load, STEP_MINUTES);
  switch (seen.kind) {
    case 'probe':
      return logOfProbe(
        seen.readings.map(
          (r) =>
            r.celsius -
            valueAt(
              heat.coreCelsius,
              heat.minutes[1]! - heat.minutes[0]!,
              r.minutes - seen.run.chamber[0]!.minutes,
            ),
        ),
      );
    case 'maximum': {
      const hottest = heat.coreCelsius.reduce((a, b) => Math.max(a, b), -Infinity);
      return -((seen.celsius - hottest) ** 2) / (2 * (MAXIMUM_SIGMA_C ** 2 + OFFSET_SIGMA_C ** 2));
    }
    case 'indicator': {
      const chance = D_POINTS.reduce(
        (sum, [z, weight]) => sum + weight * chanceOfSpores(seen, heat.coreF0, z),
        0,
      );
      return Math.log(chance + 1e-12);
    }
  }
}

/** Misses of one log: each errs by itself, and all by the same offset, which is summed out. */
function logOfProbe(misses: readonly number[]): number {
  const precision = Math.min(1, READINGS_COUNTED / Math.max(misses.length, 1)) / PROBE_SIGMA_C ** 2;
  const sum = misses.reduce((all, m) => all + m, 0);
  const squares = misses.reduce((all, m) => all + m * m, 0);
  const common = (precision * sum) ** 2 / (1 / OFFSET_SIGMA_C ** 2 + precision * misses.length);
  return -(precision * squares - common) / 2;
}

/** Each spore lives with 10^(−F0/D); none of 10^n with e^(−10^(n − F0/D)) (Poisson). */
function chanceOfSpores(
  { survived, logPopulation, dMinutes }: Extract<Seen, { kind: 'indicator' }>,
  coreF0: number,
  z: number,
): number {
  const left = 10 ** Math.min(logPopulation - coreF0 / (dMinutes * Math.exp(D_SIGMA * z)), 3);
  return survived ? -Math.expm1(-left) : Math.exp(-left);
}

function squared(row: Float64Array): number {
  return row.reduce((sum, z) => sum + z * z, 0);
}

function momentsOf({ normals: rows, weights }: Draws): {
  readonly mean: Float64Array;
  readonly sigma: Float64Array;
} {
  const size = rows[0]?.length ?? DRAW_SIZE;
  const mean = new Float64Array(size);
  rows.forEach((row, k) => row.forEach((z, i) => (mean[i]! += weights[k]! * z)));
  const spread = new Float64Array(size);
  rows.forEach((row, k) => row.forEach((z, i) => (spread[i]! += weights[k]! * (z - mean[i]!) ** 2)));
  const isUntouched = (i: number) => spread[i]! > UNTOUCHED ** 2;
  return {
    mean: mean.map((m, i) => (isUntouched(i) ? 0 : m)),
    sigma: spread.map((v, i) => (isUntouched(i) ? 1 : WIDER * Math.max(Math.sqrt(v), LEAST_SPREAD))),
  };
}
