import * as fc from 'fast-check';
import { WarmClock, cardinalOf, growthRateAt } from '../index.js';
import { refused } from '../testing/refused.js';

describe('growth by temperature', () => {
  const species = cardinalOf({ value: 24, high: 26 });

  it('is quickest at the best, stands at the ends and beyond, and has no corner at the best', () => {
    const { least, best, most } = species;
    expect(growthRateAt(best, species)).toBeCloseTo(1, 12);
    for (const celsius of [least, most, least - 5, most + 5]) {
      expect(growthRateAt(celsius, species)).toBe(0);
    }
    const slope = (growthRateAt(best + 1e-4, species) - growthRateAt(best - 1e-4, species)) / 2e-4;
    expect(slope).toBeCloseTo(0, 6);
  });

  it('agrees with the model as its authors write it, for any species, and lies between 0 and 1', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 12, max: 30, noNaN: true }),
        fc.double({ min: 2, max: 10, noNaN: true }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (least, rise, fall, share) => {
          const [best, most] = [least + rise, least + rise + fall];
          const celsius = least + share * (most - least);
          const cubic =
            ((celsius - least) ** 2 * (celsius - most)) /
            ((best - least) ** 2 * (celsius - best) -
              (best - least) * (best - most) * (best + least - 2 * celsius));
          expect(growthRateAt(celsius, { least, best, most })).toBeCloseTo(cubic, 9);
          expect(cubic).toBeGreaterThan(0);
          expect(cubic).toBeLessThanOrEqual(1 + 1e-9);
        },
      ),
    );
  });

  it('is about a third slower in a cool room than in a warm one, and all but stands in a fridge', () => {
    const usual = growthRateAt(24, species);
    expect(growthRateAt(18, species) / usual).toBeGreaterThan(0.5);
    expect(growthRateAt(18, species) / usual).toBeLessThan(0.75);
    expect(growthRateAt(4, species) / usual).toBeLessThan(0.02);
    expect(growthRateAt(33, species) / usual).toBeLessThan(0.5);
  });

  it('refuses three temperatures that make no curve', () => {
    expect(() => growthRateAt(20, { least: 5, best: 5, most: 30 })).toThrowMatching(refused('bad-prior'));
    expect(() => growthRateAt(20, { least: 5, best: 12, most: 40 })).toThrowMatching(refused('bad-prior'));
  });
});

describe('a clock by warmth', () => {
  it('counts by hand: five usual days, ten at half, then cold', () => {
    const clock = new WarmClock([
      { day: 0, rate: 1 },
      { day: 5, rate: 0.5 },
      { day: 15, rate: 0 },
    ]);
    expect([0, 3, 5, 9, 15].map((day) => clock.grownBy(day))).toEqual([0, 3, 5, 7, 10]);
    expect(clock.grownBy(25)).toBeCloseTo(10.1, 9);
    expect([3, 7, 10].map((grown) => clock.dayOf(grown))).toEqual([3, 9, 15]);
    expect(clock.dayOf(11)).withContext('hardly ever').toBeCloseTo(115, 9);
  });

  it('runs forward and back to the same day, whatever happened', () => {
    const rates = fc.array(
      fc.record({ step: fc.integer({ min: 1, max: 9 }), rate: fc.double({ min: 0, max: 2, noNaN: true }) }),
      {
        minLength: 1,
        maxLength: 8,
      },
    );
    fc.assert(
      fc.property(rates, fc.double({ min: 0, max: 60, noNaN: true }), (steps, day) => {
        let at = 0;
        const clock = new WarmClock(
          steps.map(({ step, rate }, i) => ({ day: i === 0 ? 0 : (at += step), rate })),
        );
        expect(clock.dayOf(clock.grownBy(day))).toBeCloseTo(day, 6);
        expect(clock.grownBy(day + 1)).toBeGreaterThan(clock.grownBy(day));
      }),
    );
  });
});
