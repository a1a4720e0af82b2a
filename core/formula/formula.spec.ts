import fc from 'fast-check';
import {
  auditFormula,
  formulaFromAudit,
  mixMoisture,
  reasonForMoisture,
  reasonForPart,
  reasonForWater,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
  waterToAdd,
  weighedMoisture,
  type FieldRef,
  type Refusals,
  type ScaleTarget,
  withSchool,
} from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);
const vessels = shippedVesselTypes(AT);
const formulas = shippedFormulas(AT).map((f) => resolveFormula(f, materials));
const wheat = formulas.find((f) => f.id === 'wheat-spawn')!;
const wood = formulas.find((f) => f.id === 'hardwood-bran')!;
const quart = vessels.find((v) => v.id === 'quart-jar')!;
const bag = vessels.find((v) => v.id === 'block-bag')!;

const solids = formulas.filter((f) => f.basis !== 'perLiter');
const holders = vessels.filter((v) => v.fillLimit >= 0.75 && v.kind !== 'syringe');
const anyTarget = fc.record({
  formula: fc.constantFrom(...solids),
  vessel: fc.constantFrom(...holders),
  count: fc.integer({ min: 1, max: 250 }),
  fill: fc.double({ min: 0.1, max: 0.75, noNaN: true }),
  moisture: fc.double({ min: 0.2, max: 0.86, noNaN: true }),
  spare: fc.double({ min: 0, max: 0.5, noNaN: true }),
});

