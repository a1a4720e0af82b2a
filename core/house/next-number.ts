import { MOST_NUMBER } from '../record/batch.js';

/**
 * The number after the highest; numbers of what was taken back are not used again. Where the highest is as high as
 * numbers go, the lowest that nobody has.
 */
export function nextNumber(taken: readonly number[]): number {
  const highest = taken.reduce((max, n) => Math.max(max, n), 0);
  if (highest < MOST_NUMBER) {
    return highest + 1;
  }
  const known = new Set(taken);
  let free = 1;
  while (known.has(free)) {
    free++;
  }
  return free;
}
