import { requireWithin } from '../base/errors.js';
import type { Household, VesselType } from '../record/definitions.js';
import type { ScaledFormula } from './scaled-formula.js';

/** What a batch costs, in the household's own money. */
export interface BatchCost {
  readonly materials: number;
  readonly cooks: number;
  readonly total: number;
  readonly each: number;
  /** Ingredients without a price; the sums leave them out. */
  readonly unpriced: readonly string[];
  /** What one would be bought for, and what making it saves; absent when the price was not given. */
  readonly bought?: { readonly each: number; readonly saved: number };
}

/** @param cooksNeeded firings that the batch takes @throws CoreError for a negative price */
export function costOf(
  scaled: ScaledFormula,
  house: Pick<Household, 'cookPrice' | 'boughtPrice'>,
  cooksNeeded: number,
): BatchCost {
  const unpriced: string[] = [];
  let materials = 0;
  for (const { material, massG } of scaled.parts) {
    if (material.pricePerKg === undefined) {
      unpriced.push(material.name);
    } else {
      const price = requireWithin(material.pricePerKg, {
        field: { field: 'price', of: material.name },
        min: 0,
        max: 10_000,
      });
      materials += (price * massG) / 1000;
    }
  }
  const cooks = (house.cookPrice ?? 0) * cooksNeeded;
  const each = (materials + cooks) / scaled.count;
  const boughtEach = house.boughtPrice?.[boughtAs(scaled.vessel)];
  return {
    materials,
    cooks,
    total: materials + cooks,
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
