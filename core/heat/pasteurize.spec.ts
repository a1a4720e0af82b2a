import fc from 'fast-check';
import {
  browningMinutes,
  coolingBucket,
  dryHeatMinutes,
  heldInBath,
  limeBath,
  mixTemperature,
  pourWindow,
} from '../index.js';
import { excessAfter } from './cooling.js';
import { outOfRange, refused } from '../testing/refused.js';

const straw = {
  waterKg: 12,
  waterC: 98,
  substrateKg: 1.5,
  moisture: 0.12,
  roomC: 18,
  vesselKg: 1,
  vessel: 'plastic' as const,
};

describe('a bucket with boiling water', () => {
  it('shares its heat: nothing is lost and nothing gained', () => {
    // 12 kg of water and what is cold: 1.5 kg of straw (0.18 kg water, 1.32 kg dry) and a kilogram of plastic.
    const cold = 0.18 * 4.19 + 1.32 * 1.7 + 1.9;
    expect(mixTemperature(straw)).toBeCloseTo((12 * 4.19 * 98 + cold * 18) / (12 * 4.19 + cold), 9);
    expect(mixTemperature({ ...straw, substrateKg: 0, vesselKg: 0 })).toBeCloseTo(98, 9);
  });

  it('is cooler with more and wetter substrate', () => {
    expect(mixTemperature({ ...straw, substrateKg: 4 })).toBeLessThan(mixTemperature(straw));
    expect(mixTemperature({ ...straw, moisture: 0.7 })).toBeLessThan(mixTemperature(straw));
    expect(() => mixTemperature({ ...straw, waterKg: 0 })).toThrowMatching(outOfRange('water'));
  });

  it('stays warm longer when it is larger, hotter or wrapped', () => {
    const bucket = { liters: 20, mixC: 80, roomC: 18, wrapped: false };
    const above = (over: Partial<typeof bucket>) => coolingBucket({ ...bucket, ...over }).aboveMinutes;
    expect(above({})).toBeGreaterThan(60);
    expect(above({ liters: 60 })).toBeGreaterThan(above({}));
    expect(above({ mixC: 90 })).toBeGreaterThan(above({}));
    expect(above({ wrapped: true })).toBeGreaterThan(above({}));
    expect(above({ mixC: 55 })).toBe(0);
  });
});

describe('a bath', () => {
  const block = { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 } as const;

  it('the middle of a 3.5 l block is only at about 56 °C after two hours of steam from cold', () => {
    const { middleC } = heldInBath({ shape: block, startC: 20, bathC: 100, minutes: 120, roomC: 20 });
    expect(Math.abs(middleC[120]! - 56)).toBeLessThan(6);
  });

  it('counts from when the middle arrives, and says when that is', () => {
    const held = (minutes: number) => heldInBath({ shape: block, startC: 20, bathC: 80, minutes, roomC: 20 });
    expect(held(60).warmAtMinutes).toBeUndefined();
    const long = held(400);
    expect(long.middleC[Math.round(long.warmAtMinutes!)]!).toBeGreaterThanOrEqual(60);
    expect(held(500).aboveMinutes).toBeGreaterThan(long.aboveMinutes);
    expect(() =>
      heldInBath({ shape: block, startC: 20, bathC: 130, minutes: 60, roomC: 20 }),
    ).toThrowMatching(outOfRange('bath'));
  });
});

describe('lime and dry heat', () => {
  it('lime wants pH and hours, and says which lacks', () => {
    expect(limeBath(11.5, 16)).toEqual({
      enough: false,
      words: jasmine.stringContaining('too low') as never,
    });
    expect(limeBath(12.4, 9).words).toContain('3 h more');
    expect(limeBath(12.4, 14).enough).toBeTrue();
    expect(limeBath(12.4, 20).words).toContain('softens');
  });

  it('dry heat has the published pairs and none below 160 °C', () => {
    expect([150, 160, 175, 180, 250].map(dryHeatMinutes)).toEqual([undefined, 120, 60, 30, 30]);
  });
});

describe('browning', () => {
  it('is minutes at 121.1 °C, and less heat for as many spores browns more', () => {
    const held = (celsius: number, minutes: number) =>
      browningMinutes(Float64Array.of(0, minutes), Float64Array.of(celsius, celsius));
    expect(held(121.1, 20)).toBeCloseTo(20, 9);
    expect(held(111.1, 200)).toBeGreaterThan(held(121.1, 20) * 3);
  });
});

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
