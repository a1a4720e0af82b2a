import type { CautionId } from './entry.js';
import type { TableName } from './tables.js';

/** Sentences by which the first two versions noted that a caution was read. Never edited: rows of theirs remain. */
const CAUTION_SENTENCES: Readonly<Record<string, CautionId>> = {
  'Checklist before the lid': 'lidChecklist',
  'Clean work with spawn': 'cleanWorkSpawn',
  'Clean work: alcohol, flame, needles': 'cleanWorkCulture',
  'Box stocked, air settling': 'airSettled',
};

/** A row as an earlier version wrote it, in the words of this one. Rows of this version come back as they are. */
export function olderRow(table: TableName, row: unknown): unknown {
  if (table !== 'entries' || typeof row !== 'object' || row === null) {
    return row;
  }
  const { kind, caution } = row as { kind?: unknown; caution?: unknown };
  // Sentences have spaces, ids have none.
  return kind === 'cautionRead' && typeof caution === 'string' && caution.includes(' ')
    ? { ...row, caution: CAUTION_SENTENCES[caution] ?? 'other' }
    : row;
}
