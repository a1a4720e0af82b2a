import { CoreError, isWithin, unlessRefused } from '../base/errors.js';
import type { FieldRef, MeantIn, RangeRule } from '../base/refusals.js';
import { convert } from './convert.js';
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
 * Reads a number that may have a unit behind it, which wins: "84 F" where degrees Celsius are asked for is 28.9 of them.
 *
 * @param unit what the field is in, as it stands beside it: "°C", "%", empty for a count
 * @returns in the field's own unit
 * @throws CoreError `not-a-number`, or `other-kind-of-unit` for pounds where degrees are asked for
 */
export function parseIn(text: string, field: FieldRef, unit = ''): number {
  const [, number, typed] = /^(.*[\d¼½¾⅓⅔⅛⅜⅝⅞.,])\s*([^\d\s.,][^\d]*)$/.exec(text.trim()) ?? [];
  const own = unit.trim();
  if (number === undefined || typed === undefined || isFraction(typed)) {
    return parseNumber(text, field);
  }
  if (typed.toLowerCase() === own.toLowerCase()) {
    return parseNumber(number, field);
  }
  const [into] = unitsCalled(own);
  const meant = unitsCalled(typed);
  const [first] = meant;
  if (into === undefined || first === undefined) {
    return parseNumber(text, field);
  }
  const from = meant.find((name) => UNITS[name].kind === UNITS[into].kind);
  if (from === undefined) {
    throw new CoreError('other-kind-of-unit', { field, unit: first, kind: UNITS[into].kind, like: own });
  }
  return convert(parseNumber(number, field), from, into);
}

/**
 * Reads a number as a person types it, with or without a unit, and holds it to its range.
 *
 * @throws CoreError naming the field, what was typed and the range
 */
export function parseWithin(text: string, rule: RangeRule): number {
  const value = parseIn(text, rule.field, rule.unit);
  if (isWithin(value, rule)) {
    return value;
  }
  const perhaps = meantIn(text, rule);
  throw new CoreError('out-of-range', { ...rule, value, ...(perhaps && { perhaps }) });
}

/** The unit that others use where this one is asked for. */
const TWINS: readonly (readonly [UnitName, UnitName])[] = [
  ['C', 'F'],
  ['g', 'oz'],
  ['kg', 'lb'],
  ['mm', 'inch'],
  ['kPa', 'psi'],
];

/** A bare number that cannot be in the field's own unit, and could be in its twin. */
function meantIn(text: string, rule: RangeRule): MeantIn | undefined {
  const [own] = unitsCalled(rule.unit ?? '');
  const twin = TWINS.flatMap(([a, b]) => (own === a ? [b] : own === b ? [a] : []))[0];
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
  const closed = text.replace(/(?<=\d) (?=\d{3}(\D|$))/g, '');
  const decimal = closed.includes('.') ? closed.replace(/,(?=\d{3}(\D|$))/g, '') : closed.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)(e\d{1,3})?$/i.test(decimal) ? Number(decimal) : undefined;
}
