import type { Random } from '../record/new-id.js';

/** One draw of a standard normal (Box and Muller 1958). */
export function normalDraw(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
