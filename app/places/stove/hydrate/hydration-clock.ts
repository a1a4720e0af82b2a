import {
  hydrationOf,
  type BatchView,
  type HydrationPlan,
  type HydrationProgress,
} from '../../../../core/index';
import { stepInDegrees } from '../../../data/words/in-degrees';

export interface HydrationClock extends HydrationProgress {
  /** The next deed; empty when all is done. */
  readonly next: string;
}

/** The clock of a batch between the sack and its vessels. */
export function hydrationClock(view: BatchView): HydrationClock {
  const progress = hydrationOf(view) ?? { steps: [] };
  const worded = (step?: HydrationPlan) => step && stepInDegrees(step);
  const following = worded(progress.following);
  return {
    ...progress,
    steps: progress.steps.map(stepInDegrees),
    current: worded(progress.current),
    following,
    next: following?.deed ?? '',
  };
}
