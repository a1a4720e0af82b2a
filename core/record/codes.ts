import { plainCode, type Batch, type Cook } from './batch.js';
import { compareText } from './order.js';

/**
 * The names by which people call their batches. Two of one number, made by two devices before they knew of each
 * other, stay apart: the first made keeps "G28", the next is "G28b" everywhere. Names follow from the records alone, so
 * every device gives the same.
 *
 * @returns by id of the batch
 */
export function batchCodes(batches: readonly Batch[]): ReadonlyMap<string, string> {
  return namesakesApart(batches, plainCode, (b) => b.madeAt);
}

/** The same for cooks: "11", "11b". */
export function cookNames(cooks: readonly Cook[]): ReadonlyMap<string, string> {
  return namesakesApart(
    cooks,
    (c) => String(c.number),
    (c) => c.plannedAt,
  );
}

function namesakesApart<R extends { readonly id: string }>(
  rows: readonly R[],
  nameOf: (row: R) => string,
  bornAt: (row: R) => string,
): ReadonlyMap<string, string> {
  const inOrder = [...rows].sort((a, b) => compareText(bornAt(a), bornAt(b)) || compareText(a.id, b.id));
  const count = new Map<string, number>();
  const names = new Map<string, string>();
  for (const row of inOrder) {
    const name = nameOf(row);
    const before = count.get(name) ?? 0;
    count.set(name, before + 1);
    names.set(row.id, name + suffix(before));
  }
  return names;
}

const FIRST_LETTER = 'a'.charCodeAt(0);
const LETTERS = 26;

/** Nothing for the first, then b, c, … z, and two letters after that. */
function suffix(before: number): string {
  if (before === 0) {
    return '';
  }
  const letter = (n: number) => String.fromCharCode(FIRST_LETTER + n);
  return before < LETTERS
    ? letter(before)
    : letter(Math.floor(before / LETTERS) - 1) + letter(before % LETTERS);
}
