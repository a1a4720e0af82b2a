import { hydrationSteps, type BatchView, type HydrationPlan } from '../../../core/index';

export interface HydrationClock {
  readonly steps: readonly HydrationPlan[];
  readonly current?: HydrationPlan;
  readonly following?: HydrationPlan;
  /** The next deed; empty when all is done. */
  readonly next: string;
  readonly sinceMs?: number;
  /** When the next deed is due; absent where nothing is waited for. */
  readonly dueMs?: number;
}

/** Where a batch stands between the sack and its vessels. */
export function hydrationClock(view: BatchView): HydrationClock {
  const steps = view.batch.formula === undefined ? [] : hydrationSteps(view.batch.formula.hydration);
  const index = steps.findIndex((s) => s.step === view.lastStep);
  const current = steps[index];
  const following = steps[index + 1];
  const minutes = current?.minutes?.usual;
  return {
    steps,
    current,
    following,
    next: following?.deed ?? '',
    sinceMs: view.lastStepMs,
    dueMs:
      minutes === undefined || view.lastStepMs === undefined ? undefined : view.lastStepMs + minutes * 60_000,
  };
}
