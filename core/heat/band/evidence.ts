import { TENTH_Z } from '../../base/normal.js';
import { NORMAL_SUM } from '../../base/normal-sum.js';
import type { Random } from '../../record/new-id.js';
import { effectiveCount, normalRows, priorDraws, type Draws } from '../load/draws.js';
import { logOfOutcome, type Outcome } from '../spoilage/outcome.js';
import { logOfPractice, type Practice } from '../spoilage/practice.js';
import type { Run } from '../load/run-heat.js';
import { foretold, nearlyForetold, type Foretold } from './foretold.js';
import { inCommon } from '../load/bed-spread.js';
import { HEAT_NORMALS, SPORE_NORMALS } from '../load/uncertain-load.js';

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
    }
  /** What became of the vessels of a cook. */
  | ({ readonly kind: 'jars' } & Outcome)
  /** What the trade finds with its usual hold. */
  | { readonly kind: 'practice'; readonly practice: Practice };

/** Which vessel is asked about: one of the next cook, another of a cook that was measured, or the very one that was. */
export type About =
  | { readonly of: 'nextCook' }
  | { readonly of: 'sameCook'; readonly cook: string }
  /** What all vessels of a cook share: each has a bed of its own beside. */
  | { readonly of: 'nextLoad' }
  | { readonly of: 'sameLoad'; readonly cook: string }
  | { readonly of: 'sameVessel'; readonly observation: number };

export const NEXT_COOK: About = { of: 'nextCook' };
export const NEXT_LOAD: About = { of: 'nextLoad' };

/** Readings close together err together, so a log counts as six at most; a place beside the coldest point included. */
const PROBE_SIGMA_C = 1.2;
const READINGS_COUNTED = 6;
/** What is the same in all readings of one instrument, 8 in 10 within 2 °C. Common practice, no source. */
const OFFSET_SIGMA_C = 1.5;
const MAXIMUM_SIGMA_C = 0.5;
/** What D is printed on an indicator holds within a fifth either way (8 in 10). From memory. */
const D_SIGMA = Math.log(1.2) / TENTH_Z;
/**
 * One proof in a thousand is wrong altogether: the wrong jar, a slipped probe, a cap left loose. So two that cannot both
 * be true leave both possible. Our choice.
 */
const WRONG_ALTOGETHER = 1e-3;
/**
 * How likely such a proof would by chance show what was seen, beside the best that a right one foretells: a slipped probe
 * still draws a curve, but seldom one that fits; spores that say nothing say either. Our choice.
 */
const BY_CHANCE: Readonly<Record<Observation['kind'], number>> = {
  probe: 0.1,
  maximum: 0.3,
  indicator: 0.5,
  jars: 1,
  practice: 1,
};
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
  if (observations.length === 0 && about.of !== 'nextLoad' && about.of !== 'sameLoad') {
    return priorDraws(count, random);
  }
  const beds = bedsOf(observations, about);
  // Spores matter only to what is known of many vessels; else they are as likely as before.
  const withSpores = observations.some(isOfMany);
  const size = HEAT_NORMALS - 1 + beds.length + (withSpores ? SPORE_NORMALS : 0);
  let best = weighed(...chosen(observations, beds, count, random, size), observations, beds);
  for (let round = 0; round < MOST_ROUNDS && effectiveCount(best) < ENOUGH; round++) {
    const around = momentsOf(best);
    // Where two rounds were not enough, more draws are the last resort.
    const steps = normalRows(count * 2 ** Math.max(0, round - 1), random, size);
    const normals = steps.map((step) => step.map((z, i) => around.mean[i]! + around.sigma[i]! * z));
    // A normal prior over a normal proposal: how wide that is, is the same for all and falls out.
    const again = weighed(normals, (row, k) => (squared(steps[k]!) - squared(row)) / 2, observations, beds);
    best = effectiveCount(again) > effectiveCount(best) ? again : best;
  }
  const asked = beds[beds.length - 1]!;
  const kept = best.normals.length > count ? fewer(best, count, random) : best;
  const unasked = normalRows(kept.normals.length, random, SPORE_NORMALS);
  return {
    ...kept,
    normals: kept.normals.map((row, k) => {
      const load = loadOf(row, asked);
      if (!withSpores) {
        load.set(unasked[k]!, HEAT_NORMALS);
      }
      return load;
    }),
  };
}

