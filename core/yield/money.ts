import { heldAtFirst } from '../culture/amounts.js';
import { boughtAs } from '../formula/cost.js';
import type { House, VesselView } from '../house/derive/house.js';

const G_PER_KG = 1000;
/** Spawn of spawn of spawn: farther back nothing is left of a price. Our choice. */
const MOST_FORBEARS = 8;

/** What went into one vessel, in the household's money. */
export interface MoneySpent {
  readonly amount: number;
  /** Names of materials that have no price: the sum leaves them out. */
  readonly unpriced: readonly string[];
}

export type PricedHouse = Pick<House, 'records' | 'household' | 'batchById' | 'vesselById' | 'cookById'>;

/**
 * Materials at the prices of today, its share of the cook that it was in, and what it got of other vessels, which cost
 * something too. What came in costs what such a one is bought for.
 *
 * @returns undefined where nothing of it has a price
 */
export function moneySpentOn(view: VesselView, house: PricedHouse): MoneySpent | undefined {
  return spentOn(view, house, pricesOf(house), MOST_FORBEARS);
}

/** Of several vessels together; undefined where nothing of them has a price. */
export function moneySpentOnAll(views: readonly VesselView[], house: PricedHouse): MoneySpent | undefined {
  const prices = pricesOf(house);
  return added(views.map((view) => spentOn(view, house, prices, MOST_FORBEARS)));
}

type Prices = ReadonlyMap<string, number>;

function pricesOf({ records }: PricedHouse): Prices {
  return new Map(
    records.materials.flatMap((m) => (m.pricePerKg === undefined ? [] : [[m.id, m.pricePerKg] as const])),
  );
}

function spentOn(
  view: VesselView,
  house: PricedHouse,
  prices: Prices,
  forbears: number,
): MoneySpent | undefined {
  const own = view.batch.plan === undefined ? bought(view, house) : made(view, house, prices);
  return added([own, cooked(view, house), ...(forbears === 0 ? [] : given(view, house, prices, forbears))]);
}

/** What is drawn off cost what it was drawn from; all else that has no plan was bought, or might have been. */
function bought({ batch }: VesselView, { household }: PricedHouse): MoneySpent | undefined {
  const price = batch.isolateId === undefined ? undefined : household?.boughtPrice?.[boughtAs(batch.vessel)];
  return price === undefined ? undefined : { amount: price, unpriced: [] };
}

function made({ batch }: VesselView, house: PricedHouse, prices: Prices): MoneySpent | undefined {
  const parts = batch.plan?.parts ?? [];
  const count = house.batchById.get(batch.id)?.vessels.length ?? 1;
  const priced = parts.filter((p) => prices.has(p.materialId));
  return priced.length === 0
    ? undefined
    : {
        amount:
          priced.reduce((sum, p) => sum + (p.massG / G_PER_KG) * (prices.get(p.materialId) ?? 0), 0) / count,
        unpriced: parts.filter((p) => !prices.has(p.materialId)).map((p) => p.name),
      };
}

function cooked({ state }: VesselView, { household, cookById }: PricedHouse): MoneySpent | undefined {
  const cook = state.cookId && cookById.get(state.cookId);
  return household?.cookPrice === undefined || !cook
    ? undefined
    : { amount: household.cookPrice / Math.max(1, cook.vesselIds.length), unpriced: [] };
}

/** In equal parts of each source, by what the source held. */
function given(
  { state }: VesselView,
  house: PricedHouse,
  prices: Prices,
  forbears: number,
): readonly (MoneySpent | undefined)[] {
  const { sourceVesselIds, doseEach = 0, doseUnit } = state;
  return sourceVesselIds.map((id) => {
    const source = house.vesselById.get(id);
    const held = source && heldAtFirst(source.batch);
    if (source === undefined || held === undefined || held.unit !== doseUnit || held.amount <= 0) {
      return undefined;
    }
    const spent = spentOn(source, house, prices, forbears - 1);
    const share = Math.min(1, doseEach / sourceVesselIds.length / held.amount);
    return spent && { amount: spent.amount * share, unpriced: spent.unpriced };
  });
}

function added(all: readonly (MoneySpent | undefined)[]): MoneySpent | undefined {
  const known = all.filter((m) => m !== undefined);
  return known.length === 0
    ? undefined
    : {
        amount: known.reduce((sum, m) => sum + m.amount, 0),
        unpriced: [...new Set(known.flatMap((m) => m.unpriced))],
      };
}
