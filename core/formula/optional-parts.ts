import type { HydrationMethod, ResolvedFormula } from '../record/definitions.js';
import type { HydrationPlan } from './hydration-plan.js';
import type { ScaledFormula } from './scaled-formula.js';

type Part = ResolvedFormula['parts'][number];

/** The school that has coffee in its name. */
const COFFEE_SCHOOL: HydrationMethod = 'soak-gypsum-coffee';
/** In any formula it may be left out: it keeps kernels apart and feeds nothing. Common practice, no source. */
const ALWAYS_OPTIONAL = 'gypsum';

export interface OptionalPart {
  readonly part: Part;
  readonly isIn: boolean;
}

/**
 * What may be left out of a formula, and whether it goes in: as it was chosen by key, or as usual. What goes into a soak is not
 * among it where nothing is soaked.
 */
export function optionalParts(
  formula: ResolvedFormula,
  chosen: Readonly<Record<string, boolean>>,
  steps: readonly Pick<HydrationPlan, 'step'>[],
): readonly OptionalPart[] {
  const isSoaked = steps.some((s) => s.step === 'soak');
  return formula.parts
    .filter((part) => isOptionalPart(part, formula) && (isSoaked || part.inSoak !== true))
    .map((part) => ({ part, isIn: chosen[part.material.id] ?? isUsuallyIn(part, formula) }));
}

/** Whether an ingredient may be left out of its formula. */
export function isOptionalPart({ optional, material }: Part, { parts }: ResolvedFormula): boolean {
  return optional !== undefined || (material.id === ALWAYS_OPTIONAL && parts.length > 1);
}

function isUsuallyIn({ optional, inSoak }: Part, { hydration }: ResolvedFormula): boolean {
  return optional !== 'out' || (inSoak === true && hydration === COFFEE_SCHOOL);
}

/** The formula with only what goes in. */
export function withOptional<F extends ResolvedFormula>(formula: F, optional: readonly OptionalPart[]): F {
  const isIn = new Map(optional.map((o) => [o.part, o.isIn]));
  const parts = formula.parts.filter((p) => isIn.get(p) ?? !isOptionalPart(p, formula));
  return { ...formula, parts };
}

/** What of a part that was left out would have gone in, g. */
export function leftOutG({ share, material }: Part, formula: ResolvedFormula, scaled: ScaledFormula): number {
  const [lead] = scaled.parts;
  if (formula.basis === 'perLiter') {
    return (share * (scaled.dissolved?.volumeMl ?? 0)) / 1000;
  }
  const dry = (m: typeof material) => (formula.basis === 'dry' ? 1 - m.moisture.value : 1);
  return lead === undefined ? 0 : (lead.massG * dry(lead.material) * (share / lead.share)) / dry(material);
}
