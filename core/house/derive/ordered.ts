import { LayeredMap, MapDraft } from '../../layered-map.js';

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

/** More new values than this are sorted in together. Our choice. */
const FEW = 16;

/** A list in order while it is being changed: copied at its first change, so that whoever holds the old one keeps it. */
export class ListDraft<V> {
  private own: V[] | undefined;

  constructor(
    private readonly list: readonly V[],
    private readonly order: Order<V>,
  ) {}

  change(removed: readonly V[], added: readonly V[]): void {
    if (removed.length + added.length === 0) {
      return;
    }
    const { order } = this;
    const last = this.list[this.list.length - 1];
    const [only] = added;
    if (this.own === undefined && removed.length === 0 && added.length === 1 && isAfter(last, only!, order)) {
      // What a press adds comes last: one copy of the right length, where copying and then pushing would take two.
      this.own = this.list.concat(added);
      return;
    }
    this.own ??= this.list.slice();
    const { own } = this;
    removed.forEach((value) => {
      takeFromOrder(own, value, order);
    });
    if (added.length <= FEW) {
      added.forEach((value) => {
        putInOrder(own, value, order);
      });
      return;
    }
    // Only what comes after the first of them can change its place.
    const first = added.reduce((least, value) => (order(value, least) < 0 ? value : least));
    const tail = own.splice(placeIn(own, first, order));
    [...tail, ...added].sort(order).forEach((value) => own.push(value));
  }

  done(): readonly V[] {
    return this.own ?? this.list;
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
