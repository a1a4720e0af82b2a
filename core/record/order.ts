/** What an entry is put in order by. */
interface Noted {
  readonly id: string;
  readonly notedAt: string;
}

/** The order in which entries were written down; ids settle equal moments, so that every device decides alike. */
export function byNotedThenId(a: Noted, b: Noted): number {
  return compareText(a.notedAt, b.notedAt) || compareText(a.id, b.id);
}

/** ISO instants in UTC and UUIDs sort as plain text; localeCompare would be slower and locale-dependent. */
export function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
