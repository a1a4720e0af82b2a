import { DAY_MS } from '../base/time.js';
import type { House, VesselView } from './derive/house.js';
import { lastReadC, placeOfVessel } from './places.js';
import { vesselsInHand } from './running.js';

/** So far above where a species is kept it suffers, and what spoils it gains. From memory. */
const TOO_HOT_ABOVE_C = 4;
/** What was read longer ago says nothing of now. Our choice. */
const FRESH_MS = DAY_MS;

/** A place that was read to be warmer than something that lives there stands. */
export interface TooHot {
  readonly placeId: string;
  readonly name: string;
  readonly celsius: number;
  readonly atMs: number;
  /** The one that bears the least, and the most that it bears. */
  readonly species: string;
  readonly mostC: number;
}

/** What lives at a place and bears the least warmth, as it was last read there; undefined where all is well or nothing is known. */
export function tooHotAt(house: House, placeId: string, nowMs: number): TooHot | undefined {
  const read = lastReadC(house, placeId);
  if (read === undefined || read.atMs < nowMs - FRESH_MS) {
    return undefined;
  }
  const [tender] = vesselsInHand(house)
    .filter((v) => isAlive(v) && placeOfVessel(v) === placeId)
    .flatMap(({ species }) =>
      species === undefined
        ? []
        : [{ species: species.name, mostC: species.incubationC.high + TOO_HOT_ABOVE_C }],
    )
    .sort((a, b) => a.mostC - b.mostC);
  return tender !== undefined && read.celsius > tender.mostC
    ? { placeId, name: house.placeById.get(placeId)?.name ?? placeId, ...read, ...tender }
    : undefined;
}

/** Every such place. */
export function tooHot(house: House, nowMs: number): readonly TooHot[] {
  return [...house.placeById.keys()].flatMap((id) => tooHotAt(house, id, nowMs) ?? []);
}

function isAlive({ state }: VesselView): boolean {
  return state.phase === 'running' || state.phase === 'opened';
}
