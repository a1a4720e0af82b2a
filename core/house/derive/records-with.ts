import type { LiveTable, Records } from '../../record/tables.js';

/** What a house is derived from; photos and readings are looked up where they are shown. */
export type LiveRecords = Pick<Records, LiveTable>;
/** Rows that are new, or that stand in the place of those with their ids. Nothing is ever deleted. */
export type NewRows = { readonly [K in keyof LiveRecords]?: LiveRecords[K] };
/** Tells which ids are here, for tables that are too large to be asked. */
export type KnownIds = { readonly [K in keyof LiveRecords]?: { has(id: string): boolean } };

type Row = LiveRecords[keyof LiveRecords][number];

/** Records with more rows, each id once. */
export function recordsWith(records: LiveRecords, rows: NewRows, known: KnownIds): LiveRecords {
  const changed = (Object.keys(rows) as (keyof LiveRecords)[]).flatMap((table) => {
    const more = rows[table] as readonly Row[] | undefined;
    return more === undefined || more.length === 0
      ? []
      : [[table, rowsWith(records[table], more, known[table])] as const];
  });
  return { ...records, ...(Object.fromEntries(changed) as Partial<LiveRecords>) };
}

function rowsWith(
  here: readonly Row[],
  more: readonly Row[],
  known: { has(id: string): boolean } = new Set(here.map((r) => r.id)),
): readonly Row[] {
  const put = new Map(more.map((r) => [r.id, r]));
  const isNew = (r: Row) => !known.has(r.id);
  const kept = [...put.values()].every(isNew) ? here : here.map((r) => put.get(r.id) ?? r);
  return kept.concat([...put.values()].filter(isNew));
}
