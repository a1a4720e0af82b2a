import { formatNumber } from '../quantity/format.js';
import type { ResolvedFormula } from '../record/batch.js';
import type { ScaledFormula } from './scale.js';

/** One step on the way to a number: what, and its result in words. */
export interface ReasonStep {
  readonly text: string;
  readonly result: string;
}

/** Why a number is what it is: steps, likely range, sources, and what would narrow it. */
export interface Reason {
  readonly title: string;
  readonly steps: readonly ReasonStep[];
  readonly likely?: string;
  readonly source: string;
  readonly narrow?: string;
}

const grams = (value: number) => `${formatNumber(value)} g`;
const percent = (fraction: number) => `${formatNumber(fraction * 100)} %`;

/** Why so much of one ingredient. @param index place of the part in the formula */
export function reasonForPart(formula: ResolvedFormula, scaled: ScaledFormula, index: number): Reason {
  const part = scaled.parts[index]!;
  const name = part.material.name.toLowerCase();
  const steps = [...finishedMassSteps(scaled)];
  const own = part.material.moisture;
  if (formula.basis === 'dry') {
    const sum = formula.parts.reduce((total, p) => total + p.share, 0);
    const dryG = part.massG * (1 - own.value);
    steps.push({ text: `${percent(part.share / sum)} of that is ${name}`, result: grams(dryG) });
    steps.push({ text: `as bought it is ${percent(1 - own.value)} dry`, result: grams(part.massG) });
  } else if (index === 0) {
    const othersDryG = scaled.dryMatterG - part.massG * (1 - own.value);
    steps.push({ text: 'less what the others bring', result: grams(scaled.dryMatterG - othersDryG) });
    steps.push({ text: `as bought it is ${percent(1 - own.value)} dry`, result: grams(part.massG) });
  } else {
    const first = scaled.parts[0]!;
    return {
      title: `Why ${grams(part.roundedG)} of ${name}`,
      steps: [
        { text: first.material.name, result: grams(first.massG) },
        { text: `${formatNumber((part.share / first.share) * 100, 1)} % of it`, result: grams(part.massG) },
      ],
      source: 'Share: common practice, no source. It keeps kernels apart; half or double does no harm.',
    };
  }
  const { settledGPerL } = formula;
  const bag = scaled.vessel.finishedG !== undefined;
  const spread = (settled: number, moisture: number) =>
    part.massG * (bag ? 1 : settled / settledGPerL.value) * ((1 - own.value) / (1 - moisture));
  return {
    title: `Why ${grams(part.roundedG)} of ${name}`,
    steps,
    likely: `Likely ${formatNumber(spread(settledGPerL.low, own.low), 0)} to ${grams(spread(settledGPerL.high, own.high))}.`,
    source: `Packing: ${settledGPerL.source}. Moisture: ${own.source}. Density for the cups: ${part.material.densityGPerL.source}.`,
    narrow: bag ? 'Dry a sample of this lot' : 'Weigh one full jar',
  };
}

/** Why so much water. */
export function reasonForWater(formula: ResolvedFormula, scaled: ScaledFormula): Reason {
  const suppliedG = scaled.wetG - scaled.waterG;
  const ownWaterG = scaled.wetG * scaled.moisture - scaled.waterG;
  return {
    title: `Why ${grams(scaled.waterRoundedG)} of water`,
    steps: [
      { text: 'All vessels, finished', result: grams(scaled.wetG) },
      { text: `${percent(scaled.moisture)} of it is water`, result: grams(scaled.wetG * scaled.moisture) },
      { text: 'in the ingredients already', result: grams(ownWaterG) },
      { text: `so ${grams(suppliedG)} must take up`, result: grams(scaled.waterG) },
    ],
    source:
      formula.hydration === 'mix'
        ? 'Water to add is m (w − w0)/(1 − w), moisture on wet basis.'
        : 'Soaking takes more water than this; weigh after drying to see what was really taken up.',
  };
}

/** Why this moisture is expected of what will be weighed out. */
export function reasonForMoisture(formula: ResolvedFormula, scaled: ScaledFormula): Reason {
  const { low, high, source } = formula.targetMoisture;
  return {
    title: `Why ${formatNumber(scaled.predictedMoisture * 100, 1)} % moisture`,
    steps: [
      {
        text: 'Water, with what the ingredients hold',
        result: grams(scaled.predictedMoisture * scaled.wetG),
      },
      { text: 'Dry matter', result: grams(scaled.dryMatterG) },
      {
        text: 'Water ÷ (water + dry matter)',
        result: `${formatNumber(scaled.predictedMoisture * 100, 1)} %`,
      },
    ],
    likely: `Good from ${percent(low)} to ${percent(high)}.`,
    source: `Range: ${source}.`,
    narrow: 'Weigh the batch after drying',
  };
}

function finishedMassSteps(scaled: ScaledFormula): readonly ReasonStep[] {
  const { vessel, count, spare } = scaled;
  const one =
    vessel.finishedG === undefined
      ? `One ${vessel.name}, ${percent(scaled.fill)} full, ${formatNumber(scaled.vesselFillMl)} ml`
      : `One ${vessel.name}, finished`;
  return [
    { text: one, result: `${grams(scaled.vesselWetG)} wet` },
    {
      text: `${count} of them${spare > 0 ? ` and ${percent(spare)} to spare` : ''}`,
      result: grams(scaled.wetG),
    },
    { text: `${percent(1 - scaled.moisture)} of it is dry matter`, result: grams(scaled.dryMatterG) },
  ];
}
