import type { House, VesselView } from './derive/house.js';

/** How many vessels a source fed directly, and how many of them went bad. A count, no verdict on the cause. */
export function fedBy(source: VesselView, house: House): { readonly fed: number; readonly bad: number } {
  const fed = (house.lineage.fedBy.get(source.vessel.id) ?? []).flatMap(
    (id) => house.vesselById.get(id) ?? [],
  );
  return { fed: fed.length, bad: fed.filter((v) => v.state.suspect !== undefined).length };
}
