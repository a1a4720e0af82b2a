import * as z from 'zod';
import { Entry, type Photo } from '../../../core/index';

/** Entries that belong together and could not be saved. */
export interface UnsavedDeed {
  readonly entries: readonly Entry[];
  readonly photo?: Photo;
}

const Kept = z.array(z.array(Entry));

/**
 * Keeps what could not be saved in another store of the browser, so that a reload does not lose it. Photos are too large
 * for it and stay with the page. If that store is full too, the page alone keeps the entry.
 */
export class UnsavedShelf {
  private readonly key: string;

  constructor(database: string) {
    this.key = `${database}-unsaved`;
  }

  keep(deed: UnsavedDeed): void {
    this.write([...this.read().filter((kept) => kept[0]?.id !== deed.entries[0]?.id), [...deed.entries]]);
  }

  drop(deed: UnsavedDeed): void {
    this.write(this.read().filter((kept) => kept[0]?.id !== deed.entries[0]?.id));
  }

  /** All that an earlier page kept; from now on this page answers for it. */
  taken(): readonly UnsavedDeed[] {
    return this.read().map((entries) => ({ entries }));
  }

  private read(): Entry[][] {
    try {
      const kept = Kept.safeParse(JSON.parse(localStorage.getItem(this.key) ?? '[]'));
      return kept.success ? kept.data : [];
    } catch {
      // What is no JSON was not written here.
      return [];
    }
  }

  private write(deeds: readonly (readonly Entry[])[]): void {
    try {
      if (deeds.length === 0) {
        localStorage.removeItem(this.key);
      } else {
        localStorage.setItem(this.key, JSON.stringify(deeds));
      }
    } catch {
      // The page itself still shows the entry and can save it.
    }
  }
}
