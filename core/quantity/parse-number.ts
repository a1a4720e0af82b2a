import { CoreError, isWithin, unlessRefused } from '../base/errors.js';
import type { FieldRef, MeantIn, RangeRule } from '../base/refusals.js';
import { convert } from './convert.js';
import { plainThousands } from './thousands.js';
import { unitsCalled } from './unit-words.js';
import { UNITS, type UnitName } from './units.js';

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
 * A comma is a decimal mark unless it groups thousands, as in "1,500".
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
 * Reads a number that may have a unit behind it, which wins: "84 F" where degrees Celsius are asked for is 28.9 of them.
 * So may two of one kind: "2 lb 3 oz".
 *
 * @param unit what the value is in, as it stands beside a field: "°C", "%", empty for a count
 * @param shown what a number without a unit is in, where that is another unit of the same kind
 * @returns in the first of the two
 * @throws CoreError `not-a-number`, or `other-kind-of-unit` for pounds where degrees are asked for
 */
export function parseIn(text: string, field: FieldRef, unit = '', shown = unit): number {
  const both = /^(\D*\d[\d.,]*\s*[a-z]+)\s+(\d[\d.,]*\s*[a-z]+)$/i.exec(text.trim());
  if (both?.[1] !== undefined && both[2] !== undefined) {
    return readIn(both[1], field, unit, shown) + readIn(both[2], field, unit, shown);
  }
  return readIn(text, field, unit, shown);
}

function readIn(text: string, field: FieldRef, unit: string, shown: string): number {
  const [, number, typed] = /^(.*[\d¼½¾⅓⅔⅛⅜⅝⅞.,])\s*([^\d\s.,][^\d]*)$/.exec(text.trim()) ?? [];
  const [own] = unitsCalled(unit);
  const [bareIn] = unitsCalled(shown);
  if (number === undefined || typed === undefined || isFraction(typed)) {
    const value = parseNumber(text, field);
    return own === undefined || bareIn === undefined || own === bareIn ? value : convert(value, bareIn, own);
  }
  if (typed.toLowerCase() === unit.trim().toLowerCase()) {
    return parseNumber(number, field);
  }
  const meant = unitsCalled(typed);
  const [first] = meant;
  if (own === undefined || first === undefined) {
    return parseNumber(text, field);
  }
  const from = meant.find((name) => UNITS[name].kind === UNITS[own].kind);
  if (from === undefined) {
    throw new CoreError('other-kind-of-unit', {
      field,
      unit: first,
      kind: UNITS[own].kind,
      like: shown.trim(),
    });
  }
  return convert(parseNumber(number, field), from, own);
}

/** What a figure must be, what a bare number is taken to be in, and where it usually lies. */
export interface TypedRule extends RangeRule {
  /** The unit of a number without one, where it is not the rule's own. */
  readonly shown?: string;
  /** Where it usually lies, in the rule's own unit: outside it, a bare number that would lie there in another unit is asked about. */
  readonly likely?: { readonly low: number; readonly high: number };
}

/**
 * Reads a number as a person types it, with or without a unit, and holds it to its range.
 *
 * @throws CoreError naming the field, what was typed and the range; `which-unit` where a bare number fits, and would fit
 * far better in the unit that others use
 */
export function parseWithin(text: string, rule: TypedRule): number {
  const { shown, likely, ...range } = rule;
  const value = parseIn(text, rule.field, rule.unit, shown);
  const isIn = isWithin(value, rule);
  if (isIn && (likely === undefined || isBetween(value, likely))) {
    return value;
  }
  const perhaps = meantIn(text, rule);
  if (!isIn) {
    throw new CoreError('out-of-range', { ...range, value, ...(perhaps && { perhaps }) });
  }
  if (likely && perhaps && isBetween(perhaps.value, likely)) {
    throw new CoreError('which-unit', { field: rule.field, unit: rule.unit ?? '', value, perhaps });
  }
  return value;
}

function isBetween(value: number, { low, high }: { readonly low: number; readonly high: number }): boolean {
  return value >= low && value <= high;
}

/** The unit that others use where this one is asked for. */
const TWINS: readonly (readonly [UnitName, UnitName])[] = [
  ['C', 'F'],
  ['g', 'oz'],
  ['kg', 'lb'],
  ['mm', 'inch'],
  ['kPa', 'psi'],
];

/** What a bare number would be in the twin of the unit that it is taken in, where that is allowed. */
function meantIn(text: string, rule: TypedRule): MeantIn | undefined {
  const [own] = unitsCalled(rule.unit ?? '');
  const [bareIn] = unitsCalled(rule.shown ?? rule.unit ?? '');
  const twin = TWINS.flatMap(([a, b]) => (bareIn === a ? [b] : bareIn === b ? [a] : []))[0];
  const bare = unlessRefused(() => parseNumber(text, rule.field), undefined);
  if (own === undefined || twin === undefined || bare === undefined) {
    return undefined;
  }
  const value = convert(bare, twin, own);
  return isWithin(value, rule) ? { unit: twin, value } : undefined;
}

/** A fraction in one character is a part of the number. */
function isFraction(text: string): boolean {
  return Object.hasOwn(FRACTIONS, text);
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
  const closed = plainThousands(text.replace(/(?<=\d) (?=\d{3}(\D|$))/g, '')).text;
  const decimal = closed.includes('.') ? closed : closed.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)(e\d{1,3})?$/i.test(decimal) ? Number(decimal) : undefined;
}
