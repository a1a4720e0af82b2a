import { isOn } from './cooks-on.js';
import { coolMsOf, isInBottle } from './pouring.js';
import type { BatchView, CookView, House, VesselView } from './derive/house.js';

/** A batch that is cooked, or pasteurized, and waits for its culture. */
export interface ReadyToInoculate {
  readonly view: BatchView;
  readonly vessels: readonly VesselView[];
  /** The cook that must still be opened, or the last that it was in. */
  readonly cook?: CookView;
  /** Not until this: the middle is below 30 °C then. 0 where nothing cooled in a cooker. */
  readonly coolMs: number;
  readonly isShut: boolean;
}

/** What of a vessel is to be sown still: the whole, or numbered parts that do not touch. */
export function partsToSow({ batch, state }: VesselView): readonly (number | 'whole')[] {
  const { compartments } = batch.vessel;
  if (state.isControl === true) {
    return [];
  }
  if (compartments === undefined) {
    return state.phase === 'cooked' ? ['whole'] : [];
  }
  // A dish that was sown all over has no part left.
  const isOpen = state.phase === 'cooked' || (state.phase === 'running' && state.compartments.length > 0);
  return isOpen
    ? Array.from({ length: compartments }, (_, i) => i + 1).filter((n) => !state.compartments.includes(n))
    : [];
}

/** What waits for its culture in one batch; undefined for none. */
export function readyToInoculate(view: BatchView, house: House): ReadyToInoculate | undefined {
  const vessels = view.vessels.filter((v) => partsToSow(v).length > 0 && !isInBottle(v, view));
  if (vessels.length === 0) {
    return undefined;
  }
  const own = new Set(vessels.map((v) => v.state.cookId));
  const cooks = (house.cooksOf.get(view.batch.id) ?? []).filter(
    (c) => c.state.heatOffMs !== undefined && own.has(c.cook.id),
  );
  const shut = cooks.find(isOn);
  const cook = shut ?? cooks[cooks.length - 1];
  return {
    view,
    vessels,
    ...(cook !== undefined && { cook }),
    coolMs: Math.max(0, ...vessels.map((v) => coolMsOf(v, house) ?? 0)),
    isShut: shut !== undefined,
  };
}

export function allReadyToInoculate(house: House): readonly ReadyToInoculate[] {
  return house.inHand.flatMap((view) => readyToInoculate(view, house) ?? []);
}
