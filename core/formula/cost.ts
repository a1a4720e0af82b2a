import { requireWithin } from '../base/errors.js';
import type { Household, VesselType } from '../record/definitions.js';
import { pricePerFilling, pricePerKgOf } from './prices.js';
import type { ScaledFormula } from './scaled-formula.js';

/** What a batch costs, in the household's own money. */
export interface BatchCost {
  readonly materials: number;
  /** Of the vessels, as far as they are used up by it; 0 where they have no price. */
  readonly vessels: number;
  readonly cooks: number;
  readonly total: number;
  readonly each: number;
  /** Ingredients without a price; the sums leave them out. */
  readonly unpriced: readonly string[];
  /** What one would be bought for, and what making it saves; absent when the price was not given. */
  readonly bought?: { readonly each: number; readonly saved: number };
}

/** What materials cost at their prices, and the names of those that have none: the sum leaves them out. */
export interface MaterialsCost {
  readonly amount: number;
  readonly unpriced: readonly string[];
}

/** A gram of the dearest that is bought, at what a package may cost. */
const MOST_PRICE_PER_KG = 1e9;

/** @throws CoreError for a price that is none */
export function materialsCost(
  parts: readonly {
    readonly name: string;
    readonly massG: number;
    readonly pricePerKg: number | undefined;
  }[],
): MaterialsCost {
  const unpriced: string[] = [];
  let amount = 0;
  for (const { name, massG, pricePerKg } of parts) {
    if (pricePerKg === undefined) {
      unpriced.push(name);
    } else {
      const price = requireWithin(pricePerKg, {
        field: { field: 'price', of: name },
        min: 0,
        max: MOST_PRICE_PER_KG,
      });
      amount += (price * massG) / 1000;
    }
  }
  return { amount, unpriced };
}

/** @param cooksNeeded firings that the batch takes @throws CoreError for a negative price */
export function costOf(
  scaled: ScaledFormula,
  house: Pick<Household, 'cookPrice' | 'boughtPrice'>,
  cooksNeeded: number,
): BatchCost {
  const { amount: materials, unpriced } = materialsCost(
    scaled.parts.map(({ material, massG }) => ({
      name: material.name,
      massG,
      pricePerKg: pricePerKgOf(material),
    })),
  );
  const vessels = (pricePerFilling(scaled.vessel) ?? 0) * scaled.count;
  const cooks = (house.cookPrice ?? 0) * cooksNeeded;
  const total = materials + vessels + cooks;
  const each = total / scaled.count;
  const boughtEach = house.boughtPrice?.[boughtAs(scaled.vessel)];
  return {
    materials,
    vessels,
    cooks,
    total,
    each,
    unpriced,
    ...(boughtEach !== undefined && {
      bought: { each: boughtEach, saved: (boughtEach - each) * scaled.count },
    }),
  };
}

/** What a vessel is called when it is bought full. */
export function boughtAs(vessel: VesselType): 'dish' | 'syringe' | 'jar' | 'block' {
  switch (vessel.kind) {
    case 'dish':
      return 'dish';
    case 'syringe':
      return 'syringe';
    case 'jar':
    case 'bottle':
      return 'jar';
    default:
      return 'block';
  }
}
