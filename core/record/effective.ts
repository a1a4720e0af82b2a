import { isCorrection, type Entry, type EntryOf } from './entry.js';

/**
 * The facts that stand, in the order in which they happened: what was taken back is left out and what was
 * re-timed carries its corrected time. The result does not depend on the order of the input, so records of two
 * devices may arrive in any order.
 */
export function effectiveEntries(
  entries: readonly Entry[],
): Exclude<Entry, EntryOf<'takenBack' | 'putBack' | 'retimed'>>[] {
  const byNoting = entries.filter(isCorrection).sort(byNotedThenId);
  const gone = new Map<string, boolean>();
  const actualAt = new Map<string, string>();
  for (const correction of byNoting) {
    if (correction.kind === 'retimed') {
      actualAt.set(correction.entryId, correction.actualAt);
    } else {
      gone.set(correction.entryId, correction.kind === 'takenBack');
    }
  }
  const facts: Exclude<Entry, EntryOf<'takenBack' | 'putBack' | 'retimed'>>[] = [];
  for (const entry of entries) {
    if (!isCorrection(entry) && gone.get(entry.id) !== true) {
      const at = actualAt.get(entry.id);
      facts.push(at === undefined ? entry : { ...entry, at });
    }
  }
  return facts.sort((a, b) => compare(a.at, b.at) || byNotedThenId(a, b));
}

/** A fact that stands: never a correction. */
export type Fact = ReturnType<typeof effectiveEntries>[number];
export type FactOf<K extends Fact['kind']> = Extract<Fact, { kind: K }>;

function byNotedThenId(a: Entry, b: Entry): number {
  return compare(a.notedAt, b.notedAt) || compare(a.id, b.id);
}

// ISO instants in UTC and UUIDs sort as plain text; localeCompare would be slower and locale-dependent.
function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
