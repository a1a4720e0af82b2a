import { DAY_MS } from '../base/time.js';
import type { House, VesselView } from '../house/derive/house.js';
import { lastReadC, placeOfVessel } from '../house/places.js';
import { vesselsInHand } from '../house/running.js';
import { growingWarmth } from './growing-warmth.js';

/** So far above where a species is kept it suffers, and what spoils it gains. From memory. */
const TOO_HOT_ABOVE_C = 4;
/** What stands free and grows is never so much warmer than its air: cooler air need not be looked into. From memory. */
const MOST_OWN_K = 8;
/** What was read longer ago says nothing of now. Our choice. */
const FRESH_MS = DAY_MS;

/** A place that was read to be so warm that the middle of something that lives there is warmer than it bears. */
export interface TooHot {
  readonly placeId: string;
  readonly name: string;
  readonly celsius: number;
  readonly atMs: number;
  /** The one that suffers most, and the most that it bears. */
  readonly species: string;
  readonly mostC: number;
  /** By how much its middle is warmer than the air, by its own growth, K. */
  readonly ownK: number;
}

/** What lives at a place and suffers most, as it was last read there; undefined where all is well or nothing is known. */
export function tooHotAt(house: House, placeId: string, nowMs: number): TooHot | undefined {
  const read = lastReadC(house, placeId);
  if (read === undefined || read.atMs < nowMs - FRESH_MS) {
    return undefined;
  }
  const [worst] = vesselsInHand(house)
    .filter((v) => isAlive(v) && placeOfVessel(v) === placeId)
    .flatMap((view) => {
      const { species } = view;
      const mostC = (species?.incubationC.high ?? Infinity) + TOO_HOT_ABOVE_C;
      return species === undefined || read.celsius + MOST_OWN_K <= mostC
        ? []
        : [{ species: species.name, mostC, ownK: growingWarmth(view, house, nowMs).middleK }];
    })
    .sort((a, b) => b.ownK - b.mostC - (a.ownK - a.mostC));
  return worst !== undefined && read.celsius + worst.ownK > worst.mostC
    ? { placeId, name: house.placeById.get(placeId)?.name ?? placeId, ...read, ...worst }
    : undefined;
}

/** Every such place. */
export function tooHot(house: House, nowMs: number): readonly TooHot[] {
  return [...house.placeById.keys()].flatMap((id) => tooHotAt(house, id, nowMs) ?? []);
}

function isAlive({ state }: VesselView): boolean {
  return state.phase === 'running' || state.phase === 'opened';
}
