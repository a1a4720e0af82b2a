import { requireWithin, type RangeRule } from '../errors.js';
import { kitchenMeasure, roundToStep } from '../quantity/format.js';
import type { ResolvedFormula } from '../record/batch.js';
import type { Material, VesselType } from '../record/definitions.js';
import { mixMoisture } from './moisture.js';

/** What is wanted: so many of these vessels, so full, so moist, with some to spare. */
export interface ScaleTarget {
  readonly vessel: VesselType;
  readonly count: number;
  /** Fraction of the vessel's volume; ignored for bags, which are filled by mass. */
  readonly fill?: number;
  readonly moisture?: number;
  readonly spare?: number;
  readonly scaleStepG?: number;
}

export interface ScaledPart {
  readonly material: Material;
  readonly share: number;
  readonly massG: number;
  /** What to weigh, on a scale of the given step. */
  readonly roundedG: number;
  readonly volumeMl: number;
  readonly kitchen: string;
}

export type ScaleWarning = 'fill-above-usual' | 'moisture-below-good' | 'moisture-above-good';

/** Amounts for a batch. All masses in grams for the whole batch unless the name says otherwise. */
export interface ScaledFormula {
  readonly parts: readonly ScaledPart[];
  readonly waterG: number;
  readonly waterRoundedG: number;
  readonly dryMatterG: number;
  readonly wetG: number;
  readonly fill: number;
  readonly moisture: number;
  readonly spare: number;
  readonly vessel: VesselType;
  readonly count: number;
  readonly vesselFillMl: number;
  readonly vesselWetG: number;
  /** Part of the vessel's wet mass that was the first material, as supplied. */
  readonly vesselDryG: number;
  /** Moisture of what will really be weighed out, after rounding. */
  readonly predictedMoisture: number;
  readonly warnings: readonly ScaleWarning[];
}

export const COUNT_RULE: RangeRule = { field: 'How many', min: 1, max: 500, whole: true };
export const SPARE_RULE: RangeRule = { field: 'To spare', min: 0, max: 0.5, unit: ' %', shownTimes: 100 };
/** Wetter than the wettest material as supplied, and no wetter than coir can hold (common practice, no source). */
export const MOISTURE_RULE: RangeRule = {
  field: 'Moisture',
  min: 0.2,
  max: 0.86,
  unit: ' %',
  shownTimes: 100,
};

/** The range of fills that a vessel takes. */
export function fillRule(vessel: VesselType): RangeRule {
  return { field: `Fill of ${vessel.plural}`, min: 0.1, max: vessel.fillLimit, unit: ' %', shownTimes: 100 };
}

/**
 * Scales a formula to vessels. Dry matter follows from the finished mass and the moisture; each material's mass
 * follows from its share and its own moisture; what is missing is water. Linear in `count`.
 *
 * @throws CoreError naming the field and its range
 */
export function scaleFormula(formula: ResolvedFormula, target: ScaleTarget): ScaledFormula {
  const { vessel } = target;
  const count = requireWithin(target.count, COUNT_RULE);
  const fill = requireWithin(target.fill ?? vessel.usualFill, fillRule(vessel));
  const moisture = requireWithin(target.moisture ?? formula.targetMoisture.value, MOISTURE_RULE);
  const spare = requireWithin(target.spare ?? 0, SPARE_RULE);
  const stepG = target.scaleStepG ?? 1;

  const vesselFillMl =
    vessel.finishedG === undefined
      ? vessel.capacityMl * fill
      : (vessel.finishedG / formula.settledGPerL.value) * 1000;
  const vesselWetG = vessel.finishedG ?? (vesselFillMl / 1000) * formula.settledGPerL.value;
  const wetG = vesselWetG * count * (1 + spare);
  const dryMatterG = wetG * (1 - moisture);
  const massPerShare =
    dryMatterG / formula.parts.reduce((sum, p) => sum + p.share * dryPerShare(formula, p.material), 0);

  const parts = formula.parts.map(({ material, share }) =>
    scalePart(material, share, massPerShare * massFactor(formula, material), stepG),
  );
  const suppliedG = parts.reduce((sum, p) => sum + p.massG, 0);
  const waterG = wetG - suppliedG;
  const waterRoundedG = roundToStep(waterG, stepG);
  return {
    parts,
    waterG,
    waterRoundedG,
    dryMatterG,
    wetG,
    fill,
    moisture,
    spare,
    vessel,
    count,
    vesselFillMl,
    vesselWetG,
    vesselDryG: (parts[0]!.massG / count) * (1 / (1 + spare)),
    predictedMoisture: mixMoisture([
      ...parts.map((p) => ({ massG: p.roundedG, moisture: p.material.moisture.value })),
      { massG: waterRoundedG, moisture: 1 },
    ]),
    warnings: warningsFor(formula, vessel, fill, moisture),
  };
}

function massFactor(formula: ResolvedFormula, material: Material): number {
  return formula.basis === 'dry' ? 1 / (1 - material.moisture.value) : 1;
}

function dryPerShare(formula: ResolvedFormula, material: Material): number {
  return formula.basis === 'dry' ? 1 : 1 - material.moisture.value;
}

function scalePart(material: Material, share: number, gramsPerShare: number, stepG: number): ScaledPart {
  const massG = share * gramsPerShare;
  const volumeMl = (massG / material.densityGPerL.value) * 1000;
  return {
    material,
    share,
    massG,
    roundedG: roundToStep(massG, stepG),
    volumeMl,
    kitchen: kitchenMeasure(volumeMl),
  };
}

function warningsFor(
  formula: ResolvedFormula,
  vessel: VesselType,
  fill: number,
  moisture: number,
): ScaleWarning[] {
  const warnings: ScaleWarning[] = [];
  if (vessel.finishedG === undefined && fill > vessel.usualFill + 1e-9) {
    warnings.push('fill-above-usual');
  }
  if (moisture < formula.targetMoisture.low) {
    warnings.push('moisture-below-good');
  }
  if (moisture > formula.targetMoisture.high) {
    warnings.push('moisture-above-good');
  }
  return warnings;
}
