import { mediumOf, type Batch, type BatchPlan } from '../record/batch.js';
import type { HydrationMethod, Stage, VesselType } from '../record/definitions.js';
import type { CookWish } from './programme.js';

/** What stands in the cooker for a batch: plates are cooked in bottles and poured afterwards. */
export function inCooker(batch: {
  readonly vessel: VesselType;
  readonly plan?: Pick<BatchPlan, 'cookedIn' | 'vesselWetG' | 'vesselMl'>;
}): { readonly vessel: VesselType; readonly wetG: number; readonly vesselsPerPlace: number } {
  const { plan, vessel } = batch;
  const wetG = plan?.vesselWetG ?? 0;
  if (plan?.cookedIn === undefined || plan.vesselMl === undefined) {
    return { vessel, wetG, vesselsPerPlace: 1 };
  }
  const { eachMl } = plan.cookedIn;
  return {
    vessel: plan.cookedIn.vessel,
    wetG: (wetG * eachMl) / plan.vesselMl,
    vesselsPerPlace: eachMl / plan.vesselMl,
  };
}

/** Whether its vessels never stand in a cooker: plates, which are poured from bottles once those come out. */
export function isPoured({
  vessel,
  plan,
}: {
  readonly vessel: VesselType;
  readonly plan?: Pick<BatchPlan, 'cookedIn'>;
}): boolean {
  return plan !== undefined && (plan.cookedIn !== undefined || vessel.kind === 'dish');
}

/** The part of a wish that a batch decides, the same wherever its cook is planned. */
export function wishOf(
  batch: Pick<Batch, 'vessel' | 'stage'> & {
    readonly plan?: Pick<BatchPlan, 'cookedIn' | 'vesselWetG' | 'vesselMl' | 'fill'>;
    readonly formula?: { readonly hydration: HydrationMethod };
  },
): Pick<CookWish, 'vessel' | 'vesselWetG' | 'fill' | 'isUnsoaked'> & { readonly stage: Stage } {
  const { vessel, wetG } = inCooker(batch);
  return {
    vessel,
    vesselWetG: wetG,
    stage: mediumOf(batch),
    fill: vessel === batch.vessel ? batch.plan?.fill : undefined,
    isUnsoaked: batch.formula?.hydration === 'measured-jar',
  };
}

/** A quotient of milliliters may miss its whole number by the last digits. */
const ROUNDING = 1e-9;

/** Vessels that so many places in the cooker give. */
export function vesselsIn(places: number, vesselsPerPlace: number): number {
  return Math.floor(places * vesselsPerPlace + ROUNDING);
}

/** Places in the cooker that so many vessels take. */
export function placesNeeded(vessels: number, vesselsPerPlace: number): number {
  return Math.ceil(vessels / vesselsPerPlace - ROUNDING);
}
