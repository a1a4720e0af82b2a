import { f0OfCurve } from './lethality.js';

/**
 * Browning of sugar and malt, as minutes at 121.1 °C that would brown as much. Its z value is between 25 and 30 °C, so
 * time counts more than heat: a hold at less pressure that kills as much browns more. A model, from memory of
 * cook-value literature.
 */
const BROWNING_Z_C = 28;
/**
 * Minutes of the whole run, come-up and cooling with it, from which malt is plainly darker, and from which a broth is
 * better made anew. Set so that a hold of 20 min stays pale, 30 to 45 browns and 90 spoils. Common practice, no source.
 */
export const BROWNS_FROM_MIN = 52;
export const SPOILS_FROM_MIN = 90;

/** @param celsius temperature of the surface, where it browns most */
export function browningMinutes(minutes: Float64Array, celsius: Float64Array): number {
  return f0OfCurve(minutes, celsius, { z: BROWNING_Z_C });
}
