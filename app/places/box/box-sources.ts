import {
  fedBy,
  isCulture,
  isOn,
  lastFraction,
  usualDoseMl,
  usualSpawnG,
  type BatchView,
  type CookView,
  type House,
  type VesselView,
} from '../../../core/index';

/** A batch that is cooked and waits for its culture. */
export interface Waiting {
  readonly view: BatchView;
  readonly vessels: readonly VesselView[];
  readonly cook?: CookView;
  readonly coolMs: number;
}

/** Spawn with less than this share left is as good as used up. */
const USED_UP = 0.05;
const FULL_ENOUGH = 0.9;

export function waitingBatches(house: House): readonly Waiting[] {
  return house.batches.flatMap((view) => {
    const vessels = view.vessels.filter((v) => v.state.phase === 'sterile');
    const cooks = house.cooks.filter(
      (c) => c.state.heatOffMs !== undefined && vessels.some((v) => v.state.cookId === c.cook.id),
    );
    const closed = cooks.find(isOn);
    const coolMs = Math.max(0, ...cooks.map((c) => c.coreCoolMs ?? 0));
    return vessels.length === 0 ? [] : [{ view, vessels, cook: closed ?? cooks[cooks.length - 1], coolMs }];
  });
}

/**
 * What can feed a batch: cultures for jars, run spawn for blocks. Suspects are never offered; the newest comes
 * first, and what fed bad vessels last.
 */
export function sourcesFor(batch: BatchView, house: House): readonly VesselView[] {
  const newestFirst = [...possibleSources(batch, house)].reverse();
  return newestFirst.sort((a, b) => fedBy(a, house).bad - fedBy(b, house).bad);
}

function possibleSources(batch: BatchView, house: House): readonly VesselView[] {
  const all = [...house.vesselById.values()].filter(
    (v) => v.state.suspect === undefined && v.state.phase !== 'gone',
  );
  return batch.batch.stage === 'bulk'
    ? all.filter(
        (v) =>
          v.batch.stage === 'grain' &&
          v.state.phase === 'running' &&
          lastFraction(v) >= FULL_ENOUGH &&
          !isUsedUp(v),
      )
    : all.filter((v) => isCulture(v) && v.left > 0.1 && (v.batch.stage === 'liquid' || !isGrain(batch)));
}

function isGrain(view: BatchView): boolean {
  return view.batch.stage === 'grain';
}

export function isUsedUp(view: VesselView): boolean {
  return view.batch.plan !== undefined && view.left < view.batch.plan.vesselWetG * USED_UP;
}

export function usualDose(batch: BatchView): number {
  return batch.batch.stage === 'bulk'
    ? usualSpawnG(batch.batch.plan?.vesselWetG ?? 0)
    : usualDoseMl(batch.batch.vessel.capacityMl);
}
