import type { CookVerdict, VerdictReason, VerdictWord } from '../../../core/index';
import type { Tone } from './heat-words';

interface Said {
  readonly word: string;
  readonly tone: Tone;
}

const WORDS: Readonly<Record<VerdictWord, Said>> = {
  proved: { word: 'Proved', tone: 'done' },
  'by-time': { word: 'Done by time', tone: 'done' },
  steamed: { word: 'Steamed, not sterilized', tone: 'done' },
  'not-sterile': { word: 'Not sterile', tone: 'beet' },
  void: { word: 'Does not count', tone: 'beet' },
  open: { word: 'Still on', tone: 'done' },
};

/** What a clock finds wanting; how much it harms is told by the heat. */
const BY_CLOCK: ReadonlySet<VerdictReason> = new Set(['held too short', 'hardly vented']);
const NOT_AS_PLANNED: Said = { word: 'Not as planned', tone: 'rye' };

/** What a cook's record is worth, in a word or two. */
export function verdictWord({ word, reasons }: CookVerdict): Said {
  return word === 'not-sterile' && BY_CLOCK.has(reasons[0]!) ? NOT_AS_PLANNED : WORDS[word];
}
