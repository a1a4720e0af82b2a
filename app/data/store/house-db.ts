import Dexie, { type Table } from 'dexie';
import type {
  DeviceId,
  Digest,
  LiveTable,
  NewRows,
  Records,
  TableName,
  UnreadRow,
} from '../../../core/index';
import { TABLE_NAMES, isLive } from '../../../core/record/tables';
import { withDigests } from './with-digests';
import {
  VERSION_1,
  VERSION_2,
  VERSION_3,
  VERSION_4,
  VERSION_5,
  VERSION_6,
  VERSION_7,
  VERSION_8,
  VERSION_9,
  VERSION_10,
  upgradeTo3,
  upgradeTo6,
} from './versions';

const LATEST = 10;
/** IndexedDB counts a version of Dexie's as ten. */
const VERSION_STEP = 10;

/** A row that was set aside, with its place among those. */
export type KeptUnread = UnreadRow & { readonly key?: number };

export type { LiveTable };
export const LIVE_TABLES = TABLE_NAMES.filter(isLive);

/** Ids of rows by table; `all` where a house was taken away or laid out anew. */
export type ChangedRows = 'all' | { readonly [K in LiveTable]?: readonly string[] };

/** What one transaction wrote, so that whoever has read before need read no more than that. */
export interface Change {
  readonly revision: number;
  readonly rows: ChangedRows;
}

/** Changes are kept for so many transactions; a tab that slept longer reads all anew. Our choice. */
const CHANGES_KEPT = 1000;
const CLEARED_EVERY = 100;

/** What only this browser's database needs to know; it goes into no archive. */
export type Meta =
  | { readonly id: 'revision'; readonly value: number }
  | { readonly id: 'device'; readonly value: DeviceId }
  | { readonly id: 'bringingIn'; readonly value: string }
  /** Rows of what was in hand at a revision, to open on while the rest is read; and by which build they were read and kept. */
  | { readonly id: 'front'; readonly revision: number; readonly rows: NewRows; readonly build?: string };

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
    this.version(3).stores(VERSION_3).upgrade(upgradeTo3);
    this.version(4).stores(VERSION_4);
    this.version(5).stores(VERSION_5);
    this.version(6).stores(VERSION_6).upgrade(upgradeTo6);
    this.version(7).stores(VERSION_7);
    this.version(8).stores(VERSION_8);
    this.version(9).stores(VERSION_9);
    this.version(LATEST).stores(VERSION_10);
    this.use({ stack: 'dbcore', name: 'digests', create: withDigests });
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

  /** Worked out from the readings, at every write of them; they go into no archive. */
  get digests(): Table<Digest, string> {
    return this.table('digests');
  }

  get unread(): Table<KeptUnread, number> {
    return this.table('unread');
  }

  get meta(): Table<Meta, Meta['id']> {
    return this.table('meta');
  }

  get changes(): Table<Change, number> {
    return this.table('changes');
  }

  /** Counts the transactions that wrote; 0 when nothing was written yet. */
  async revision(): Promise<number> {
    const row = await this.meta.get('revision');
    return row?.id === 'revision' ? row.value : 0;
  }

  /**
   * To be called in every transaction that writes: whoever has read before learns by it that there is more, and what.
   * @param before the revision that the transaction found, where it is known
   */
  async bump(rows: ChangedRows, before?: number): Promise<number> {
    const revision = (before ?? (await this.revision())) + 1;
    await Promise.all([
      this.meta.put({ id: 'revision', value: revision }),
      this.changes.put({ revision, rows }),
      revision % CLEARED_EVERY === 0 &&
        this.changes
          .where('revision')
          .belowOrEqual(revision - CHANGES_KEPT)
          .delete(),
    ]);
    return revision;
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
