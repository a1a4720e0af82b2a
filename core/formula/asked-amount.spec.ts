import * as fc from 'fast-check';
import {
  amountOf,
  isRefusal,
  resolveFormula,
  scaleFormula,
  shippedDefinitions,
  type SolidFormula,
} from '../index.js';
import type { AskedAmount } from '../record/plan.js';
import { START_MS } from '../testing/sample-house.js';

const shipped = shippedDefinitions(new Date(START_MS).toISOString());
const formula = (id: string) =>
  resolveFormula(
    shipped.formulas.find((f) => f.id === id)!,
    shipped.materials,
  ) as SolidFormula;
const vessel = (id: string) => shipped.vesselTypes.find((v) => v.id === id)!;
const solids = shipped.formulas.filter((f) => f.basis !== 'perLiter').map((f) => formula(f.id));

function scaled(id: string, vesselId: string, amount: AskedAmount, count = 10, spare = 0.05) {
  return scaleFormula(formula(id), { vessel: vessel(vesselId), count, spare, amount });
}

function refusedIn(act: () => unknown): unknown {
  try {
    act();
  } catch (error) {
    return isRefusal(error) ? error.params : error;
  }
  return undefined;
}

describe('asking by what one has', () => {
  it('fills each jar with so much dry grain', () => {
    const plan = scaled('rye-spawn', 'quart-jar', { by: 'leadEach', massG: 227 }, 10, 0);
    expect(plan.parts[0]!.massG).toBeCloseTo(2270, 6);
    expect(plan.fill).toBeGreaterThan(0.5);
    expect(plan.fill).toBeLessThan(0.75);
    expect(plan.predictedMoisture).toBeCloseTo(formula('rye-spawn').targetMoisture.value, 2);
  });

  it('uses all of what there is of one ingredient, with what is to spare', () => {
    const bran = formula('hardwood-bran').parts[1]!.material.id;
    const plan = scaled('hardwood-bran', 'block-bag', { by: 'partTotal', materialId: bran, massG: 500 }, 5);
    expect(plan.parts[1]!.massG).toBeCloseTo(500, 6);
  });

  it('makes a finished mass, each or in all', () => {
    expect(scaled('hardwood-bran', 'block-bag', { by: 'wetTotal', massG: 12_000 }, 6).wetG).toBeCloseTo(
      12_000,
      6,
    );
    expect(scaled('hardwood-bran', 'block-bag', { by: 'wetEach', massG: 1800 }, 6).vesselWetG).toBe(1800);
  });

  it('stays as it is when it is asked for by what it comes to', () => {
    for (const by of ['leadEach', 'wetEach', 'wetTotal', 'partTotal'] as const) {
      const plan = scaled('rye-spawn', 'quart-jar', { by: 'leadEach', massG: 227 });
      const again = scaled('rye-spawn', 'quart-jar', amountOf(by, plan, 'gypsum'));
      expect(again.wetG).withContext(by).toBeCloseTo(plan.wetG, 6);
    }
  });

  it('says what is asked for, and the range of it, where a jar would be nearly empty or too full', () => {
    expect(refusedIn(() => scaled('rye-spawn', 'quart-jar', { by: 'leadEach', massG: 900 }))).toEqual(
      jasmine.objectContaining({ field: 'leadEach', value: 900, unit: ' g' }),
    );
    expect(refusedIn(() => scaled('rye-spawn', 'quart-jar', { by: 'wetTotal', massG: 30 }))).toEqual(
      jasmine.objectContaining({ field: 'wetTotal', value: 30 }),
    );
  });

  it('fills a jar to the shoulder with what is never shaken, and to three quarters with grain', () => {
    const jar = vessel('quart-jar');
    const wood = scaleFormula(formula('hardwood-bran'), { vessel: jar, count: 4, fill: 0.9 });
    expect(wood.warnings).toEqual([]);
    expect(refusedIn(() => scaleFormula(formula('rye-spawn'), { vessel: jar, count: 4, fill: 0.9 }))).toEqual(
      jasmine.objectContaining({ max: 0.75, value: 0.9 }),
    );
    expect(
      refusedIn(() => scaleFormula(formula('hardwood-bran'), { vessel: jar, count: 4, fill: 0.95 })),
    ).toEqual(jasmine.objectContaining({ max: 0.9 }));
  });

  it('gives what was asked for, of any formula in any vessel, or names its range', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...solids),
        fc.constantFrom('quart-jar', 'block-bag', 'tub-12'),
        fc.constantFrom('leadEach' as const, 'wetEach' as const, 'wetTotal' as const),
        fc.double({ min: 1, max: 20_000, noNaN: true }),
        fc.integer({ min: 1, max: 40 }),
        (solid, vesselId, by, massG, count) => {
          const target = { vessel: vessel(vesselId), count, spare: 0.1, amount: { by, massG } };
          const refused = refusedIn(() => scaleFormula(solid, target)) as
            { min: number; max: number } | undefined;
          if (refused !== undefined) {
            expect(massG < refused.min || massG > refused.max).toBeTrue();
            return;
          }
          const plan = scaleFormula(solid, target);
          const got = {
            leadEach: plan.parts[0]!.massG / (count * 1.1),
            wetEach: plan.vesselWetG,
            wetTotal: plan.wetG,
          }[by];
          expect(got / massG).toBeCloseTo(1, 9);
          expect(plan.parts.reduce((sum, p) => sum + p.massG, plan.waterG)).toBeCloseTo(plan.wetG, 6);
        },
      ),
    );
  });
});
