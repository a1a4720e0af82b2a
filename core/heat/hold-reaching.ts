/** Sixteen hours: beyond it nobody stands by a cooker. Our judgement. */
export const LONGEST_HOLD_MIN = 960;
/** Doubled until it is enough. */
const FIRST_TRY_MIN = 120;

/**
 * The least hold at which something that rises with it reaches a target, by regula falsi (Illinois), since F0 grows
 * almost straight once the middle is hot.
 *
 * @param withinMinutes the hold is found to this, never below the target
 * @returns minutes; 0 when no hold is needed, undefined when the longest is not enough
 */
export function holdReaching(
  earned: (holdMinutes: number) => number,
  target: number,
  withinMinutes = 0.05,
  mostMinutes = LONGEST_HOLD_MIN,
): number | undefined {
  let [low, high] = [0, Math.min(FIRST_TRY_MIN, mostMinutes)];
  let [atLow, atHigh] = [earned(low) - target, earned(high) - target];
  while (atHigh < 0) {
    if (high >= mostMinutes) {
      return undefined;
    }
    [low, atLow] = [high, atHigh];
    high = Math.min(high * 2, mostMinutes);
    atHigh = earned(high) - target;
  }
  if (atLow >= 0) {
    return 0;
  }
  let side = 0;
  while (high - low > withinMinutes) {
    const guess = (low * atHigh - high * atLow) / (atHigh - atLow);
    const hold = Math.min(Math.max(guess, low + withinMinutes / 2), high - withinMinutes / 2);
    const here = earned(hold) - target;
    if (here >= 0) {
      [high, atHigh] = [hold, here];
      atLow = side === 1 ? atLow / 2 : atLow;
      side = 1;
    } else {
      [low, atLow] = [hold, here];
      atHigh = side === -1 ? atHigh / 2 : atHigh;
      side = -1;
    }
  }
  return high;
}
