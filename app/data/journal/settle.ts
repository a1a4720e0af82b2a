import {
  SHIPPED_TABLES,
  isKnownTable,
  olderRow,
  readRow,
  refreshShipped,
  type Records,
  type Shipped,
  type ShippedOffer,
} from '../../../core/index';
import { keepRows } from './bring-in';
import type { HouseDb } from '../store/house-db';

/**
 * What a newer version of the app does once to a house that an older one kept: rows that the older one could not read
 * are tried again, and shipped definitions are brought up to date.
 *
 * @returns shipped rows that stand beside ones that were changed here
 */
export async function settle(db: HouseDb, shipped: Shipped): Promise<readonly ShippedOffer[]> {
  await readAgain(db);
  return db.transaction('rw', [...SHIPPED_TABLES, 'household', 'meta', 'changes'], async () => {
    if ((await db.rows('household').count()) === 0) {
      // Nothing was furnished yet: the first page brings what ships.
      return [];
    }
    const kept = await Promise.all(
      SHIPPED_TABLES.map(async (table) => {
        const rows: unknown[] = await db.rows(table).toArray();
        return [table, rows.flatMap((row) => readable(table, row))] as const;
      }),
    );
    const { rows, offers } = refreshShipped(Object.fromEntries(kept) as unknown as Shipped, shipped);
    for (const table of SHIPPED_TABLES) {
      if (rows[table].length > 0) {
        await db.rows(table).bulkPut([...rows[table]] as never);
        await db.bump({ [table]: rows[table].map((r) => r.id) });
      }
    }
    return offers;
  });
}

function readable(table: keyof Records, row: unknown): readonly Records[keyof Records][number][] {
  const read = readRow(table, row);
  return read.ok ? [read.value] : [];
}

async function readAgain(db: HouseDb): Promise<void> {
  const aside = await db.unread.toArray();
  for (const { key, table, row } of aside) {
    if (key !== undefined && isKnownTable(table) && table !== 'photos') {
      const read = readRow(table, olderRow(table, row));
      if (read.ok) {
        await keepRows(db, table, [read.value]);
        await db.unread.delete(key);
      }
    }
  }
}
