import {
  leadWords,
  uncapital,
  formatNumber,
  isSugar,
  percentWords,
  schoolOf,
  type ResolvedFormula,
  type ScaleWarning,
  type ScaledFormula,
  type ScaledPart,
} from '../../../core/index';
import { amountWords, literWords, measureWords, volumeWords } from '../../data/words/measure-words';
import { eachJarWords } from '../../data/words/each-jar';
import type { BalanceWords } from '../../pieces/balance-bar';

/** Soak in two to three volumes of water. Common practice, no source. */
const SOAK_VOLUMES = 2.4;
/** Rounding that moves a part by less than this share is not worth a word. */
const WORTH_SAYING = 0.02;

const WARNING_WORDS: Readonly<Record<Exclude<ScaleWarning, 'over-full'>, string>> = {
  'fill-above-usual': 'Fuller than usual: hard to shake, slow to breathe.',
  'moisture-below-good': 'Drier than the good range: it runs slowly.',
  'moisture-above-good': 'Wetter than the good range: it bursts and sours.',
  'strength-below-good': 'Weaker than the good range.',
  'strength-above-good': 'Stronger than the good range.',
  'already-wetter':
    'The ingredients are wetter than that already: no water, and it will be wetter than asked.',
  'scale-too-coarse':
    'Your scale is too coarse for the smallest amount: weigh ten times as much, dissolve it, take a tenth.',
};

export function warningWords(warning: ScaleWarning, scaled: ScaledFormula): string {
  return warning === 'over-full' ? overFullWords(scaled) : WARNING_WORDS[warning];
}

/** How much too much it is, and how much goes in. */
function overFullWords({ vessel, volumeShare, fillLimit, vesselWetG }: ScaledFormula): string {
  const fits = (vesselWetG * fillLimit) / volumeShare;
  return `Over-full: it would fill ${percentWords(volumeShare, 0)} of a ${vessel.name}, of which ${percentWords(fillLimit, 0)} may be filled. ${amountWords(roundedDown(fits))} go into each.`;
}

function roundedDown(grams: number): number {
  return Math.floor(grams / ROUND_G) * ROUND_G;
}
const ROUND_G = 50;

/** What is made, inside the sentence: "malt 2 % agar", "wheat spawn", "rice for Cordyceps". */
export function mediumWords(formula: ResolvedFormula): string {
  const name = uncapital(formula.name);
  switch (formula.stage) {
    case 'agar':
      return name.endsWith('agar') ? name : `${name} agar`;
    case 'liquid':
      return `${name} broth`;
    case 'grain':
      return name.includes(' for ') ? name : `${name} spawn`;
    case 'bulk':
      return name;
  }
}

/** What the strength of a plate or broth is a strength of. */
export function strengthWords(formula: ResolvedFormula): string {
  if (formula.basis !== 'perLiter') {
    return '';
  }
  const lead = formula.parts.find((p) => p.material.id === formula.strengthOf)?.material;
  if (lead === undefined) {
    return '';
  }
  if (isSugar(lead)) {
    return 'sugar solids';
  }
  return lead.family === 'gel' && lead.id !== 'nutrient-agar' ? 'agar' : leadWords(lead.name);
}

/** What stands on and beside the balance bar. */
export function balanceWords(formula: ResolvedFormula, scaled: ScaledFormula): BalanceWords {
  if (scaled.dissolved === undefined) {
    return {
      name: 'Wanted moisture',
      left: `water ${amountWords(scaled.wetG - scaled.dryMatterG)}`,
      right: `dry matter ${amountWords(scaled.dryMatterG)}`,
      below: 'drier runs slowly',
      above: formula.stage === 'grain' ? 'wetter bursts and sours' : 'wetter stands and sours',
    };
  }
  const { strengthGPerL, volumeMl } = scaled.dissolved;
  const isAgar = formula.stage === 'agar';
  return {
    name: 'Wanted strength',
    left: `${strengthWords(formula)} ${measureWords((strengthGPerL * volumeMl) / 1000, 'g', 1)}`,
    right: `in ${volumeWords(volumeMl)} of water`,
    below: isAgar ? 'softer tears' : 'weaker grows thin',
    above: isAgar ? 'stiffer sets sooner' : 'sweeter browns',
  };
}

export interface WaterWords {
  readonly name: string;
  readonly how: string;
  readonly measure: string;
  readonly after: string;
}

/** The row of water: measured in, or taken up from a soak. */
export function waterWords(formula: ResolvedFormula, scaled: ScaledFormula): WaterWords {
  const measured = { name: 'Water', measure: volumeWords(scaled.waterRoundedG), after: '' };
  switch (formula.hydration) {
    case 'extract':
      return {
        ...measured,
        how: 'boil, strain, measure again',
        after: `about ${volumeWords(scaled.dissolved?.volumeMl ?? 0)} are left`,
      };
    case 'dissolve':
      return { ...measured, how: 'dissolve before it is bottled' };
    case 'mix':
      return { ...measured, how: 'mix in, rest, squeeze' };
    case 'measured-jar':
      return { ...measured, how: 'measured into each jar' };
    case 'soak-drain':
      return {
        name: 'Water taken up',
        how: 'soak and drain',
        measure: 'under water',
        after: 'weigh after draining',
      };
    default: {
      const [first] = scaled.parts;
      const dryL = ((first?.massG ?? 0) / (first?.material.densityGPerL?.value ?? 1000)) * SOAK_VOLUMES;
      const how = schoolOf(formula.hydration)?.words ?? 'soak and drain';
      return {
        name: 'Water taken up',
        how,
        measure: `soak in ${literWords(dryL * 1000)}`,
        after: 'weigh after drying',
      };
    }
  }
}

/** Where the water is measured into each jar: what one jar gets. Empty elsewhere. */
export function perJarWords(formula: ResolvedFormula, scaled: ScaledFormula): string {
  return formula.hydration === 'measured-jar'
    ? eachJarWords(
        scaled.parts.map((p) => ({ name: p.material.name, massG: p.massG })),
        scaled.waterG,
        scaled.count * (1 + scaled.spare),
      )
    : '';
}

/** How moist an ingredient is, what part it is, and what rounding makes of that. */
export function partWords(formula: ResolvedFormula, part: ScaledPart): string {
  const decimals = part.wantedPercent < 10 ? 2 : 1;
  const wanted = formatNumber(part.wantedPercent, decimals);
  const isFar = Math.abs(part.roundedPercent - part.wantedPercent) > WORTH_SAYING * part.wantedPercent;
  const share = isFar ? `${wanted} %, rounded ${formatNumber(part.roundedPercent, decimals)}` : `${wanted} %`;
  if (formula.basis === 'perLiter') {
    return `${share} w/v${part.strained ? ', strained out' : ''}`;
  }
  const moist = `${formatNumber(part.material.moisture.value * 100, 1)} % moist`;
  const lot = part.material.lot === undefined ? moist : `${part.material.lot}, ${moist}`;
  if (part.inSoak) {
    return `${part.note ?? 'into the soak'}, poured off with it`;
  }
  return formula.parts.length === 1 ? lot : `${lot}, ${share}${formula.basis === 'dry' ? ' of dry' : ''}`;
}
