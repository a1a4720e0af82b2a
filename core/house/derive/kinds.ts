import { push } from '../../base/collections.js';
import { MapDraft, type LayeredMap } from '../../base/layered-map.js';
import type { VesselId } from '../../record/ids.js';
import type { Lineage } from '../../record/lineage.js';

/** What grows in a vessel: the isolate of its nearest source that has one. */
export interface KindOfVessel {
  readonly isolateId: string;
  /** Steps to the source that has it; 0 when it is the vessel's own. */
  readonly distance: number;
}

export type Kinds = LayeredMap<VesselId, KindOfVessel>;

/**
 * Works out anew what grows in some vessels and in all that was fed from them, outward from what did not change, so
 * that a chain of thousands costs as many steps. Among sources of one distance the one that was named first decides.
 *
 * @param ownIsolate the isolate that a vessel has of its own, by its batch
 * @returns the kinds, and the vessels where something else grows than before
 */
export function kindsWith(
  kinds: Kinds,
  seeds: Iterable<VesselId>,
  { sourcesOf, fedBy }: Lineage,
  ownIsolate: (id: VesselId) => string | undefined,
): { readonly kinds: Kinds; readonly changed: readonly VesselId[] } {
  const open = new Set(seeds);
  for (const id of open) {
    fedBy.get(id)?.forEach((fed) => open.add(fed));
  }
  const found = new Map<VesselId, KindOfVessel>();
  const kindOf = (id: VesselId) => (open.has(id) ? found.get(id) : kinds.get(id));
  /** Vessels to be looked at, by the distance that a source of theirs promises them. */
  const atDistance = new Map<number, VesselId[]>();
  let farthest = 0;
  const promise = (distance: number, id: VesselId) => {
    push(atDistance, distance, id);
    farthest = Math.max(farthest, distance);
  };
  for (const id of open) {
    if (ownIsolate(id) !== undefined) {
      promise(0, id);
    }
    for (const source of sourcesOf.get(id) ?? []) {
      const known = open.has(source) ? undefined : kinds.get(source);
      if (known !== undefined) {
        promise(known.distance + 1, id);
      }
    }
  }
  for (let distance = 0; distance <= farthest; distance++) {
    for (const id of atDistance.get(distance) ?? []) {
      if (!found.has(id)) {
        const isolateId =
          distance === 0
            ? ownIsolate(id)
            : sourcesOf
                .get(id)
                ?.map(kindOf)
                .find((kind) => kind?.distance === distance - 1)?.isolateId;
        if (isolateId !== undefined) {
          found.set(id, { isolateId, distance });
          fedBy.get(id)?.forEach((fed) => {
            promise(distance + 1, fed);
          });
        }
      }
    }
  }
  const changed = [...open].filter((id) => kinds.get(id)?.isolateId !== found.get(id)?.isolateId);
  const draft = new MapDraft(kinds);
  open.forEach((id) => {
    draft.set(id, found.get(id));
  });
  return { kinds: draft.done(), changed };
}
