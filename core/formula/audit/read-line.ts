import { parseIngredient, type UnitOfMeasureDefinitions } from 'parse-ingredient';
import type { UnitName } from '../../quantity/units.js';

/** How much a line says: so much of a unit, parts of the whole, per liter of water, or nothing that can be used. */
export type Amount =
  | { readonly kind: 'unit'; readonly value: number; readonly unit: UnitName }
  | { readonly kind: 'parts'; readonly value: number }
  | { readonly kind: 'perLiter'; readonly value: number }
  | { readonly kind: 'none' };

export interface ReadLine {
  readonly text: string;
  readonly amount: Amount;
  /** What it is of, as written. */
  readonly what: string;
  /** Why the line cannot be used, in words for the person. */
  readonly problem?: string;
  /** How it was read, where that is worth saying. */
  readonly note?: string;
}

/** Longer lines are prose, not ingredients. */
export const LONGEST_LINE = 200;

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
};

const UNIT_OF: Readonly<Record<string, UnitName>> = {
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

/** Units of the parser that are thousandths or tenths of ours. */
const SCALED: Readonly<Record<string, readonly [UnitName, number]>> = {
  milligram: ['g', 1e-3],
  deciliter: ['ml', 100],
};

/** Reads one line of a recipe, as people type it: "5 cups hardwood pellets", "½ C. bran", "1,4 L water", "20 g/l malt". */
export function readLine(text: string): ReadLine {
  const trimmed = text.trim().slice(0, LONGEST_LINE + 1);
  if (trimmed.length > LONGEST_LINE) {
    return unread(
      text.trim().slice(0, 60) + '…',
      '',
      `A line may have ${LONGEST_LINE} letters; this one is longer.`,
    );
  }
  const { cleaned, note } = clean(trimmed);
  if (/^-\s*[\d.,½¼¾⅓⅔⅛]/.test(cleaned)) {
    return unread(
      trimmed,
      cleaned.replace(/^-\s*[\d.,/½¼¾⅓⅔⅛ ]+/, ''),
      'An amount must be 0 or more; this one is below.',
    );
  }
  const perLiter =
    /^([\d./ ½¼¾⅓⅔⅛]+?)\s*(g|gr|grams?|ml)\s*(?:\/|per)\s*l(?:iter|itre)?\b\s*(?:of\s+)?(.*)$/i.exec(cleaned);
  const parsed = parseIngredient(perLiter ? `${perLiter[1] ?? ''} g ${perLiter[3] ?? ''}` : cleaned, {
    additionalUOMs: MORE_UNITS,
    round: false,
  })[0];
  if (parsed === undefined || parsed.isGroupHeader) {
    return unread(trimmed, trimmed, 'This reads as a heading; it is left out.');
  }
  const what = parsed.description.replace(/^(jars?|bottles?)\s+(of\s+)?/i, '').trim();
  if (parsed.quantity === null) {
    return unread(
      trimmed,
      what,
      `No amount: say how much ${what || 'of it'}, for example “200 g ${what || 'bran'}”.`,
    );
  }
  if (what === '' || isUnitWord(what)) {
    return unread(trimmed, '', `“${trimmed}” says how much, but not of what.`);
  }
  const [low, high] = [parsed.quantity, parsed.quantity2 ?? parsed.quantity];
  const value = (low + high) / 2;
  const asRange = low === high ? undefined : `Read as the middle of the range, ${String(value)}.`;
  const amount = amountOf(value, parsed.unitOfMeasureID, perLiter !== null);
  const base = { text: trimmed, amount, what, ...((note ?? asRange) && { note: note ?? asRange }) };
  if (amount.kind !== 'none') {
    return base;
  }
  const problem =
    parsed.unitOfMeasureID === null
      ? `${String(value)} of what measure? Add a unit: g, ml, cups, tbsp.`
      : `“${parsed.unitOfMeasure ?? parsed.unitOfMeasureID}” has no fixed size. Give grams or milliliters.`;
  return { ...base, problem };
}

function amountOf(value: number, unitId: string | null, isPerLiter: boolean): Amount {
  if (isPerLiter) {
    return { kind: 'perLiter', value };
  }
  if (unitId === 'part') {
    return { kind: 'parts', value };
  }
  const scaled = SCALED[unitId ?? ''];
  if (scaled !== undefined) {
    return { kind: 'unit', value: value * scaled[1], unit: scaled[0] };
  }
  const unit = UNIT_OF[unitId ?? ''];
  return unit === undefined ? { kind: 'none' } : { kind: 'unit', value, unit };
}

function unread(text: string, what: string, problem: string): ReadLine {
  return { text, amount: { kind: 'none' }, what: what.trim(), problem };
}

const UNIT_WORDS = new Set([
  'cup',
  'cups',
  'c',
  'g',
  'kg',
  'ml',
  'l',
  'tbsp',
  'tsp',
  'oz',
  'lb',
  'quart',
  'pint',
  'parts',
  'part',
]);
function isUnitWord(text: string): boolean {
  return UNIT_WORDS.has(text.toLowerCase().replace(/\.$/, ''));
}

/** Bullets, words like "about", thin spaces, decimal commas and grouped thousands, made plain. */
function clean(text: string): { cleaned: string; note?: string } {
  let note: string | undefined;
  const cleaned = text
    .replace(/[\u2009\u202f\u00a0]/g, ' ')
    .replace(/^[•*·–—]\s*|^-\s+(?=[\d½¼¾⅓⅔⅛])/, '')
    .replace(/^(about|approx\.?|approximately|ca\.?|circa|roughly|~|≈)\s*/i, '')
    .replace(/(?<=\d)[’'](?=\d{3}(\D|$))/g, '')
    .replace(/(?<=\d) (?=\d{3}(?!\d|\/))/g, '')
    .replace(/(\d),(\d{3})(?!\d)(?=\.|\D|$)/g, (_, before: string, after: string) => {
      note = `“${before},${after}” is read as ${before}${after}.`;
      return `${before}${after}`;
    })
    .replace(/(\d),(\d+)/g, '$1.$2')
    .replace(/(?<=\d)\s*#(?=\s|$)/g, ' lb')
    .replace(/(?<=\d)\s*%/g, ' percent')
    .replace(/[A-Za-z]{2,}/g, (word) => word.toLowerCase());
  return { cleaned, note };
}
