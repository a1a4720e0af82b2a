/**
 * The least value for which something holds that holds for all above it, by halving.
 *
 * @param low where it does not hold, or any value below
 * @param high where it holds
 * @param within the answer is above the true one by this at most
 */
export function bisected(
  low: number,
  high: number,
  within: number,
  holds: (value: number) => boolean,
): number {
  let [no, yes] = [low, high];
  while (yes - no > within) {
    const value = (no + yes) / 2;
    if (holds(value)) {
      yes = value;
    } else {
      no = value;
    }
  }
  return yes;
}