describe('scaling a formula', () => {
  it('gives eight quarts of wheat spawn at two thirds, 50 %, 5 % to spare', () => {
    const scaled = scaleFormula(wheat, { vessel: quart, count: 8, spare: 0.05 });
    expect(scaled.vesselFillMl).toBeCloseTo(630.9, 1);
    expect(scaled.vesselWetG).toBeCloseTo(419.6, 1);
    expect(scaled.parts.map((p) => p.roundedG)).toEqual([1980, 20]);
    expect(scaled.waterRoundedG).toBe(1524);
    expect(scaled.parts[0]!.kitchen).toBe('10⅞ cups');
    const { material, massG, volumeMl } = scaled.parts[0]!;
    expect(volumeMl).toBeCloseTo((massG / material.densityGPerL!.value) * 1000, 6);
  });

  it('weighs bulk by dry mass: 90 to 10 after each one’s own moisture', () => {
    const scaled = scaleFormula(wood, { vessel: bag, count: 2 });
    const dry = scaled.parts.map((p) => p.massG * (1 - p.material.moisture.value));
    expect(dry[0]! / dry[1]!).toBeCloseTo(9, 9);
    expect(scaled.wetG).toBeCloseTo(2 * 2268, 6);
  });

  it('conserves mass and meets the moisture that was asked for', () => {
    fc.assert(
      fc.property(anyTarget, ({ formula, ...target }) => {
        const scaled = scaleFormula(formula, target);
        const parts = scaled.parts.map((p) => ({ massG: p.massG, moisture: p.material.moisture.value }));
        expect(parts.reduce((s, p) => s + p.massG, 0) + scaled.waterG).toBeCloseTo(scaled.wetG, 6);
        fc.pre(scaled.waterG >= 0);
        expect(mixMoisture([...parts, { massG: scaled.waterG, moisture: 1 }])).toBeCloseTo(
          target.moisture,
          6,
        );
      }),
    );
  });

  it('meets the moisture within what rounding can do, and conserves mass within half a step a part', () => {
    fc.assert(
      fc.property(anyTarget, fc.constantFrom(0.01, 0.1, 1, 5), ({ formula, ...target }, scaleStepG) => {
        const scaled = scaleFormula(formula, { ...target, scaleStepG });
        fc.pre(scaled.waterG >= 0 && scaled.wetG > 400);
        const weighed = scaled.parts.reduce((s, p) => s + p.roundedG, 0) + scaled.waterRoundedG;
        const slackG = ((scaled.parts.length + 1) * scaleStepG) / 2 + 1e-3;
        expect(Math.abs(weighed - scaled.wetG)).toBeLessThanOrEqual(slackG);
        expect(Math.abs(scaled.predictedMoisture - scaled.moisture)).toBeLessThanOrEqual(
          (2 * slackG) / scaled.wetG,
        );
        const percents = scaled.parts.reduce((s, p) => s + p.wantedPercent, 0);
        expect(percents).toBeCloseTo(100, 6);
      }),
    );
  });

  it('is linear in the number of vessels', () => {
    fc.assert(
      fc.property(anyTarget, ({ formula, ...target }) => {
        const once = scaleFormula(formula, target);
        const twice = scaleFormula(formula, { ...target, count: target.count * 2 });
        expect(twice.waterG).toBeCloseTo(2 * once.waterG, 5);
        twice.parts.forEach((p, i) => expect(p.massG).toBeCloseTo(2 * once.parts[i]!.massG, 5));
      }),
    );
  });

  it('predicts the moisture of what the scale really shows', () => {
    const coarse = scaleFormula(wheat, { vessel: quart, count: 1, scaleStepG: 5 });
    expect(coarse.parts[0]!.roundedG % 5).toBe(0);
    expect(Math.abs(coarse.predictedMoisture - 0.5)).toBeGreaterThan(1e-4);
    expect(coarse.predictedMoisture).toBeCloseTo(0.5, 1);
  });

  it('warns outside the good ranges and stays silent inside', () => {
    expect(scaleFormula(wheat, { vessel: quart, count: 1 }).warnings).toEqual([]);
    expect(scaleFormula(wheat, { vessel: quart, count: 1, fill: 0.75 }).warnings).toEqual([
      'fill-above-usual',
    ]);
    expect(scaleFormula(wheat, { vessel: quart, count: 1, moisture: 0.4 }).warnings).toEqual([
      'moisture-below-good',
    ]);
    expect(scaleFormula(wheat, { vessel: quart, count: 1, moisture: 0.6 }).warnings).toEqual([
      'moisture-above-good',
    ]);
  });

  it('counts all parts in what a vessel holds dry', () => {
    const jars = scaleFormula(wood, { vessel: quart, count: 4, spare: 0.1 });
    const all = jars.parts.reduce((sum, p) => sum + p.massG, 0);
    expect(jars.vesselDryG).toBeCloseTo(all / 4.4, 9);
    expect(jars.vesselDryG).toBeGreaterThan(jars.parts[0]!.massG / 4.4);
  });

  it('warns of a bag that its mass would not fit into, by what the medium weighs once settled', () => {
    const inBag = (id: string) =>
      scaleFormula(
        formulas.find((f) => f.id === id)!,
        { vessel: bag, count: 2 },
      );
    const straw = inBag('straw');
    // 2 268 g at 320 g a liter, in a bag of six liters.
    expect(straw.volumeShare).toBeCloseTo(2268 / 320 / 6, 6);
    expect(straw.warnings).toContain('over-full');
    expect(inBag('paper').warnings).toContain('over-full');
    expect(inBag('hardwood-bran').warnings).toEqual([]);
    expect(inBag('hardwood-bran').volumeShare).toBeCloseTo(2268 / 650 / 6, 6);
    expect(scaleFormula(wheat, { vessel: quart, count: 1 }).volumeShare).toBeCloseTo(2 / 3, 9);
  });

  const beyond: readonly [string, Partial<ScaleTarget>, FieldRef, Partial<Refusals['out-of-range']>][] = [
    ['no jars', { count: 0 }, 'count', { min: 1, max: 500, whole: true, value: 0 }],
    ['minus three jars', { count: -3 }, 'count', { value: -3 }],
    ['half a jar', { count: 2.5 }, 'count', { whole: true }],
    ['a milliard jars', { count: 1e9 }, 'count', { value: 1e9 }],
    ['no number of jars', { count: NaN }, 'count', {}],
    ['0 % moisture', { moisture: 0 }, 'moisture', { min: 0.2, max: 0.86, value: 0 }],
    ['100 % moisture', { moisture: 1 }, 'moisture', { value: 1 }],
    ['an over-full jar', { fill: 0.9 }, { field: 'fill', of: 'quart jars' }, { min: 0.1, max: 0.75 }],
    ['a spare of 500 %', { spare: 5 }, 'spare', { min: 0, max: 0.5 }],
  ];
  for (const [what, change, field, told] of beyond) {
    it(`refuses ${what} by name and range`, () => {
      expect(() => scaleFormula(wheat, { vessel: quart, count: 8, ...change })).toThrowMatching(
        outOfRange(field, told),
      );
    });
  }

  it('takes a recipe with a tea of a hundredth of solids, and gives it back as it was written', () => {
    const audit = auditFormula('2 kg hardwood pellets\n1.5 l manure tea\n1.7 l water');
    const formula = resolveFormula(
      formulaFromAudit(audit, { id: 'with-tea', name: 'With tea', updatedAt: AT }),
      materials,
    );
    const bag = vessels.find((v) => v.id === 'block-bag')!;
    const scaled = scaleFormula(formula, {
      vessel: bag,
      count: 1,
      amount: { by: 'wetTotal', massG: audit.grams / 3 },
    });
    const [pellets, tea] = scaled.parts;
    expect(pellets!.massG).toBeCloseTo(2000 / 3, 6);
    expect(tea!.massG).toBeCloseTo(audit.parts[1]!.massG / 3, 6);
    expect(scaled.waterG).toBeCloseTo(1700 / 3, 6);
  });

  it('refuses an ingredient that is all water, by its name', () => {
    const [first, ...rest] = wood.parts;
    const wet = { ...first!.material, moisture: { value: 1, low: 1, high: 1, source: 'typed' } };
    const formula = { ...wood, parts: [{ ...first!, material: wet }, ...rest] };
    expect(() => scaleFormula(formula, { vessel: bag, count: 1 })).toThrowMatching(
      outOfRange({ field: 'moisture', of: 'Hardwood pellets' }, { max: 0.9995, value: 1 }),
    );
  });

  it('names a material that is missing', () => {
    expect(() =>
      resolveFormula(
        shippedFormulas(AT).find((f) => f.id === 'wheat-spawn')!,
        [],
      ),
    ).toThrowMatching(refused('not-found', { what: 'material' }));
  });
});

