import fc from 'fast-check';
import {
  adviseTreatment,
  blendOf,
  correctMix,
  costOf,
  fieldCapacityOf,
  mixMoisture,
  nextDrops,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
  stepsOf,
} from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);
const part = (id: string, massG: number) => ({ material: materials.find((m) => m.id === id)!, massG });
const amount = fc.record({
  material: fc.constantFrom(...materials),
  massG: fc.double({ min: 0.1, max: 5000, noNaN: true }),
});

describe('correcting a mix', () => {
  it('meets the target, and mass is conserved', () => {
    const fraction = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fraction(100, 20_000),
        fraction(0.1, 0.9),
        fraction(0.1, 0.9),
        (massG, moisture, targetMoisture) => {
          const addedMoisture = moisture > targetMoisture ? 0.03 : 1;
          fc.pre(Math.abs(moisture - targetMoisture) > 1e-6 && targetMoisture > 0.05);
          const added = correctMix({ massG, moisture, targetMoisture, addedMoisture });
          expect(added.afterG).toBeCloseTo(massG + added.massG, 6);
          expect(
            mixMoisture([
              { massG, moisture },
              { massG: added.massG, moisture: addedMoisture },
            ]),
          ).toBeCloseTo(targetMoisture, 9);
        },
      ),
    );
  });

  it('adds nothing to what is right', () => {
    expect(correctMix({ massG: 1000, moisture: 0.6, targetMoisture: 0.6, addedMoisture: 1 }).massG).toBe(0);
  });

  it('refuses water for a wet mix and a wet helper for a drier one, in words', () => {
    const wet = { massG: 1000, moisture: 0.7, targetMoisture: 0.62 };
    expect(() => correctMix({ ...wet, addedMoisture: 1 })).toThrowMatching(
      refused('cannot-correct', { wants: 'drier', target: 0.62, added: 1 }),
    );
    expect(() => correctMix({ ...wet, moisture: 0.5, addedMoisture: 0.1 })).toThrowMatching(
      refused('cannot-correct', { wants: 'wetter', target: 0.62 }),
    );
    expect(() => correctMix({ ...wet, massG: -5, addedMoisture: 0 })).toThrowMatching(outOfRange('mixMass'));
  });
});