/** What is known of many vessels stands in a table, and runs are nearly known by a few of them: both cost little to ask. */
const CANDIDATES_FOR_EACH = 20;
/** What is only nearly known chooses a little less sharply than it would weigh, so that no draw is missed. */
const NEARLY = 0.8;

/**
 * Draws that already are about as likely as what was seen makes them: of many, those that nearly foretold it, each as often
 * as it weighs. What they were chosen by is then taken off their weight.
 */
function chosen(
  observations: readonly Observation[],
  beds: readonly Float64Array[],
  count: number,
  random: Random,
  size: number,
): [readonly Float64Array[], (row: Float64Array) => number] {
  if (observations.length === 0) {
    return [normalRows(count, random, size), () => 0];
  }
  const nearly = observations.map(nearlyLikely);
  const logKnown = (row: Float64Array) =>
    observations.reduce((sum, seen, i) => {
      const log = Math.log(orWrong(seen, Math.exp(nearly[i]!(loadOf(row, beds[i]!)))));
      return sum + (isOfMany(seen) ? 1 : NEARLY) * log;
    }, 0);
  const rows = normalRows(count * CANDIDATES_FOR_EACH, random, size);
  const logs = rows.map(logKnown);
  const top = Math.max(...logs);
  return [
    resampled(
      rows,
      logs.map((log) => Math.exp(log - top)),
      count,
      random,
    ),
    (row) => -logKnown(row),
  ];
}

function isOfMany({ kind }: Observation): boolean {
  return kind === 'practice' || kind === 'jars';
}

/** Rows, each about as often as it weighs (systematic resampling; Kitagawa 1996). */
function resampled(
  rows: readonly Float64Array[],
  weights: readonly number[],
  count: number,
  random: Random,
): readonly Float64Array[] {
  const step = weights.reduce((sum, w) => sum + w, 0) / count;
  const found: Float64Array[] = [];
  let next = step * random();
  let sum = 0;
  rows.forEach((row, k) => {
    sum += weights[k]!;
    while (next < sum && found.length < count) {
      found.push(row);
      next += step;
    }
  });
  return found;
}

/** So many of the draws by their weight, those that come again taken once: each is asked for every run. */
function fewer({ normals, weights, doubt }: Draws, count: number, random: Random): Draws {
  const times = new Map<Float64Array, number>();
  for (const row of resampled(normals, Array.from(weights), count, random)) {
    times.set(row, (times.get(row) ?? 0) + 1);
  }
  return {
    normals: [...times.keys()],
    weights: Float64Array.from(times.values(), (n) => n / count),
    doubt,
  };
}

/**
 * The beds of the vessels that were seen, and last of the one that is asked about, as sums of standard normals: row by row
 * the Cholesky root of how they go together. A bed is what the household's have in common, what its cook had to itself and
 * what the vessel had.
 */
