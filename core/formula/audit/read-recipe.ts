import { convert } from '../../quantity/convert.js';
import { UNITS } from '../../quantity/units.js';
import { AMOUNT_BEGINS, MEASURE } from './plain-text.js';
import { ratioIn } from './ratio.js';
import { readLine, withNotes, type ReadLine } from './read-line.js';

const PERCENT_BEGINS = '\\d+(?:\\.\\d+)?\\s*%';
/** Between two ingredients of one line: "1,5 l" keeps its comma, "one and a half cups" its "and". */
const BETWEEN = new RegExp(
  [
    ';',
    // "2 lb 3 oz", "1 kg 200 g".
    '(?<=\\d\\s*(?:lbs?|pounds?))\\s*(?=\\d[\\d./]*\\s*(?:oz|ounces?)\\b)',
    '(?<=\\d\\s*(?:kg|kilos?))\\s*(?=\\d[\\d./]*\\s*(?:g|grams?)\\b)',
    // "80 % sawdust 20 % bran".
    `(?<=[a-z)])(?<!\\b(?:to|at|of|about))\\s*/?\\s*(?=${PERCENT_BEGINS})`,
    ',(?=\\s*(?:and\\s+)?(?:\\w+\\s+)?water\\b)',
    `,(?<!\\d,)(?=\\s*(?:and\\s+)?${AMOUNT_BEGINS})`,
    `(?<!\\d)\\s+(?:and|plus|with|\\+|&)\\s+(?!a (?:half|quarter|third)\\b)(?=${AMOUNT_BEGINS})`,
  ].join('|'),
  'i',
);
/** "Straw in 50 gallons of lime water", "soaked in 20 l of water", "honey to 600 ml water". */
const IN_WATER = new RegExp(
  `(?<=[a-z)])(?<!\\b(?:up|fill|filled|bring|make|water))\\s+(?:(soaked|steeped|bathed|pasteurized|boiled|simmered|submerged)\\s+|(?:dissolved|stirred|mixed)\\s+)?(?:in|into|to|for)\\s+(?=${AMOUNT_BEGINS}.*\\b(?:water|bath)\\b)`,
  'i',
);
/** "Add 2 tbsp gypsum", "soak 5 lb rye in 2 gallons of water": what is done with an amount. */
const VERB = new RegExp(
  `^\\s*(?:(add|mix(?: in)?|stir in|use|combine|take|dissolve|weigh(?: out)?|measure(?: out)?)|(soak|simmer|boil|cook|rinse|steep))\\s+(?=${AMOUNT_BEGINS}[\\d./ ½¼¾⅓⅔⅛-]*\\s*${MEASURE}\\b)`,
  'i',
);

/** "For 1 liter: 20 g agar". */
const HEADING = new RegExp(`^\\s*(?:for|per|to|in)\\s+${AMOUNT_BEGINS}[^:]*:(?=\\s*\\S)`, 'i');

/** "Optional: 20 g gypsum". */
const OPTIONAL = new RegExp(`^\\s*optional(?:ly)?\\s*[:,-]?\\s+(?=${AMOUNT_BEGINS})`, 'i');

/** Reads a recipe: lines, or sentences with commas, "and" and "+" between their ingredients. */
export function readRecipe(input: string | readonly string[]): readonly ReadLine[] {
  const lines = typeof input === 'string' ? input.split(/\r?\n/) : input;
  return lines.filter((line) => line.trim() !== '').flatMap((line) => ratioIn(line) ?? readPieces(line));
}

function readPieces(line: string): readonly ReadLine[] {
  const heading = HEADING.exec(line);
  if (heading !== null) {
    return [readLine(heading[0]), ...readPieces(line.slice(heading[0].length))];
  }
  const optional = OPTIONAL.exec(line);
  if (optional !== null) {
    return readPieces(line.slice(optional[0].length)).map((l) => withNotes(l, ['Optional: counted in.']));
  }
  const verb = VERB.exec(line);
  const rest = verb === null ? line : line.slice(verb[0].length);
  const pieces = rest.split(BETWEEN).flatMap((piece) => inWater(piece, verb?.[2] !== undefined));
  return joined(
    pieces.map((piece) => readLine(piece.replace(/^\s*(?:and|plus)\s+/i, ''))).filter((l) => l.text !== ''),
  );
}

function inWater(piece: string, isSoaked: boolean): string[] {
  const found = IN_WATER.exec(piece);
  if (found === null) {
    return [piece];
  }
  const water = piece.slice(found.index + found[0].length);
  const before = piece.slice(0, found.index);
  const soaked = water.replace(/\b(?:water|bath)\b/i, 'soak water');
  if (SOAK_ALONE.test(before)) {
    return [soaked];
  }
  return [before, found[1] === undefined && !isSoaked ? water : soaked];
}

/** "Soak in 2 gallons of water": of what stands on the lines before. */
const SOAK_ALONE =
  /^\s*(?:then\s+)?(?:soak|simmer|boil|cook|rinse|steep)(?:\s+(?:it|them|overnight|the\s+\w+))*\s*$/i;

/** "½ cup + 1 tbsp + 1 tsp honey" and "honey, 1 tbsp" are one amount of one thing. */
function joined(lines: readonly ReadLine[]): readonly ReadLine[] {
  const out: ReadLine[] = [];
  for (const line of lines) {
    const before = out.at(-1);
    const one = before && together(before, line);
    if (one === undefined) {
      out.push(line);
    } else {
      out[out.length - 1] = one;
    }
  }
  return out;
}

/** "Straw, 5 kg dry" names nothing else. */
const STATE = /^(?:dry|dried|wet|fresh|chopped|total|in all|each)$/;

function together(a: ReadLine, b: ReadLine): ReadLine | undefined {
  const text = `${a.text}, ${b.text}`;
  const isOnlyAmount = b.what === '' || STATE.test(b.what);
  if (
    a.what !== '' &&
    isOnlyAmount &&
    a.amount.kind === 'none' &&
    b.amount.kind !== 'none' &&
    a.jars === undefined
  ) {
    const { problem: _, ...rest } = b;
    return a.isAside === true ? undefined : { ...rest, text, what: a.what };
  }
  // Of "½ cup + 3 tbsp + 1 tsp sugar" two say of nothing what it is.
  const isOneThing = a.what === '' || b.what === '';
  if (!isOneThing || a.amount.kind !== 'unit' || b.amount.kind !== 'unit') {
    return undefined;
  }
  if (UNITS[a.amount.unit].kind !== UNITS[b.amount.unit].kind) {
    return undefined;
  }
  const value = a.amount.value + convert(b.amount.value, b.amount.unit, a.amount.unit);
  const { problem: _, ...rest } = a.what === '' ? b : a;
  return { ...rest, text: `${a.text} + ${b.text}`, amount: { ...a.amount, value } };
}