describe('moisture', () => {
  it('water to add brings any mix to its target', () => {
    const part = fc.record({
      massG: fc.double({ min: 1, max: 1e5, noNaN: true }),
      moisture: fc.double({ min: 0, max: 0.95, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 8 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (parts, target) => {
          const waterG = waterToAdd({ parts, targetMoisture: target });
          fc.pre(waterG >= 0);
          expect(mixMoisture([...parts, { massG: waterG, moisture: 1 }])).toBeCloseTo(target, 8);
        },
      ),
    );
  });

  it('refuses an empty mix and a moisture above all', () => {
    expect(() => mixMoisture([])).toThrowMatching(outOfRange('mixMass'));
    expect(() => mixMoisture([{ massG: 10, moisture: 1.2 }])).toThrowMatching(
      outOfRange('moisture', { min: 0, max: 1 }),
    );
    expect(() => waterToAdd({ parts: [{ massG: 1, moisture: 0 }], targetMoisture: 1 })).toThrowMatching(
      outOfRange('moisture', { max: 0.99 }),
    );
  });

  it('refuses a drained mass that could not hold the dry matter', () => {
    // Eight quarts of wheat: 1 762 g of dry matter that came out at 3 524 g.
    expect(weighedMoisture(3524, 1762)).toBe(0.5);
    expect(weighedMoisture(1000, 380)).toBeCloseTo(0.62, 12);
    expect(() => weighedMoisture(900, 1000)).toThrowMatching(
      outOfRange('drainedMass', { min: 1000, max: 20_000 }),
    );
    expect(() => weighedMoisture(1e9, 1000)).toThrowMatching(outOfRange('drainedMass', { value: 1e9 }));
  });
});

describe('reasons', () => {
  it('end in the number that they explain', () => {
    const scaled = scaleFormula(wheat, { vessel: quart, count: 8, spare: 0.05 });
    const reason = reasonForPart(wheat, scaled, 0);
    expect(reason.title).toBe('Why 1\u2009980 g of wheat, whole');
    expect(reason.steps.at(-1)!.result).toBe('1\u2009980 g');
    expect(reason.likely).toMatch(/^Likely 1.\d{3} to 2.\d{3} g\.$/);
    expect(reasonForPart(wheat, scaled, 1).steps.at(-1)!.result).toBe('20 g');
    expect(reasonForWater(wheat, scaled).steps.at(-1)!.result).toBe('1\u2009524 g');
    expect(reasonForMoisture(wheat, scaled).steps.at(-1)!.result).toBe('50.0 %');
  });

  it('say how dry the first is as bought, with what the others leave for it', () => {
    const scaled = scaleFormula(wheat, { vessel: quart, count: 8, spare: 0.05 });
    const [first] = scaled.parts;
    const steps = reasonForPart(wheat, scaled, 0).steps;
    const dry = 1 - first!.material.moisture.value;
    expect(steps.at(-1)!.text).toBe(`as bought it is ${Math.round(dry * 100)} % dry`);
    const left = steps.find((s) => s.text === 'less what the others bring')!.result;
    expect(Number(left.replace(/\D/g, ''))).toBe(Math.round(first!.massG * dry));
  });

  it('take the share of bulk from its dry matter, of grain from what the others leave', () => {
    const texts = (formula: typeof wheat, vessel: typeof quart) =>
      reasonForPart(formula, scaleFormula(formula, { vessel, count: 2 }), 0).steps.map((s) => s.text);
    expect(texts(wood, bag).some((t) => / of that is hardwood/.test(t))).toBeTrue();
    expect(texts(wood, bag)).not.toContain('less what the others bring');
    expect(texts(wheat, quart)).toContain('less what the others bring');
    expect(texts(wheat, quart).some((t) => / of that is /.test(t))).toBeFalse();
    const water = (formula: typeof wheat, vessel: typeof quart) =>
      reasonForWater(formula, scaleFormula(formula, { vessel, count: 2 })).source;
    expect(water(wood, bag)).toContain('Water to add');
    expect(water(wheat, quart)).toContain('weigh after drying');
  });

  it('warn of the lots of agar, and of nothing that sets the same each time', () => {
    const agar = formulas.find((f) => f.id === 'malt-agar')!;
    const dish = vessels.find((v) => v.kind === 'dish')!;
    const scaled = scaleFormula(agar, { vessel: dish, count: 10 });
    const warned = scaled.parts.map((part, i) => [
      part.material.family,
      reasonForPart(agar, scaled, i).narrow !== undefined,
    ]);
    expect(warned).toContain(['gel', true]);
    // Ten plates want grams with a decimal, a thousand none.
    const shown = (count: number) =>
      reasonForPart(agar, scaleFormula(agar, { vessel: dish, count }), 0).steps.at(-1)!.result;
    expect(shown(10)).toMatch(/^\d+\.\d g$/);
    expect(shown(500)).toMatch(/^\d{3} g$/);
    expect(
      warned.filter(([family]) => family !== 'gel').every(([, isWarned]) => isWarned === false),
    ).toBeTrue();
  });

  it('end in the number for every shipped formula', () => {
    for (const formula of solids) {
      const scaled = scaleFormula(formula, { vessel: formula.stage === 'bulk' ? bag : quart, count: 3 });
      scaled.parts.forEach((part, i) => {
        expect(Number(reasonForPart(formula, scaled, i).steps.at(-1)!.result.replace(/\D/g, ''))).toBe(
          Math.round(part.massG),
        );
      });
    }
  });
});

describe('a formula that is hydrated another way', () => {
  it('is named after its school if it is a grain, and after nothing else', () => {
    expect(withSchool(wheat, 'soak-simmer').name).toBe(`${wheat.name}, soak and simmer`);
    expect(withSchool(wheat, 'mix')).toEqual({ ...wheat, hydration: 'mix' });
    expect(withSchool(wood, 'soak-simmer')).toEqual({ ...wood, hydration: 'soak-simmer' });
  });
});
