import {
  isLive,
  isSameRow,
  rowThatStands,
  type ArchiveRow,
  type BulkTable,
  type MergeRow,
  type TableName,
  type UnreadRow,
} from '../../../core/index';
import type { HouseDb } from '../store/house-db';

/** A record that was here and said something else than the archive's. */
export interface Difference {
  readonly table: TableName;
  /** Its name where it has one, else its id. */
  readonly name: string;
  readonly theirs: boolean;
}

/** What an archive did to the house. */
export interface BroughtIn {
  readonly added: number;
  /** Rows that were here and said something else. */
  readonly differed: number;
  /** Of those, where the one from the archive counts now. */
  readonly replaced: number;
  readonly unread: number;
  /** The first of those that differed, and whether the one from the archive counts now. */
  readonly differences: readonly Difference[];
  /** Whether it was ended before the last row. */
  readonly stopped: boolean;
}

export interface BringInOptions {
  /** What it is called while it comes in. */
  readonly name: string;
  readonly rowCount: number;
  readonly onProgress: (share: number) => void;
  /** Asked between transactions. */
  readonly isStopped: () => boolean;
}

/** Rows to a transaction: short enough that a press between two of them is not felt. */
const ROWS_AT_ONCE = 400;
/** As many differences as a person would read. */
const MOST_DIFFERENCES = 40;
/** Photos and chunks of readings are large; a few at a time. */
const LARGE_AT_ONCE: Readonly<Record<BulkTable, number>> = { photos: 8, readings: 40 };

/**
 * Appends rows by union, a few hundred to a transaction, so that presses in any tab go on between them. What is here is
 * never cleared: a row that is here already stays, or gives way to the one that stands in every order of merging.
 * Stopped or killed half-way, every row that came in is whole, and bringing the same file in again completes it.
 */
export async function bringIn(
  db: HouseDb,
  rows: Iterable<ArchiveRow>,
  options: BringInOptions,
): Promise<BroughtIn> {
  const sum = { added: 0, differed: 0, replaced: 0, unread: 0 };
  const differences: Difference[] = [];
  let seen = 0;
  let table: TableName | undefined;
  let waiting: MergeRow[] = [];
  let aside: UnreadRow[] = [];
  const flush = async () => {
    if (table !== undefined && waiting.length > 0) {
      const kept = await keepRows(db, table, waiting);
      sum.added += kept.added;
      sum.differed += kept.differences.length;
      sum.replaced += kept.differences.filter((d) => d.theirs).length;
      differences.push(...kept.differences.slice(0, MOST_DIFFERENCES - differences.length));
    }
    waiting = [];
  };
  await db.meta.put({ id: 'bringingIn', value: options.name });
  try {
    for (const item of rows) {
      seen++;
      if (item.kind === 'unread') {
        aside.push(item.unread);
      } else {
        if (item.table !== table) {
          await flush();
          table = item.table;
        }
        waiting.push(item.row);
      }
      if (waiting.length >= atOnce(table)) {
        await flush();
        options.onProgress(seen / Math.max(1, options.rowCount));
      }
      if (aside.length >= ROWS_AT_ONCE) {
        sum.unread += await setAside(db, aside);
        aside = [];
      }
      if (options.isStopped()) {
        return { ...sum, differences, stopped: true };
      }
    }
    await flush();
    sum.unread += await setAside(db, aside);
    await db.meta.delete('bringingIn');
    return { ...sum, differences, stopped: false };
  } finally {
    await db.transaction('rw', [db.meta, db.changes], () => db.bump({}));
  }
}

/** One transaction: reads what is here of these rows, and writes only what is new or stands against it. */
export function keepRows(
  db: HouseDb,
  table: TableName,
  rows: readonly MergeRow[],
): Promise<{ readonly added: number; readonly differences: readonly Difference[] }> {
  return db.transaction('rw', [table, 'meta', 'changes'], async () => {
    const here = (await db.rows(table).bulkGet(rows.map((r) => r.id))) as (MergeRow | undefined)[];
    let added = 0;
    const differences: Difference[] = [];
    const put: MergeRow[] = [];
    rows.forEach((row, i) => {
      const mine = here[i];
      if (mine === undefined) {
        added++;
        put.push(row);
      } else if (!isSameRow(mine, row)) {
        const theirs = rowThatStands(mine, row) === row;
        differences.push({ table, name: nameOf(row), theirs });
        if (theirs) {
          put.push(row);
        }
      }
    });
    if (put.length > 0) {
      await db.rows(table).bulkPut(put as never);
      await db.bump(isLive(table) ? { [table]: put.map((r) => r.id) } : {});
    }
    return { added, differences };
  });
}

function atOnce(table: TableName | undefined): number {
  return table === undefined || isLive(table) ? ROWS_AT_ONCE : LARGE_AT_ONCE[table];
}

function nameOf(row: MergeRow): string {
  const { name } = row as { name?: unknown };
  return typeof name === 'string' ? name : row.id;
}

/** Keeps rows that cannot be read, each once. @returns how many were new */
export function setAside(db: HouseDb, rows: readonly UnreadRow[]): Promise<number> {
  if (rows.length === 0) {
    return Promise.resolve(0);
  }
  return db.transaction('rw', db.unread, async () => {
    const known = new Set<string>();
    await db.unread.each((u) => known.add(JSON.stringify([u.table, u.row])));
    const fresh = rows.filter((r) => {
      const key = JSON.stringify([r.table, r.row]);
      const isNew = !known.has(key);
      known.add(key);
      return isNew;
    });
    await db.unread.bulkAdd(fresh.map((r) => ({ ...r })));
    return fresh.length;
  });
}
