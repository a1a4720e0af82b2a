import { TABLE_NAMES, type Records, type TableName } from '../record/tables.js';

/** A definition that differs on both sides; the later one was kept. */
export interface MergeDifference {
  readonly table: TableName;
  readonly id: string;
  readonly kept: unknown;
  readonly other: unknown;
}

export interface Merged {
  readonly records: Records;
  readonly differences: readonly MergeDifference[];
}

/**
 * Joins the records of two archives: facts by union of their ids, definitions by the latest change, with every
 * difference reported. Merging in either order gives the same records.
 */
export function mergeArchives(a: Records, b: Records): Merged {
  const differences: MergeDifference[] = [];
  const merged = TABLE_NAMES.map((table): [TableName, readonly Row[]] => [
    table,
    mergeTable(table, a[table], b[table], differences),
  ]);
  return { records: Object.fromEntries(merged) as unknown as Records, differences };
}

interface Row {
  readonly id: string;
  readonly updatedAt?: string;
}

function mergeTable(
  table: TableName,
  a: readonly Row[],
  b: readonly Row[],
  differences: MergeDifference[],
): readonly Row[] {
  const rows = new Map(a.map((row) => [row.id, row]));
  for (const row of b) {
    const mine = rows.get(row.id);
    if (mine === undefined) {
      rows.set(row.id, row);
    } else if (row.updatedAt !== undefined && canonical(mine) !== canonical(row)) {
      const later = order(mine, row) >= 0 ? mine : row;
      rows.set(row.id, later);
      differences.push({ table, id: row.id, kept: later, other: later === mine ? row : mine });
    }
  }
  return [...rows.values()].sort((x, y) => (x.id < y.id ? -1 : 1));
}

/** Latest change first; equal instants are settled by content so that both devices decide alike. */
function order(x: Row, y: Row): number {
  const [left, right] = [`${x.updatedAt} ${canonical(x)}`, `${y.updatedAt} ${canonical(y)}`];
  return left < right ? -1 : left > right ? 1 : 0;
}

/** JSON with the keys of every object in order: a schema hands keys back in its own. */
function canonical(row: Row): string {
  return JSON.stringify(row, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );
}
