import { requireWithin } from '../base/errors.js';
import { roundToStep } from '../quantity/format.js';
import type { DissolvedFormula, Material } from '../record/definitions.js';
import { isSugar } from '../material/is-sugar.js';
import { startOfExtractMl } from './boil-away.js';
import { splitIntoBottles } from './bottles.js';
import {
  COUNT_RULE,
  SPARE_RULE,
  STRENGTH_RULE,
  eachMlRule,
  type ScaleTarget,
  type ScaleWarning,
  type ScaledFormula,
  type ScaledPart,
} from './scaled-formula.js';
import { isTooCoarse, scalePart, withPercents } from './scaled-part.js';
import { pourDepthMm, usualLiquidMl } from './vessel-size.js';

/** Kitchen and bench dose by volume of water; a liter is taken as a kilogram (998 g at 20 °C). */
const WATER_G_PER_ML = 1;

/**
 * Agar and broth. So many grams to a liter of water; what is strained out leaves only what it dissolved. The
 * solids add a little volume, which is part of what is to spare.
 */
export function scaleDissolved(formula: DissolvedFormula, target: ScaleTarget): ScaledFormula {
  const { vessel } = target;
  const count = requireWithin(target.count, COUNT_RULE);
  const eachMl = requireWithin(target.eachMl ?? usualLiquidMl(vessel), eachMlRule(vessel));
  const strengthGPerL = requireWithin(target.strengthGPerL ?? formula.strength.value, STRENGTH_RULE);
  const spare = requireWithin(target.spare ?? 0, SPARE_RULE);
  const stepG = target.scaleStepG ?? 1;
  const volumeMl = count * eachMl * (1 + spare);
  const amounts = doseFor(formula, volumeMl, strengthGPerL, stepG);
  const waterG = volumeMl * WATER_G_PER_ML;
  const startMl = formula.hydration === 'extract' ? startOfExtractMl(volumeMl) : undefined;
  const waterRoundedG = roundToStep((startMl ?? volumeMl) * WATER_G_PER_ML, stepG);
  const planned = sumUp(amounts, 'massG');
  const rounded = sumUp(amounts, 'roundedG');
  const wetG = waterG + planned.staysG;
  const roundedWetG = (startMl === undefined ? waterRoundedG : waterG) + rounded.staysG;
  return {
    parts: amounts,
    waterG,
    waterRoundedG,
    dryMatterG: planned.dryG,
    wetG,
    fill: eachMl / vessel.capacityMl,
    fillLimit: vessel.fillLimit,
    moisture: 1 - planned.dryG / wetG,
    spare,
    vessel,
    count,
    vesselFillMl: eachMl,
    volumeShare: eachMl / vessel.capacityMl,
    vesselWetG: (wetG * eachMl) / volumeMl,
    vesselDryG: (amounts.reduce((sum, a) => sum + a.massG, 0) * eachMl) / volumeMl,
    predictedMoisture: roundedWetG > 0 ? 1 - rounded.dryG / roundedWetG : 1,
    warnings: [
      ...strengthWarnings(formula, strengthGPerL),
      ...(isTooCoarse(amounts) ? (['scale-too-coarse'] as const) : []),
    ],
    dissolved: {
      eachMl,
      volumeMl,
      ...(startMl !== undefined && { startMl }),
      strengthGPerL,
      solidsPercent: (planned.solidsG / volumeMl) * 100,
      sugarPercent: (planned.sugarG / volumeMl) * 100,
      ...(vessel.kind === 'dish' &&
        vessel.diameterMm !== undefined && { depthMm: pourDepthMm(eachMl, vessel.diameterMm) }),
      ...(vessel.kind === 'dish' && target.bottle && { cookedIn: splitIntoBottles(volumeMl, target.bottle) }),
    },
  };
}

/** What stays in the liquid of all parts: mass, dry matter, dissolved solids, and sugar among them, g. */
function sumUp(parts: readonly ScaledPart[], of: 'massG' | 'roundedG') {
  const sums = { staysG: 0, dryG: 0, solidsG: 0, sugarG: 0 };
  for (const part of parts) {
    const { material } = part;
    const solidsG = part[of] * (material.solids?.value ?? 0);
    sums.staysG += part.strained ? solidsG : part[of];
    sums.dryG += part.strained ? solidsG : part[of] * (1 - material.moisture.value);
    sums.solidsG += solidsG;
    sums.sugarG += isSugar(material) ? solidsG : 0;
  }
  return sums;
}

/**
 * Grams for a measured volume. Whatever is boiled open is dosed on what is left, not on what was started with:
 * 600 ml that became 400 take 10 g at 2.5 %, not 15.
 */
export function doseFor(
  formula: DissolvedFormula,
  volumeMl: number,
  strengthGPerL = formula.strength.value,
  stepG = 1,
): readonly ScaledPart[] {
  requireWithin(volumeMl, { field: 'volume', min: 1, max: 500_000, unit: ' ml' });
  const parts = formula.parts.map((part) => {
    const perLiter =
      part.material.id === formula.strengthOf ? strengthGPerL / solidsPerGram(part.material) : part.share;
    return scalePart(part, (perLiter * volumeMl) / 1000, stepG);
  });
  return withPercents(parts, parts.map(one), volumeMl);
}

/** w/v counts every gram as bought. */
function one(): number {
  return 1;
}

/** A sweet is measured by its dissolved solids, a gel as it is weighed. */
export function solidsPerGram(material: Material): number {
  return isSugar(material) ? (material.solids?.value ?? 1 - material.moisture.value) : 1;
}

function strengthWarnings(formula: DissolvedFormula, strengthGPerL: number): readonly ScaleWarning[] {
  return strengthGPerL < formula.strength.low - 1e-9
    ? ['strength-below-good']
    : strengthGPerL > formula.strength.high + 1e-9
      ? ['strength-above-good']
      : [];
}
