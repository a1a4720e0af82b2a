import type { UnitName } from '../../quantity/units.js';
import { PER_VESSEL, fullnessIn, inBrackets, perLiterIn, timesOf } from './line-marks.js';
import {
  NUMBER_PATTERN,
  SCALED,
  UNIT_OF,
  UNIT_PATTERN,
  isVolume,
  litersOf,
  numberIn,
  parsedIn,
  plainNumber,
  unitOf,
} from './line-units.js';
import { plainText } from './plain-text.js';

/** How much a line says, or that it says nothing that can be used. */
export type Amount =
  | { readonly kind: 'unit'; readonly value: number; readonly unit: UnitName }
  | { readonly kind: 'parts'; readonly value: number; readonly by?: 'mass' | 'volume' }
  /** So much of a unit to each liter of liquid. */
  | { readonly kind: 'perLiter'; readonly value: number; readonly unit: UnitName }
  /** Liquid up to so much in all. */
  | { readonly kind: 'upTo'; readonly value: number; readonly unit: UnitName }
  | { readonly kind: 'toFieldCapacity' }
  | { readonly kind: 'none' };

export interface ReadLine {
  readonly text: string;
  readonly amount: Amount;
  /** What it is of, as written. */
  readonly what: string;
  /** Both ends, where it says "5 to 6": as shares of the amount. */
  readonly ends?: readonly [low: number, high: number];
  /** Stands beside the ingredients: a heading or a note. It is said, and keeps nothing from being judged. */
  readonly isAside?: true;
  /** A heading says that what follows is for so much liquid, l. */
  readonly liters?: number;
  /** Water that things are bathed, soaked or boiled in, and lifted out of. */
  readonly isBath?: true;
  /** So many jars, which may hold this dry or be full of it ready. */
  readonly jars?: { readonly count: number; readonly unit: UnitName };
  /** Why the line cannot be used, in words for the person. */
  readonly problem?: string;
  /** How it was read, where that is worth saying. */
  readonly note?: string;
}

/** Longer lines are prose, not ingredients. */
export const LONGEST_LINE = 200;

/** Reads one ingredient of a recipe, as people type it: "5 cups hardwood pellets", "½ C. bran", "1,4 L water", "20 g/l malt". */
export function readLine(line: string): ReadLine {
  const text = line.trim();
  if (text.length > LONGEST_LINE) {
    return unread(
      `${text.slice(0, 60)}…`,
      '',
      `A line may have ${LONGEST_LINE} letters; this one is longer.`,
    );
  }
  const { text: plain, notes } = plainText(text);
  return withNotes(
    asAside(text, plain) ??
      asFieldCapacity(text, plain) ??
      asUpTo(text, plain) ??
      asBath(text, plain) ??
      asJars(text, plain) ??
      asIngredient(text, plain),
    notes,
  );
}

