import { isKindOf } from '../material/is-kind-of.js';
import { percentWords } from '../quantity/format.js';
import type { Treatment } from '../record/batch.js';
import { isDissolved, type MaterialTrait, type Stage, type VesselType } from '../record/definitions.js';
import { mostFill } from './asked-amount.js';
import type { Blend, BlendPart } from './blend.js';
import { GRAIN_WINDOW, moistureWindow } from './moisture-window.js';
import { SUPPLEMENT_LIMIT } from './treatment.js';

export type FindingCode =
  | 'far-too-weak'
  | 'weak'
  | 'too-sweet'
  | 'gel-soft'
  | 'gel-stiff'
  | 'too-wet'
  | 'too-dry'
  | 'quoted-differs'
  | 'nitrogen-high'
  | 'supplement-high'
  | 'unsterilized-supplement'
  | 'softwood'
  | 'coated'
  | 'over-full'
  | 'lime-is-chalk';

/** What an audit has to say: how bad, in words, against which threshold, and where that comes from. */
export interface Finding {
  readonly code: FindingCode;
  readonly level: 'stop' | 'warn' | 'note';
  readonly words: string;
  readonly reason: string;
  readonly source: string;
}

const PRACTICE = 'common practice, no source';
/** Field capacities, wherever they are judged by. */
const CAPACITY_SOURCE = 'each material’s own field capacity, from memory';
/** What is quoted for everything. Common practice. */
const QUOTED_HIGH = 0.65;

/** All thresholds of an audit, with their source beside their use. */
export const LIMITS = {
  /** Sugar solids of a broth, % w/v. Common practice. */
  broth: { good: 4, low: 2, high: 5, farBelow: 1 },
  /** Agar, % w/v. Common practice; 1.5 only for water agar. */
  gel: { low: 1.5, high: 2.5 },
  /** Grain, wet basis. */
  grain: GRAIN_WINDOW,
  /** Nitrogen of supplemented wood, share of dry mass. Common practice. */
  nitrogen: { low: 0.005, high: 0.012, warn: 0.015 },
  /** Bran and the like, share of dry mass. Common practice. */
  supplement: { high: 0.2 },
  /** Beyond the edge of a moisture window by this much is worth a warning, not a note. */
  moistureSlack: 0.03,
} as const;

export interface Judged {
  readonly stage: Stage;
  readonly parts: readonly BlendPart[];
  readonly blend: Blend;
  /** Volume of the finished medium in its vessels, ml, when it can be told. */
  readonly finishedMl?: number;
  readonly vessel?: VesselType;
  readonly count?: number;
  readonly treatment?: Treatment;
}

/** Judges a blend against the thresholds of its stage. Deterministic; worst first. */
export function findingsFor(judged: Judged): readonly Finding[] {
  const found = [
    ...materialFindings(judged),
    ...(isDissolved(judged.stage) ? dissolvedFindings(judged) : moistureFindings(judged)),
    ...(judged.stage === 'bulk' ? nutrientFindings(judged) : []),
    ...fullnessFindings(judged),
  ];
  const order = { stop: 0, warn: 1, note: 2 } as const;
  return [...found].sort((a, b) => order[a.level] - order[b.level]);
}

const number = (value: number) => `${Number(value.toPrecision(2))}`;

function materialFindings({ parts }: Judged): Finding[] {
  const names = (trait: MaterialTrait) =>
    parts.flatMap((p) => (p.material?.traits?.includes(trait) ? [p.material.name] : [])).join(', ');
  const found: Finding[] = [];
  const soft = names('softwood');
  if (soft) {
    found.push({
      code: 'softwood',
      level: 'stop',
      words: `${soft}: not for these species.`,
      reason:
        'Resin and terpenes of softwood hold mycelium back. Take beech, oak, alder, maple or birch; never treated or painted wood.',
      source: PRACTICE,
    });
  }
  const coated = names('coated');
  if (coated) {
    found.push({
      code: 'coated',
      level: 'stop',
      words: `${coated} will not wet.`,
      reason:
        'Clay and plastic coatings keep the water out, and inks may be anything. Take plain card and newsprint.',
      source: PRACTICE,
    });
  }
  if (parts.some((p) => isKindOf(p.material, 'calcium-carbonate') && p.massG > 0)) {
    found.push({
      code: 'lime-is-chalk',
      level: 'note',
      words: 'Chalk and garden limestone buffer; they do not sterilize.',
      reason:
        'Only hydrated lime (calcium hydroxide) makes a lime bath above pH 12. Quicklime boils; never mix them up.',
      source: PRACTICE,
    });
  }
  return found;
}

