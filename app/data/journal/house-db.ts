import Dexie, { type Table } from 'dexie';
import type { DeviceId, Records, TableName, UnreadRow } from '../../../core/index';
import { VERSION_1, VERSION_2, VERSION_3, upgradeTo3 } from './versions';

const LATEST = 3;
/** IndexedDB counts a version of Dexie's as ten. */
const VERSION_STEP = 10;

/** A row that was set aside, with its place among those. */
export type KeptUnread = UnreadRow & { readonly key?: number };

/** What only this browser's database needs to know; it goes into no archive. */
export type Meta =
  | { readonly id: 'revision'; readonly value: number }
  | { readonly id: 'epoch'; readonly value: number }
  | { readonly id: 'device'; readonly value: DeviceId }
  | { readonly id: 'bringingIn'; readonly value: string };

/** The database was made by a newer version of the app. */
export class NewerDatabase extends Error {
  override readonly name = 'NewerDatabase';
}

/** The browser's database of one house. Rows are `unknown` until a schema has read them. */
export class HouseDb extends Dexie {
  constructor(name: string) {
    super(name);
    this.version(1).stores(VERSION_1);
    this.version(2).stores(VERSION_2);
    this.version(LATEST).stores(VERSION_3).upgrade(upgradeTo3);
  }

  /**
   * Opens the database, unless a newer version of the app made it: the library would open that one too, and change it.
   * @throws NewerDatabase, or whatever keeps the database shut
   */
  async openOurs(): Promise<void> {
    if ((await installedVersion(this.name)) > LATEST * VERSION_STEP) {
      throw new NewerDatabase('these records were written by a newer Nailwort');
    }
    await this.open();
  }

  rows<K extends TableName>(name: K): Table<Records[K][number], string> {
    return this.table(name);
  }

  get unread(): Table<KeptUnread, number> {
    return this.table('unread');
  }

  get meta(): Table<Meta, Meta['id']> {
    return this.table('meta');
  }

  /** One number of `meta`; 0 when nothing was written yet. */
  async counter(id: 'revision' | 'epoch'): Promise<number> {
    const row = await this.meta.get(id);
    return row?.id === id ? row.value : 0;
  }

  /** To be called in every transaction that writes: whoever has read before knows by it that there is more. */
  async bump(id: 'revision' | 'epoch' = 'revision'): Promise<void> {
    await this.meta.put({ id, value: (await this.counter(id)) + 1 });
  }
}

/** The version of a database as it lies on the disk; 0 when there is none. Opening it so changes nothing. */
function installedVersion(name: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(name);
    request.onupgradeneeded = () => {
      // It was not there; it must not be made by asking.
      request.transaction?.abort();
    };
    request.onsuccess = () => {
      const { version } = request.result;
      request.result.close();
      resolve(version);
    };
    request.onerror = (event) => {
      event.preventDefault();
      if (request.error?.name === 'AbortError') {
        resolve(0);
      } else {
        reject(request.error ?? new Error('the database cannot be opened'));
      }
    };
  });
}
