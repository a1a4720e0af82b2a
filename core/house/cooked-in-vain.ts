import type { VesselId } from '../record/ids.js';
import { isOn } from './cooks-on.js';
import type { BatchView, CookView, House } from './derive/house.js';

/** Vessels of one batch that a cook did not make sterile, and that nothing was put into yet: they can be cooked again. */
export interface CookedInVain {
  readonly view: BatchView;
  readonly cook: CookView;
  readonly vesselIds: readonly VesselId[];
}

/** Everything in the house that is cooked and not sterile, by the record of its cook. Loads that boiled dry wait anyway. */
export function cookedInVain(house: House): readonly CookedInVain[] {
  return house.inHand.flatMap((view) => {
    const cooks = (house.cooksOf.get(view.batch.id) ?? []).filter(
      (c) => c.verdict.word === 'not-sterile' && !isOn(c),
    );
    return cooks.flatMap((cook) => {
      const vesselIds = view.vessels
        .filter((v) => v.state.phase === 'cooked' && v.state.cookId === cook.cook.id)
        .map((v) => v.vessel.id);
      return vesselIds.length === 0 ? [] : [{ view, cook, vesselIds }];
    });
  });
}
