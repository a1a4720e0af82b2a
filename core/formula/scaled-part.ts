import { kitchenOf, volumeMlOf } from '../material/kitchen-of.js';
import { roundToStep } from '../quantity/format.js';
import type { ResolvedFormula } from '../record/definitions.js';
import type { ScaledPart } from './scaled-formula.js';

type Part = ResolvedFormula['parts'][number];

/** An ingredient of the batch, as weighed on a scale of this step; its percentages are filled in afterwards. */
export function scalePart(part: Part, massG: number, stepG: number): ScaledPart {
  const { material, share, note, strained = false, inSoak } = part;
  const volumeMl = volumeMlOf(material, massG);
  return {
    material,
    share,
    ...(note !== undefined && { note }),
    strained,
    ...(inSoak && { inSoak }),
    massG,
    roundedG: roundToStep(massG, stepG),
    ...(volumeMl !== undefined && { volumeMl }),
    kitchen: kitchenOf(material, massG),
    wantedPercent: 0,
    roundedPercent: 0,
  };
}

/**
 * Percentages of the basis, wanted and after rounding.
 *
 * @param perGram what one gram of each part counts for, in the order of the parts
 * @param whole what they are a percentage of; their own sum when left out
 */
export function withPercents(
  parts: readonly ScaledPart[],
  perGram: readonly number[],
  whole?: number,
): readonly ScaledPart[] {
  let [wanted, rounded] = [whole ?? 0, whole ?? 0];
  if (whole === undefined) {
    for (const [i, part] of parts.entries()) {
      if (part.inSoak === true) {
        continue;
      }
      wanted += part.massG * perGram[i]!;
      rounded += part.roundedG * perGram[i]!;
    }
  }
  return parts.map((part, i) => ({
    ...part,
    wantedPercent: wanted > 0 ? ((part.massG * perGram[i]!) / wanted) * 100 : 0,
    roundedPercent: rounded > 0 ? ((part.roundedG * perGram[i]!) / rounded) * 100 : 0,
  }));
}

/** A part off by more than this needs a finer scale. Common practice, no source. */
const COARSE = 0.05;

/** Whether rounding moves any part by more than a twentieth. Of gypsum and lime, half or double does no harm. */
export function isTooCoarse(parts: readonly ScaledPart[]): boolean {
  return parts.some(
    (p) => p.material.family !== 'mineral' && Math.abs(p.roundedG - p.massG) > COARSE * p.massG,
  );
}
