import { seededRandom } from '../index.js';
import { narrowed, ownRunOf } from './own-runs.js';
import { normalDraw } from '../base/normal-draw.js';

const PRIOR = { fullDay: 17, low: 12, high: 24 };
const SIGMA = Math.log(PRIOR.high / PRIOR.low) / 2.5632;
const surely = (day: number) => ({ lnFull: Math.log(day), variance: 0.1 ** 2 / 8 });

describe('runs of one’s own', () => {
  it('were full between the last look below and the first at 95 %', () => {
    const run = ownRunOf([
      [
        { day: 8, fraction: 0.6 },
        { day: 12, fraction: 0.9 },
        { day: 14, fraction: 0.96 },
        { day: 20, fraction: 1 },
      ],
      [{ day: 20, fraction: 1 }],
    ])!;
    expect(Math.exp(run.lnFull)).toBeCloseTo(Math.sqrt(12 * 14), 9);
    expect(run.variance).toBeCloseTo(Math.log(14 / 12) ** 2 / 12 + 0.01, 9);
  });

  it('say nothing where none was seen shortly before it was full', () => {
    expect(ownRunOf([])).toBeUndefined();
    expect(ownRunOf([[{ day: 20, fraction: 1 }], [{ day: 9, fraction: 0.7 }]])).toBeUndefined();
    const late = [
      { day: 8, fraction: 0.6 },
      { day: 20, fraction: 1 },
    ];
    expect(ownRunOf([late])).toBeUndefined();
  });

  it('leave the species’ range without any, lean to one, rest on eight', () => {
    expect(narrowed(PRIOR, [])).toBe(PRIOR);
    const [one, eight] = [narrowed(PRIOR, [surely(13)]), narrowed(PRIOR, Array(8).fill(surely(13)))];
    expect(one.fullDay).toBeLessThan(17);
    expect(one.fullDay).toBeGreaterThan(14);
    expect(eight.fullDay).toBeCloseTo(13, 0);
    const width = ({ low, high }: typeof PRIOR) => Math.log(high / low);
    expect(width(eight)).toBeLessThan(width(one));
    expect(width(one)).toBeLessThan(width(PRIOR));
  });

  /** How often the next run of a house lies in the stated 8 in 10, after so many runs. */
  function held(runs: number, betweenHouses: number, betweenRuns: number, houses: number): number {
    const random = seededRandom(5);
    let within = 0;
    for (let house = 0; house < houses; house++) {
      const usual = Math.log(PRIOR.fullDay) + betweenHouses * normalDraw(random);
      const vessel = () => usual + betweenRuns * normalDraw(random);
      const known = Array.from({ length: runs }, () => {
        const variance = 0.1 ** 2 / 8;
        return { lnFull: vessel() + Math.sqrt(variance) * normalDraw(random), variance };
      });
      const { low, high } = narrowed(PRIOR, known);
      const next = Math.exp(vessel() + 0.1 * normalDraw(random));
      within += next >= low && next <= high ? 1 : 0;
    }
    return within / houses;
  }

  it('hold a stated 8 in 10 where houses and runs differ as supposed, and nearly so where they do not', () => {
    const half = Math.sqrt((SIGMA ** 2 - 0.1 ** 2) / 2);
    for (const runs of [0, 1, 3, 8]) {
      expect(held(runs, half, half, 3000))
        .withContext(`${runs} runs`)
        .toBeGreaterThan(0.77);
      expect(held(runs, half, half, 3000))
        .withContext(`${runs} runs`)
        .toBeLessThan(0.84);
    }
    // Laws that are not ours: houses differ much and their runs little, and the other way round.
    for (const [houses, own] of [
      [1.3 * half, 0.5 * half],
      [0.5 * half, 1.3 * half],
    ] as const) {
      for (const runs of [3, 8]) {
        expect(held(runs, houses, own, 3000)).toBeGreaterThan(0.7);
        expect(held(runs, houses, own, 3000)).toBeLessThan(0.93);
      }
    }
  });
});
