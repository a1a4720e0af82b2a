import type { ColonizationMark } from './pooled-fit.js';

/** No gain of two points in four days is a stall (common practice: 4 to 5 days). */
const STALL_DAYS = 4;
const STALL_GAIN = 0.02;
/** The last tenth is hard to see. */
const STALL_BELOW = 0.9;

/** No gain over the last days, well short of full. @param marks by day */
export function hasStalled(marks: readonly ColonizationMark[]): boolean {
  const last = marks[marks.length - 1];
  if (last === undefined || last.fraction >= STALL_BELOW || last.fraction === 0) {
    return false;
  }
  const earlier = marks.findLast((m) => m.day <= last.day - STALL_DAYS);
  return earlier !== undefined && last.fraction - earlier.fraction < STALL_GAIN;
}
