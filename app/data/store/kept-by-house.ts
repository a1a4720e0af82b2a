import type { House } from '../../../core/index';

/** What is worked out of a house by some key, once: it is let go with the house. */
export class KeptByHouse<T> {
  private readonly kept = new WeakMap<House, Map<string, T>>();

  of(house: House, key: string, work: () => T): T {
    const ofHouse = this.kept.get(house) ?? new Map<string, T>();
    this.kept.set(house, ofHouse);
    const found = ofHouse.get(key) ?? work();
    ofHouse.set(key, found);
    return found;
  }
}
