import type { Random } from '../../record/new-id.js';
import { effectiveCount, priorDraws, type Draws } from './draws.js';
import { runHeat, type Run } from './run-heat.js';
import { DRAW_SIZE } from './uncertain-load.js';

/** Something measured in the middle of a vessel during or after a run. */
export type Observation =
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

/**
 * A probe is a little off and not quite in the coldest point, and the model is no jar: together about 2 °C, and
 * readings close together err together, so a log counts as six at most.
 */
const PROBE_SIGMA_C = 2;
const READINGS_COUNTED = 6;
const MAXIMUM_SIGMA_C = 1.5;
const STEP_MINUTES = 1;
/** Fewer equal draws than this are too few to speak of a band; they are drawn anew where the weight lies. */
const ENOUGH = 60;
/** New draws are spread wider than the old ones found, so that none of the truth is cut off. */
const WIDER = 1.4;

/**
 * What is likely after measuring: each draw weighs as much as it foretold what was seen (Bayes, by weighting draws).
 * Where a few draws hold all the weight, as many again are drawn around them and weighed by prior × likelihood over
 * the chance of being drawn (importance sampling).
 *
 * @param count at least 200
 */
export function drawsAfter(observations: readonly Observation[], count: number, random: Random): Draws {
  const prior = priorDraws(count, random);
  if (observations.length === 0) {
    return prior;
  }
  const first: Draws = { normals: prior.normals, weights: weigh(prior.normals, observations, () => 0) };
  if (effectiveCount(first) >= ENOUGH) {
    return first;
  }
  const around = momentsOf(first);
  const again = priorDraws(count, random).normals.map((row) =>
    row.map((z, i) => around.mean[i]! + around.sigma[i]! * z),
  );
  // A normal prior over a normal proposal, dimension by dimension.
  const weights = weigh(again, observations, (row) =>
    row.reduce(
      (sum, z, i) =>
        sum - (z * z) / 2 + ((z - around.mean[i]!) / around.sigma[i]!) ** 2 / 2 + Math.log(around.sigma[i]!),
      0,
    ),
  );
  return { normals: again, weights };
}

function weigh(
  rows: readonly Float64Array[],
  observations: readonly Observation[],
  logStart: (row: Float64Array) => number,
): Float64Array {
  const logs = rows.map((row) =>
    observations.reduce((sum, seen) => sum + logLikelihood(seen, row), logStart(row)),
  );
  const top = Math.max(...logs);
  const weights = Float64Array.from(logs, (log) => Math.exp(log - top));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}

/** How well one draw foretold one observation, as a logarithm. */
function logLikelihood(seen: Observation, normals: Float64Array): number {
  const heat = runHeat(seen.run, normals, STEP_MINUTES);
  switch (seen.kind) {
    case 'probe': {
      const misses = seen.readings.map(
        (r) =>
          (r.celsius - at(heat.coreCelsius, heat.minutes, r.minutes - seen.run.chamber[0]!.minutes)) /
          PROBE_SIGMA_C,
      );
      const counted = Math.min(1, READINGS_COUNTED / Math.max(misses.length, 1));
      return (-counted * misses.reduce((sum, m) => sum + m * m, 0)) / 2;
    }
    case 'maximum': {
      const hottest = heat.coreCelsius.reduce((a, b) => Math.max(a, b), -Infinity);
      return -(((seen.celsius - hottest) / MAXIMUM_SIGMA_C) ** 2) / 2;
    }
    case 'indicator': {
      // Each spore lives with 10^(−F0/D); none of 10^n with e^(−10^(n − F0/D)) (Poisson).
      const left = 10 ** Math.min(seen.logPopulation - heat.coreF0 / seen.dMinutes, 3);
      return seen.survived ? Math.log(-Math.expm1(-left) + 1e-12) : -left;
    }
  }
}

function at(values: Float64Array, minutes: Float64Array, when: number): number {
  const step = minutes[1]! - minutes[0]!;
  const place = Math.min(Math.max(when / step, 0), values.length - 1);
  const before = Math.min(Math.floor(place), values.length - 2);
  return values[before]! + (place - before) * (values[before + 1]! - values[before]!);
}

function momentsOf({ normals: rows, weights }: Draws): {
  readonly mean: Float64Array;
  readonly sigma: Float64Array;
} {
  const mean = new Float64Array(DRAW_SIZE);
  rows.forEach((row, k) => row.forEach((z, i) => (mean[i]! += weights[k]! * z)));
  const sigma = new Float64Array(DRAW_SIZE);
  rows.forEach((row, k) => row.forEach((z, i) => (sigma[i]! += weights[k]! * (z - mean[i]!) ** 2)));
  return { mean, sigma: sigma.map((v) => WIDER * Math.max(Math.sqrt(v), 0.15)) };
}
