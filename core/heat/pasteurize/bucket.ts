import { requireWithin } from '../../base/errors.js';
import type { Shape } from '../conduction/shape.js';
import { soakedBed, warmPlaces, type WarmPlace } from './warm-place.js';

/** From a wall to the air of a room with what radiates, W/(m² K); wrapped in a blanket a quarter of it. From memory. */
const OPEN_FILM = 9;
const WRAPPED_FILM = 2.5;
const WATCHED_MIN = 12 * 60;

/** A filled bucket of so many liters is taken as wide as it is high. */
export function bucketShape(liters: number): Shape {
  requireWithin(liters, { field: 'bucket', min: 1, max: 500, unit: ' l' });
  const radiusMm = 100 * Math.cbrt(liters / (2 * Math.PI));
  return { kind: 'cylinder', radiusMm, heightMm: 2 * radiusMm };
}

export interface CoolingBucket {
  /** Where wall and rim or floor meet: what cools first, and what decides. */
  readonly edge: WarmPlace;
  readonly middle: WarmPlace;
}

/** A bucket with its lid on, cooling in the room from the temperature of the mix. */
export function coolingBucket(input: {
  readonly liters: number;
  readonly mixC: number;
  readonly roomC: number;
  readonly wrapped: boolean;
}): CoolingBucket {
  const bed = soakedBed(bucketShape(input.liters), input.wrapped ? WRAPPED_FILM : OPEN_FILM);
  const room = [0, WATCHED_MIN].map((minutes) => ({ minutes, celsius: input.roomC }));
  const places = [
    { out: 1, up: 0 },
    { out: 0, up: 0.5 },
  ];
  const [edge, middle] = warmPlaces(bed, places, input.mixC, room);
  return { edge: edge!, middle: middle! };
}
