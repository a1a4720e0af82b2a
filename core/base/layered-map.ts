/** A layer of so few values is copied whole at each change without being felt. Our choice. */
const THIN = 64;

/**
 * A map that never changes. What is put on it lies in a thin layer over a shared base, so that changing a few of many
 * thousand values costs a few steps, and whoever holds the map from before still sees what it was. The layer is worked
 * into a new base when it has grown to the root of the base's size. Values are never undefined: that takes a key away.
 */
export class LayeredMap<K, V> implements ReadonlyMap<K, V> {
  private constructor(
    private readonly base: ReadonlyMap<K, V>,
    private readonly layer: ReadonlyMap<K, V | undefined>,
    readonly size: number,
  ) {}

  static empty<K, V>(): LayeredMap<K, V> {
    return new LayeredMap<K, V>(new Map(), new Map(), 0);
  }

  /** The same with other values; `undefined` takes a key away. The changes may be kept: they must not change again. */
  with(changes: ReadonlyMap<K, V | undefined>): LayeredMap<K, V> {
    if (changes.size === 0) {
      return this;
    }
    if (this.size === 0 && holdsAll(changes)) {
      return new LayeredMap<K, V>(changes, new Map<K, V | undefined>(), changes.size);
    }
    const layer = new Map(this.layer);
    let { size } = this;
    for (const [key, value] of changes) {
      size += Number(value !== undefined) - Number(this.has(key));
      layer.set(key, value);
    }
    const next = new LayeredMap(this.base, layer, size);
    return layer.size > THIN && layer.size ** 2 > this.base.size ? next.settled() : next;
  }

  get(key: K): V | undefined {
    // A layer is most often empty of the key; one look then, two where it may say that the key is gone.
    const value = this.layer.get(key);
    return value !== undefined || this.layer.has(key) ? value : this.base.get(key);
  }

  has(key: K): boolean {
    return this.get(key) !== undefined;
  }

  *entries(): MapIterator<[K, V]> {
    for (const [key, value] of this.base) {
      if (!this.layer.has(key)) {
        yield [key, value];
      }
    }
    for (const [key, value] of this.layer) {
      if (value !== undefined) {
        yield [key, value];
      }
    }
  }

  *keys(): MapIterator<K> {
    for (const [key] of this.entries()) {
      yield key;
    }
  }

  *values(): MapIterator<V> {
    for (const [, value] of this.entries()) {
      yield value;
    }
  }

  [Symbol.iterator](): MapIterator<[K, V]> {
    return this.entries();
  }

  forEach(act: (value: V, key: K, map: ReadonlyMap<K, V>) => void): void {
    for (const [key, value] of this.entries()) {
      act(value, key, this);
    }
  }

  private settled(): LayeredMap<K, V> {
    const base = new Map(this.base);
    this.layer.forEach((value, key) => {
      if (value === undefined) {
        base.delete(key);
      } else {
        base.set(key, value);
      }
    });
    return new LayeredMap<K, V>(base, new Map<K, V | undefined>(), this.size);
  }
}

function holdsAll<K, V>(changes: ReadonlyMap<K, V | undefined>): changes is ReadonlyMap<K, V> {
  for (const value of changes.values()) {
    if (value === undefined) {
      return false;
    }
  }
  return true;
}

/** A layered map while it is being changed, by few steps or by very many. Done with after `done`. */
export class MapDraft<K, V> {
  private readonly changed = new Map<K, V | undefined>();

  constructor(private readonly map: LayeredMap<K, V>) {}

  get(key: K): V | undefined {
    const value = this.changed.get(key);
    return value !== undefined || this.changed.has(key) ? value : this.map.get(key);
  }

  has(key: K): boolean {
    return this.get(key) !== undefined;
  }

  set(key: K, value: V | undefined): void {
    if (value === undefined && !this.map.has(key)) {
      this.changed.delete(key);
    } else {
      this.changed.set(key, value);
    }
  }

  done(): LayeredMap<K, V> {
    return this.map.with(this.changed);
  }
}
