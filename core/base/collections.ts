/** Adds a value to the list under a key, which begins with the first. */
export function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list === undefined) {
    map.set(key, [value]);
  } else {
    list.push(value);
  }
}

/** Values by a key of theirs, each list in the order of the input. */
export function groupBy<V, K>(values: readonly V[], keyOf: (value: V) => K): Map<K, V[]> {
  const groups = new Map<K, V[]>();
  values.forEach((value) => {
    push(groups, keyOf(value), value);
  });
  return groups;
}

/** For sorting by several figures: the first that differ decide. Both of one length. */
export function compareRanks(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}
