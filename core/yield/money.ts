import { heldAtFirst } from '../culture/amounts.js';
import { boughtAs, materialsCost, type MaterialsCost } from '../formula/cost.js';
import { pricePerFilling, pricePerKgOf } from '../formula/prices.js';
import type { House, VesselView } from '../house/derive/house.js';
import { allThatWentIn } from '../house/went-in.js';

/** Spawn of spawn of spawn: farther back nothing is left of a price. Our choice. */
const MOST_FORBEARS = 8;

/** What went into one vessel or several, in the household's money. */
export type MoneySpent = MaterialsCost;

export type PricedHouse = Pick<House, 'records' | 'household' | 'batchById' | 'vesselById' | 'cookById'>;

/**
 * Materials as they went in and the vessel, at the prices of today, its share of the cook that it was in, and what it got of
 * other vessels, which cost something too. What came in costs what such a one is bought for.
 *
 * @returns undefined where nothing of it has a price
 */
export function moneySpentOn(view: VesselView, house: PricedHouse): MoneySpent | undefined {
  return moneySpentOnAll([view], house);
}

/** Of several vessels together; undefined where nothing of them has a price. */
export function moneySpentOnAll(views: readonly VesselView[], house: PricedHouse): MoneySpent | undefined {
  const prices = pricesOf(house);
  return added(views.map((view) => spentOn(view, house, prices, MOST_FORBEARS)));
}

interface Prices {
  /** Of a kilogram, by id of the ingredient. */
  readonly perKg: ReadonlyMap<string, number>;
  /** Of one filling, by id of the kind of vessel. */
  readonly perFilling: ReadonlyMap<string, number>;
}

function pricesOf({ records }: PricedHouse): Prices {
  return {
    perKg: knownOf(records.materials, pricePerKgOf),
    perFilling: knownOf(records.vesselTypes, pricePerFilling),
  };
}

function knownOf<T extends { readonly id: string }>(
  rows: readonly T[],
  priceOf: (row: T) => number | undefined,
): ReadonlyMap<string, number> {
  return new Map(
    rows.flatMap((row) => {
      const price = priceOf(row);
      return price === undefined ? [] : [[row.id, price] as const];
    }),
  );
}

function spentOn(
  view: VesselView,
  house: PricedHouse,
  prices: Prices,
  forbears: number,
): MoneySpent | undefined {
  const own =
    view.batch.plan === undefined ? [bought(view, house)] : [made(view, house, prices), filled(view, prices)];
  return added([
    ...own,
    cooked(view, house),
    ...(forbears === 0 ? [] : given(view, house, prices, forbears)),
  ]);
}

/** What is drawn off cost what it was drawn from; all else that has no plan was bought, or might have been. */
function bought({ batch }: VesselView, { household }: PricedHouse): MoneySpent | undefined {
  const price = batch.isolateId === undefined ? undefined : household?.boughtPrice?.[boughtAs(batch.vessel)];
  return price === undefined ? undefined : { amount: price, unpriced: [] };
}

function made({ batch }: VesselView, house: PricedHouse, prices: Prices): MoneySpent | undefined {
  const view = house.batchById.get(batch.id);
  const parts = view === undefined ? [] : allThatWentIn(view);
  const count = view?.vessels.length ?? 1;
  const { amount, unpriced } = materialsCost(
    parts.map(({ name, massG, materialId }) => ({ name, massG, pricePerKg: prices.perKg.get(materialId) })),
  );
  return unpriced.length === parts.length ? undefined : { amount: amount / count, unpriced };
}

/** The vessel itself, as far as this filling uses it up. */
function filled({ batch }: VesselView, { perFilling }: Prices): MoneySpent | undefined {
  const amount = perFilling.get(batch.vessel.id);
  return amount === undefined ? undefined : { amount, unpriced: [] };
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
