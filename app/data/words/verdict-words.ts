import type { CookVerdict, Spoilage, VerdictReason } from '../../../core/index';
import { uncapital } from '../../../core/base/wording';
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
  'steamed as planned':
    'In steam at no pressure for as long as planned. Boiling kills molds, yeasts and what grows; the hardest spores outlive it.',
  'held too short': 'The hold was shorter than planned.',
  'hardly vented': 'Air stayed in: the same pressure was cooler. Watch these vessels.',
  'boiled dry': 'It boiled dry. The load waits for another cook.',
  stopped: 'It was stopped. The load waits for another cook.',
};

/** What a cook is worth, in words, with the reasons that decide it first, and what its load comes to by its heat. */
export interface RecordWords {
  readonly word: string;
  readonly tone: Tone;
  readonly why: string;
  readonly keeping?: { readonly words: string; readonly tone: Tone; readonly each: string };
}

/** A cook that does not count, or is still on, has no load to speak of; what was only steamed keeps by what it is, not by its heat. */
export function tellsOfLoad({ word }: CookVerdict): boolean {
  return word !== 'void' && word !== 'open' && word !== 'steamed';
}

/** From calm to grave. */
const TONES: readonly Tone[] = ['done', 'rye', 'beet'];

/**
 * The two lines of a record. Neither is calmer than the other: a clock that ran its time is no comfort where many likely
 * sour, and heat is none where a proof failed.
 *
 * @param spoilage left out while it is reckoned
 */
export function recordWords(verdict: CookVerdict, spoilage?: Spoilage): RecordWords {
  const told = verdict.reasons.filter((r) => !(verdict.word === 'proved' && r === 'held as planned'));
  const why = told.map((r) => REASONS[r]).join(' ');
  const own = verdictWord(verdict);
  if (spoilage === undefined || !tellsOfLoad(verdict)) {
    return { ...own, why };
  }
  const load = spoilWords(spoilage);
  const each = eachWords(spoilage);
  if (verdict.word === 'not-sterile' && load.tone === 'done') {
    const words = `By its heat alone: ${uncapital(load.words)}`;
    return { ...own, why, keeping: { words, tone: 'rye', each } };
  }
  const isGraver = TONES.indexOf(load.tone) > TONES.indexOf(own.tone);
  return { word: own.word, tone: isGraver ? load.tone : own.tone, why, keeping: { ...load, each } };
}
