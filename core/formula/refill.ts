import type { Batch, BatchPlan } from '../record/batch.js';
import type { VesselType } from '../record/definitions.js';

/** The same medium in other vessels than it was planned for. */
export interface Refill {
  readonly vessel: VesselType;
  readonly count: number;
  readonly plan: BatchPlan;
  /** Share of the brim that each is filled to; above 1 it does not go in. */
  readonly share: number;
}

/**
 * What each vessel holds when all that was planned for some goes into others. Amounts of the whole stay as they were
 * weighed; only what is in each changes.
 *
 * @param plannedCount how many vessels the plan was made for
 * @returns undefined for what came in ready, which has no plan
 */
export function refill(
  { plan, formula }: Pick<Batch, 'plan' | 'formula'>,
  plannedCount: number,
  vessel: VesselType,
  count: number,
): Refill | undefined {
  if (plan === undefined || formula === undefined) {
    return undefined;
  }
  const times = plannedCount / count;
  const vesselWetG = plan.vesselWetG * times;
  const vesselMl = plan.vesselMl === undefined ? undefined : plan.vesselMl * times;
  const eachMl =
    formula.basis === 'perLiter'
      ? (vesselMl ?? vesselWetG)
      : (vesselWetG / formula.settledGPerL.value) * 1000;
  const share = eachMl / vessel.capacityMl;
  return {
    vessel,
    count,
    share,
    plan: { ...plan, vesselWetG, ...(vesselMl !== undefined && { vesselMl }), fill: Math.min(1, share) },
  };
}

/** How many of a kind of vessel such a medium fills as usual, and none of them too full; at least one. */
export function usualRefillCount(
  batch: Pick<Batch, 'plan' | 'formula'>,
  plannedCount: number,
  vessel: VesselType,
): number {
  const inOne = refill(batch, plannedCount, vessel, 1);
  if (inOne === undefined) {
    return plannedCount;
  }
  const usual =
    vessel.finishedG === undefined
      ? inOne.share / vessel.usualFill
      : inOne.plan.vesselWetG / vessel.finishedG;
  const least = Math.ceil(inOne.share / vessel.fillLimit - 1e-9);
  return Math.max(1, least, Math.round(usual));
}
