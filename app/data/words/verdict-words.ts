import type { CookVerdict, Spoilage, VerdictReason } from '../../../core/index';
import type { Tone } from './heat-words';
import { eachWords, spoilWords } from './spoil-words';
import { verdictWord } from './verdict-word';

const REASONS: Readonly<Record<VerdictReason, string>> = {
  'spores died': 'The spores of the indicator died and its control turned.',
  'spores lived': 'The spores of an indicator lived.',
  'control failed': 'An indicator says nothing: its control did not turn, or there was none.',
  'probe reached it': 'A probe in the middle logged the target.',
  'probe fell short': 'A probe in the middle logged less than the target.',
  'thermometer too low': 'The maximum thermometer stayed well below the chamber.',
  'middle never hot enough':
    'The maximum thermometer shows that the middle never was hot enough for long enough.',
  'proofs contradict':
    'The proofs contradict each other: doubt one of them, strike it in the history if it is wrong, and prove again.',
  'strip only': 'A strip that changed shows exposure, not heat in the middle.',
  'held as planned': 'Vented and held as planned. A clock is no proof of the middle.',
  'held too short': 'The hold was shorter than planned.',
  'hardly vented': 'Air stayed in: the same pressure was cooler. Watch these vessels.',
  'boiled dry': 'It boiled dry. The load waits for another cook.',
  stopped: 'It was stopped. The load waits for another cook.',
};

/** What a cook's record is worth, in words, with the reasons that decide it first. */
export function verdictWords(verdict: CookVerdict): {
  readonly word: string;
  readonly tone: Tone;
  readonly why: string;
} {
  const told = verdict.reasons.filter((r) => !(verdict.word === 'proved' && r === 'held as planned'));
  return { ...verdictWord(verdict), why: told.map((r) => REASONS[r]).join(' ') };
}

/** What its load comes to by its heat: never calmer than its verdict. */
export function keepingWords(
  { word }: CookVerdict,
  spoilage: Spoilage,
): { readonly words: string; readonly tone: Tone; readonly each: string } {
  const { words, tone } = spoilWords(spoilage);
  return word === 'not-sterile' && tone === 'done'
    ? {
        words: `By its heat alone: ${words.charAt(0).toLowerCase()}${words.slice(1)}`,
        tone: 'rye',
        each: eachWords(spoilage),
      }
    : { words, tone, each: eachWords(spoilage) };
}