function dissolvedFindings({ stage, blend, parts }: Judged): Finding[] {
  const found: Finding[] = [];
  const liquidMl = blend.liquidMl;
  if (liquidMl <= 0) {
    return found;
  }
  const sugar = (blend.sugarG / liquidMl) * 100;
  const { good, low, high, farBelow } = LIMITS.broth;
  if (stage === 'liquid' && sugar < low) {
    const times = sugar > 0 ? `${number(good / sugar)} times weaker than` : 'nothing of';
    found.push({
      code: sugar < farBelow ? 'far-too-weak' : 'weak',
      level: 'warn',
      words: `${sugar < farBelow ? 'Far too weak' : 'Weak'}: ${number(sugar)} % sugar solids w/v, ${times} the usual ${good} %.`,
      reason: `${low} to ${high} % of dissolved solids by volume work. Little food grows little mycelium; it is not wrong, only thin and slow.`,
      source: PRACTICE,
    });
  }
  if (sugar > high) {
    found.push({
      code: 'too-sweet',
      level: 'warn',
      words: `Too sweet: ${number(sugar)} % sugar solids w/v.`,
      reason: `Above ${high} % the sugar draws water from the mycelium and browns in the cook.`,
      source: PRACTICE,
    });
  }
  const gelG = parts.reduce((sum, p) => sum + (isGel(p) ? p.massG : 0), 0);
  const gel = (gelG / liquidMl) * 100;
  if (stage === 'agar' && gelG > 0 && gel < LIMITS.gel.low) {
    found.push({
      code: 'gel-soft',
      level: 'warn',
      words: `Soft: ${number(gel)} % agar.`,
      reason: `Below ${LIMITS.gel.low} % a plate tears and weeps. Boiled down, it is stiffer: dose on the measured volume.`,
      source: PRACTICE,
    });
  }
  if (stage === 'agar' && gel > LIMITS.gel.high + 1e-9) {
    found.push({
      code: 'gel-stiff',
      level: 'note',
      words: `Stiff: ${number(gel)} % agar.`,
      reason: `Above ${LIMITS.gel.high} % it holds bacteria back and dries slowly, and it sets sooner in the bottle.`,
      source: PRACTICE,
    });
  }
  return found;
}

function isGel(part: BlendPart): boolean {
  return part.material?.family === 'gel' && part.material.id !== 'nutrient-agar';
}

