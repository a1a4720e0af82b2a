/** One draw of a standard normal (Box and Muller 1958). @param random from 0 up to 1 */
export function normalDraw(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
