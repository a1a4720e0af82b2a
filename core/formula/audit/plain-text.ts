import { plainThousands } from '../../quantity/thousands.js';

/** Small whole numbers, as words. */
const NUMBER_WORDS: Readonly<Record<string, string>> = {
  a: '1',
  an: '1',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  eleven: '11',
  twelve: '12',
  twenty: '20',
  'a dozen': '12',
  'a couple of': '2',
  'a couple': '2',
  half: '1/2',
  'half a': '1/2',
  'half an': '1/2',
  'half of a': '1/2',
  'a half': '1/2',
  'one half': '1/2',
  'a third': '1/3',
  'a third of a': '1/3',
  'one third': '1/3',
  'two thirds': '2/3',
  'two thirds of a': '2/3',
  'a quarter': '1/4',
  'a quarter of a': '1/4',
  'quarter of a': '1/4',
  'one quarter': '1/4',
  'three quarters': '3/4',
  'three quarters of a': '3/4',
};
/** What may stand behind a number that is a word: a unit, or a vessel that is counted. */
export const MEASURE =
  '(?:cups?|c|tbsps?|tablespoons?|tbs?|tblsp|tsps?|teaspoons?|quarts?|qts?|pints?|pts?|gallons?|gal|lit(?:er|re)s?|ml|millilit(?:er|re)s?|ounces?|oz|pounds?|lbs?|grams?|g|kilos?|kilograms?|kg|parts?|pinch(?:es)?|dash(?:es)?|fluid ounces?|handfuls?|scoops?|spoons?|jars?|bags?|bottles?|bricks?|blocks?|bales?|cans?|sticks?)';
const ADJECTIVE = '(?:heaped|heaping|rounded|level|scant|generous|big|large|small|good|full|packed)';
const LONGEST_FIRST = Object.keys(NUMBER_WORDS).sort((a, b) => b.length - a.length);
const WORDED_PATTERN = `(?<![\\w/])(?:${LONGEST_FIRST.map((w) => w.replaceAll(' ', '[ -]')).join('|')})(?=[ -]+(?:${ADJECTIVE}\\s+)*${MEASURE}(?![\\w/]))`;
const WORDED = new RegExp(WORDED_PATTERN, 'gi');
/** What an amount begins with, in figures or in words. */
export const AMOUNT_BEGINS = `(?:(?:about|approx\\.?|roughly)\\s+)?(?:[\\d½¼¾⅓⅔⅛]|${WORDED_PATTERN})`;
/** "one and a half cups", "two and a quarter cups", "a cup and a half of". */
const AND_A_HALF = new RegExp(`(?<![\\w/])(\\w+) and a (half|quarter|third)(?=\\s+${MEASURE}\\b)`, 'gi');
const FRACTION_WORDS: Readonly<Record<string, string>> = { half: '1/2', quarter: '1/4', third: '1/3' };
const MEASURE_AND_A_HALF = new RegExp(`(?<![\\w/])(\\w+)\\s+(${MEASURE}) and a half\\b`, 'gi');

/** Numbers, marks and words of a recipe made plain, with what was taken where it could be read otherwise. */
export interface PlainText {
  readonly text: string;
  readonly notes: readonly string[];
}

/**
 * Bullets, words like "about", thin spaces, numbers in words, decimal commas and grouped thousands, made plain: what is
 * left reads like "1.5 cup bran".
 */
export function plainText(line: string): PlainText {
  const closed = line
    .replace(/[\u2009\u202f\u00a0]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^(?:[•*·–—▪◦☐✓]|\[ ?\]|\d{1,2}[.)](?=\s+[\d½¼¾⅓⅔⅛]))\s*|^-\s+(?=[\d½¼¾⅓⅔⅛A-Za-z])/, '')
    .replace(/(^|[,;] )(?:about|approx\.?|approximately|ca\.?|circa|roughly|around|~|≈)\s*(?=\S)/gi, '$1')
    .replace(/(?<=\d)[’'](?=\d{3}(\D|$))/g, '')
    .replace(/(?<=\d) (?=\d{3}(?!\d|\/))/g, '');
  const { text: numbered, notes } = plainThousands(closed);
  const text = numbered
    .replace(/(\d),(\d+)/g, '$1.$2')
    .replace(/(?<=\d)\s*#(?=\s|$)/g, ' lb')
    .replace(/(?<=\d)\s*%/g, ' percent')
    .replace(/(\d) (?:and|&) (?=\d\/\d)/g, '$1 ')
    .replace(/(\d)-?ish\b/gi, '$1')
    .replace(/\bfl\.?\s*oz\.?(?=\s|$)/gi, 'fl oz')
    .replace(/^(?:(?:a|one)|up to) (?=\d)/i, '')
    .replace(/^(?:for|per|in|to) (?:each|every|one|a|the)? ?[a-z ]{2,20}: (?=\S)/i, '')
    .replace(AND_A_HALF, (all, word: string, part: string) => {
      const number = NUMBER_WORDS[word.toLowerCase()] ?? word;
      return /^\d+$/.test(number) ? `${number} ${FRACTION_WORDS[part.toLowerCase()]}` : all;
    })
    .replace(MEASURE_AND_A_HALF, (all, word: string, unit: string) => {
      const number = NUMBER_WORDS[word.toLowerCase()] ?? word;
      return /^\d+$/.test(number) ? `${number}.5 ${unit}` : all;
    })
    .replace(WORDED, (word: string) => NUMBER_WORDS[word.toLowerCase().replaceAll('-', ' ')] ?? word)
    // One capital letter is a unit of its own: T is a tablespoon, t a teaspoon.
    .replace(/[A-Za-z]{2,}/g, (word) => word.toLowerCase());
  return { text, notes };
}
