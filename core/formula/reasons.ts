import { METRIC_WORDS, type FigureWords } from '../quantity/figure-words.js';
import { formatNumber } from '../quantity/format.js';
import type { DissolvedFormula, ResolvedFormula, SolidFormula } from '../record/definitions.js';
import { BOILED_AWAY, minutesOfExtract } from './boil-away.js';
import { liquidMaltFor } from './malt-substitute.js';
import { solidsPerGram } from './scale-dissolved.js';
import type { ScaledFormula, ScaledPart } from './scaled-formula.js';

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
  /** What may be taken in its place. */
  readonly instead?: string;
}

/** With a decimal where it counts. */
const fine = (massG: number, words: FigureWords) => words.mass(massG, massG < 100 ? 1 : 0);
/** "12 to 14 g": where both have the same unit, it stands once. */
const fromTo = (low: string, high: string) => {
  const [unit = ''] = / \S+$/.exec(high) ?? [];
  return `${low.endsWith(unit) ? low.slice(0, low.length - unit.length) : low} to ${high}`;
};
const percent = (fraction: number) => `${formatNumber(fraction * 100)} %`;

/** Why so much of one ingredient. @param index place of the part in the formula */
export function reasonForPart(
  formula: ResolvedFormula,
  scaled: ScaledFormula,
  index: number,
  words: FigureWords = METRIC_WORDS,
): Reason {
  return formula.basis === 'perLiter'
    ? reasonForDissolved(formula, scaled, index, words)
    : reasonForSolid(formula, scaled, index, words);
}

function reasonForDissolved(
  formula: DissolvedFormula,
  scaled: ScaledFormula,
  index: number,
  words: FigureWords,
): Reason {
  const part = scaled.parts[index]!;
  const { material } = part;
  const { volumeMl = 0, strengthGPerL = 0, eachMl = 0 } = scaled.dissolved ?? {};
  const steps: ReasonStep[] = [
    {
      text: `${scaled.count} × ${words.volume(eachMl)}`,
      result: words.volume(scaled.count * eachMl),
    },
    ...(scaled.spare > 0
      ? [{ text: `and ${percent(scaled.spare)} to spare`, result: words.volume(volumeMl) }]
      : []),
  ];
  const isLead = material.id === formula.strengthOf;
  const solids = solidsPerGram(material);
  if (isLead && solids !== 1) {
    const low = material.solids?.low ?? solids;
    const high = material.solids?.high ?? solids;
    const solidsG = (strengthGPerL * volumeMl) / 1000;
    return {
      title: `Why ${fine(part.roundedG, words)} of ${material.name.toLowerCase()}`,
      steps: [
        ...steps,
        { text: `${formatNumber(strengthGPerL / 10, 1)} % of solids, w/v`, result: fine(solidsG, words) },
        { text: `it is ${percent(solids)} solids as bought`, result: fine(part.massG, words) },
      ],
      likely: `Likely ${fromTo(fine(solidsG / high, words), fine(solidsG / low, words))}.`,
      source: `Strength: ${formula.strength.source}. Solids: ${material.solids?.source ?? material.moisture.source}. w/v is grams of solids in 100 ml of water.`,
      narrow: 'Read the label for its solids',
      ...maltInstead(part, words),
    };
  }
  return {
    title: `Why ${fine(part.roundedG, words)} of ${material.name.toLowerCase()}`,
    steps: [
      ...steps,
      {
        text: `${formatNumber((part.massG / volumeMl) * 1000, 1)} g to a liter of water`,
        result: fine(part.massG, words),
      },
      ...(part.strained
        ? [
            {
              text: 'strained out; what dissolves stays',
              result: fine(part.massG * (material.solids?.value ?? 0), words),
            },
          ]
        : []),
    ],
    source: `Amount: ${formula.source ?? formula.strength.source}.${part.strained ? ` What dissolves: ${material.solids?.source ?? 'not known'}.` : ''}`,
    ...(material.family === 'gel' && {
      narrow: 'Every lot of agar sets a little differently: pour one plate',
    }),
    ...maltInstead(part, words),
  };
}

/** Liquid malt in place of dried, the two ways that people reckon it. */
function maltInstead(part: ScaledPart, words: FigureWords): Pick<Reason, 'instead'> {
  if (part.material.id !== 'malt-dry') {
    return {};
  }
  const { bySolidsG, bySchoolG } = liquidMaltFor(part.massG);
  return {
    instead: `Or ${fine(bySolidsG, words)} of liquid malt, by its solids; one school takes half as much again, ${fine(bySchoolG, words)}.`,
  };
}

