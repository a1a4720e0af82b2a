import type { AgreedPlan } from '../record/wish.js';
import type { House, VesselView } from '../house/derive/house.js';
import type { ByHand } from '../schedule/by-hand.js';
import { blocksOf } from './openings.js';
import type { StepInPlan, SupperPlan } from './plan-suppers.js';
import { readyByMs, type OnHand } from './what-is-there.js';

/** More days late than are told apart. */
const MOST_LATE_DAYS = 400;

/** The name of a step within the plan that it belongs to. */
export function stepNameOf({ key, task }: Pick<StepInPlan, 'key' | 'task'>): string {
  return key.slice(task.goal.length + 1);
}

/**
 * A plan as it is agreed to.
 * @param on the day of the wish that it is for
 */
export function agreedPlanOf(plan: SupperPlan, on: string, house: House): AgreedPlan {
  const settled = plan.supper.settledForG;
  return {
    on,
    ...(plan.lateDays !== Infinity && { lateDays: Math.min(plan.lateDays, MOST_LATE_DAYS) }),
    blocks: blocksOf(plan.openings),
    steps: plan.steps.map((step) => ({
      step: stepNameOf(step),
      kind: step.kind,
      count: step.count,
      at: new Date(step.slot.startMs).toISOString(),
      ...(step.load !== undefined && { applianceId: step.load.appliance.id }),
      ...(step.isByHand === true && { byHand: true as const }),
    })),
    counted: countedOf(plan, house),
    ...(settled !== undefined && { massG: settled }),
  };
}

/** Vessels that a plan counts on, each once. */
function countedOf({ steps }: SupperPlan, house: House): AgreedPlan['counted'] {
  const views = new Map<string, VesselView>(
    steps.flatMap((s) => s.from.map(({ view }: OnHand) => [view.vessel.id, view] as const)),
  );
  return [...views.values()].map((view) => {
    const readyMs = readyByMs(view, house);
    return {
      vesselId: view.vessel.id,
      ...(readyMs > 0 && { readyAt: new Date(readyMs).toISOString() }),
    };
  });
}

/** The times that were chosen for steps of a plan. */
export function byHandOf({ steps }: AgreedPlan, goal: string): readonly ByHand[] {
  return steps
    .filter((s) => s.byHand === true)
    .map(({ step, at }) => ({ key: `${goal} ${step}`, atMs: Date.parse(at) }));
}

/**
 * What was agreed to, without what is done, and with the vessels that are counted on now; its times stay, so that small
 * changes add up until they are told.
 */
export function keptUpToDate(agreed: AgreedPlan, plan: SupperPlan, house: House): AgreedPlan {
  const aligned = alignedSteps(agreed, plan);
  return {
    ...agreed,
    steps: [...aligned].map(([step, before]) => ({
      ...before,
      step: stepNameOf(step),
      count: step.count,
    })),
    counted: countedOf(plan, house),
  };
}

/** Steps of a plan with those that were agreed to: of each kind the last belongs to the last, since the first are done first. */
export function alignedSteps(
  { steps }: AgreedPlan,
  plan: SupperPlan,
): ReadonlyMap<StepInPlan, AgreedPlan['steps'][number]> {
  const aligned = new Map<StepInPlan, AgreedPlan['steps'][number]>();
  for (const kind of new Set(plan.steps.map((s) => s.kind))) {
    const now = plan.steps.filter((s) => s.kind === kind);
    const before = steps.filter((s) => s.kind === kind).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
    now.forEach((step, i) => {
      const was = before[before.length - now.length + i];
      if (was !== undefined) {
        aligned.set(step, was);
      }
    });
  }
  return aligned;
}

/** Whether two say other steps, or count on other vessels. */
export function isOtherThan(agreed: AgreedPlan, current: AgreedPlan): boolean {
  const of = ({ counted, steps }: AgreedPlan) =>
    JSON.stringify([counted, steps.map(({ step, count }) => [step, count])]);
  return of(agreed) !== of(current);
}
