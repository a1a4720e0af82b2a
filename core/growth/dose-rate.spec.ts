import { doseRate, quickerByMixing } from './dose-rate.js';

describe('a dose', () => {
  it('is usual at two milliliters a quart, an eighth of grain, three twentieths of bulk', () => {
    expect(doseRate(2, 'ml', 'grain', 420)).toBeCloseTo(1, 12);
    expect(doseRate(55, 'g', 'grain', 420)).toBeCloseTo(1, 2);
    expect(doseRate(345, 'g', 'bulk', 2300)).toBeCloseTo(1, 12);
  });

  it('twice as large takes a sixth less, half as large a fifth longer; by broth bulk is slower', () => {
    expect(1 / doseRate(4, 'ml', 'grain', 420)).toBeCloseTo(5 / 6, 2);
    expect(1 / doseRate(172.5, 'g', 'bulk', 2300)).toBeCloseTo(1.2, 2);
    expect(doseRate(20, 'ml', 'bulk', 2300)).toBeCloseTo(0.8, 1);
  });

  it('that is mixed through has the shortest way, on top the longest', () => {
    const rates = ([undefined, 'mixed', 'layered', 'clumps', 'onTop'] as const).map(quickerByMixing);
    expect(rates.slice(0, 2)).toEqual([1, 1]);
    expect(rates.slice(1)).toEqual([...rates.slice(1)].sort((a, b) => b - a));
    expect(Math.min(...rates)).toBeGreaterThan(0.5);
  });

  it('says nothing where it is counted in pieces or not known, and is held within bounds', () => {
    expect(doseRate(2, 'wedge', 'grain', 420)).toBe(1);
    expect(doseRate(undefined, 'g', 'bulk', 2300)).toBe(1);
    expect(doseRate(1, 'g', 'bulk', 0)).toBe(1);
    expect(doseRate(1e5, 'ml', 'grain', 420)).toBeCloseTo(8 ** 0.26, 9);
    expect(doseRate(1e-9, 'g', 'bulk', 2300)).toBeCloseTo(8 ** -0.26, 9);
  });
});
