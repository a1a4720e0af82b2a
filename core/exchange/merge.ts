import canonicalize from 'canonicalize';
import { TABLE_NAMES, type Records, type TableName } from '../record/tables.js';

/** A record that differs on both sides; one was kept. */
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

/** What any row is told apart and put in order by. */
export interface MergeRow {
  readonly id: string;
  readonly updatedAt?: string;
  readonly shipped?: { readonly version: number };
  /** Readings of a chunk: it only grows. */
  readonly count?: number;
}

/**
 * Joins the records of two archives: facts by union of their ids, definitions by the latest change, with every
 * difference reported. Merging any number in any order gives the same records.
 */
export function mergeArchives(a: Records, b: Records): Merged {
  const differences: MergeDifference[] = [];
  const merged = TABLE_NAMES.map((table): [TableName, readonly MergeRow[]] => {
    const rows = new Map<string, MergeRow>(a[table].map((row) => [row.id, row]));
    for (const row of b[table] as readonly MergeRow[]) {
      const mine = rows.get(row.id);
      const kept = mine === undefined ? row : rowThatStands(mine, row);
      rows.set(row.id, kept);
      if (mine !== undefined && !isSameRow(mine, row)) {
        differences.push({ table, id: row.id, kept, other: kept === mine ? row : mine });
      }
    }
    return [table, [...rows.values()].sort((x, y) => (x.id < y.id ? -1 : 1))];
  });
  return { records: Object.fromEntries(merged) as unknown as Records, differences };
}

/**
 * Which of two rows of one id stands: the later change, then the one from the newer shipped figures, then the chunk that
 * has grown further, and among equals the one whose content comes last, so that every device decides alike. An order of all rows, so it does not matter
 * in which order they meet.
 */
export function rowThatStands<R extends MergeRow>(mine: R, other: R): R {
  return orderKey(mine) >= orderKey(other) ? mine : other;
}

export function isSameRow(a: MergeRow, b: MergeRow): boolean {
  return canonical(a) === canonical(b);
}

const DIGITS = 6;

function orderKey(row: MergeRow): string {
  const version = String(row.shipped?.version ?? 0).padStart(DIGITS, '0');
  const count = String(row.count ?? 0).padStart(DIGITS, '0');
  return `${row.updatedAt ?? ''} ${version} ${count} ${canonical(row)}`;
}

/** JSON with the keys of every object in order (RFC 8785): a schema hands keys back in its own. */
export function canonical(row: object): string {
  const { bytes, ...rest } = row as { bytes?: Uint8Array };
  // Pictures are told apart by size and ends: a photo is never changed.
  const picture = bytes && [bytes.length, ...bytes.subarray(0, 64), ...bytes.subarray(-64)];
  return canonicalize({ ...rest, ...(picture && { picture }) }) ?? '';
}