describe('a blend', () => {
  it('has ratios that do not depend on scale', () => {
    fc.assert(
      fc.property(
        fc.array(amount, { minLength: 1, maxLength: 8 }),
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (parts, times) => {
          const [once, more] = [
            blendOf(parts),
            blendOf(parts.map((p) => ({ ...p, massG: p.massG * times }))),
          ];
          expect(more.moisture).toBeCloseTo(once.moisture!, 9);
          expect(more.grams).toBeCloseTo(once.grams * times, 4);
          if (once.carbonToNitrogen !== undefined) {
            expect(more.carbonToNitrogen! / once.carbonToNitrogen).toBeCloseTo(1, 9);
          }
          expect(Object.values(once.families).reduce((s, f) => s + f, 0)).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('counts water, dry matter and nothing else', () => {
    fc.assert(
      fc.property(
        fc.array(amount, { minLength: 1, maxLength: 8 }),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        (parts, waterG) => {
          const blend = blendOf([...parts, { massG: waterG }]);
          expect(blend.waterG + blend.dryMatterG).toBeCloseTo(blend.grams, 6);
        },
      ),
    );
  });

  it('has no carbon to nitrogen where a part’s is not known, and none of nothing', () => {
    const unknown = { ...part('wheat', 100).material, nitrogen: undefined };
    expect(blendOf([{ material: unknown, massG: 100 }]).carbonToNitrogen).toBeUndefined();
    expect(blendOf([part('gypsum', 100)]).carbonToNitrogen).toBeUndefined();
    expect(blendOf([]).moisture).toBeUndefined();
  });

  it('holds water as its materials do', () => {
    expect(fieldCapacityOf([part('hardwood-pellets', 500)]).value).toBeCloseTo(0.62, 9);
    expect(fieldCapacityOf([part('coir', 500)]).high).toBeCloseTo(0.86, 9);
    const both = fieldCapacityOf([part('hardwood-pellets', 500), part('coir', 500)]).value;
    expect(both).toBeGreaterThan(0.62);
    expect(both).toBeLessThan(0.78);
    expect(fieldCapacityOf([]).value).toBe(0.62);
  });
});

describe('treat or not', () => {
  const advice = (...parts: readonly { material: (typeof materials)[number]; massG: number }[]) =>
    adviseTreatment('bulk', parts).treatment;

  it('sterilizes what is supplemented, and warms through what is plain', () => {
    expect(advice(part('hardwood-pellets', 900), part('wheat-bran', 100))).toBe('sterilize');
    expect(advice(part('wheat-straw', 1000))).toBe('pasteurize');
    expect(advice(part('coir', 900), part('vermiculite', 100))).toBe('pasteurize');
    expect(advice(part('cardboard', 700), part('newsprint', 300))).toBe('pasteurize');
    expect(advice(part('leached-manure', 500), part('coir', 500))).toBe('pasteurize');
    expect(advice(part('poultry-litter', 500), part('wheat-straw', 500))).toBe('sterilize');
    expect(advice(part('wheat-straw', 900), part('coffee-grounds', 400))).toBe('sterilize');
  });

  it('warms each medium in its own way: no bath for compost, boiling water for coir', () => {
    const formulas = shippedFormulas(AT);
    const warmed = (id: string) => {
      const formula = resolveFormula(
        formulas.find((f) => f.id === id)!,
        materials,
      );
      return stepsOf({ formula, plan: { treatment: 'pasteurize' } });
    };
    const words = (id: string) =>
      warmed(id)
        .map((s) => `${s.task ?? s.deed}: ${s.hint}`)
        .join(' ');
    expect(warmed('straw').map((s) => s.step)).toEqual(['soak', 'drain', 'pasteurize', 'cooled']);
    expect(words('straw')).toContain('Water at 65 to 80 °C over it');
    expect(warmed('coir-vermiculite-gypsum').map((s) => s.step)).toEqual(['pasteurize', 'cooled']);
    expect(words('coir-vermiculite-gypsum')).toContain('boiling');
    expect(words('leached-manure')).not.toContain('Water at 65');
    expect(words('leached-manure')).toContain('In steam or warm air');
    expect(words('hardwood-bran'))
      .withContext('mixed with its water, it is bathed in shut bags and nothing is drained')
      .toMatch(/In shut bags, into water.*Nothing to drain/);
    expect(words('hardwood-bran')).not.toContain('Drain until');
    expect(warmed('ready-compost').map((s) => s.step)).toEqual(['cooled']);
    const own = materials.map((m) =>
      m.id === 'coir' ? { ...m, id: 'my-coir', name: 'Coir, mine', copyOf: 'coir' } : m,
    );
    const mine = shippedFormulas(AT).find((f) => f.id === 'coir-vermiculite')!;
    const parts = mine.parts.map((p) => (p.materialId === 'coir' ? { ...p, materialId: 'my-coir' } : p));
    const formula = resolveFormula({ ...mine, parts }, own);
    expect(stepsOf({ formula, plan: { treatment: 'pasteurize' } }).map((s) => s.step))
      .withContext('one’s own coir is coir')
      .toEqual(['pasteurize', 'cooled']);
    expect(adviseTreatment('bulk', [part('ready-compost', 1000), part('gypsum', 30)]).reason).toContain(
      'by its maker',
    );
  });

  it('always sterilizes grain, agar and broth, and says why', () => {
    for (const stage of ['agar', 'liquid', 'grain'] as const) {
      expect(adviseTreatment(stage, []).treatment).toBe('sterilize');
    }
    expect(
      adviseTreatment('bulk', [part('hardwood-pellets', 900), part('wheat-bran', 100)]).reason,
    ).toContain('9.8 %');
  });
});

describe('cost', () => {
  const formula = resolveFormula(
    shippedFormulas(AT).find((f) => f.id === 'wheat-spawn')!,
    materials.map((m) => (m.id === 'wheat' ? { ...m, pricePerKg: 1.2 } : m)),
  );
  const quart = shippedVesselTypes(AT).find((v) => v.id === 'quart-jar')!;
  const scaled = scaleFormula(formula, { vessel: quart, count: 8, spare: 0.05 });

  it('adds the priced ingredients and the cooks, names the rest, and compares with what is bought', () => {
    const cost = costOf(scaled, { cookPrice: 0.5, boughtPrice: { jar: 9 } }, 1);
    expect(cost.materials).toBeCloseTo((1.2 * scaled.parts[0]!.massG) / 1000, 9);
    expect(cost.total).toBeCloseTo(cost.materials + 0.5, 9);
    expect(cost.unpriced).toEqual(['Gypsum']);
    expect(cost.bought?.saved).toBeCloseTo(8 * 9 - cost.total, 9);
    expect(costOf(scaled, {}, 1).bought).toBeUndefined();
  });

  it('goes by the package as it was bought, and by the share of a vessel that a filling uses up', () => {
    const inPackages = {
      ...scaled,
      vessel: { ...scaled.vessel, boughtPack: { price: 18, count: 12 } },
      parts: scaled.parts.map((p) => ({
        ...p,
        material: {
          ...p.material,
          ...(p.material.id === 'wheat'
            ? { bought: { price: 18.5, massG: 20_000, on: '2026-10-01' }, pricePerKg: 7 }
            : { bought: { price: 6.9, massG: 454 } }),
        },
      })),
    };
    const [wheat, gypsum] = scaled.parts;
    const cost = costOf(inPackages, {}, 0);
    // By hand: 18.50 for 20 kg, 6.90 for 454 g; a jar of 1.50 is filled fifty times.
    expect(cost.materials).toBeCloseTo((18.5 / 20_000) * wheat!.massG + (6.9 / 454) * gypsum!.massG, 9);
    expect(cost.vessels).toBeCloseTo((1.5 / 50) * scaled.count, 9);
    expect(cost.total).toBeCloseTo(cost.materials + cost.vessels, 9);
    expect(cost.unpriced).toEqual([]);
    const bags = { ...inPackages, vessel: { ...inPackages.vessel, kind: 'bag' as const } };
    expect(costOf(bags, {}, 0).vessels)
      .withContext('thrown away')
      .toBeCloseTo(1.5 * scaled.count, 9);
    const twice = { ...inPackages, vessel: { ...bags.vessel, uses: 2 } };
    expect(costOf(twice, {}, 0).vessels)
      .withContext('washed once')
      .toBeCloseTo(0.75 * scaled.count, 9);
  });

  it('refuses a negative price by name', () => {
    const bad = {
      ...scaled,
      parts: scaled.parts.map((p) => ({ ...p, material: { ...p.material, pricePerKg: -1 } })),
    };
    expect(() => costOf(bad, {}, 1)).toThrowMatching(
      outOfRange({ field: 'price', of: 'Wheat, whole' }, { min: 0 }),
    );
  });
});

describe('drops towards a pH', () => {
  it('start with one, then follow the slope with care, then stop', () => {
    expect(nextDrops([], 5.6)).toBeUndefined();
    expect(nextDrops([{ ph: 6.8, drops: 0 }], 5.6)).toEqual({ kind: 'first', agent: 'acid' });
    expect(
      nextDrops(
        [
          { ph: 6.8, drops: 0 },
          { ph: 6.6, drops: 1 },
        ],
        5.6,
      ),
    ).toEqual(jasmine.objectContaining({ kind: 'drops', agent: 'acid', drops: 3 }));
    // Four drops took 0.8: one takes 0.2, and two thirds of what is left to go are three again.
    expect(
      nextDrops(
        [
          { ph: 7.4, drops: 0 },
          { ph: 6.6, drops: 4 },
        ],
        5.6,
      ),
    ).toEqual(jasmine.objectContaining({ drops: 3, perDrop: jasmine.any(Number) }));
    expect(
      nextDrops(
        [
          { ph: 5.9, drops: 1 },
          { ph: 5.65, drops: 1 },
        ],
        5.6,
      ),
    ).toEqual({ kind: 'reached' });
  });

  it('begin anew where the meter was only read again', () => {
    const again = [
      { ph: 6.8, drops: 0 },
      { ph: 6.7, drops: 0 },
    ];
    expect(nextDrops(again, 5.6)).toEqual({ kind: 'first', agent: 'acid' });
    expect(nextDrops([{ ph: 5, drops: 3 }], 5.6)).toEqual({ kind: 'first', agent: 'base' });
  });

  it('turn round when it was overshot or moves the wrong way, and never ask for a glass of drops', () => {
    expect(
      nextDrops(
        [
          { ph: 6, drops: 0 },
          { ph: 5.2, drops: 4 },
        ],
        5.6,
      ),
    ).toEqual({ kind: 'turn', agent: 'base' });
    expect(
      nextDrops(
        [
          { ph: 6, drops: 0 },
          { ph: 5.9999, drops: 1 },
        ],
        5.6,
      ),
    ).toEqual(jasmine.objectContaining({ drops: 20 }));
    expect(() => nextDrops([{ ph: 15, drops: 0 }], 5.6)).toThrowMatching(
      outOfRange('ph', { min: 0, max: 14 }),
    );
  });
});
