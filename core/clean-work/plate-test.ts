import { DAY_MS } from '../base/time.js';
import { formOf } from '../culture/form.js';
import type { House, VesselView } from '../house/derive/house.js';

/** A plate that shows nothing foreign by then is clean. From memory. */
export const TEST_DAYS = 5;

/** What plates say of a broth. */
export interface PlateTest {
  readonly word: 'none' | 'waits' | 'clean' | 'dirty';
  /** The plate that decides. */
  readonly plate?: VesselView;
  /** Days from sowing until it was looked at, or until now while it waits. */
  readonly days?: number;
}

/**
 * What was seen on plates that a broth, or what it was drawn from, was tried on. One bad plate outweighs any clean ones.
 */
export function plateTestOf(view: VesselView, house: House, nowMs: number): PlateTest {
  const plates = sameBroth(view, house).flatMap((id) =>
    (house.lineage.fedBy.get(id) ?? []).flatMap((fed) => {
      const plate = house.vesselById.get(fed);
      return plate !== undefined && formOf(plate.batch) === 'plate' ? [plate] : [];
    }),
  );
  const dirty = plates.find((p) => p.state.suspect !== undefined);
  if (dirty !== undefined) {
    return { word: 'dirty', plate: dirty, days: daysSown(dirty, Date.parse(dirty.state.suspectAt ?? '')) };
  }
  const looked = plates
    .map((plate) => ({ plate, days: daysSown(plate, Date.parse(plate.state.lastLookAt ?? '')) }))
    .sort((a, b) => (b.days || 0) - (a.days || 0));
  const clean = looked.find((l) => l.days >= TEST_DAYS);
  if (clean !== undefined) {
    return { word: 'clean', ...clean };
  }
  const [waiting] = plates.filter((p) => p.state.phase !== 'gone');
  return waiting === undefined
    ? { word: 'none' }
    : { word: 'waits', plate: waiting, days: daysSown(waiting, nowMs) };
}

/** The vessel, and the bottles from which it was drawn: the same liquid. */
function sameBroth(view: VesselView, house: House): readonly VesselView['vessel']['id'][] {
  const same = new Set([view.vessel.id]);
  for (const id of same) {
    const one = house.vesselById.get(id);
    if (one?.state.drawn === true) {
      one.state.sourceVesselIds.forEach((source) => same.add(source));
    }
  }
  return [...same];
}

function daysSown(plate: VesselView, atMs: number): number {
  return Math.floor((atMs - Date.parse(plate.state.inoculatedAt ?? '')) / DAY_MS);
}
