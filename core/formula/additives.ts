import { capital, leadWords } from '../base/wording.js';
import type { BatchPlan } from '../record/batch.js';
import type { HydrationMethod, Material } from '../record/definitions.js';
import { SOAKS_ADDITIVES, type HydrationPlan } from './hydration-plan.js';

interface Part {
  readonly material: Material;
  readonly inSoak?: true | undefined;
}

/** What decides which additives go in: what was planned, and what was really weighed out, g by key of the material. */
export interface WithAdditives {
  readonly formula?: { readonly hydration: HydrationMethod; readonly parts?: readonly Part[] };
  readonly plan?: Pick<BatchPlan, 'leftOut'>;
  readonly weighedOut?: ReadonlyMap<string, number>;
}

/**
 * Tells each additive of grain once, at the step where it goes in: into the soak, into each jar, or stirred in before filling.
 * What was left out is told nowhere; what was put in after all is.
 */
export function tellAdditives(step: HydrationPlan, batch: WithAdditives): HydrationPlan {
  const { formula, plan, weighedOut } = batch;
  if (formula === undefined) {
    return step;
  }
  const parts: readonly Part[] = [...(formula.parts ?? []), ...(plan?.leftOut ?? [])];
  const isIn = ({ material }: Part) => {
    const isLeftOut = plan?.leftOut?.some((l) => l.material.id === material.id) === true;
    return isLeftOut ? (weighedOut?.get(material.id) ?? 0) > 0 : weighedOut?.get(material.id) !== 0;
  };
  const additives = parts.filter(isIn).filter(({ material }) => isAdditive(material));
  const soaked = additives.filter((p) => p.inSoak === true || formula.hydration === SOAKS_ADDITIVES);
  const stirredIn = additives.filter((p) => !soaked.includes(p));
  if (step.step === 'soak' && soaked.length > 0) {
    return { ...step, hint: `${capital(list(soaked))} into the soak water. ${step.hint}` };
  }
  if (step.step === 'fill' && stirredIn.length > 0) {
    return formula.hydration === 'measured-jar'
      ? { ...step, hint: step.hint.replace('Grain,', `Grain, ${list(stirredIn)},`) }
      : { ...step, hint: `Stir in the ${list(stirredIn)}. ${step.hint}` };
  }
  return step;
}

/** What goes beside the grain and feeds little or nothing. */
function isAdditive({ family }: Material): boolean {
  return family === 'mineral' || family === 'liquid';
}

const AND = new Intl.ListFormat('en-GB', { type: 'conjunction' });

function list(parts: readonly Part[]): string {
  return AND.format(parts.map(({ material }) => leadWords(material.name)));
}
