import { requireWithin } from '../base/errors.js';
import { UNITS, type UnitName } from './units.js';

const WORDS: Readonly<Partial<Record<UnitName, readonly [one: string, many: string]>>> = {
  cup: ['cup', 'cups'],
  gallon: ['gallon', 'gallons'],
  quart: ['quart', 'quarts'],
  pint: ['pint', 'pints'],
  floz: ['fl oz', 'fl oz'],
};
const DIGITS = 6;

/**
 * An amount of volume or mass as a recipe writes it, to six digits: "1.25 cups", "40 g".
 * Reading it back as a line of a recipe gives the same amount.
 */
export function formatAmount(value: number, unit: UnitName): string {
  requireWithin(value, { field: { field: 'amount', of: unit }, min: 0, max: 1e9 });
  const shown = Number(value.toPrecision(DIGITS));
  const [one, many] = WORDS[unit] ?? [unit, unit];
  return `${String(shown)} ${UNITS[unit].kind === 'volume' && shown === 1 ? one : many}`;
}