function reasonForSolid(
  formula: SolidFormula,
  scaled: ScaledFormula,
  index: number,
  words: FigureWords,
): Reason {
  const part = scaled.parts[index]!;
  const name = part.material.name.toLowerCase();
  const steps = [...finishedMassSteps(scaled, words)];
  const own = part.material.moisture;
  if (formula.basis === 'dry') {
    const sum = formula.parts.filter((p) => p.inSoak !== true).reduce((total, p) => total + p.share, 0);
    const dryG = part.massG * (1 - own.value);
    steps.push({ text: `${percent(part.share / sum)} of that is ${name}`, result: words.mass(dryG) });
    steps.push({ text: `as bought it is ${percent(1 - own.value)} dry`, result: words.mass(part.massG) });
  } else if (index === 0) {
    const othersDryG = scaled.dryMatterG - part.massG * (1 - own.value);
    steps.push({ text: 'less what the others bring', result: words.mass(scaled.dryMatterG - othersDryG) });
    steps.push({ text: `as bought it is ${percent(1 - own.value)} dry`, result: words.mass(part.massG) });
  } else {
    const first = scaled.parts[0]!;
    return {
      title: `Why ${words.mass(part.roundedG)} of ${name}`,
      steps: [
        { text: first.material.name, result: words.mass(first.massG) },
        {
          text: `${formatNumber((part.share / first.share) * 100, 1)} % of it`,
          result: words.mass(part.massG),
        },
      ],
      source: part.inSoak
        ? 'Share: common practice, no source. It goes into the soak and is poured off with it: the moisture does not count it.'
        : 'Share: common practice, no source. It keeps kernels apart; half or double does no harm.',
    };
  }
  const { settledGPerL } = formula;
  const bag = scaled.vessel.finishedG !== undefined;
  const spread = (settled: number, moisture: number) =>
    part.massG * (bag ? 1 : settled / settledGPerL.value) * ((1 - own.value) / (1 - moisture));
  return {
    title: `Why ${words.mass(part.roundedG)} of ${name}`,
    steps,
    likely: `Likely ${fromTo(words.mass(spread(settledGPerL.low, own.low)), words.mass(spread(settledGPerL.high, own.high)))}.`,
    source: `Packing: ${settledGPerL.source}. Moisture: ${own.source}. Density for the cups: ${part.material.densityGPerL?.source ?? 'not known'}.`,
    narrow: bag ? 'Dry a sample of this lot' : 'Weigh one full jar',
  };
}

/** Why so much water. */
export function reasonForWater(
  formula: ResolvedFormula,
  scaled: ScaledFormula,
  words: FigureWords = METRIC_WORDS,
): Reason {
  if (formula.basis === 'perLiter') {
    const { volumeMl = 0, eachMl = 0, startMl } = scaled.dissolved ?? {};
    return {
      title: `Why ${words.mass(scaled.waterRoundedG)} of water`,
      steps: [
        {
          text: `${scaled.count} × ${words.volume(eachMl)}`,
          result: words.volume(scaled.count * eachMl),
        },
        { text: `and ${percent(scaled.spare)} to spare`, result: words.volume(volumeMl) },
        ...(startMl === undefined
          ? []
          : [
              {
                text: `${percent(BOILED_AWAY.value)} of it boil away in ${minutesOfExtract()} min, so begin with`,
                result: words.volume(startMl),
              },
            ]),
        { text: 'a milliliter of water weighs a gram', result: words.mass(startMl ?? scaled.waterG) },
      ],
      source:
        'Water: 0.998 g a milliliter in a room, taken as 1. What is to spare covers residue, drops and a plate that does not set.' +
        (startMl === undefined
          ? ''
          : ` With the lid ajar ${percent(BOILED_AWAY.low)} to ${percent(BOILED_AWAY.high)} boil away: ${BOILED_AWAY.source}.`),
      narrow: 'Measure what is left after boiling',
    };
  }
  const suppliedG = scaled.wetG - scaled.waterG;
  const ownWaterG = scaled.wetG * scaled.moisture - scaled.waterG;
  return {
    title: `Why ${words.mass(scaled.waterRoundedG)} of water`,
    steps: [
      { text: 'All vessels, finished', result: words.mass(scaled.wetG) },
      {
        text: `${percent(scaled.moisture)} of it is water`,
        result: words.mass(scaled.wetG * scaled.moisture),
      },
      { text: 'in the ingredients already', result: words.mass(ownWaterG) },
      { text: `so ${words.mass(suppliedG)} must take up`, result: words.mass(scaled.waterG) },
    ],
    source:
      formula.hydration === 'mix'
        ? 'Water to add is m (w − w0)/(1 − w), moisture on wet basis.'
        : 'Soaking takes more water than this; weigh after drying to see what was really taken up.',
  };
}

/** Why this moisture is expected of what will be weighed out. */
export function reasonForMoisture(
  formula: ResolvedFormula,
  scaled: ScaledFormula,
  words: FigureWords = METRIC_WORDS,
): Reason {
  const { low, high, source } = formula.basis === 'perLiter' ? formula.strength : formula.targetMoisture;
  return {
    title: `Why ${formatNumber(scaled.predictedMoisture * 100, 1)} % moisture`,
    steps: [
      {
        text: 'Water, with what the ingredients hold',
        result: words.mass(scaled.predictedMoisture * scaled.wetG),
      },
      { text: 'Dry matter', result: words.mass(scaled.dryMatterG) },
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

function finishedMassSteps(scaled: ScaledFormula, words: FigureWords): readonly ReasonStep[] {
  const { vessel, count, spare } = scaled;
  const one =
    vessel.finishedG === undefined
      ? `One ${vessel.name}, ${percent(scaled.fill)} full, ${words.volume(scaled.vesselFillMl)}`
      : `One ${vessel.name}, finished, ${percent(scaled.volumeShare)} full`;
  return [
    { text: one, result: `${words.mass(scaled.vesselWetG)} wet` },
    {
      text: `${count} of them${spare > 0 ? ` and ${percent(spare)} to spare` : ''}`,
      result: words.mass(scaled.wetG),
    },
    { text: `${percent(1 - scaled.moisture)} of it is dry matter`, result: words.mass(scaled.dryMatterG) },
  ];
}
