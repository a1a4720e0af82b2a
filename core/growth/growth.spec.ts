import fc from 'fast-check';
import { expectedFraction, fitColonization, type ColonizationMark } from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

const curve =
  (midDay: number, ratePerDay: number) =>
  (day: number): ColonizationMark => ({ day, fraction: expectedFraction({ midDay, ratePerDay }, day) });

describe('the forecast of full colonization', () => {
  it('finds a curve from marks on it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 6, max: 20, noNaN: true }),
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        (mid, rate) => {
          const marks = [0.1, 0.3, 0.5, 0.7, 0.9].map((f) =>
            curve(mid, rate)(mid + Math.log(f / (1 - f)) / rate),
          );
          const fit = fitColonization(
            marks.map((m) => ({ ...m, day: Math.max(0, m.day) })),
            { priorWeight: 1e-9 },
          );
          fc.pre(marks.every((m) => m.day >= 0));
          expect(fit.converged).toBeTrue();
          expect(fit.midDay).toBeCloseTo(mid, 3);
          expect(fit.ratePerDay).toBeCloseTo(rate, 3);
        },
      ),
    );
  });

  it('is the species’ usual range before any mark', () => {
    const prior = { fullDay: 20, low: 15, high: 26 };
    const fit = fitColonization([], { prior });
    expect(fit.fullDay).toBeCloseTo(20, 6);
    expect(fit.high - fit.low).toBeCloseTo(11, 0);
  });

  it('narrows with marks and leans to them', () => {
    const prior = { fullDay: 20, low: 15, high: 26 };
    const early = [4, 6, 8, 10].map(curve(9, 0.5));
    const none = fitColonization([], { prior });
    const some = fitColonization(early, { prior });
    expect(some.high - some.low).toBeLessThan(none.high - none.low);
    expect(some.fullDay).toBeLessThan(none.fullDay);
  });

  it('covers the truth about 8 times in 10 when marks are off by ±7 points', () => {
    // Repeatable noise: 200 curves, six marks each, normal by Box–Muller from a fixed generator.
    let seed = 99;
    const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    let covered = 0;
    for (let run = 0; run < 200; run++) {
      const truth = curve(9, 0.45);
      const marks = [5, 7, 9, 11, 13, 15].map((day) => ({
        day,
        fraction: Math.min(1, Math.max(0, truth(day).fraction + 0.07 * normal())),
      }));
      const fit = fitColonization(marks, { priorWeight: 1e-6 });
      const full = 9 + Math.log(19) / 0.45;
      covered += fit.low <= full && full <= fit.high ? 1 : 0;
    }
    expect(covered / 200).toBeGreaterThan(0.7);
    expect(covered / 200).toBeLessThan(0.92);
  });

  it('does not depend on the order of the marks', () => {
    const marks = [4, 7, 9, 12].map(curve(9, 0.4));
    expect(fitColonization([...marks].reverse()).fullDay).toBeCloseTo(fitColonization(marks).fullDay, 9);
  });

  it('calls it a stall when nothing was gained in four days, well short of full', () => {
    const stalled = [
      { day: 6, fraction: 0.3 },
      { day: 12, fraction: 0.53 },
      { day: 17, fraction: 0.54 },
    ];
    expect(fitColonization(stalled).stalled).toBeTrue();
    expect(fitColonization(stalled.slice(0, 2)).stalled).toBeFalse();
    const stuckAt = (fraction: number) =>
      fitColonization([
        { day: 10, fraction },
        { day: 14, fraction },
      ]).stalled;
    // Nothing to be seen yet is no stall, a speck is; at nine tenths the rest is hard to see.
    expect([0, 0.01, 0.5, 0.89, 0.9].map(stuckAt)).toEqual([false, true, true, true, false]);
    // Four days, not less; and two points are a gain.
    const over = (days: number, gain: number) =>
      fitColonization([
        { day: 10, fraction: 0.4 },
        { day: 10 + days, fraction: 0.4 + gain },
      ]).stalled;
    expect([over(3.9, 0), over(4, 0), over(4, 0.019), over(4, 0.021)]).toEqual([false, true, true, false]);
    expect(
      fitColonization([
        { day: 10, fraction: 0.95 },
        { day: 15, fraction: 0.95 },
      ]).stalled,
    ).toBeFalse();
  });

  it('refuses fractions above one, negative days and an upside-down prior', () => {
    expect(() => fitColonization([{ day: 3, fraction: 1.2 }])).toThrowMatching(
      outOfRange('colonization', { max: 1, value: 1.2 }),
    );
    expect(() => fitColonization([{ day: -1, fraction: 0.2 }])).toThrowMatching(outOfRange('day'));
    expect(() => fitColonization([], { prior: { fullDay: 10, low: 12, high: 8 } })).toThrowMatching(
      refused('bad-prior'),
    );
  });
});