function moistureFindings({ stage, blend, parts }: Judged): Finding[] {
  const { moisture } = blend;
  if (moisture === undefined || blend.dryMatterG <= 0) {
    return [];
  }
  const window = moistureWindow(stage, parts);
  if (window === undefined) {
    return [];
  }
  const what = stage === 'grain' ? 'grain' : 'this blend';
  const found: Finding[] = [];
  const said = `${percentWords(moisture)} water; ${what} takes ${percentWords(window.low, 0)} to ${percentWords(window.high, 0)}.`;
  if (moisture > window.high + 1e-9) {
    found.push({
      code: 'too-wet',
      level: moisture > window.high + LIMITS.moistureSlack ? 'warn' : 'note',
      words: `${stage === 'grain' ? 'Too wet' : 'Wetter than field capacity'}: ${said}`,
      reason:
        stage === 'grain'
          ? 'Wet grain bursts, cakes and sours.'
          : 'Water that it cannot hold stands at the bottom and sours; a hard squeeze should give a few drops.',
      source: stage === 'grain' ? PRACTICE : CAPACITY_SOURCE,
    });
  }
  if (moisture < window.low - 1e-9) {
    found.push({
      code: 'too-dry',
      level: moisture < window.low - LIMITS.moistureSlack ? 'warn' : 'note',
      words: `Drier than it could be: ${said}`,
      reason: 'A dry medium runs slowly and fruits little.',
      source: stage === 'grain' ? PRACTICE : CAPACITY_SOURCE,
    });
  }
  if (stage === 'bulk' && found.length === 0 && moisture > QUOTED_HIGH) {
    found.push({
      code: 'quoted-differs',
      level: 'note',
      words: `${percentWords(moisture)} is right here, although 60 to 65 % is quoted for everything.`,
      reason: 'Field capacity belongs to the material: coir, paper and straw hold more water than wood does.',
      source: CAPACITY_SOURCE,
    });
  }
  return found;
}

function nutrientFindings({ blend, parts, treatment }: Judged): Finding[] {
  const found: Finding[] = [];
  const nitrogen = blend.nitrogenOfDry;
  const isManure = (blend.families.manure ?? 0) > 0;
  const fed = (blend.families.supplement ?? 0) + (blend.families.grain ?? 0);
  if (nitrogen !== undefined && nitrogen > LIMITS.nitrogen.warn && !isManure) {
    found.push({
      code: 'nitrogen-high',
      level: 'warn',
      words: `Rich: nitrogen is ${percentWords(nitrogen, 2)} of the dry matter.`,
      reason: `Above ${percentWords(LIMITS.nitrogen.warn)} a block heats up, smells of ammonia and feeds bacteria. ${percentWords(LIMITS.nitrogen.low)} to ${percentWords(LIMITS.nitrogen.high)} is usual for supplemented wood.`,
      source: PRACTICE,
    });
  }
  if (fed > LIMITS.supplement.high + 1e-9 && !parts.some((p) => isKindOf(p.material, 'soy-hull'))) {
    found.push({
      code: 'supplement-high',
      level: 'warn',
      words: `Supplement is ${percentWords(fed)} of the dry matter.`,
      reason: `5 to ${percentWords(LIMITS.supplement.high, 0)} is usual; more leaves dead spots that stall and rot.`,
      source: PRACTICE,
    });
  }
  if (treatment === 'pasteurize' && fed > SUPPLEMENT_LIMIT) {
    found.push({
      code: 'unsterilized-supplement',
      level: 'stop',
      words: `${percentWords(fed)} of supplement cannot be left at pasteurizing heat.`,
      reason:
        'Spores of molds and bacteria in bran, hull and grain live through 80 °C and eat it first. Sterilize it, or leave the supplement out.',
      source: PRACTICE,
    });
  }
  return found;
}

function fullnessFindings({ finishedMl, vessel, count, stage }: Judged): Finding[] {
  if (finishedMl === undefined || vessel === undefined || count === undefined || count < 1) {
    return [];
  }
  const fill = finishedMl / count / vessel.capacityMl;
  const limit = stage === 'agar' && vessel.kind === 'bottle' ? 0.5 : mostFill(vessel, stage);
  return fill > limit + 1e-6
    ? [
        {
          code: 'over-full',
          level: 'stop',
          words: `Over-full: each ${vessel.name} would be ${percentWords(fill, 0)} full, finished.`,
          reason:
            vessel.kind === 'bag'
              ? `At most ${percentWords(limit, 0)}: the bag needs room to be folded, and air above.`
              : stage === 'bulk'
                ? `At most ${percentWords(limit, 0)}: up to the shoulder, with air below the lid.`
                : `At most ${percentWords(limit, 0)}: grain swells 1.8 to 1.95 times, the culture must breathe and the jar must shake; liquids boil over.`,
          source: PRACTICE,
        },
      ]
    : [];
}
