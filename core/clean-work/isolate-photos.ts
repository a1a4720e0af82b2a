import type { House, VesselView } from '../house/derive/house.js';
import type { PhotoId } from '../record/ids.js';

/** A photo that was taken of a vessel of an isolate. */
export interface IsolatePhoto {
  readonly id: PhotoId;
  readonly view: VesselView;
}

/**
 * Photos of each isolate by its id: of every vessel that is of it, also of those long gone, the last one first. One that
 * shows several vessels counts once.
 */
export function photosByIsolate(house: House): ReadonlyMap<string, readonly IsolatePhoto[]> {
  const byIsolate = new Map<string, Map<PhotoId, IsolatePhoto>>();
  for (const view of house.vesselById.values()) {
    const isolateId = view.isolate?.id;
    if (isolateId === undefined || view.state.photos.length === 0) {
      continue;
    }
    const photos = byIsolate.get(isolateId) ?? new Map<PhotoId, IsolatePhoto>();
    byIsolate.set(isolateId, photos);
    for (const { id } of view.state.photos) {
      photos.set(id, photos.get(id) ?? { id, view });
    }
  }
  // An id begins with the moment in which it was given.
  return new Map(
    [...byIsolate].map(([isolateId, photos]) => [
      isolateId,
      [...photos.values()].sort((a, b) => (a.id < b.id ? 1 : -1)),
    ]),
  );
}
