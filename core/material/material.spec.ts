import fc from 'fast-check';
import {
  Material,
  asMeasured,
  dryDown,
  moistureOf,
  ownMaterial,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
} from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);

describe('materials', () => {
  it('are about sixty, of every family, with names that no two share', () => {
    expect(materials.length).toBeGreaterThanOrEqual(58);
    expect(new Set(materials.map((m) => m.family)).size).toBe(13);
    const words = materials.flatMap((m) => m.words ?? []);
    expect(words.filter((w, i) => words.indexOf(w) !== i)).toEqual([]);
  });

  it('name no figure outside what it can be', () => {
    for (const m of materials) {
      for (const [name, figure] of Object.entries({
        moisture: m.moisture,
        carbon: m.carbon,
        nitrogen: m.nitrogen,
        solids: m.solids,
        sugar: m.sugar,
      })) {
        if (figure !== undefined) {
          expect(figure.low).withContext(`${m.id} ${name}`).toBeGreaterThanOrEqual(0);
          expect(figure.high).withContext(`${m.id} ${name}`).toBeLessThanOrEqual(1);
        }
      }
      expect((m.solids?.value ?? 0) + m.moisture.value)
        .withContext(m.id)
        .toBeLessThanOrEqual(1.01);
      expect(m.sugar?.value ?? 0)
        .withContext(m.id)
        .toBeLessThanOrEqual((m.solids?.value ?? 0) + 1e-9);
    }
  });

  it('weigh more when the own lot is wetter, since the dry matter counts', () => {
    const measured = { value: 0.18, low: 0.17, high: 0.19, source: 'dried 3 Nov' };
    const own = materials.map((m) =>
      m.id === 'hardwood-pellets' ? { ...m, measuredMoisture: measured } : m,
    );
    const formula = shippedFormulas(AT).find((f) => f.id === 'hardwood-bran')!;
    const bag = shippedVesselTypes(AT).find((v) => v.id === 'block-bag')!;
    const [before, after] = [materials, own].map((all) =>
      scaleFormula(resolveFormula(formula, all), { vessel: bag, count: 1 }),
    );
    expect(after!.parts[0]!.massG / before!.parts[0]!.massG).toBeCloseTo(0.92 / 0.82, 9);
    expect(after!.parts[0]!.material.moisture).toEqual(measured);
    expect(moistureOf(own.find((m) => m.id === 'wheat')!).value).toBe(0.12);
    expect(asMeasured(materials[0]!)).toBe(materials[0]!);
  });
});

describe('drying a sample down', () => {
  it('gives the moisture once two weighings agree', () => {
    expect(dryDown({ wetG: 110, dryG: [70, 60.1, 60], dishG: 10 })).toEqual({
      moisture: 0.5,
      constant: true,
      lastLossG: jasmine.any(Number) as never,
    });
    expect(dryDown({ wetG: 110, dryG: [70], dishG: 10 }).constant).toBeFalse();
    expect(dryDown({ wetG: 110, dryG: [70, 65], dishG: 10 }).constant).toBeFalse();
  });

  it('is right for any sample and dish', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(number(5, 500), number(0, 0.9), number(0, 200), (dryG, moisture, dishG) => {
        const wetG = dryG / (1 - moisture) + dishG;
        expect(dryDown({ wetG, dryG: [dryG + dishG, dryG + dishG], dishG }).moisture).toBeCloseTo(
          moisture,
          9,
        );
      }),
    );
  });

  it('refuses masses that cannot be, by name and number', () => {
    expect(() => dryDown({ wetG: 100, dryG: [] })).toThrowMatching(
      refused('too-few', { of: 'dryMasses', least: 1 }),
    );
    expect(() => dryDown({ wetG: 100, dryG: [120] })).toThrowMatching(
      outOfRange({ field: 'dryMass', of: 1 }, { min: 0, max: 100.5 }),
    );
    expect(() => dryDown({ wetG: 100, dryG: [80, 90] })).toThrowMatching(
      outOfRange({ field: 'dryMass', of: 2 }),
    );
    expect(() => dryDown({ wetG: 100, dryG: [5], dishG: 10 })).toThrowMatching(
      outOfRange({ field: 'dryMass', of: 1 }, { min: 10 }),
    );
    expect(() => dryDown({ wetG: 5, dryG: [5], dishG: 10 })).toThrowMatching(outOfRange('wetMass'));
    expect(() => dryDown({ wetG: NaN, dryG: [5] })).toThrowMatching(outOfRange('wetMass'));
  });
});

describe('a material of one’s own', () => {
  const bran = materials.find((m) => m.id === 'wheat-bran')!;
  const named = { id: 'own-1', name: 'quinoa hulls', updatedAt: '2026-01-01T00:00:00.000Z' };

  it('takes the figures of what it is most like, and every one says so', () => {
    const own = ownMaterial({ ...named, like: bran, moisture: 0.09 });
    expect(Material.safeParse(own).success).toBeTrue();
    expect(own.nitrogen).toEqual({
      ...bran.nitrogen!,
      source: 'as Wheat bran, until it is measured',
    });
    expect(own.moisture).toEqual({ value: 0.09, low: 0.09, high: 0.09, source: 'your own figure' });
    expect([own.copyOf, own.family, own.words]).toEqual(['wheat-bran', bran.family, undefined]);
  });

  it('is known by nothing but its name and its family where it is like nothing', () => {
    const own = ownMaterial({ ...named, family: 'fiber', densityGPerL: 120 });
    expect(Material.safeParse(own).success).toBeTrue();
    expect([own.nitrogen, own.carbon, own.copyOf]).toEqual([undefined, undefined, undefined]);
    expect(own.densityGPerL!.value).toBe(120);
    expect(own.moisture.source).toContain('common practice');
  });
});
