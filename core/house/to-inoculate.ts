import { usualDoseMl, usualSpawnG } from '../culture/dose.js';
import { isCulture } from './is-culture.js';
import { isOn } from './cooks-on.js';
import { fedBy } from './fed-by.js';
import type { BatchView, CookView, House, VesselView } from './derive/house.js';
import { isUsedUp, lastFraction, vesselsInHand } from './running.js';

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

/** What waits for its culture in one batch; undefined for none. */
export function readyToInoculate(view: BatchView, house: House): ReadyToInoculate | undefined {
  const vessels = view.vessels.filter((v) => v.state.phase === 'cooked');
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
    coolMs: Math.max(0, ...cooks.map((c) => c.coreCoolMs ?? 0)),
    isShut: shut !== undefined,
  };
}

export function allReadyToInoculate(house: House): readonly ReadyToInoculate[] {
  return house.inHand.flatMap((view) => readyToInoculate(view, house) ?? []);
}

/** Spawn that has run so far goes on to feed. Our choice. */
const FULL_ENOUGH = 0.9;
/** Less cannot be drawn or scraped. Milliliters; our choice. */
const LEAST_ML = 0.1;

/** Cultures that something is left of, the newest first. */
export function culturesInHand(house: House): readonly VesselView[] {
  return vesselsInHand(house)
    .filter((v) => isCulture(v) && v.state.phase !== 'gone' && v.remaining > LEAST_ML)
    .reverse();
}

/**
 * What can feed a batch: cultures for jars, run spawn for blocks. Suspects are never offered; the newest comes
 * first, and what fed bad vessels last.
 */
export function sourcesFor(batch: BatchView, house: House): readonly VesselView[] {
  const possible =
    batch.batch.stage === 'bulk'
      ? vesselsInHand(house)
          .filter((v) => v.batch.stage === 'grain' && v.state.phase === 'running' && isSpawn(v))
          .reverse()
      : culturesInHand(house).filter((v) => v.batch.stage === 'liquid' || batch.batch.stage !== 'grain');
  const bad = new Map(possible.map((v) => [v, fedBy(v, house).bad]));
  return possible
    .filter((v) => v.state.suspect === undefined)
    .sort((a, b) => (bad.get(a) ?? 0) - (bad.get(b) ?? 0));
}

/** Milliliters of culture, or grams of spawn, that a vessel of a batch usually gets. */
export function usualDose({ batch }: BatchView): number {
  return batch.stage === 'bulk'
    ? usualSpawnG(batch.plan?.vesselWetG ?? 0)
    : usualDoseMl(batch.vessel.capacityMl);
}

function isSpawn(view: VesselView): boolean {
  return lastFraction(view) >= FULL_ENOUGH && !isUsedUp(view);
}
