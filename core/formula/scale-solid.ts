import { requireWithin } from '../base/errors.js';
import { roundToStep } from '../quantity/format.js';
import type { Material, SolidFormula } from '../record/definitions.js';
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
  const fill = requireWithin(target.fill ?? vessel.usualFill, fillRule(vessel));
  const moisture = requireWithin(target.moisture ?? formula.targetMoisture.value, MOISTURE_RULE);
  const spare = requireWithin(target.spare ?? 0, SPARE_RULE);
  const stepG = target.scaleStepG ?? 1;
  const settled = formula.settledGPerL.value;
  const vesselFillMl =
    vessel.finishedG === undefined ? vessel.capacityMl * fill : (vessel.finishedG / settled) * 1000;
  const vesselWetG = vessel.finishedG ?? (vesselFillMl / 1000) * settled;
  const wetG = vesselWetG * count * (1 + spare);
  const dryMatterG = wetG * (1 - moisture);
  const perShare =
    dryMatterG / formula.parts.reduce((sum, p) => sum + p.share * dryPerShare(formula, p.material), 0);
  const parts = withPercents(
    formula.parts.map((part) =>
      scalePart(part, part.share * perShare * massPerShare(formula, part.material), stepG),
    ),
    formula.parts.map((p) => (formula.basis === 'dry' ? 1 - p.material.moisture.value : 1)),
  );
  const waterG = wetG - parts.reduce((sum, p) => sum + p.massG, 0);
  const waterRoundedG = roundToStep(Math.max(0, waterG), stepG);
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
    volumeShare: vesselFillMl / vessel.capacityMl,
    vesselWetG,
    vesselDryG: parts.reduce((sum, p) => sum + p.massG, 0) / (count * (1 + spare)),
    predictedMoisture: roundedMoisture(parts, waterRoundedG) ?? moisture,
    warnings: [
      ...warningsFor(formula, target, fill, moisture),
      ...(vesselFillMl > vessel.capacityMl * vessel.fillLimit * (1 + 1e-9) ? (['over-full'] as const) : []),
      ...(waterG < 0 ? (['already-wetter'] as const) : []),
      ...(isTooCoarse(parts) ? (['scale-too-coarse'] as const) : []),
    ],
  };
}

/** Undefined for a batch so small that the scale shows nothing. */
function roundedMoisture(parts: readonly ScaledPart[], waterG: number): number | undefined {
  const weighed = [
    ...parts.map((p) => ({ massG: p.roundedG, moisture: p.material.moisture.value })),
    { massG: waterG, moisture: 1 },
  ];
  return weighed.some((p) => p.massG > 0) ? mixMoisture(weighed) : undefined;
}

/** Of what is all water there is no dry matter to weigh. */
function dryOf(material: Material): number {
  const field = { field: 'moisture', of: material.name } as const;
  return (
    1 - requireWithin(material.moisture.value, { field, min: 0, max: 0.99, unit: ' %', shownTimes: 100 })
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
