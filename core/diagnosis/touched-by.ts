import { descendants } from '../record/lineage.js';
import type { House, VesselView } from '../house/derive/house.js';

/** Living vessels that have something in common with bad ones; each is named once, by what says most. */
export interface Touching {
  /** Fed from a bad one, or from what it fed: what is in the one is likely in the other. */
  readonly fed: readonly VesselView[];
  /** Sown from the same source. */
  readonly sameSource: readonly VesselView[];
  /** Out of the same cook. */
  readonly sameCook: readonly VesselView[];
}

/** What bad vessels may have passed on or have in common with others. A list, no verdict on the cause. */
export function touchedBy(bad: readonly VesselView[], house: House): Touching {
  const named = new Set(bad.map((v) => v.vessel.id));
  const take = (views: readonly (VesselView | undefined)[]) => {
    const found = views.filter(
      (v): v is VesselView => v !== undefined && isSound(v) && !named.has(v.vessel.id),
    );
    const once = [...new Map(found.map((v) => [v.vessel.id, v])).values()];
    once.forEach((v) => named.add(v.vessel.id));
    return once;
  };
  const viewOf = (id: VesselView['vessel']['id']) => house.vesselById.get(id);
  return {
    fed: take(bad.flatMap((v) => descendants(house.lineage, v.vessel.id).map(viewOf))),
    sameSource: take(
      [...new Set(bad.flatMap((v) => v.state.sourceVesselIds))].flatMap((id) =>
        (house.lineage.fedBy.get(id) ?? []).map(viewOf),
      ),
    ),
    sameCook: take(
      [...new Set(bad.map((v) => v.state.cookId))].flatMap((id) =>
        id === undefined ? [] : (house.cookById.get(id)?.vesselIds ?? []).map(viewOf),
      ),
    ),
  };
}

function isSound({ state }: VesselView): boolean {
  return state.suspect === undefined && (state.phase === 'running' || state.phase === 'opened');
}
