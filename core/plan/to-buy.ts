import { DAY_MS } from '../base/time.js';
import type { House } from '../house/derive/house.js';
import { compareText } from '../record/order.js';
import { againstStock, type ToBuy } from '../stock/stock.js';
import type { SupperPlan } from './plan-suppers.js';
import { FILLS } from './plan-sums.js';
import { scaledFor } from './recipe.js';

/** An ingredient that plans ask for. */
export interface PlannedPurchase extends ToBuy {
  /** It should be in the house by then, ms. */
  readonly byMs: number;
}

/** What all plans together take of each ingredient, against what is on the shelf; what is wanted first comes first. */
export function plannedPurchases(suppers: readonly SupperPlan[], house: House): readonly PlannedPurchase[] {
  const needs = new Map<string, { name: string; needG: number; byMs: number }>();
  for (const { steps } of suppers) {
    for (const { kind, medium, count, slot } of steps) {
      if (medium === undefined || !FILLS.has(kind)) {
        continue;
      }
      for (const { material, roundedG } of scaledFor(medium, count).parts) {
        const before = needs.get(material.id);
        needs.set(material.id, {
          name: material.name,
          needG: (before?.needG ?? 0) + roundedG,
          byMs: Math.min(before?.byMs ?? Infinity, slot.startMs - BEFORE_MS),
        });
      }
    }
  }
  return [...needs]
    .map(([materialId, need]) => ({ materialId, ...need, ...againstStock(house, materialId, need.needG) }))
    .sort((a, b) => a.byMs - b.byMs || compareText(a.name, b.name));
}

/** Grain is soaked a day before it is filled. */
const BEFORE_MS = DAY_MS;
