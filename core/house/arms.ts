import { becameOf, type BecameOf } from './became-of.js';
import { isOn } from './cooks-on.js';
import type { BatchView, CookView, House, VesselView } from './derive/house.js';

/** A part of a batch that one cook made ready: what it was treated with is told by the cook. */
export interface Arm {
  readonly cook: CookView;
  readonly vessels: readonly VesselView[];
  readonly became: BecameOf;
}

/** The parts of a batch that was split over several cooks, in their order; none where one cook took all of it. */
export function armsOf(view: BatchView, house: House): readonly Arm[] {
  const arms = (house.cooksOf.get(view.batch.id) ?? []).flatMap((cook) => {
    const vessels = view.vessels.filter((v) => v.state.cookId === cook.cook.id);
    const ids = vessels.map((v) => v.vessel.id);
    return vessels.length === 0 || isOn(cook) ? [] : [{ cook, vessels, became: becameOf(cook, house, ids) }];
  });
  return arms.length < 2 ? [] : arms;
}
