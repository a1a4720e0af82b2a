import type { CookVerdict } from '../../../core/index';

/** What a cook's record is worth, in words. A clock never proves that the middle was hot. */
export const VERDICTS: Readonly<
  Record<CookVerdict, { readonly word: string; readonly why: string; readonly tone: 'done' | 'rye' | 'beet' }>
> = {
  'by-time': {
    word: 'Done by time',
    why: 'Vented and held as planned. A clock is no proof of the middle.',
    tone: 'done',
  },
  short: { word: 'Probably short', why: 'The hold was shorter than planned.', tone: 'rye' },
  'no-vent': {
    word: 'Hardly vented',
    why: 'Air stayed in: the same pressure was cooler. Watch these vessels.',
    tone: 'beet',
  },
  void: {
    word: 'Does not count',
    why: 'It was stopped or boiled dry. The load waits for another cook.',
    tone: 'beet',
  },
  open: { word: 'Still on', why: '', tone: 'done' },
};
