import { TENTH_Z } from '../base/normal.js';

/** A figure of which the next batch's and each of its vessels' is a draw: log-normal at both levels. */
export interface OwnFigure {
  /** As likely above as below. */
  readonly middle: number;
  /** By how much the next batch as a whole may differ from it, ln. */
  readonly batchSigma: number;
  /** By how much vessels of a batch differ among themselves, ln. */
  readonly vesselSigma: number;
  /** Vessels of one's own that it rests on. */
  readonly seen: number;
}

/** Of what is usual, with its 8-in-10 range over all houses, batches and vessels. */
export interface UsualFigure {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Half of what is usual differs by house, and a quarter each by batch and by vessel. Our estimate. */
const HOUSE_SHARE = 0.5;
const BATCH_SHARE = 0.25;
/** What vessels differ by is known beforehand as well as from so many. Our choice. */
const PRIOR_VESSELS = 8;

/**
 * What is usual, leaned on what was measured here (partial pooling of logarithms): the more batches there are, the less
 * the usual counts.
 *
 * @param batches measured figures, batch by batch; each above 0
 */
export function ownFigure(usual: UsualFigure, batches: readonly (readonly number[])[]): OwnFigure {
  const sigma2 = (Math.log(usual.high / usual.low) / (2 * TENTH_Z)) ** 2;
  const known = batches.filter((b) => b.length > 0).map((b) => b.map(Math.log));
  const vessel2 = vesselVariance(known, (1 - HOUSE_SHARE - BATCH_SHARE) * sigma2);
  const batch2 = BATCH_SHARE * sigma2;
  let [weight, sum] = [1 / (HOUSE_SHARE * sigma2), Math.log(usual.value) / (HOUSE_SHARE * sigma2)];
  for (const batch of known) {
    const variance = batch2 + vessel2 / batch.length;
    weight += 1 / variance;
    sum += mean(batch) / variance;
  }
  return {
    middle: Math.exp(sum / weight),
    batchSigma: Math.sqrt(1 / weight + batch2),
    vesselSigma: Math.sqrt(vessel2),
    seen: known.reduce((n, b) => n + b.length, 0),
  };
}

function vesselVariance(batches: readonly (readonly number[])[], prior: number): number {
  let [scatter, freedom] = [prior * PRIOR_VESSELS, PRIOR_VESSELS];
  for (const batch of batches) {
    const middle = mean(batch);
    scatter += batch.reduce((sum, x) => sum + (x - middle) ** 2, 0);
    freedom += batch.length - 1;
  }
  return scatter / freedom;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, x) => sum + x, 0) / values.length;
}
