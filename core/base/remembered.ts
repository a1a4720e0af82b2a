/**
 * A function that keeps its last answers: what costs milliseconds is asked again and again while a slider moves. Arguments
 * must say all that the answer depends on, as JSON.
 *
 * @param mostKept answers; then all are let go
 */
export function remembered<A extends readonly unknown[], R>(
  act: (...given: A) => R,
  mostKept = 64,
): (...given: A) => R {
  const known = new Map<string, R>();
  return (...given) => {
    const key = JSON.stringify(given);
    if (known.has(key)) {
      return known.get(key)!;
    }
    const found = act(...given);
    if (known.size >= mostKept) {
      known.clear();
    }
    known.set(key, found);
    return found;
  };
}
