import { isKindOf } from '../material/is-kind-of.js';
import { percentWords } from '../quantity/format.js';
import type { Treatment } from '../record/batch.js';
import type { Stage } from '../record/definitions.js';
import { warmingOf } from './warming.js';
import { blendOf, dryMassG, type Blend, type BlendPart } from './blend.js';

export interface TreatmentAdvice {
  readonly treatment: Treatment;
  readonly reason: string;
}

/** More than this of the dry matter in bran, hulls or grain is a supplement that must be cooked. Common practice, no source. */
export const SUPPLEMENT_LIMIT = 0.02;
/** Plain straw, coir and paper hold less nitrogen than this. Common practice, no source. */
const NITROGEN_LIMIT = 0.007;

/** Sterilize or pasteurize: by what else could live on it. */
export function adviseTreatment(
  stage: Stage,
  parts: readonly BlendPart[],
  blend: Blend = blendOf(parts),
): TreatmentAdvice {
  if (stage !== 'bulk') {
    const words = { agar: 'agar', liquid: 'broth', grain: 'grain' }[stage];
    return {
      treatment: 'sterilize',
      reason: `Everything lives on ${words}: only a full cook under pressure leaves it clean.`,
    };
  }
  const fed = (['supplement', 'grain', 'sugar', 'malt', 'nutrient', 'vegetable'] as const).reduce(
    (sum, family) => sum + (blend.families[family] ?? 0),
    0,
  );
  if (fed > SUPPLEMENT_LIMIT) {
    return {
      treatment: 'sterilize',
      reason: `${percentWords(fed)} of the dry matter is bran, hull, grain or the like: molds live on it sooner than the mycelium, unless it is cooked.`,
    };
  }
  if (warmingOf(parts) === 'ready') {
    return {
      treatment: 'pasteurize',
      reason:
        'Ready compost was warmed through by its maker, and holds molds back as it is: neither a bath nor a cook.',
    };
  }
  const isSelective = parts.some((p) => p.material?.traits?.includes('selective'));
  if (isSelective) {
    return {
      treatment: 'pasteurize',
      reason:
        'Leached or composted manure keeps helpers that hold molds back: warm it through, and they live. A full cook kills them.',
    };
  }
  if (shareOfPeat(parts, blend) > CASING_SHARE) {
    return {
      treatment: 'pasteurize',
      reason:
        'A casing of peat is warmed through, not cooked: peat holds its nitrogen fast, and pins form where helpers live.',
    };
  }
  const manure = blend.families.manure ?? 0;
  const nitrogen = blend.nitrogenOfDry ?? 0;
  if (manure > SUPPLEMENT_LIMIT || nitrogen > NITROGEN_LIMIT) {
    return {
      treatment: 'sterilize',
      reason: `Nitrogen is ${percentWords(nitrogen)} of the dry matter, above ${percentWords(NITROGEN_LIMIT)}: rich enough for molds to win when it is only warmed.`,
    };
  }
  return {
    treatment: 'pasteurize',
    reason: `Poor in nitrogen (${percentWords(nitrogen)} of the dry matter) and without supplement: warming it through is enough, and keeps helpers alive.`,
  };
}

/** So much peat in the dry matter makes a casing. Our choice. */
const CASING_SHARE = 0.3;

function shareOfPeat(parts: readonly BlendPart[], { dryMatterG }: Blend): number {
  const dryG = parts.reduce((sum, part) => sum + (isKindOf(part.material, 'peat') ? dryMassG(part) : 0), 0);
  return dryMatterG > 0 ? dryG / dryMatterG : 0;
}
