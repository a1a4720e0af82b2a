import { requireWithin } from '../../base/errors.js';
import { mixedBody } from '../conduction/body.js';
import type { Shape } from '../conduction/shape.js';
import { soakedBed, warmPlaces, type WarmPlace } from './warm-place.js';

/** Hot water or steam around a packed bag, W/(m² K). From memory. */
const BATH_FILM = 250;
/**
 * Water runs through loose straw and carries its heat along: the bed follows the bath as one, so many minutes behind.
 * Common practice, no source: a basket of straw is hot through in under an hour.
 */
const LOOSE_LAG_MIN = 15;
const WATCHED_AFTER_MIN = 120;

/** The middle of a bag or a basket in water or steam that is kept at one temperature, then taken out into the room. */
export function heldInBath(input: {
  readonly shape: Shape;
  readonly startC: number;
  readonly bathC: number;
  readonly minutes: number;
  readonly roomC: number;
  /** Lies loose in a basket or an open sack, so that the water runs through. */
  readonly loose?: boolean;
}): WarmPlace {
  requireWithin(input.bathC, { field: 'bath', min: 40, max: 101, unit: ' °C' });
  requireWithin(input.minutes, { field: 'timeInBath', min: 1, max: 24 * 60, unit: ' min' });
  const bed = input.loose === true ? mixedBody(LOOSE_LAG_MIN) : soakedBed(input.shape, BATH_FILM);
  const [middle] = warmPlaces(bed, [{ out: 0, up: 0.5 }], input.startC, [
    { minutes: 0, celsius: input.bathC },
    { minutes: input.minutes, celsius: input.bathC },
    // Out of the bath it steams off: taken to fall at once, which errs to less.
    { minutes: input.minutes, celsius: input.roomC },
    { minutes: input.minutes + WATCHED_AFTER_MIN, celsius: input.roomC },
  ]);
  return middle!;
}
