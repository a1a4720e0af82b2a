import type { F0Band, Likely, Observation, Practice } from '../../../core/index';
import { LONGEST_HOLD_MIN } from '../../../core/heat/hold-reaching';
import { formatNumber } from '../../../core/quantity/format';

export type Tone = 'done' | 'rye' | 'beet';

/** "16 to 40", never finer than the band; below one, tenths. */
export function likelyWords({ low, high }: Likely): string {
  return `${f0Words(low)} to ${f0Words(high)}`;
}

export function f0Words(f0: number): string {
  return f0 < 0.1 ? 'almost 0' : formatNumber(f0, f0 < 2 ? 1 : 0);
}

/** A chance as one would say it, in steps of one in ten. */
export function chanceWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  return tenths <= 0 ? 'less than 1 in 10' : tenths >= 10 ? 'more than 9 in 10' : `about ${tenths} in 10`;
}

/** "F0 likely 4 to 40 at the coldest point; for overkill, F0 12, about 6 in 10". */
export function f0BandWords({ coreF0, chance }: F0Band, target: number): string {
  return `F0 likely ${likelyWords(coreF0)} at the coldest point. Overkill, F0 ${formatNumber(target)}: ${chanceWords(chance)}.`;
}

/** What a forecast rests on: physics, and what was weighed beside it. */
export function restsOn(weighed: readonly Observation[], band: Pick<F0Band, 'isDoubted'>): string {
  const practice = weighed.flatMap((o) => (o.kind === 'practice' ? [o.practice] : []));
  const own = weighed.flatMap((o) => (o.kind === 'jars' ? [o] : []));
  const measured = weighed.length - practice.length - own.length;
  const kept = own.reduce((sum, o) => sum + o.kept, 0);
  const all = kept + own.reduce((sum, o) => sum + o.soured, 0);
  const said = [
    'physics with figures from books',
    ...practice.map(
      ({ of, low, high, weight = 1 }) =>
        `what the trade finds${weight < 1 ? `, counted ${formatNumber(weight * 100)} %` : ''}: of 100 ${PRACTICE_WORDS[of]} at 15 psi at the sea, ${formatNumber(low * 100)} to ${formatNumber(high * 100)} are lost to the cook`,
    ),
    ...(own.length === 0
      ? []
      : [
          `${own.length} earlier ${own.length === 1 ? 'cook' : 'cooks'} of yours, where ${kept} of ${all} kept`,
        ]),
    ...(measured === 0
      ? []
      : [
          `${measured} ${measured === 1 ? 'measurement' : 'measurements'} in vessels like these${band.isDoubted ? ', which contradict each other: doubt one of them' : ''}`,
        ]),
  ];
  const rests = `Rests on ${said.join('; ')}.`;
  return measured === 0 ? `${rests} Nothing was measured in these vessels yet.` : rests;
}

const PRACTICE_WORDS: Readonly<Record<Practice['of'], string>> = {
  quarts: 'quarts held 90 min',
  blocks: 'blocks held 150 min',
};

/** A hold that was searched for; undefined where the search ended before it was enough. */
export function holdWords(minutes: number | undefined): string {
  return minutes === undefined ? `more than ${LONGEST_HOLD_MIN / 60} h` : `${formatNumber(minutes)} min`;
}
