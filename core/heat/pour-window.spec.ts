import fc from 'fast-check';
import { pourWindow } from '../index.js';
import { excessAfter } from './cooling.js';
import { outOfRange, refused } from '../testing/refused.js';

describe('the pour', () => {
  const at = (rate: number, minutes: number) => ({ minutes, celsius: 20 + excessAfter(65, minutes, rate) });

  it('opens at 50 and closes at 45 °C, where the law says', () => {
    fc.assert(
      fc.property(fc.double({ min: 5e-4, max: 3e-3, noNaN: true }), (rate) => {
        const readings = [0, 8, 16].map((m) => at(rate, m));
        fc.pre(readings[2]!.celsius > 52);
        const window = pourWindow(readings, 20);
        const true50 = (30 ** -0.25 - 65 ** -0.25) / (0.25 * rate) - 16;
        expect(window.opens.middle).toBeCloseTo(true50, 4);
        expect(window.opens.low).toBeLessThanOrEqual(true50);
        expect(window.opens.high).toBeGreaterThanOrEqual(true50);
        expect(window.lasts).toBeGreaterThan(0);
      }),
    );
  });

  it('is surer the further apart the readings lie', () => {
    const rate = 4e-3;
    const width = (until: number) => {
      const { opens } = pourWindow([at(rate, 0), at(rate, until)], 20);
      return opens.high - opens.low;
    };
    expect(width(20)).toBeLessThan(width(5) / 2);
    expect(pourWindow([at(rate, 0), at(rate, 5)], 20).sure).toBeFalse();
    expect(pourWindow([at(rate, 0), at(rate, 25)], 20).sure).toBeTrue();
  });

  it('has no upper end while the readings may hide the fall, and refuses those that rise', () => {
    expect(pourWindow([at(1e-4, 0), at(1e-4, 2)], 20).opens.high).toBe(Infinity);
    const rising = [
      { minutes: 0, celsius: 60 },
      { minutes: 5, celsius: 62 },
    ];
    expect(() => pourWindow(rising, 20)).toThrowMatching(refused('not-falling'));
    expect(() => pourWindow(rising.slice(1), 20)).toThrowMatching(refused('too-few', { of: 'readings' }));
    // A room that is nearly as warm as the agar should be lets it cool for ever.
    expect(() => pourWindow([at(1e-3, 0), at(1e-3, 9)], 43.1)).toThrowMatching(
      outOfRange('room', { max: 43 }),
    );
  });
});
