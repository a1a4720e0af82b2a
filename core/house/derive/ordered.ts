import { LayeredMap, MapDraft } from '../../base/layered-map.js';

type Order<V> = (a: V, b: V) => number;

/** Where a value stands in a list that is in order, or would stand: after its equals. */
function placeIn<V>(list: readonly V[], value: V, order: Order<V>): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (order(list[middle]!, value) <= 0) {
      low = middle + 1;
    } else {
      high = middle;
    }
  }
  return low;
}

function isAfter<V>(last: V | undefined, value: V, order: Order<V>): boolean {
  return last === undefined || order(last, value) <= 0;
}

/** Puts a value where it belongs; most often that is the end. */
function putInOrder<V>(list: V[], value: V, order: Order<V>): void {
  if (isAfter(list[list.length - 1], value, order)) {
    list.push(value);
  } else {
    list.splice(placeIn(list, value, order), 0, value);
  }
}

/** Takes out the value that the order cannot tell from this one. */
function takeFromOrder<V>(list: V[], value: V, order: Order<V>): void {
  const place = placeIn(list, value, order) - 1;
  const found = list[place];
  if (found !== undefined && order(found, value) === 0) {
    list.splice(place, 1);
  }
}

/** Two lists that are in order, as one. */
function merged<V>(a: readonly V[], b: readonly V[], order: Order<V>): V[] {
  const last = a[a.length - 1];
  if (last === undefined || b[0] === undefined || order(last, b[0]) <= 0) {
    return a.concat(b);
  }
  const out: V[] = [];
  let i = 0;
  for (const value of b) {
    while (i < a.length && order(a[i]!, value) <= 0) {
      out.push(a[i++]!);
    }
    out.push(value);
  }
  while (i < a.length) {
    out.push(a[i++]!);
  }
  return out;
}

/**
 * A list in order while it is being changed; whoever holds the old one keeps it. What is added waits in runs, each twice
 * as long as the next, so that a hundred thousand values in a hundred portions are put in order without one long halt.
 */
export class ListDraft<V> {
  private readonly runs: V[][] = [];
  private readonly removed = new Set<V>();

  constructor(
    private readonly list: readonly V[],
    private readonly order: Order<V>,
  ) {}

  change(removed: readonly V[], added: readonly V[]): void {
    removed.forEach((value) => this.removed.add(value));
    if (added.length === 0) {
      return;
    }
    let run = added.slice().sort(this.order);
    for (
      let top = this.runs.at(-1);
      top !== undefined && top.length < 2 * run.length;
      top = this.runs.at(-1)
    ) {
      this.runs.pop();
      run = merged(top, run, this.order);
    }
    this.runs.push(run);
  }

  done(): readonly V[] {
    const { removed, order } = this;
    const added = this.runs.reduceRight<V[]>((sum, run) => merged(run, sum, order), []);
    if (removed.size === 0) {
      return added.length === 0 ? this.list : merged(this.list, added, order);
    }
    // A value that was added and replaced in the same draft goes as well.
    const stays = (value: V) => !removed.has(value);
    return merged(this.list.filter(stays), added.filter(stays), order);
  }
}

/** Lists by key while they are being changed: each is copied once, at its first change. */
export class ListsDraft<K, V> {
  private readonly lists: MapDraft<K, readonly V[]>;
  private readonly own = new Map<K, V[]>();

  constructor(
    lists: LayeredMap<K, readonly V[]>,
    private readonly order: Order<V>,
  ) {
    this.lists = new MapDraft(lists);
  }

  get(key: K): readonly V[] {
    return this.own.get(key) ?? this.lists.get(key) ?? [];
  }

  put(key: K, value: V): void {
    putInOrder(this.ownList(key), value, this.order);
  }

  take(key: K, value: V): void {
    takeFromOrder(this.ownList(key), value, this.order);
  }

  done(): LayeredMap<K, readonly V[]> {
    this.own.forEach((list, key) => {
      this.lists.set(key, list.length === 0 ? undefined : list);
    });
    return this.lists.done();
  }

  private ownList(key: K): V[] {
    let list = this.own.get(key);
    if (list === undefined) {
      list = (this.lists.get(key) ?? []).slice();
      this.own.set(key, list);
    }
    return list;
  }
}
