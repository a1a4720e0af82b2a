import type { Batch } from '../record/batch.js';
import { isDissolved, type VesselType } from '../record/definitions.js';
import type { VesselId } from '../record/ids.js';
import { inCooker, placesNeeded } from './in-cooker.js';

/** A batch that may go into the pot. */
export interface LoadCandidate {
  readonly batch: Batch;
  /** Its vessels that were not cooked yet. */
  readonly waiting: readonly VesselId[];
  readonly isWanted: boolean;
}

/** The same, with what it would take up. */
export interface LoadPart extends LoadCandidate {
  /** What stands in the pot for it: plates are cooked in bottles. */
  readonly vessel: VesselType;
  readonly vesselsPerPlace: number;
  readonly places: number;
  /** It may share the cook with the first that is wanted. */
  readonly fits: boolean;
}

/** Only like vessels of like media share a cook, since they share a programme and its places: the first wanted decides. */
export function partsOfLoad(candidates: readonly LoadCandidate[]): readonly LoadPart[] {
  const first = candidates.find((c) => c.isWanted);
  return candidates.map((candidate) => {
    const { vessel, vesselsPerPlace } = inCooker(candidate.batch);
    return {
      ...candidate,
      vessel,
      vesselsPerPlace,
      places: placesNeeded(candidate.waiting.length, vesselsPerPlace),
      fits: first === undefined || sharesCook(candidate.batch, first.batch),
    };
  });
}

/** What goes in, place by place, until the pot is full. */
export interface PackedLoad {
  readonly vesselIds: readonly VesselId[];
  readonly placesTaken: number;
  /** Vessels of what is wanted that must wait for the next cook. */
  readonly leftOver: number;
}

/** @param places that the cooker has for these vessels */
export function packLoad(parts: readonly LoadPart[], places: number): PackedLoad {
  const vesselIds: VesselId[] = [];
  let placesTaken = 0;
  let leftOver = 0;
  for (const { waiting, vesselsPerPlace } of parts.filter((p) => p.isWanted && p.fits)) {
    const most = Math.floor((places - placesTaken) * vesselsPerPlace + ROUNDING);
    const taken = waiting.slice(0, most);
    vesselIds.push(...taken);
    placesTaken += placesNeeded(taken.length, vesselsPerPlace);
    leftOver += waiting.length - taken.length;
  }
  return { vesselIds, placesTaken, leftOver };
}

/** A quotient of milliliters may miss its whole number by the last digits. */
const ROUNDING = 1e-9;

/** Broth and agar brown in a run that grain needs; so what is dissolved never shares a cook with what is not. */
function sharesCook(a: Batch, b: Batch): boolean {
  return inCooker(a).vessel.id === inCooker(b).vessel.id && isDissolved(a.stage) === isDissolved(b.stage);
}
