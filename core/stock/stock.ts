import type { ScaledFormula } from '../formula/scaled-formula.js';
import type { House } from '../house/derive/house.js';
import { wentInG } from '../house/went-in.js';

/** What is left of an ingredient that was counted once: the count, less what batches took since. */
export function stockLeftG(house: House, materialId: string): number | undefined {
  const stock = house.records.materials.find((m) => m.id === materialId)?.stock;
  if (stock === undefined) {
    return undefined;
  }
  const countedMs = Date.parse(stock.countedAt);
  const usedG = house.batches.reduce(
    (sum, view) => (view.madeAtMs < countedMs ? sum : sum + wentInG(view, materialId)),
    0,
  );
  return stock.massG - usedG;
}

/** One line of a shopping list. */
export interface ToBuy {
  readonly materialId: string;
  readonly name: string;
  readonly needG: number;
  /** Absent when the shelf was never counted. */
  readonly haveG?: number;
  readonly missingG: number;
}

/** So much of an ingredient against what is on the shelf; what was never counted is missing whole. */
export function againstStock(
  house: House,
  materialId: string,
  needG: number,
): Pick<ToBuy, 'haveG' | 'missingG'> {
  const leftG = stockLeftG(house, materialId);
  const haveG = Math.max(0, leftG ?? 0);
  return { ...(leftG !== undefined && { haveG }), missingG: Math.max(0, needG - haveG) };
}

/** What a batch needs, against what is on the shelf. */
export function shoppingList(house: House, scaled: ScaledFormula): readonly ToBuy[] {
  return scaled.parts.map(({ material, roundedG }) => ({
    materialId: material.id,
    name: material.name,
    needG: roundedG,
    ...againstStock(house, material.id, roundedG),
  }));
}
