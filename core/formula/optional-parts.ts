import { isKindOf } from '../material/is-kind-of.js';
import type { Formula, ResolvedFormula } from '../record/definitions.js';
import { SOAKS_ADDITIVES } from './hydration-plan.js';
import { hydrationSteps } from './hydration.js';
import type { ScaledFormula } from './scaled-formula.js';

type Part = ResolvedFormula['parts'][number];

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
): readonly OptionalPart[] {
  const isSoaked = hydrationSteps(formula.hydration).some((s) => s.step === 'soak');
  return formula.parts
    .filter((part) => isOptionalPart(part, formula) && (isSoaked || part.inSoak !== true))
    .map((part) => ({ part, isIn: chosen[part.material.id] ?? isUsuallyIn(part, formula) }));
}

/** Whether an ingredient may be left out of its formula. */
export function isOptionalPart({ optional, material }: Part, { parts }: ResolvedFormula): boolean {
  return optional !== undefined || (isKindOf(material, ALWAYS_OPTIONAL) && parts.length > 1);
}

function isUsuallyIn(part: Part, { hydration }: ResolvedFormula): boolean {
  return goesIn(part) || (part.inSoak === true && hydration === SOAKS_ADDITIVES);
}

function goesIn({ optional }: Pick<Part, 'optional'>): boolean {
  return optional !== 'out';
}

/** What goes into a formula unless it is put in by hand. */
export function usualParts(formula: Formula): Formula['parts'] {
  return formula.parts.filter(goesIn);
}

/** The formula with only what goes in. */
export function withOptional<F extends ResolvedFormula>(formula: F, optional: readonly OptionalPart[]): F {
  const chosen = new Map(optional.map((o) => [o.part, o.isIn]));
  const parts = formula.parts.filter((p) => chosen.get(p) ?? !isOptionalPart(p, formula));
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
