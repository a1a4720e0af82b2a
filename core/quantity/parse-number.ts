import { CoreError, requireWithin } from '../base/errors.js';
import type { FieldRef, RangeRule } from '../base/refusals.js';

/** Fraction characters people paste or type on a phone. */
const FRACTIONS: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

/** Longest text that can be a number; anything longer is a slip of the paste key. */
const LONGEST = 24;
/** So much of what was typed is told back, characters. */
const MOST_SHOWN = 30;

/**
 * Reads a number as a person types it: "1 982", "1,5", "1.5", "2/3", "1 1/2", "½", "1½".
 * A comma is a decimal mark unless it groups thousands in front of a point.
 *
 * @param field what it is of, for a refusal
 * @throws CoreError `not-a-number` with what was typed; never returns NaN
 */
export function parseNumber(text: string, field: FieldRef): number {
  const typed = text.trim();
  const value = typed.length <= LONGEST ? read(typed.replace(/[\u2009\u202f\u00a0]/g, ' ')) : undefined;
  if (value === undefined || !Number.isFinite(value)) {
    throw new CoreError('not-a-number', { field, typed: typed.slice(0, MOST_SHOWN) });
  }
  return value;
}

/**
 * Reads a number as a person types it and holds it to its range.
 *
 * @throws CoreError naming the field, what was typed and the range
 */
export function parseWithin(text: string, rule: RangeRule): number {
  return requireWithin(parseNumber(text, rule.field), rule);
}

function read(text: string): number | undefined {
  const mixed = /^(-?)(\d+)?\s*([¼½¾⅓⅔⅛⅜⅝⅞])$/.exec(text);
  if (mixed?.[3] !== undefined) {
    const fraction = FRACTIONS[mixed[3]] ?? 0;
    return (mixed[1] === '-' ? -1 : 1) * (Number(mixed[2] ?? 0) + fraction);
  }
  const ratio = /^(-?)(?:(\d+)\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(text);
  if (ratio) {
    const below = Number(ratio[4]);
    return below === 0
      ? undefined
      : (ratio[1] === '-' ? -1 : 1) * (Number(ratio[2] ?? 0) + Number(ratio[3]) / below);
  }
  const closed = text.replace(/(?<=\d) (?=\d{3}(\D|$))/g, '');
  const decimal = closed.includes('.') ? closed.replace(/,(?=\d{3}(\D|$))/g, '') : closed.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)(e\d{1,3})?$/i.test(decimal) ? Number(decimal) : undefined;
}