const STEP =
  /^(?:mix|stir|add|let|boil|simmer|drain|soak|pour|load|sterilize|pasteurize|cook|fill|cool|tip|note|notes|makes|make|yields?|serves|see|use|do not|don['’]t|then|step|rinse|wash|bring|cover|shake|combine|knead|heat|pressure cook|wait|leave|adjust|check|squeeze|optional|hydrate|incubate|inoculate)\b|^https?:/;

/** "15 psi for 90 minutes" says no mass. */
const TIMES = /^\d[\d.]*\s*(?:psi|bar|kpa|°|degrees|min\b|mins\b|minutes?|h\b|hrs?|hours?|days?)/;
/** "# Dry part", "---". */
const MARKED_HEADING = /^#+\s|^[^\p{L}\p{N}]+$/u;
const VAGUE = /\(?\b(?:as needed|to taste|just enough|enough|a little|a bit(?: of)?|some)\b\)?/;

/** A heading or a note: what stands between ingredients. */
function asAside(text: string, plain: string): ReadLine | undefined {
  const liters = /^(?:for|per|to|in|each)\s+(.*?)(?:\s+of\s+(?:water|liquid|medium|agar|broth))?\s*:?$/.exec(
    plain,
  )?.[1];
  const volume = liters === undefined ? undefined : litersOf(liters);
  if (volume !== undefined) {
    return {
      ...aside(text, `Taken as ${plainNumber(volume)} l of liquid.`),
      liters: volume,
    };
  }
  if (plain.endsWith(':') || MARKED_HEADING.test(text)) {
    return aside(text, 'A heading: left out.');
  }
  const isStep = STEP.test(plain) || TIMES.test(plain);
  const isProse = /[.!]$/.test(plain) && !/\d/.test(plain) && plain.split(' ').length > 3;
  return isStep || isProse ? aside(text, 'A note: left out.') : undefined;
}

function asFieldCapacity(text: string, plain: string): ReadLine | undefined {
  const rest =
    /^(.*?)[,;]?\s*\(?\b(?:to|at|until(?: at)?|till|up to)\s+(?:about\s+)?field capacity\)?\.?$/.exec(
      plain,
    )?.[1];
  return rest === undefined
    ? undefined
    : { text, what: wordsOf(rest) || 'water', amount: { kind: 'toFieldCapacity' } };
}

const UP_TO = new RegExp(
  `^(?:(?:enough |add |plus )?(.*?)[,]?\\s+)?(?:up to|to make(?: up)?(?: to)?|made up to|make up to|topp?(?:ed)? up to|fill(?:ed)? (?:up )?to|bring(?: up)? to|q\\.?s\\.?(?: to)?|to)\\s+${NUMBER_PATTERN}\\s*${UNIT_PATTERN}(?:\\s+(?:total|in all))?(?:\\s+(?:with|of)\\s+(.*))?$`,
  'i',
);

/** "Water to 1 liter", "top up to 1 l with water". */
function asUpTo(text: string, plain: string): ReadLine | undefined {
  const [, before, number, unitWord, after] = UP_TO.exec(plain) ?? [];
  const unit = unitWord === undefined ? undefined : unitOf(unitWord);
  const value = number === undefined ? undefined : numberIn(number);
  if (unit === undefined || value === undefined || !isVolume(unit) || /\d/.test(before ?? '')) {
    return undefined;
  }
  return { text, what: wordsOf(after ?? before ?? '') || 'water', amount: { kind: 'upTo', value, unit } };
}

const BATH =
  /\b(?:(?:for|in) (?:the )?(?:bath|soak|soaking|boil|boiling|simmer|simmering|steeping|rinsing)|to (?:soak|boil|simmer|cover|steep|rinse)(?: in)?|soak(?:ing)? water|bath water|cooking water|(?:lime|bath|soak) water|lime bath|water bath)\b/;

/** Water that is poured off again. */
function asBath(text: string, plain: string): ReadLine | undefined {
  if (!BATH.test(plain) || !/\b(?:water|bath)\b/.test(plain)) {
    return undefined;
  }
  const read = asIngredient(text, plain.replace(BATH, ' water ').replace(/\bwater(?:\s+water)+\b/, 'water'));
  const { problem: _, ...rest } = read;
  return { ...rest, what: 'water', isBath: true };
}

const IN_JARS = new RegExp(
  `^${NUMBER_PATTERN}?\\s*(?:x\\s*)?(quarts?|qts?|half[- ]pints?|pints?|pts?|lit(?:er|re)s?|l)[ -](?:jars?|bottles?|bags?)\\s+(?:of\\s+|full of\\s+)?(.+)$`,
  'i',
);

/** "1 qt jar of rye": dry in it, or full of it? */
function asJars(text: string, plain: string): ReadLine | undefined {
  const [, number, unitWord, what] = IN_JARS.exec(plain) ?? [];
  const count = number === undefined ? 1 : numberIn(number);
  if (unitWord === undefined || what === undefined || count === undefined) {
    return undefined;
  }
  const isHalf = /^half/.test(unitWord);
  const unit = isHalf ? 'pint' : unitOf(unitWord);
  return unit === undefined
    ? undefined
    : {
        text,
        what: wordsOf(what),
        amount: { kind: 'none' },
        jars: { count: isHalf ? count / 2 : count, unit },
      };
}

const BY = /[,;]?\s*\(?by (volume|weight|mass)\)?$/;

function asIngredient(text: string, plain: string): ReadLine {
  if (/^-\s*[\d.,½¼¾⅓⅔⅛]/.test(plain)) {
    const what = plain.replace(/^-\s*[\d.,/½¼¾⅓⅔⅛ ]+/, '');
    return unread(text, what, 'An amount must be 0 or more; this one is below.');
  }
  const bracket = inBrackets(plain.replace(PER_VESSEL, ''));
  const { rest: withoutBracket, times: pieces } = timesOf(bracket.rest);
  const per = perLiterIn(withoutBracket);
  const { rest, times, note } = fullnessIn(per.rest);
  const by = BY.exec(rest)?.[1];
  const parsed = parsedIn(rest.replace(BY, ''));
  if (parsed === undefined || parsed.isGroupHeader) {
    return aside(text, 'A heading: left out.');
  }
  const what = wordsOf(parsed.description);
  if (bracket.grams !== undefined && what !== '') {
    const each = bracket.isEach ? (parsed.quantity ?? 1) : 1;
    return {
      text,
      what,
      amount: { kind: 'unit', value: bracket.grams * each, unit: 'g' },
      ...(parsed.unitOfMeasureID !== null && { note: 'The mass in brackets is taken.' }),
    };
  }
  const vague = VAGUE.exec(what)?.[0];
  if (parsed.quantity === null && vague !== undefined) {
    const rest = wordsOf(what.replace(VAGUE, ' '));
    return unread(
      text,
      rest,
      `“${vague.replace(/[()]/g, '')}” says no amount: give one, for example “200 g ${rest || 'bran'}”.`,
    );
  }
  if (parsed.quantity === null) {
    const bracketed = /^(.*?)\s*\(([^)]*\d[^)]*)\)$/.exec(plain);
    if (bracketed?.[2] !== undefined) {
      return asIngredient(text, `${bracketed[2]} ${bracketed[1]}`);
    }
    return unread(
      text,
      what,
      `No amount: say how much ${what || 'of it'}, for example “200 g ${what || 'bran'}”.`,
    );
  }
  const [low, high] = [parsed.quantity, parsed.quantity2 ?? parsed.quantity];
  const value = ((low + high) / 2) * times * pieces;
  const amount = amountOf(value, parsed.unitOfMeasureID, per.liters, by);
  const saids = [
    note,
    SCALED[parsed.unitOfMeasureID ?? '']?.[2],
    low === high ? undefined : `Read as ${low} to ${high}: reckoned with the middle, ${(low + high) / 2}.`,
  ].filter((said) => said !== undefined);
  const base: ReadLine = {
    text,
    amount,
    what,
    ...(low !== high &&
      value > 0 && { ends: [(low * times * pieces) / value, (high * times * pieces) / value] }),
    ...(saids.length > 0 && { note: saids.join(' ') }),
  };
  if (what === '') {
    return { ...base, problem: `“${text}” says how much, but not of what.` };
  }
  if (amount.kind !== 'none') {
    return base;
  }
  const loose = /^(?:handfuls?|bales?|bricks?|blocks?|bags?|scoops?|spoons?|jars?|bottles?)\b/.exec(
    parsed.description,
  )?.[0];
  const problem =
    parsed.unitOfMeasureID === null && loose === undefined
      ? `${String(value)} of what measure? Add a unit: g, ml, cups, tbsp.`
      : `“${loose ?? parsed.unitOfMeasure ?? parsed.unitOfMeasureID}” has no fixed size. Give grams or milliliters.`;
  return { ...base, problem };
}

