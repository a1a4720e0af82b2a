import type { House, VesselView } from '../house/derive/house.js';
import { placeOfVessel } from '../house/places.js';
import type { VesselId } from '../record/ids.js';
import { ancestors, descendants } from '../record/lineage.js';

/** What vessels can have in common. */
export type SharedBy = 'source' | 'cook' | 'formula' | 'day' | 'place';

/** Vessels that belong together, and how they fared. */
export interface Kin {
  readonly views: readonly VesselView[];
  readonly bad: number;
  readonly gone: number;
}

export interface Family {
  /** Nearest first, without the vessel itself. */
  readonly ancestors: Kin;
  readonly descendants: Kin;
  readonly siblings: Readonly<Record<SharedBy, Kin>>;
}

/**
 * Everything that a vessel has to do with: what it came from, what came from it, and what shares something with it.
 * @param dayOf the local day of an instant, as any text that is the same for the same day
 */
export function familyOf(view: VesselView, house: House, dayOf: (iso: string) => string): Family {
  const { id } = view.vessel;
  const kinOf = (ids: Iterable<VesselId>) =>
    kin([...ids].flatMap((one) => (one === id ? [] : (house.vesselById.get(one) ?? []))));
  const shares = sharing(view, house, dayOf);
  const found: Record<SharedBy, VesselView[]> = { source: [], cook: [], formula: [], day: [], place: [] };
  for (const other of house.vesselById.values()) {
    if (other.vessel.id !== id) {
      shares(other).forEach((by) => {
        found[by].push(other);
      });
    }
  }
  return {
    ancestors: kinOf(ancestors(house.lineage, id)),
    descendants: kinOf(descendants(house.lineage, id)),
    siblings: {
      source: kin(found.source),
      cook: kin(found.cook),
      formula: kin(found.formula),
      day: kin(found.day),
      place: kin(found.place),
    },
  };
}

function sharing(
  view: VesselView,
  house: House,
  dayOf: (iso: string) => string,
): (other: VesselView) => readonly SharedBy[] {
  const { state, batch } = view;
  const sources = new Set(house.lineage.sourcesOf.get(view.vessel.id));
  const day = state.inoculatedAt && dayOf(state.inoculatedAt);
  const formula = batch.formula?.id;
  const place = state.phase === 'gone' ? undefined : placeOfVessel(view);
  return (other) => {
    const by: SharedBy[] = [];
    if (house.lineage.sourcesOf.get(other.vessel.id)?.some((s) => sources.has(s)) === true) {
      by.push('source');
    }
    if (state.cookId !== undefined && other.state.cookId === state.cookId) {
      by.push('cook');
    }
    if (formula !== undefined && other.batch.formula?.id === formula) {
      by.push('formula');
    }
    if (
      day !== undefined &&
      other.state.inoculatedAt !== undefined &&
      dayOf(other.state.inoculatedAt) === day
    ) {
      by.push('day');
    }
    if (place !== undefined && other.state.phase !== 'gone' && placeOfVessel(other) === place) {
      by.push('place');
    }
    return by;
  };
}

function kin(views: readonly VesselView[]): Kin {
  return {
    views,
    bad: views.filter((v) => v.state.suspect !== undefined).length,
    gone: views.filter((v) => v.state.phase === 'gone').length,
  };
}
