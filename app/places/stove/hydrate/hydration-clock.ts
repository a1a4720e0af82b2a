import { hydrationProgress, stepsOf, type BatchView, type HydrationProgress } from '../../../../core/index';
import { stepInDegrees } from '../../../data/words/in-degrees';

export interface HydrationClock extends HydrationProgress {
  /** The next deed; empty when all is done. */
  readonly next: string;
  readonly sinceMs?: number;
}

/** The clock of a batch between the sack and its vessels. */
export function hydrationClock(view: BatchView): HydrationClock {
  const { formula } = view.batch;
  const progress =
    formula === undefined
      ? { steps: [] }
      : hydrationProgress(stepsOf(view.batch).map(stepInDegrees), view.lastStep, view.lastStepMs);
  return { ...progress, next: progress.following?.deed ?? '', sinceMs: view.lastStepMs };
}
