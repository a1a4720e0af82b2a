import type { Batch } from '../record/batch.js';
import type { Place, PlaceUse } from '../record/definitions.js';
import type { House, VesselView } from './derive/house.js';
import { PLACE_OF_OPENED, PLACE_OF_RUNS } from './derive/vessel-state.js';
import type { PlaceRead } from './derive/warmth.js';
import { PLACE_OF_KEPT, PLACE_OF_WAITING } from './shipped-places.js';

/** Key of the place where a vessel stands. */
export function placeOfVessel({ batch, state }: VesselView): string {
  return state.place === undefined && state.phase === 'cooked'
    ? PLACE_OF_WAITING
    : placeAfter(state.place, batch);
}

/** Where a vessel stands once it was put somewhere, or nowhere: what came in is then kept cold. */
export function placeAfter(put: string | undefined, batch: Pick<Batch, 'holds'>): string {
  return put ?? (batch.holds === undefined ? PLACE_OF_RUNS : PLACE_OF_KEPT);
}

/** What a place is for; what is not known any more counts as one where things run. */
export function useOf({ placeById }: Pick<House, 'placeById'>, id: string): PlaceUse {
  return placeById.get(id)?.use ?? 'run';
}

export function isKeptCold(view: VesselView, house: Pick<House, 'placeById'>): boolean {
  return useOf(house, placeOfVessel(view)) === 'cold';
}

/** Places that things can be put in, in the order in which they were made. */
export function placesInUse({ placeById }: Pick<House, 'placeById'>, use?: PlaceUse): readonly Place[] {
  return [...placeById.values()].filter((p) => p.isGone !== true && (use === undefined || p.use === use));
}

/** Where a block goes when it is opened: it stays where things fruit, else into the first tent. */
export function placeToFruit(view: VesselView, house: Pick<House, 'placeById'>): string {
  const here = placeOfVessel(view);
  return useOf(house, here) === 'fruit' ? here : (placesInUse(house, 'fruit')[0]?.id ?? PLACE_OF_OPENED);
}

/** What a place is kept at at a moment, °C; undefined where it is as warm as the room. */
export function setCOf(
  { workings }: Pick<House, 'workings'>,
  placeId: string,
  nowMs: number,
): number | undefined {
  return workings.warmth?.setC(placeId, nowMs);
}

/** The last temperature that was read at a place and typed, with its time. */
export function lastReadC({ workings }: Pick<House, 'workings'>, placeId: string): PlaceRead | undefined {
  return workings.warmth?.lastRead(placeId);
}
