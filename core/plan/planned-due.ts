import { DAY_MS } from '../base/time.js';
import type { DueItem } from './due.js';
import type { SupperPlan } from './plan-suppers.js';
import type { StepKind } from './steps-of-supper.js';
import type { MediumChoice, Recipe } from './recipe.js';

/** So far ahead plans are told among what is due. Our choice. */
const TOLD_DAYS = 7;

/**
 * Steps with which something begins that nothing in the house calls for yet. All that follows is due by itself once that is
 * there: what is filled is to be cooked, what is cooked to be sown.
 */
const BEGINS: Readonly<Partial<Record<StepKind, (recipe: Recipe) => MediumChoice>>> = {
  getCulture: (r) => r.broth,
  mixBroth: (r) => r.broth,
  soak: (r) => r.grain,
  fillGrain: (r) => r.grain,
  mixBlocks: (r) => r.bulk,
  pasteurizeBlocks: (r) => r.bulk,
};

/** What plans ask for in the days ahead, beyond what is due in any case. */
export function plannedDue(plans: readonly SupperPlan[], nowMs: number): readonly DueItem[] {
  return plans.flatMap(({ steps, recipe, species }) =>
    steps.flatMap((step): DueItem[] => {
      const medium = BEGINS[step.kind]?.(recipe);
      // The soak stands for what is filled after it.
      const isTold = step.kind !== 'fillGrain' || step.task.after.length === 0;
      return medium === undefined || !isTold || step.slot.startMs > nowMs + TOLD_DAYS * DAY_MS
        ? []
        : [
            {
              deed: {
                kind: 'planned',
                step: step.kind,
                count: step.count,
                vessel: medium.vessel.kind,
                species: species.name,
              },
              place: 'desk',
              atMs: step.slot.startMs,
              exact: false,
            },
          ];
    }),
  );
}
