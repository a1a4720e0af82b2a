import type { CautionId } from './entry.js';
import type { TableName } from './tables.js';

/** Sentences by which the first two versions noted that a caution was read. Never edited: rows of theirs remain. */
const CAUTION_SENTENCES: Readonly<Record<string, CautionId>> = {
  'Checklist before the lid': 'lidChecklist',
  'Clean work with spawn': 'cleanWorkSpawn',
  'Clean work: alcohol, flame, needles': 'cleanWorkCulture',
  'Box stocked, air settling': 'airSettled',
};

/** What a dish of 90 mm gives: wedges. Earlier versions counted a received plate in milliliters. Never edited. */
const WEDGES_OF_DISH = 40;

/** A row as an earlier version wrote it, in the words of this one. Rows of this version come back as they are. */
export function olderRow(table: TableName, row: unknown): unknown {
  if (typeof row !== 'object' || row === null) {
    return row;
  }
  switch (table) {
    case 'entries':
      return olderEntry(row);
    case 'batches':
      return olderBatch(row);
    default:
      return row;
  }
}

function olderEntry(row: object): object {
  const { kind, caution } = row as { kind?: unknown; caution?: unknown };
  // Sentences have spaces, ids have none.
  return kind === 'cautionRead' && typeof caution === 'string' && caution.includes(' ')
    ? { ...row, caution: CAUTION_SENTENCES[caution] ?? 'other' }
    : row;
}

/** Up to the fifth version every received culture was held by the milliliter. */
function olderBatch(row: object): object {
  if (!('contentsMl' in row)) {
    return row;
  }
  const { contentsMl, ...rest } = row as { contentsMl: unknown; vessel?: { kind?: unknown } };
  const holds =
    rest.vessel?.kind === 'dish'
      ? { amount: WEDGES_OF_DISH, unit: 'wedge' }
      : { amount: contentsMl, unit: 'ml' };
  return { ...rest, holds };
}
