import { TENTH_Z } from '../base/normal.js';
import type { ColonizationPrior } from './forecast.js';
import { FULL } from './curve.js';
import { VESSEL_SIGMA, type ColonizationMark } from './pooled-fit.js';

/** When a batch of one's own had run full, ln of the day, and how surely that is known. */
export interface OwnRun {
  readonly lnFull: number;
  readonly variance: number;
}

/** Between two looks so far apart it says hardly anything when it was full. Our choice. */
const MOST_GAP = 1.6;
/** Half of what a species' runs differ by lies between houses, half between the runs of one. Our estimate. */
const HOUSE_SHARE = 0.5;
/** That estimate weighs as much as so many runs. Our choice. */
const RUNS_OF_PRIOR = 4;
/** However alike one's runs are, the next differs by so much, ln. Our choice. */
const LEAST_SIGMA = 0.03;

/**
 * Of a batch, from its vessels' looks: each was full between two of them.
 *
 * @param vessels marks by day
 * @returns undefined where none was seen nearly full and then full
 */
export function ownRunOf(vessels: readonly (readonly ColonizationMark[])[]): OwnRun | undefined {
  const known = vessels.flatMap((marks) => {
    const at = marks.findIndex((m) => m.fraction >= FULL);
    const [before, first] = [marks[at - 1]?.day ?? 0, marks[at]?.day ?? 0];
    return before > 0 && first <= before * MOST_GAP
      ? [{ ln: Math.log(before * first) / 2, variance: Math.log(first / before) ** 2 / 12 }]
      : [];
  });
  if (known.length === 0) {
    return undefined;
  }
  const count = known.length;
  return {
    lnFull: known.reduce((sum, k) => sum + k.ln, 0) / count,
    // All are looked at on the same days: the gap between two looks is one error of all of them.
    variance: known.reduce((sum, k) => sum + k.variance, 0) / count + VESSEL_SIGMA ** 2 / count,
  };
}

/**
 * A species' usual days, narrowed by this house's own runs: they lean on what is usual until there are several (partial
 * pooling; a normal whose spread is known as well as from four runs).
 */
export function narrowed(prior: ColonizationPrior, runs: readonly OwnRun[]): ColonizationPrior {
  if (runs.length === 0) {
    return prior;
  }
  const sigma = Math.log(prior.high / prior.low) / (2 * TENTH_Z);
  const ofBatch = Math.max(sigma ** 2 - VESSEL_SIGMA ** 2, LEAST_SIGMA ** 2);
  const ofHouse = HOUSE_SHARE * ofBatch;
  const mean = runs.reduce((sum, r) => sum + r.lnFull, 0) / runs.length;
  const scatter = runs.reduce((sum, r) => sum + Math.max(0, (r.lnFull - mean) ** 2 - r.variance), 0);
  const betweenRuns = Math.max(
    (RUNS_OF_PRIOR * (1 - HOUSE_SHARE) * ofBatch + scatter) / (RUNS_OF_PRIOR + runs.length - 1),
    LEAST_SIGMA ** 2,
  );
  let [weight, sum] = [1 / ofHouse, Math.log(prior.fullDay) / ofHouse];
  for (const { lnFull, variance } of runs) {
    weight += 1 / (betweenRuns + variance);
    sum += lnFull / (betweenRuns + variance);
  }
  const spread = Math.sqrt(1 / weight + betweenRuns + VESSEL_SIGMA ** 2);
  const at = (z: number) => Math.exp(sum / weight + z * spread);
  return { fullDay: at(0), low: at(-TENTH_Z), high: at(TENTH_Z) };
}
