import { LayeredMap } from '../base/layered-map.js';
import { plainCode, type Batch, type Cook } from './batch.js';
import { compareText } from './order.js';

/** Names by id, and the rows that share a plain one, kept so that a new row touches only its namesakes. */
export interface Names<R> {
  readonly namesakes: LayeredMap<string, readonly R[]>;
  readonly names: LayeredMap<string, string>;
}

/** What rows are called, and when they were born: the first born keeps the plain name. */
interface Naming<R> {
  readonly plainName: (row: R) => string;
  readonly bornAt: (row: R) => string;
}

/**
 * The names by which people call their batches. Two of one number, made by two devices before they knew of each
 * other, stay apart: the first made keeps "G28", the next is "G28b" everywhere. Names follow from the records alone, so
 * every device gives the same.
 */
export const BATCH_NAMING: Naming<Batch> = { plainName: plainCode, bornAt: (b) => b.madeAt };

/** The same for cooks: "11", "11b". */
export const COOK_NAMING: Naming<Cook> = {
  plainName: (c) => String(c.number),
  bornAt: (c) => c.plannedAt,
};

export function noNames<R>(): Names<R> {
  return { namesakes: LayeredMap.empty(), names: LayeredMap.empty() };
}

/**
 * Names with more rows, or with others in the place of some.
 * @param replaced what stood under the ids of `rows` before
 * @returns them, and the ids of all that are called otherwise than before
 */
export function namesWith<R extends { readonly id: string }>(
  { namesakes, names }: Names<R>,
  replaced: readonly R[],
  rows: readonly R[],
  { plainName, bornAt }: Naming<R>,
): { readonly names: Names<R>; readonly renamed: readonly string[] } {
  const groups = new Map<string, R[]>();
  const groupOf = (row: R) => {
    const name = plainName(row);
    const group = groups.get(name) ?? [...(namesakes.get(name) ?? [])];
    groups.set(name, group);
    return group;
  };
  for (const row of replaced) {
    const group = groupOf(row);
    group.splice(group.indexOf(row), 1);
  }
  rows.forEach((row) => groupOf(row).push(row));
  const changed = new Map<string, string>();
  for (const [name, group] of groups) {
    group
      .sort((a, b) => compareText(bornAt(a), bornAt(b)) || compareText(a.id, b.id))
      .forEach((row, before) => {
        const now = name + suffix(before);
        if (names.get(row.id) !== now) {
          changed.set(row.id, now);
        }
      });
  }
  return {
    names: { namesakes: namesakes.with(groups), names: names.with(changed) },
    renamed: [...changed.keys()],
  };
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
