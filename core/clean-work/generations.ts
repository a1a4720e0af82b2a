import { formOf, isMycelium } from '../culture/form.js';
import type { House, VesselView } from '../house/derive/house.js';
import type { VesselId } from '../record/ids.js';

/** How often a culture was moved on since it was spores or tissue. */
export interface Generation {
  /** Transfers of mycelium; 0 for what was sown with spores or tissue. What its keeper told is counted in. */
  readonly transfers: number;
  /** Times that grain was fed to grain, one after another. */
  readonly grainSteps: number;
}

const NONE: Generation = { transfers: 0, grainSteps: 0 };
const known = new WeakMap<House, Map<VesselId, Generation>>();

/** Counted from the origin along the longest way, since that is how old it is. A loop in bad data ends the walk. */
export function generationOf(view: VesselView, house: House): Generation {
  const found = known.get(house) ?? new Map<VesselId, Generation>();
  known.set(house, found);
  const open = [view.vessel.id];
  const entered = new Set<VesselId>();
  // Sources first; an explicit stack, since a chain may be thousands long.
  while (open.length > 0) {
    const id = open[open.length - 1]!;
    const sources = house.lineage.sourcesOf.get(id) ?? [];
    const missing = found.has(id) ? [] : sources.filter((s) => !found.has(s) && !entered.has(s));
    entered.add(id);
    if (missing.length > 0) {
      open.push(...missing);
    } else {
      open.pop();
      if (!found.has(id)) {
        found.set(id, ofOne(id, sources, found, house));
      }
    }
  }
  return found.get(view.vessel.id) ?? NONE;
}

function ofOne(
  id: VesselId,
  sources: readonly VesselId[],
  found: ReadonlyMap<VesselId, Generation>,
  house: House,
): Generation {
  const view = house.vesselById.get(id);
  if (view === undefined) {
    return NONE;
  }
  if (sources.length === 0) {
    return { transfers: view.batch.origin?.transfers ?? 0, grainSteps: 0 };
  }
  return sources.reduce<Generation>((oldest, source) => {
    const from = found.get(source) ?? NONE;
    const giver = house.vesselById.get(source);
    const form = giver && formOf(giver.batch);
    // Spores and tissue begin a culture; what is drawn into a syringe or moved into a tub is the same one.
    const isSame = view.state.drawn === true || view.state.repotted !== undefined;
    const isNew = (form === undefined || isMycelium(form)) && !isSame;
    const isGrainToGrain = !isSame && form === 'grain' && formOf(view.batch) === 'grain';
    return {
      transfers: Math.max(oldest.transfers, from.transfers + (isNew ? 1 : 0)),
      grainSteps: Math.max(oldest.grainSteps, isGrainToGrain ? from.grainSteps + 1 : 0),
    };
  }, NONE);
}
