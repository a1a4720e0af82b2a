import { plainText } from './plain-text.js';
import { LONGEST_LINE, type ReadLine } from './read-line.js';

/** "4:1", and "50/50" where both are tens. */
const RATIO = '(\\d0\\s*/\\s*\\d0|(?:\\d+(?:\\.\\d+)?\\s*:\\s*)+\\d+(?:\\.\\d+)?)';
const BEFORE = new RegExp(`^${RATIO}\\s+(?:(?:mix|ratio|blend)\\s+)?(?:of\\s+)?(.+)$`);
const AFTER = new RegExp(`^(.+?)[,;]?\\s+(?:at\\s+|in\\s+(?:a\\s+)?)?${RATIO}(?:\\s+(?:mix|ratio|blend))?$`);
const EQUAL = /^(?:equal parts\s+(?:of\s+)?(.+)|(.+?)[,;]?\s+in equal parts)$/;
const BY = /[,;]?\s*\(?by (volume|weight|mass)\)?\.?$/;

/** "1:1 coir and vermiculite by volume", "straw to bran 4:1", "equal parts coir, peat and vermiculite": a line for each. */
export function ratioIn(line: string): readonly ReadLine[] | undefined {
  const text = line.trim();
  if (text.length > LONGEST_LINE) {
    return undefined;
  }
  const plain = plainText(text).text;
  const by = BY.exec(plain)?.[1];
  const rest = plain.replace(BY, '');
  const [ratio, names] = ratioAndNames(rest);
  if (names === undefined) {
    return undefined;
  }
  const named = names.split(/\s*(?:,\s*and\b|,|:|\/|\+|&|\band\b|\bto\b)\s*/).filter((name) => name !== '');
  const values = ratio?.split(/[:/]/).map(Number) ?? named.map(() => 1);
  // "50:50 coir vermiculite": a word each.
  const words = named.length === 1 ? named[0]!.split(' ') : [];
  const whats = words.length === values.length ? words : named;
  if (values.length !== whats.length) {
    return [
      {
        text,
        what: '',
        amount: { kind: 'none' },
        problem: `${values.join(' : ')} speaks of ${values.length}, and ${whats.length} ${whats.length === 1 ? 'is' : 'are'} named: ${whats.join(', ')}.`,
      },
    ];
  }
  return whats.map((what, i) => ({
    text: whats.length === 1 ? text : `${values[i]!} part ${what}`,
    what,
    amount: {
      kind: 'parts',
      value: values[i]!,
      ...(by !== undefined && { by: by === 'volume' ? 'volume' : 'mass' }),
    },
  }));
}

function ratioAndNames(rest: string): [ratio: string | undefined, names: string | undefined] {
  const equal = EQUAL.exec(rest);
  if (equal !== null) {
    return [undefined, equal[1] ?? equal[2]];
  }
  const before = BEFORE.exec(rest);
  if (before !== null) {
    return [before[1], before[2]];
  }
  const after = AFTER.exec(rest);
  return [after?.[2], after?.[1]];
}
