import type { RangeRule } from '../base/refusals.js';
import type { BatchPlan } from '../record/batch.js';
import type { Material, Stage, VesselType } from '../record/definitions.js';
import type { AskedAmount } from '../record/plan.js';
import { LEAST_FILL, mostFill } from './asked-amount.js';
import { LEAST_CUP_ML } from '../quantity/shown-units.js';

/** What is wanted: so many of these vessels, so full, so moist or so strong, with some to spare. */
export interface ScaleTarget {
  readonly vessel: VesselType;
  readonly count: number;
  /** Grain and bulk: fraction of the vessel's volume; ignored for bags, which are filled by mass. */
  readonly fill?: number;
  /** Grain and bulk: asked for otherwise than by fill, which it wins over; also for bags. */
  readonly amount?: AskedAmount;
  /** Grain and bulk: wet-basis moisture. */
  readonly moisture?: number;
  /** Agar and broth: what each vessel gets. */
  readonly eachMl?: number;
  /** Agar and broth: grams a liter of what the formula names its strength by. */
  readonly strengthGPerL?: number;
  /** Agar that is poured: the bottles it is cooked in. */
  readonly bottle?: VesselType;
  readonly spare?: number;
  readonly scaleStepG?: number;
}

export interface ScaledPart {
  readonly material: Material;
  readonly share: number;
  readonly note?: string;
  readonly strained: boolean;
  /** Goes into the water of the soak, and counts as no part of the medium. */
  readonly inSoak?: true;
  readonly massG: number;
  /** What to weigh, on a scale of the given step. */
  readonly roundedG: number;
  /** Absent when the density is not known. */
  readonly volumeMl?: number;
  readonly kitchen: string;
  /** Part of the formula in per cent of its basis (dry mass, mass as bought, or w/v): wanted, and after rounding. */
  readonly wantedPercent: number;
  readonly roundedPercent: number;
}

export type ScaleWarning =
  | 'fill-above-usual'
  | 'over-full'
  | 'moisture-below-good'
  | 'moisture-above-good'
  | 'strength-below-good'
  | 'strength-above-good'
  | 'already-wetter'
  | 'scale-too-coarse';

/** Amounts for a batch. All masses in grams for the whole batch unless the name says otherwise. */
export interface ScaledFormula {
  readonly parts: readonly ScaledPart[];
  readonly waterG: number;
  /** What to measure of it, on a scale of the given step; of an extract more, since part of it boils away. */
  readonly waterRoundedG: number;
  readonly dryMatterG: number;
  readonly wetG: number;
  readonly fill: number;
  /** The largest share of the vessel that may be filled with this medium. */
  readonly fillLimit: number;
  readonly moisture: number;
  readonly spare: number;
  readonly vessel: VesselType;
  readonly count: number;
  readonly vesselFillMl: number;
  /** Share of the vessel's volume that this is; above 1 where it does not go in. */
  readonly volumeShare: number;
  readonly vesselWetG: number;
  /** What goes into each vessel beside the water, all parts as supplied. */
  readonly vesselDryG: number;
  /** Moisture of what will really be weighed out, after rounding. */
  readonly predictedMoisture: number;
  readonly warnings: readonly ScaleWarning[];
  /** Agar and broth only. */
  readonly dissolved?: DissolvedAmounts;
}

export interface DissolvedAmounts {
  readonly eachMl: number;
  /** What is made in all, with what is to spare. */
  readonly volumeMl: number;
  /** Extracts: the water that it is begun with, of which part boils away. */
  readonly startMl?: number;
  readonly strengthGPerL: number;
  /** Dissolved solids of everything in it, % w/v. */
  readonly solidsPercent: number;
  /** Of those, sugars and malt, % w/v. */
  readonly sugarPercent: number;
  readonly depthMm?: number;
  readonly cookedIn?: BatchPlan['cookedIn'];
}

export const COUNT_RULE: RangeRule = { field: 'count', min: 1, max: 500, whole: true };
export const SPARE_RULE: RangeRule = { field: 'spare', min: 0, max: 0.5, unit: ' %', shownTimes: 100 };
/** Wetter than the wettest material as supplied, and no wetter than coir can hold (common practice, no source). */
export const MOISTURE_RULE: RangeRule = {
  field: 'moisture',
  min: 0.2,
  max: 0.86,
  unit: ' %',
  shownTimes: 100,
};
/** Ten times below the leanest broth, and where agar no longer pours. Common practice, no source. */
export const STRENGTH_RULE: RangeRule = { field: 'strength', min: 1, max: 120, unit: ' %', shownTimes: 0.1 };

/** The range of fills that a vessel takes of a medium of this stage. */
export function fillRule(vessel: VesselType, stage: Stage): RangeRule {
  return {
    field: { field: 'fill', of: vessel.plural },
    min: LEAST_FILL,
    max: mostFill(vessel, stage),
    unit: ' %',
    shownTimes: 100,
  };
}

/** The range of volumes that a vessel takes when it is filled with a liquid. */
export function eachMlRule(vessel: VesselType): RangeRule {
  const most = Math.round(vessel.capacityMl * vessel.fillLimit * 10) / 10;
  return {
    field: { field: 'inEach', of: vessel.name },
    min: Math.min(1, most),
    max: most,
    unit: ' ml',
    unitStays: most < LEAST_CUP_ML,
  };
}
