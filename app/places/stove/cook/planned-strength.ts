import { isSugar, type BatchView } from '../../../../core/index';

/** The strength that was planned, g a liter, told from the plan's own grams. */
export function plannedStrength({ batch }: BatchView): number | undefined {
  const { formula, plan } = batch;
  if (formula?.basis !== 'perLiter' || plan?.volumeMl === undefined) {
    return undefined;
  }
  const lead = formula.parts.find((p) => p.material.id === formula.strengthOf)?.material;
  const massG = plan.parts.find((p) => p.materialId === formula.strengthOf)?.massG ?? 0;
  const solids = lead !== undefined && isSugar(lead) ? (lead.solids?.value ?? 1) : 1;
  return massG > 0 ? ((massG * solids) / plan.volumeMl) * 1000 : undefined;
}
