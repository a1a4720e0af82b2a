import { DAY_MS } from '../base/time.js';
import type { House } from '../house/derive/house.js';
import { compareText } from '../record/order.js';
import { stockLeftG } from '../stock/stock.js';
import type { SupperPlan } from './plan-suppers.js';
import { scaledFor } from './recipe.js';

/** An ingredient that a plan asks for. */
export interface PlannedPurchase {
  readonly materialId: string;
  readonly name: string;
  readonly needG: number;
  /** Absent when the shelf was never counted. */
  readonly haveG?: number;
  readonly missingG: number;
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
    .map(([materialId, need]) => {
      const leftG = stockLeftG(house, materialId);
      const haveG = leftG === undefined ? undefined : Math.max(0, leftG);
      return {
        materialId,
        ...need,
        ...(haveG !== undefined && { haveG }),
        missingG: Math.max(0, need.needG - (haveG ?? 0)),
      };
    })
    .sort((a, b) => a.byMs - b.byMs || compareText(a.name, b.name));
}

const FILLS: ReadonlySet<string> = new Set(['mixBroth', 'fillGrain', 'mixBlocks', 'pasteurizeBlocks']);
/** Grain is soaked a day before it is filled. */
const BEFORE_MS = DAY_MS;
