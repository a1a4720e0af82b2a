import type { Page } from '@playwright/test';

/** A page of the app's own address on which no line of the app runs. */
const QUIET = '/ngsw.json';

export interface RawDatabase {
  readonly version: number;
  readonly tables: Readonly<Record<string, readonly Record<string, unknown>[]>>;
}

/** Everything in a database, past the app. */
export async function readRaw(page: Page, origin: string, name: string): Promise<RawDatabase> {
  await page.goto(origin + QUIET);
  return page.evaluate(async (database) => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const open = indexedDB.open(database);
      open.onsuccess = () => {
        resolve(open.result);
      };
      open.onerror = () => {
        reject(new Error(String(open.error)));
      };
    });
    const tables: Record<string, Record<string, unknown>[]> = {};
    for (const table of db.objectStoreNames) {
      tables[table] = await new Promise((resolve, reject) => {
        const all = db.transaction(table).objectStore(table).getAll();
        all.onsuccess = () => {
          resolve(all.result as Record<string, unknown>[]);
        };
        all.onerror = () => {
          reject(new Error(String(all.error)));
        };
      });
    }
    const { version } = db;
    db.close();
    return { version, tables };
  }, name);
}

/** Lays a database down as an older or newer version of the app would have left it. */
export async function writeRaw(
  page: Page,
  origin: string,
  name: string,
  version: number,
  tables: Readonly<Record<string, readonly object[]>>,
): Promise<void> {
  await page.goto(origin + QUIET);
  await page.evaluate(
    async ({ database, ver, rows }) => {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const open = indexedDB.open(database, ver);
        open.onupgradeneeded = () => {
          for (const table of Object.keys(rows)) {
            const store = open.result.createObjectStore(table, { keyPath: 'id' });
            const index = { vessels: 'batchId', entries: 'notedAt', photos: 'vesselId' }[table];
            if (index !== undefined) {
              store.createIndex(index, index);
            }
          }
        };
        open.onsuccess = () => {
          resolve(open.result);
        };
        open.onerror = () => {
          reject(new Error(String(open.error)));
        };
      });
      const write = db.transaction(Object.keys(rows), 'readwrite');
      for (const [table, all] of Object.entries(rows)) {
        all.forEach((row) => write.objectStore(table).put(row));
      }
      await new Promise((resolve) => (write.oncomplete = resolve));
      db.close();
    },
    { database: name, ver: version, rows: tables },
  );
}