function bedsOf(observations: readonly Observation[], about: About): readonly Float64Array[] {
  const beds = [...observations.map(bedSeen), bedAsked(observations, about)];
  const root: Float64Array[] = [];
  for (let i = 0; i < beds.length; i++) {
    const own = new Float64Array(i + 1);
    for (let j = 0; j <= i; j++) {
      const other = j === i ? own : root[j]!;
      let rest = together(beds[i]!, beds[j]!);
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

/** A bed, by what it stands for: a vessel in its cook, what all vessels of a cook share, or what the whole trade shares. */
interface Bed {
  readonly cook?: string | number;
  readonly vessel?: number;
}

function together(one: Bed, other: Bed): number {
  if (one.cook === undefined || other.cook === undefined) {
    return inCommon('trade');
  }
  if (one.cook !== other.cook) {
    return inCommon('house');
  }
  return one.vessel !== undefined && one.vessel === other.vessel ? inCommon('vessel') : inCommon('cook');
}

function bedSeen(seen: Observation, index: number): Bed {
  switch (seen.kind) {
    case 'practice':
      return {};
    case 'jars':
      return { cook: seen.cook ?? index };
    default:
      return { cook: seen.cook ?? index, vessel: index };
  }
}

/** The one that is asked about: one that was seen, another of its cook, or one of a cook that nothing was seen of. */
function bedAsked(observations: readonly Observation[], about: About): Bed {
  const unseen = observations.length;
  switch (about.of) {
    case 'sameVessel':
      return { cook: observations[about.observation]?.cook ?? about.observation, vessel: about.observation };
    case 'sameCook':
      return { cook: about.cook, vessel: unseen };
    case 'sameLoad':
      return { cook: about.cook };
    case 'nextCook':
      return { cook: unseen, vessel: unseen };
    case 'nextLoad':
      return { cook: unseen };
  }
}

/** The normals of a vessel's load: its bed, what all vessels share of heat, and the spores if they are told. */
function loadOf(row: Float64Array, bed: Float64Array): Float64Array {
  const load = new Float64Array(HEAT_NORMALS + SPORE_NORMALS);
  load[0] = bed.reduce((sum, share, i) => sum + share * row[HEAT_NORMALS - 1 + i]!, 0);
  load.set(row.subarray(0, HEAT_NORMALS - 1), 1);
  load.set(row.subarray(row.length - SPORE_NORMALS), HEAT_NORMALS);
  return load;
}

/** Rows with the weights that what was seen gives them, and how much of that must be doubted. */
function weighed(
  rows: readonly Float64Array[],
  logStart: (row: Float64Array, index: number) => number,
  observations: readonly Observation[],
  beds: readonly Float64Array[],
): Draws {
  const likelihoods = rows.map((row) =>
    observations.map((seen, i) => Math.exp(logLikelihood(seen, loadOf(row, beds[i]!)))),
  );
  const logs = rows.map((row, k) =>
    likelihoods[k]!.reduce(
      (sum, likelihood, i) => sum + Math.log(orWrong(observations[i]!, likelihood)),
      logStart(row, k),
    ),
  );
  const top = Math.max(...logs);
  const weights = Float64Array.from(logs, (log) => Math.exp(log - top));
  const total = weights.reduce((a, b) => a + b, 0);
  const shares = weights.map((w) => w / total);
  // What is known of many vessels is no proof that could be mistaken.
  const allRight = likelihoods.map((own) =>
    own.reduce(
      (chance, one, i) => (isOfMany(observations[i]!) ? chance : chance * rightOf(observations[i]!, one)),
      1,
    ),
  );
  return {
    normals: rows,
    weights: shares,
    doubt: 1 - allRight.reduce((sum, chance, k) => sum + shares[k]! * chance, 0),
  };
}

/** A likelihood, where the proof may be wrong altogether and then says nothing. */
function orWrong({ kind }: Observation, likelihood: number): number {
  return (1 - WRONG_ALTOGETHER) * likelihood + WRONG_ALTOGETHER * BY_CHANCE[kind];
}

/** How likely a proof is right after all, for one draw. */
function rightOf(seen: Observation, likelihood: number): number {
  return ((1 - WRONG_ALTOGETHER) * likelihood) / orWrong(seen, likelihood);
}

/** How well one draw foretold one observation, as a logarithm, whatever its instrument is off. */
function logLikelihood(seen: Observation, load: Float64Array): number {
  switch (seen.kind) {
    case 'jars':
      return logOfOutcome(seen, load);
    case 'practice':
      return logOfPractice(seen.practice, load);
    default:
      return logOfMeasured(seen, foretold(seen.run, minutesOf(seen), load));
  }
}

/** The same, nearly, and far quicker once it is made. */
function nearlyLikely(seen: Observation): (load: Float64Array) => number {
  if (seen.kind === 'jars' || seen.kind === 'practice') {
    return (load) => logLikelihood(seen, load);
  }
  const nearly = nearlyForetold(seen.run, minutesOf(seen));
  return (load) => logOfMeasured(seen, nearly(load));
}

type Measured = Exclude<Observation, { readonly kind: 'jars' | 'practice' }>;

function minutesOf(seen: Measured): readonly number[] {
  return seen.kind === 'probe' ? seen.readings.map((r) => r.minutes) : [];
}

function logOfMeasured(seen: Measured, { celsius, hottestC, f0 }: Foretold): number {
  switch (seen.kind) {
    case 'probe':
      return logOfProbe(seen.readings.map((r, i) => r.celsius - celsius[i]!));
    case 'maximum':
      return -((seen.celsius - hottestC) ** 2) / (2 * (MAXIMUM_SIGMA_C ** 2 + OFFSET_SIGMA_C ** 2));
    case 'indicator': {
      const chance = NORMAL_SUM.reduce((sum, [z, weight]) => sum + weight * chanceOfSpores(seen, f0, z), 0);
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

interface Moments {
  readonly mean: Float64Array;
  readonly sigma: Float64Array;
}

function momentsOf({ normals: rows, weights }: Draws): Moments {
  const size = rows[0]?.length ?? 0;
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
