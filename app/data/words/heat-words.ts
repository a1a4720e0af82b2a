import type { HeatBand, Likely } from '../../../core/index';
import { LONGEST_HOLD_MIN } from '../../../core/heat/hold-reaching';
import { formatNumber } from '../../../core/quantity/format';

type Tone = 'done' | 'rye' | 'beet';

/** "16 to 40", never finer than the band; below one, tenths. */
export function likelyWords({ low, high }: Likely): string {
  return `${f0Words(low)} to ${f0Words(high)}`;
}

export function f0Words(f0: number): string {
  return f0 < 0.1 ? 'almost 0' : formatNumber(f0, f0 < 2 ? 1 : 0);
}

/** Where a band lies to its target, in words and tone. */
export function courseWords(f0: Likely, target: number): { readonly words: string; readonly tone: Tone } {
  if (f0.low >= target) {
    return { words: 'On course', tone: 'done' };
  }
  if (f0.middle >= target) {
    return { words: 'Probably enough; a slow jar may fall short', tone: 'rye' };
  }
  return f0.high >= target
    ? { words: 'By physics alone, perhaps short', tone: 'rye' }
    : { words: 'Too short', tone: 'beet' };
}

/** A chance as one would say it, in steps of one in ten. */
export function chanceWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  return tenths <= 0 ? 'less than 1 in 10' : tenths >= 10 ? 'more than 9 in 10' : `about ${tenths} in 10`;
}

/** What a band rests on. */
export function restsOn(measured: number, band: Pick<HeatBand, 'isDoubted'>): string {
  return measured === 0
    ? 'Rests on physics with figures from books; nothing was measured in these vessels yet. Practice finds the trade’s hold mostly enough.'
    : `Rests on ${measured} ${measured === 1 ? 'measurement' : 'measurements'} in vessels like these${band.isDoubted ? ', which contradict each other: doubt one of them' : ''}.`;
}

/** A hold that was searched for; undefined where the search ended before it was enough. */
export function holdWords(minutes: number | undefined): string {
  return minutes === undefined ? `more than ${LONGEST_HOLD_MIN / 60} h` : `${formatNumber(minutes)} min`;
}