function amountOf(value: number, unitId: string | null, liters: number | undefined, by?: string): Amount {
  if (unitId === 'part') {
    return { kind: 'parts', value, ...(by !== undefined && { by: by === 'volume' ? 'volume' : 'mass' }) };
  }
  const scaled = SCALED[unitId ?? ''];
  const unit = scaled?.[0] ?? UNIT_OF[unitId ?? ''];
  if (unit === undefined) {
    return { kind: 'none' };
  }
  const own = value * (scaled?.[1] ?? 1);
  return liters === undefined
    ? { kind: 'unit', value: own, unit }
    : { kind: 'perLiter', value: own / liters, unit };
}

function wordsOf(text: string): string {
  return text
    .replace(/^(?:of|jars?|bottles?)\s+(?:of\s+)?/i, '')
    .replace(/^[,.\s-]+|[,.\s]+$/g, '')
    .trim();
}

function unread(text: string, what: string, problem: string): ReadLine {
  return { text, amount: { kind: 'none' }, what: what.trim(), problem };
}

/** A line that is said and left out. */
export function aside(text: string, note: string): ReadLine {
  return { text, amount: { kind: 'none' }, what: '', isAside: true, note };
}

/** A line with more notes on how it was read, before its own. */
export function withNotes(line: ReadLine, notes: readonly string[]): ReadLine {
  const all = [...notes, ...(line.note === undefined ? [] : [line.note])];
  return all.length === 0 ? line : { ...line, note: all.join(' ') };
}
