import fc from 'fast-check';
import {
  convert,
  heapOf,
  middleF0,
  planCook,
  runOf,
  shippedAppliances,
  shippedVesselTypes,
  type Standing,
} from '../index.js';
import { outOfRange } from '../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const canner = shippedAppliances(AT).find((a) => a.id === 'canner')!;
const bag = shippedVesselTypes(AT).find((v) => v.id === 'block-bag')!;
const cook = (count: number, standing: Standing | undefined, chosenHoldMinutes?: number) =>
  planCook({
    appliance: { ...canner, ratedGaugeKPa: convert(15, 'psi', 'kPa'), places: { [bag.id]: 16 } },
    house: { altitudeM: 0, roomC: 20 },
    vessel: bag,
    count,
    vesselWetG: 2268,
    stage: 'bulk',
    standing,
    chosenHoldMinutes,
  });
const f0At = (count: number, standing: Standing, holdMinutes = 150) => {
  const plan = cook(count, standing, holdMinutes);
  return middleF0(runOf(plan.contents, { ...plan, roomC: 20 }));
};

describe('bags in the pot', () => {
  it('heat as one block where they touch: a pair, a square, a square of two layers', () => {
    expect(heapOf(1, { layers: 1, between: 'touching' })).toBeUndefined();
    expect(heapOf(8, { layers: 2, between: 'apart' })).toBeUndefined();
    const touching = (count: number, layers = 1) => heapOf(count, { layers, between: 'touching' });
    expect(touching(2)).toEqual({ across: 2, along: 1, layers: 1 });
    expect(touching(4)).toEqual({ across: 2, along: 2, layers: 1 });
    expect(touching(5)).toEqual({ across: 3, along: 2, layers: 1 });
    expect(touching(8, 2)).toEqual({ across: 2, along: 2, layers: 2 });
    // Never more layers than bags.
    expect(touching(2, 6)).toEqual({ across: 1, along: 1, layers: 2 });
    expect(() => touching(4, 0)).toThrowMatching(outOfRange('layers'));
    expect(() => touching(4, 1.5)).toThrowMatching(outOfRange('layers'));
  });

  it('get far less than each for itself: after 150 min a pair, a square and two layers of it', () => {
    const alone = f0At(1, { layers: 1, between: 'apart' });
    const pair = f0At(2, { layers: 1, between: 'touching' });
    const square = f0At(4, { layers: 1, between: 'touching' });
    const stack = f0At(8, { layers: 2, between: 'touching' });
    expect(pair).toBeLessThan(alone / 4);
    expect(square).toBeLessThan(pair);
    expect(stack).toBeLessThan(0.1);
    expect(f0At(8, { layers: 2, between: 'apart' })).toBeCloseTo(f0At(8, { layers: 1, between: 'apart' }), 9);
  });

  it('are held longer for it, the longer the more of them touch', () => {
    const hold = (count: number, layers = 1) => cook(count, { layers, between: 'touching' }).holdMinutes;
    expect(cook(4, undefined).holdMinutes).toBe(150);
    expect(cook(4, { layers: 2, between: 'apart' }).holdMinutes).toBe(150);
    expect(hold(2)).toBeGreaterThan(200);
    expect(hold(4)).toBeGreaterThan(hold(2));
    expect(hold(8, 2)).toBeGreaterThan(hold(4));
  });

  it('that touch are never better off than apart', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 6, max: 60 }),
        (count, layers, fives) => {
          const touching = f0At(count, { layers, between: 'touching' }, fives * 5);
          expect(touching).toBeLessThanOrEqual(f0At(count, { layers, between: 'apart' }, fives * 5) + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });
});
