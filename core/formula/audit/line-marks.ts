import { convert } from '../../quantity/convert.js';
import { NUMBER_PATTERN, UNIT_PATTERN, litersOf, unitOf } from './line-units.js';

/** How full a spoon or cup is said to be. Common practice, no source. */
const FULLNESS: Readonly<Record<string, readonly [times: number, note: string]>> = {
  heaped: [1.5, 'Heaped is taken as one and a half level ones.'],
  heaping: [1.5, 'Heaped is taken as one and a half level ones.'],
  rounded: [1.25, 'Rounded is taken as one and a quarter level ones.'],
  scant: [0.9, 'Scant is taken as nine tenths.'],
  packed: [1, 'Packed is heavier than scooped: weigh it where it matters.'],
};

/** A mass in brackets, which is surer than what stands before it: "1 tbsp (15 g) honey", "3 bricks (650 g each)". */
export function inBrackets(plain: string): { rest: string; grams?: number; isEach?: boolean } {
  const found =
    /\(\s*(?:about|approx\.?|ca\.?|~|≈|=)?\s*(\d[\d.]*)\s*(g|gr|grams?|kg|oz|ounces?|lbs?|pounds?)\b\s*(each)?[^)]*\)/i.exec(
      plain,
    );
  const unit = found?.[2] === undefined ? undefined : unitOf(found[2]);
  if (found === null || unit === undefined) {
    return { rest: plain };
  }
  return {
    rest: `${plain.slice(0, found.index)} ${plain.slice(found.index + found[0].length)}`
      .replace(/\s+/g, ' ')
      .trim(),
    grams: convert(Number(found[1]), unit, 'g'),
    isEach: found[3] !== undefined,
  };
}

/** "2 × 650 g coir" is so many of the same. */
export function timesOf(plain: string): { rest: string; times: number } {
  const found = /^(\d{1,3})\s*[x×]\s*(?=\d)(.*)$/i.exec(plain);
  return found?.[2] === undefined ? { rest: plain, times: 1 } : { rest: found[2], times: Number(found[1]) };
}

/** "Per jar": what is told is for one. */
export const PER_VESSEL =
  /\s+(?:per|for each|in each|for every)\s+(?:quart |pint )?(?:jar|bag|block|plate|dish|bottle|batch|tub)\b/;

const PER = new RegExp(
  `(?:(?<=[a-z.])\\s*\\/\\s*|\\s+per\\s+|\\s+(?:to|for|in)\\s+(?:each|every)\\s+)(${NUMBER_PATTERN}?\\s*${UNIT_PATTERN})\\b(?:\\s+(?:of\\s+)?(?:water|liquid))?`,
  'i',
);

/** "20 g/l", "1 tbsp per quart": to how many liters. */
export function perLiterIn(plain: string): { rest: string; liters?: number } {
  const found = PER.exec(plain);
  const liters = found?.[1] === undefined ? undefined : litersOf(found[1]);
  return found === null || liters === undefined || liters <= 0
    ? { rest: plain }
    : {
        rest: `${plain.slice(0, found.index)} ${plain.slice(found.index + found[0].length)}`
          .replace(/\s+(?:of\s+)?/, ' ')
          .trim(),
        liters,
      };
}

/** How full spoons are: "2 heaped tbsp". */
export function fullnessIn(plain: string): { rest: string; times: number; note?: string } {
  const found =
    /^([\d./½¼¾⅓⅔⅛ -]+)(heaped|heaping|rounded|scant|packed|level|large|big|small|good|generous|full)\s+/.exec(
      plain,
    );
  if (found?.[2] === undefined) {
    return { rest: plain, times: 1 };
  }
  const [times, note] = FULLNESS[found[2]] ?? [1, undefined];
  return { rest: `${found[1]}${plain.slice(found[0].length)}`, times, ...(note !== undefined && { note }) };
}
