import { kitchenMeasure, roundToStep } from '../quantity/format.js';
import type { ResolvedFormula } from '../record/definitions.js';
import type { ScaledPart } from './scaled-formula.js';

type Part = ResolvedFormula['parts'][number];

/** An ingredient of the batch, as weighed on a scale of this step; its percentages are filled in afterwards. */
export function scalePart(part: Part, massG: number, stepG: number): ScaledPart {
  const { material, share, note, strained = false } = part;
  const density = material.densityGPerL?.value;
  const volumeMl = density === undefined ? undefined : (massG / density) * 1000;
  return {
    material,
    share,
    ...(note !== undefined && { note }),
    strained,
    massG,
    roundedG: roundToStep(massG, stepG),
    ...(volumeMl !== undefined && { volumeMl }),
    kitchen: volumeMl === undefined ? '' : kitchenMeasure(volumeMl),
    wantedPercent: 0,
    roundedPercent: 0,
  };
}

/** Percentages of the basis, wanted and after rounding. @param per what one gram of a part counts for */
export function withPercents(
  parts: readonly ScaledPart[],
  per: (part: ScaledPart) => number,
  whole?: number,
): readonly ScaledPart[] {
  const sum = (of: (part: ScaledPart) => number) => whole ?? parts.reduce((s, p) => s + of(p) * per(p), 0);
  const [wanted, rounded] = [sum((p) => p.massG), sum((p) => p.roundedG)];
  const percent = (mass: number, of: number) => (of > 0 ? (mass / of) * 100 : 0);
  return parts.map((p) => ({
    ...p,
    wantedPercent: percent(p.massG * per(p), wanted),
    roundedPercent: percent(p.roundedG * per(p), rounded),
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
