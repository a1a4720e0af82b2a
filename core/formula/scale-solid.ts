import { requireWithin } from '../base/errors.js';
import { roundToStep } from '../quantity/format.js';
import type { Material, SolidFormula } from '../record/definitions.js';
import { askedWetEachG, mostFill } from './asked-amount.js';
import { mixMoisture } from './moisture.js';
import {
  COUNT_RULE,
  MOISTURE_RULE,
  SPARE_RULE,
  fillRule,
  type ScaleTarget,
  type ScaleWarning,
  type ScaledFormula,
  type ScaledPart,
} from './scaled-formula.js';
import { isTooCoarse, scalePart, withPercents } from './scaled-part.js';

/**
 * Grain and bulk. Dry matter follows from the finished mass and the moisture; each material's mass follows from
 * its share and its own moisture; what is missing is water.
 */
export function scaleSolid(formula: SolidFormula, target: ScaleTarget): ScaledFormula {
  const { vessel } = target;
  const count = requireWithin(target.count, COUNT_RULE);
  const moisture = requireWithin(target.moisture ?? formula.targetMoisture.value, MOISTURE_RULE);
  const spare = requireWithin(target.spare ?? 0, SPARE_RULE);
  const stepG = target.scaleStepG ?? 1;
  const partPerWetG = partsPerWetG(formula, moisture);
  const vesselWetG =
    target.amount === undefined
      ? filledG(formula, target)
      : askedWetEachG(target.amount, { formula, vessel, count, spare, partPerWetG });
  const vesselFillMl = (vesselWetG / formula.settledGPerL.value) * 1000;
  const fill = vesselFillMl / vessel.capacityMl;
  const limit = mostFill(vessel, formula.stage);
  const wetG = vesselWetG * count * (1 + spare);
  const parts = withPercents(
    formula.parts.map((part, i) => scalePart(part, wetG * partPerWetG[i]!, stepG)),
    formula.parts.map((p) => (formula.basis === 'dry' ? 1 - p.material.moisture.value : 1)),
  );
  // What goes into the soak is poured off with it.
  const stays = parts.filter((p) => p.inSoak !== true);
  const waterG = wetG - stays.reduce((sum, p) => sum + p.massG, 0);
  const waterRoundedG = roundToStep(Math.max(0, waterG), stepG);
  return {
    parts,
    waterG,
    waterRoundedG,
    dryMatterG: wetG * (1 - moisture),
    wetG,
    fill: Math.min(1, fill),
    fillLimit: limit,
    moisture,
    spare,
    vessel,
    count,
    vesselFillMl,
    volumeShare: fill,
    vesselWetG,
    vesselDryG: stays.reduce((sum, p) => sum + p.massG, 0) / (count * (1 + spare)),
    predictedMoisture: roundedMoisture(stays, waterRoundedG) ?? moisture,
    warnings: [
      ...warningsFor(formula, target, fill, moisture),
      ...(fill > limit * (1 + 1e-9) ? (['over-full'] as const) : []),
      ...(waterG < 0 ? (['already-wetter'] as const) : []),
      ...(isTooCoarse(parts) ? (['scale-too-coarse'] as const) : []),
    ],
  };
}

/** What a vessel holds when it is filled as usual, or to a share of it; bags are filled by mass, g. */
function filledG(formula: SolidFormula, { vessel, fill }: ScaleTarget): number {
  return (
    vessel.finishedG ??
    (vessel.capacityMl / 1000) *
      requireWithin(fill ?? vessel.usualFill, fillRule(vessel, formula.stage)) *
      formula.settledGPerL.value
  );
}

/** Grams of each part, as supplied, in a gram of the finished medium. */
function partsPerWetG(formula: SolidFormula, moisture: number): readonly number[] {
  const dryPerShares = formula.parts
    .filter((p) => p.inSoak !== true)
    .reduce((sum, p) => sum + p.share * dryPerShare(formula, p.material), 0);
  return formula.parts.map(
    (p) => ((1 - moisture) / dryPerShares) * p.share * massPerShare(formula, p.material),
  );
}

/** Undefined for a batch so small that the scale shows nothing. */
function roundedMoisture(parts: readonly ScaledPart[], waterG: number): number | undefined {
  const weighed = [
    ...parts.map((p) => ({ massG: p.roundedG, moisture: p.material.moisture.value })),
    { massG: waterG, moisture: 1 },
  ];
  return weighed.some((p) => p.massG > 0) ? mixMoisture(weighed) : undefined;
}

/** Teas and coffee hold a hundredth of solids or less. */
const MOST_WATER = 0.9995;

/** Of what is all water there is no dry matter to weigh. */
function dryOf(material: Material): number {
  const field = { field: 'moisture', of: material.name } as const;
  return (
    1 -
    requireWithin(material.moisture.value, { field, min: 0, max: MOST_WATER, unit: ' %', shownTimes: 100 })
  );
}

function massPerShare(formula: SolidFormula, material: Material): number {
  return formula.basis === 'dry' ? 1 / dryOf(material) : 1;
}

function dryPerShare(formula: SolidFormula, material: Material): number {
  return formula.basis === 'dry' ? 1 : dryOf(material);
}

function warningsFor(
  formula: SolidFormula,
  { vessel }: ScaleTarget,
  fill: number,
  moisture: number,
): ScaleWarning[] {
  const warnings: ScaleWarning[] = [];
  if (formula.stage === 'grain' && vessel.finishedG === undefined && fill > vessel.usualFill + 1e-9) {
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
