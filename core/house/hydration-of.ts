import { hydrationProgress, stepsOf, type HydrationProgress } from '../formula/hydration.js';
import type { BatchView } from './derive/house.js';

/** Where a batch stands between the sack and its vessels, by its own steps, weighings and tests; undefined for what came in. */
export function hydrationOf(view: BatchView): HydrationProgress | undefined {
  const { batch, weighedOut, lastStep, lastStepMs, tissue, tissueAtMs } = view;
  if (batch.formula === undefined) {
    return undefined;
  }
  const test =
    tissue === undefined || tissueAtMs === undefined ? undefined : { result: tissue, atMs: tissueAtMs };
  return hydrationProgress(stepsOf({ ...batch, weighedOut }), lastStep, lastStepMs, test);
}
