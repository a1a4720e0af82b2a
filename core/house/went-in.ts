import { WATER } from '../record/entry.js';
import type { BatchView } from './derive/house.js';

/** An ingredient as it really went into a whole batch. */
export interface WentIn {
  readonly materialId: string;
  readonly name: string;
  readonly massG: number;
}

/** Grams of an ingredient in a batch: as weighed out where that was noted, else as planned, and what was added afterwards. */
export function wentInG({ batch, weighedOut, adjustments }: BatchView, materialId: string): number {
  const planned = batch.plan?.parts.find((p) => p.materialId === materialId)?.massG ?? 0;
  const added = adjustments.reduce((sum, a) => sum + (a.materialId === materialId ? a.massG : 0), 0);
  return (weighedOut.get(materialId) ?? planned) + added;
}

/** All that went into a batch, water aside; what was left out in the end is not among it. */
export function allThatWentIn(view: BatchView): readonly WentIn[] {
  const { plan } = view.batch;
  const named = [
    ...(plan?.parts ?? []),
    ...(plan?.leftOut ?? []).map(({ material }) => ({ materialId: material.id, name: material.name })),
    ...view.adjustments.filter((a) => a.materialId !== WATER),
  ];
  return [...new Map(named.map((n) => [n.materialId, n.name]))]
    .map(([materialId, name]) => ({ materialId, name, massG: wentInG(view, materialId) }))
    .filter((p) => p.massG > 0);
}
