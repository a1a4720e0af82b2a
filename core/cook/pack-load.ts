import { mediumOf, type Batch } from '../record/batch.js';
import { isDissolved, type Appliance, type VesselType } from '../record/definitions.js';
import type { VesselId } from '../record/ids.js';
import { inCooker, placesNeeded, vesselsIn } from './in-cooker.js';
import { roomFor, type Stood } from './room-in-pot.js';

/** A batch that may go into the pot. */
export interface LoadCandidate {
  readonly batch: Batch;
  /** Its vessels that were not cooked yet. */
  readonly waiting: readonly VesselId[];
  /** So many of them are to go in, at most; as many as fit when left out. */
  readonly wanted?: number;
}

/** The same, with what it would take up. */
export interface LoadPart extends LoadCandidate {
  /** What stands in the pot for it: plates are cooked in bottles. */
  readonly vessel: VesselType;
  readonly vesselsPerPlace: number;
  /** Medium in each of what stands in the pot, g. */
  readonly wetG: number;
  readonly isWanted: boolean;
  /** It may share the cook with the first that is wanted. */
  readonly fits: boolean;
}

/** Only media that want one programme share a cook: the first that is wanted decides. Their vessels may differ. */
export function partsOfLoad(candidates: readonly LoadCandidate[]): readonly LoadPart[] {
  const first = candidates.find(isWanted);
  return candidates.map((candidate) => {
    const { vessel, vesselsPerPlace, wetG } = inCooker(candidate.batch);
    return {
      ...candidate,
      vessel,
      vesselsPerPlace,
      wetG,
      isWanted: isWanted(candidate),
      fits: first === undefined || sharesCook(candidate.batch, first.batch),
    };
  });
}

function isWanted({ waiting, wanted }: LoadCandidate): boolean {
  return waiting.length > 0 && wanted !== 0;
}

/** What goes in, batch by batch, until the pot is full. */
export interface PackedLoad {
  readonly vesselIds: readonly VesselId[];
  /** What stands in the pot for each batch that is wanted, also where no room was left for it. */
  readonly parts: readonly PackedPart[];
}

export interface PackedPart extends Stood {
  readonly batch: Batch;
  readonly vesselIds: readonly VesselId[];
  /** So many of its vessels could be in it beside the others as they are. */
  readonly most: number;
}

/** @param beside what else stands in the pot, of no batch */
export function packLoad(
  parts: readonly LoadPart[],
  appliance: Appliance,
  beside: readonly Stood[] = [],
): PackedLoad {
  const chosen: (Omit<PackedPart, 'most'> & { readonly part: LoadPart })[] = [];
  for (const part of parts.filter((p) => p.isWanted && p.fits)) {
    const most = mostOf(part, appliance, [...beside, ...chosen], part.wanted ?? Infinity);
    const vesselIds = part.waiting.slice(0, most);
    const { batch, vessel, wetG } = part;
    const count = placesNeeded(vesselIds.length, part.vesselsPerPlace);
    chosen.push({ batch, vessel, wetG, count, vesselIds, part });
  }
  return {
    vesselIds: chosen.flatMap((c) => c.vesselIds),
    parts: chosen.map(({ part, ...one }) => {
      const others = [...beside, ...chosen.filter((c) => c.batch !== one.batch)];
      return { ...one, most: Math.max(one.vesselIds.length, mostOf(part, appliance, others, Infinity)) };
    }),
  };
}

/** Vessels of a part that go in beside what stands there: of plates as many as their bottles give. */
function mostOf(part: LoadPart, appliance: Appliance, stood: readonly Stood[], wanted: number): number {
  const { vesselsPerPlace, waiting } = part;
  const vessels = Math.min(wanted, waiting.length);
  const places = roomFor(appliance, stood, part, placesNeeded(vessels, vesselsPerPlace));
  return Math.min(vessels, vesselsIn(places, vesselsPerPlace));
}

/** Broth and agar brown in a run that grain needs; so what is dissolved never shares a cook with what is not. */
function sharesCook(a: Batch, b: Batch): boolean {
  return isDissolved(mediumOf(a)) === isDissolved(mediumOf(b));
}
