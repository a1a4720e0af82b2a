import type { Spoilage } from '../../../core/index';
import { eachWords, oneInWords, spoilWords } from './spoil-words';

const of = (count: number, low: number, middle: number, high: number, perVessel = 0.02): Spoilage => ({
  count,
  low,
  middle,
  high,
  perVessel,
  draws: 200,
});

describe('what a load likely comes to, in words', () => {
  it('says how many keep or sour, and is as grave as they are many', () => {
    const said = (...numbers: [number, number, number, number]) => {
      const { words, tone } = spoilWords(of(...numbers));
      return `${words} (${tone})`;
    };
    expect(said(8, 0, 0, 0)).toBe('Likely all 8 keep (done)');
    expect(said(8, 0, 0, 1)).toBe('Likely all 8 keep; at most 1 sours (done)');
    expect(said(8, 0, 0, 2)).toBe('Likely all 8 keep; at most 2 sour (rye)');
    expect(said(8, 0, 0, 7)).toBe('All 8 may keep, or up to 7 sour (rye)');
    expect(said(8, 0, 2, 6)).toBe('Likely 0 to 6 of 8 sour (rye)');
    expect(said(8, 0, 2, 8)).toBe('All 8 may keep, or all sour (rye)');
    expect(said(8, 1, 5, 8)).toBe('Likely 1 to 8 of 8 sour (beet)');
    expect(said(8, 8, 8, 8)).toBe('Likely all 8 sour (beet)');
    expect(said(1, 0, 0, 0)).toBe('It likely keeps (done)');
    expect(said(1, 0, 0, 1)).toBe('It may keep or sour (rye)');
    expect(said(1, 1, 1, 1)).toBe('It likely sours (beet)');
  });

  it('rounds a chance to what one would say', () => {
    expect(
      [0.00005, 0.0012, 0.021, 0.09, 0.24, 0.5, 0.8, 0.99].map((p) => oneInWords(p).replace(/\s/g, ' ')),
    ).toEqual([
      'fewer than 1 in 1 000',
      'about 1 in 1 000',
      'about 1 in 50',
      'about 1 in 10',
      'about 1 in 4',
      'about half',
      'most',
      'almost every one',
    ]);
    expect(eachWords(of(8, 0, 0, 0, 0.021))).toBe(
      'About 1 in 50 of such vessels sours by the cook, as far as is known.',
    );
    expect(eachWords(of(8, 1, 5, 8, 0.55))).toMatch(/^About half of such vessels sour by/);
  });
});
