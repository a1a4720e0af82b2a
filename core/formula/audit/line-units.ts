import { parseIngredient, type UnitOfMeasureDefinitions } from 'parse-ingredient';
import { convert } from '../../quantity/convert.js';
import type { UnitName } from '../../quantity/units.js';

const MORE_UNITS: UnitOfMeasureDefinitions = {
  milliliter: {
    short: 'ml',
    plural: 'milliliters',
    alternates: ['ml.', 'mL', 'mL.', 'cc', 'cc.', 'ccm', 'millilitre', 'millilitres', 'mls'],
  },
  liter: { short: 'l', plural: 'liters', alternates: ['l.', 'L', 'litre', 'litres', 'ltr'] },
  gram: { short: 'g', plural: 'grams', alternates: ['g.', 'gr', 'gr.', 'gramme', 'grammes', 'gm', 'gms'] },
  kilogram: { short: 'kg', plural: 'kilograms', alternates: ['kg.', 'kilo', 'kilos', 'kgs'] },
  part: { short: 'part', plural: 'parts', alternates: ['percent', '%'] },
  tablespoon: {
    short: 'tbsp',
    plural: 'tablespoons',
    alternates: ['T', 'T.', 'tb', 'tb.', 'tbs', 'tbs.', 'tblsp', 'tblsp.', 'tbsp.', 'tbsps', 'tablespoonful'],
  },
};

export const UNIT_OF: Readonly<Record<string, UnitName>> = {
  gram: 'g',
  kilogram: 'kg',
  ounce: 'oz',
  pound: 'lb',
  cup: 'cup',
  'fluid ounce': 'floz',
  gallon: 'gallon',
  liter: 'l',
  milliliter: 'ml',
  pint: 'pint',
  quart: 'quart',
  tablespoon: 'tbsp',
  teaspoon: 'tsp',
};

/** Units of the parser that are so much of ours, and what is said where that is a convention of kitchens (from memory). */
export const SCALED: Readonly<Record<string, readonly [UnitName, number, note?: string]>> = {
  milligram: ['g', 1e-3],
  deciliter: ['ml', 100],
  pinch: ['tsp', 1 / 16, 'A pinch is taken as a sixteenth of a teaspoon.'],
  dash: ['tsp', 1 / 8, 'A dash is taken as an eighth of a teaspoon.'],
};

export const UNIT_PATTERN =
  '(l|lit(?:er|re)s?|quarts?|qts?|pints?|pts?|gallons?|gal|cups?|ml|millilit(?:er|re)s?|kg|kilos?|kilograms?|g|gr|grams?|oz|ounces?|lbs?|pounds?)';
export const NUMBER_PATTERN = '(\\d[\\d./ ]*[½¼¾⅓⅔⅛]?|[½¼¾⅓⅔⅛])';

/** What the parser makes of a plain line. An amount alone is read as one of something that is not said. */
export function parsedIn(plain: string): ReturnType<typeof parseIngredient>[number] | undefined {
  const read = (text: string) => parseIngredient(text, { additionalUOMs: MORE_UNITS, round: false })[0];
  const parsed = read(plain);
  return parsed !== undefined && (parsed.description === '' || isUnitWord(parsed.description))
    ? { ...(read(`${plain} x`) ?? parsed), description: '' }
    : parsed;
}

export function unitOf(word: string): UnitName | undefined {
  const id = parseIngredient(`1 ${word} x`, { additionalUOMs: MORE_UNITS })[0]?.unitOfMeasureID;
  return UNIT_OF[id ?? ''];
}

export function isVolume(unit: UnitName): boolean {
  return ['l', 'ml', 'cup', 'pint', 'quart', 'gallon', 'floz', 'tbsp', 'tsp'].includes(unit);
}

/** "1", "1 1/2", "½" as a number; undefined where it is none. */
export function numberIn(text: string): number | undefined {
  return parseIngredient(`${text.trim()} g x`, { round: false })[0]?.quantity ?? undefined;
}

/** "1 liter", "500 ml", "a quart" in liters; undefined where it says anything else. */
export function litersOf(words: string): number | undefined {
  const found = new RegExp(`^${NUMBER_PATTERN}?\\s*${UNIT_PATTERN}$`, 'i').exec(words.trim());
  const unit = found?.[2] === undefined ? undefined : unitOf(found[2]);
  const value = found?.[1] === undefined ? 1 : numberIn(found[1]);
  return unit === undefined || value === undefined || !isVolume(unit) ? undefined : convert(value, unit, 'l');
}

const UNIT_WORDS = new Set(
  'cup cups c g kg ml l tbsp tsp oz lb quart quarts pint pints part parts liter liters'.split(' '),
);
function isUnitWord(text: string): boolean {
  return UNIT_WORDS.has(text.toLowerCase().replace(/\.$/, ''));
}

/** To four digits, as few as it takes. */
export function plainNumber(value: number): string {
  return String(Number(value.toPrecision(4)));
}
