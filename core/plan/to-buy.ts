import { groupBy } from '../base/collections.js';
import { DAY_MS } from '../base/time.js';
import type { House } from '../house/derive/house.js';
import type { Material } from '../record/definitions.js';
import { compareText } from '../record/order.js';
import { againstStock } from '../stock/stock.js';
import type { SupperPlan } from './plan-suppers.js';
import { FILLS } from './plan-sums.js';
import { scaledFor } from './recipe.js';

/** What one filling takes of an ingredient. */
interface Need {
  readonly material: Material;
  readonly massG: number;
  readonly byMs: number;
}

/** What each ingredient is needed for, the first need first. */
function needsOf(suppers: readonly SupperPlan[]): ReadonlyMap<string, readonly Need[]> {
  const all = suppers.flatMap(({ steps }) =>
    steps.flatMap(({ kind, medium, count, slot }): Need[] =>
      medium === undefined || !FILLS.has(kind)
        ? []
        : scaledFor(medium, count).parts.map(({ material, roundedG }) => ({
            material,
            massG: roundedG,
            byMs: slot.startMs - BEFORE_MS,
          })),
    ),
  );
  return groupBy(
    all.sort((a, b) => a.byMs - b.byMs),
    (n) => n.material.id,
  );
}

/** What is bought of an ingredient on one day. */
export interface Purchase {
  readonly materialId: string;
  readonly name: string;
  readonly massG: number;
  /** Whole packages as the last one was, where that is known. */
  readonly packages?: { readonly count: number; readonly eachG: number; readonly price: number };
  /** Left on the shelf once all that was needed until the next purchase is taken, g. */
  readonly leftG: number;
  /** What is on the shelf was never counted. */
  readonly isUncounted: boolean;
}

/** A day on which something is bought. */
export interface ShopDay {
  readonly dayMs: number;
  readonly purchases: readonly Purchase[];
}

/**
 * What is bought on which day: each time as much as is needed until the next of those days, in whole packages; what is left of a
 * package serves the next need.
 *
 * @param shopDayOf the day on which one shops for what is needed by a moment, ms
 */
export function shoppingByDay(
  suppers: readonly SupperPlan[],
  house: House,
  shopDayOf: (byMs: number) => number,
): readonly ShopDay[] {
  const bought = [...needsOf(suppers)].flatMap(([id, needs]) => {
    const { haveG } = againstStock(house, id, 0);
    const isUncounted = haveG === undefined;
    let leftG = haveG ?? 0;
    return [...groupBy(needs, (n) => shopDayOf(n.byMs))].flatMap(([dayMs, own]) => {
      const { material } = own[0]!;
      const needG = own.reduce((sum, n) => sum + n.massG, 0);
      const missingG = Math.max(0, needG - leftG);
      const pack = material.bought;
      const count = pack === undefined ? 0 : Math.ceil(missingG / pack.massG);
      const massG = pack === undefined ? missingG : count * pack.massG;
      leftG += massG - needG;
      const purchase: Purchase = {
        materialId: id,
        name: material.name,
        massG,
        leftG,
        isUncounted,
        ...(pack !== undefined && { packages: { count, eachG: pack.massG, price: count * pack.price } }),
      };
      return missingG > 0 ? [{ dayMs, purchase }] : [];
    });
  });
  return [...groupBy(bought, (b) => b.dayMs)]
    .sort(([a], [b]) => a - b)
    .map(([dayMs, all]) => ({
      dayMs,
      purchases: all.map((b) => b.purchase).sort((a, b) => compareText(a.name, b.name)),
    }));
}

/** Grain is soaked a day before it is filled. */
const BEFORE_MS = DAY_MS;
