import fc from 'fast-check';
import {
  cultureVesselTypes,
  doseFor,
  isFilledHere,
  liquidMaltFor,
  pluralOf,
  pourDepthMm,
  pourOut,
  pourVolumeMl,
  reasonForPart,
  reasonForWater,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
  splitIntoBottles,
  vesselsFrom,
  type DissolvedFormula,
} from '../index.js';
import { outOfRange } from '../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);
const vessels = shippedVesselTypes(AT);
const vessel = (id: string) => vessels.find((v) => v.id === id)!;
const formulas = shippedFormulas(AT).flatMap((f): DissolvedFormula[] => {
  const resolved = resolveFormula(f, materials);
  return resolved.basis === 'perLiter' ? [resolved] : [];
});
const formula = (id: string) => formulas.find((f) => f.id === id)!;
const dish = vessel('dish-90');
const bottle = vessel('bottle-500');

describe('scaling agar and broth', () => {
  it('doses twenty plates of malt agar with a tenth to spare', () => {
    const scaled = scaleFormula(formula('malt-agar'), {
      vessel: dish,
      count: 20,
      spare: 0.1,
      scaleStepG: 0.1,
      bottle,
    });
    expect(scaled.dissolved?.volumeMl).toBeCloseTo(440, 9);
    expect(scaled.parts.map((p) => p.roundedG)).toEqual([8.8, 8.8]);
    expect(scaled.waterRoundedG).toBe(440);
    expect(scaled.dissolved?.cookedIn?.count).toBe(2);
    expect(scaled.dissolved?.cookedIn?.eachMl).toBeCloseTo(220, 9);
    expect(scaled.dissolved?.depthMm).toBeCloseTo(3.44, 2);
    expect(scaled.warnings).toEqual([]);
  });

  it('asks for a broth by its sugar solids, so the grams follow from what the sugar holds', () => {
    const scaled = (id: string, strengthGPerL = 40) =>
      scaleFormula(formula(id), {
        vessel: vessel('quart-jar'),
        count: 1,
        eachMl: 500,
        strengthGPerL,
        scaleStepG: 0.01,
      });
    expect(scaled('honey-broth').parts[0]!.massG).toBeCloseTo(20 / 0.83, 6);
    expect(scaled('malt-broth').parts[0]!.massG).toBeCloseTo(20 / 0.97, 6);
    expect(scaled('honey-broth').dissolved?.sugarPercent).toBeCloseTo(4, 9);
    expect(scaled('honey-broth', 8).warnings).toContain('strength-below-good');
    expect(scaled('honey-broth', 90).warnings).toContain('strength-above-good');
  });

  it('keeps of strained potato only what dissolves', () => {
    const scaled = scaleFormula(formula('potato-dextrose-agar'), {
      vessel: dish,
      count: 50,
      eachMl: 20,
      spare: 0,
    });
    expect(scaled.parts.map((p) => p.roundedG)).toEqual([200, 20, 20]);
    expect(scaled.wetG).toBeCloseTo(1000 + 200 * 0.03 + 20 + 20, 6);
  });

  it('begins an extract with what boils away, a fifth of it, and nothing else', () => {
    const potato = formula('kitchen-potato-agar');
    const scaled = scaleFormula(potato, { vessel: dish, count: 20, eachMl: 20, spare: 0 });
    expect(scaled.waterRoundedG).toBe(500);
    expect([scaled.waterG, scaled.dissolved?.volumeMl]).toEqual([400, 400]);
    // 15 to 25 % of it gone leaves 375 to 425 ml.
    expect(scaled.dissolved?.startMl).toBe(500);
    expect(scaled.parts.find((p) => p.material.id === 'agar')!.roundedG)
      .withContext('on what is left')
      .toBe(9);
    expect(scaled.predictedMoisture).toBeCloseTo(scaled.moisture, 2);
    const words = reasonForWater(potato, scaled).steps.map((s) => `${s.text}: ${s.result}`);
    expect(words).toContain('20 % of it boil away in 30 min, so begin with: 500 ml');
    const malt = scaleFormula(formula('malt-agar'), { vessel: dish, count: 20, eachMl: 20, spare: 0 });
    expect([malt.waterRoundedG, malt.dissolved?.startMl]).toEqual([400, undefined]);
  });

  it('warns when the scale is too coarse for a gram of yeast', () => {
    const target = { vessel: dish, count: 20, spare: 0.1 };
    expect(scaleFormula(formula('malt-yeast-agar'), { ...target, scaleStepG: 1 }).warnings).toContain(
      'scale-too-coarse',
    );
    expect(scaleFormula(formula('malt-yeast-agar'), { ...target, scaleStepG: 0.01 }).warnings).toEqual([]);
  });

  it('says what rounding does to the percentages', () => {
    const scaled = scaleFormula(formula('malt-yeast-agar'), {
      vessel: dish,
      count: 20,
      spare: 0.1,
      scaleStepG: 1,
    });
    const yeast = scaled.parts.find((p) => p.material.id === 'yeast-extract')!;
    expect(yeast.massG).toBeCloseTo(0.44, 9);
    expect(yeast.roundedG).toBe(0);
    expect(yeast.wantedPercent).toBeCloseTo(0.1, 9);
    expect(yeast.roundedPercent).toBe(0);
  });

  it('refuses a bottle above half, a dish that would spill and a strength that is none', () => {
    const agar = formula('malt-agar');
    expect(() => scaleFormula(agar, { vessel: bottle, count: 1, eachMl: 300 })).toThrowMatching(
      outOfRange({ field: 'inEach', of: '500 ml bottle' }, { min: 1, max: 250, value: 300 }),
    );
    expect(() => scaleFormula(agar, { vessel: dish, count: 1, eachMl: 90 })).toThrowMatching(
      outOfRange({ field: 'inEach', of: '90 mm dish' }),
    );
    expect(() => scaleFormula(agar, { vessel: dish, count: 1, strengthGPerL: 0 })).toThrowMatching(
      outOfRange('strength', { min: 1, max: 120, value: 0 }),
    );
    expect(() => scaleFormula(agar, { vessel: dish, count: 1, eachMl: NaN })).toThrowMatching(
      outOfRange({ field: 'inEach', of: '90 mm dish' }),
    );
  });

  it('is linear in the number of dishes, and gives the same per vessel as per batch', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...formulas),
        fc.integer({ min: 1, max: 250 }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (f, count, spare) => {
          const once = scaleFormula(f, { vessel: dish, count, spare });
          const twice = scaleFormula(f, { vessel: dish, count: count * 2, spare });
          expect(twice.waterG).toBeCloseTo(2 * once.waterG, 6);
          expect(twice.wetG).toBeCloseTo(2 * once.wetG, 6);
          expect(twice.vesselWetG).toBeCloseTo(once.vesselWetG, 6);
          expect(once.vesselWetG * count * (1 + spare)).toBeCloseTo(once.wetG, 6);
        },
      ),
    );
  });

  it('doses what is left after boiling: 400 ml that were 600 take 10 g at 2.5 %, not 15', () => {
    const agarIn = (ml: number) => doseFor(formula('water-agar'), ml, 25, 0.1)[0]!.roundedG;
    expect(agarIn(600)).toBe(15);
    expect(agarIn(400)).toBe(10);
    expect(() => doseFor(formula('water-agar'), 0)).toThrowMatching(outOfRange('volume', { min: 1 }));
  });

  it('explains every amount up to the number itself', () => {
    for (const f of formulas) {
      const scaled = scaleFormula(f, { vessel: vessel('bottle-1000'), count: 3, eachMl: 400 });
      scaled.parts.forEach((part, i) => {
        const last = [...reasonForPart(f, scaled, i).steps].reverse().find((s) => s.result.includes(' g'))!;
        expect(last.result).withContext(`${f.id} ${part.material.id}`).toMatch(/ g$/);
      });
      expect(reasonForWater(f, scaled).steps[0]!.result.replace(/\D/g, '')).toBe('1200');
      expect(reasonForWater(f, scaled).steps.at(-1)!.result.replace(/\D/g, '')).toBe(
        String(Math.round(scaled.dissolved?.startMl ?? scaled.waterG)),
      );
    }
  });
});

describe('bottles and dishes', () => {
  it('split a volume over as few bottles as stay under their limit, and lose nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20_000, noNaN: true }),
        fc.constantFrom(...vessels.filter((v) => v.kind === 'bottle')),
        (ml, type) => {
          const { count, eachMl } = splitIntoBottles(ml, type);
          expect(count * eachMl).toBeCloseTo(ml, 6);
          expect(eachMl).toBeLessThanOrEqual(type.capacityMl * type.fillLimit + 1e-6);
          expect(count === 1 || ml / (count - 1) > type.capacityMl * type.fillLimit - 1e-6).toBeTrue();
        },
      ),
    );
  });

  it('take a whole number of bottles where the volume is one: half a liter is two of 250 ml', () => {
    const bottle = vessels.find((v) => v.id === 'bottle-500')!;
    expect(splitIntoBottles(500, bottle)).toEqual({ vessel: bottle, count: 2, eachMl: 250 });
    expect(splitIntoBottles(501, bottle).count).toBe(3);
    // 0.1 + 0.2 is a little more than 0.3 to a computer, and no third bottle.
    expect(splitIntoBottles((0.1 + 0.2) * 1000, { ...bottle, capacityMl: 300 }).count).toBe(2);
  });

  it('answer both ways: 400 ml fill 14 of 20 dishes; 20 take 570 ml', () => {
    expect(pourOut({ volumeMl: 400, eachMl: 25.7, wanted: 20, spare: 0.1 })).toEqual({
      filled: 14,
      neededMl: 570,
    });
    expect(pourOut({ volumeMl: 570, eachMl: 25.7, wanted: 20, spare: 0.1 }).filled).toBe(20);
    expect(pourOut({ volumeMl: 0, eachMl: 20, wanted: 20, spare: 0 }).filled).toBe(0);
    expect(() => pourOut({ volumeMl: -1, eachMl: 20, wanted: 20, spare: 0 })).toThrowMatching(
      outOfRange('volume'),
    );
  });

  it('tell how many jars the grain that is there fills', () => {
    expect(vesselsFrom(990, 1980, 8)).toBe(4);
    expect(vesselsFrom(989, 1980, 8)).toBe(3);
    expect(vesselsFrom(9000, 1980, 8)).toBe(8);
    expect(vesselsFrom(0, 1980, 8)).toBe(0);
    expect(() => vesselsFrom(NaN, 1980, 8)).toThrowMatching(outOfRange('amountThere'));
  });

  it('are named in the plural, and what cultures come in is not filled here', () => {
    expect([...vessels, ...cultureVesselTypes(AT)].map((v) => v.plural)).toContain('90 mm dishes');
    vessels.forEach((v) => expect(v.plural).toBe(pluralOf(v.name)));
    expect(vessels.every(isFilledHere)).toBeTrue();
    expect(cultureVesselTypes(AT).some(isFilledHere)).toBeFalse();
  });

  it('turn depth into volume and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 14, noNaN: true }),
        fc.double({ min: 30, max: 200, noNaN: true }),
        (mm, wide) => {
          expect(pourDepthMm(pourVolumeMl(mm, wide), wide)).toBeCloseTo(mm, 9);
        },
      ),
    );
  });

  it('offer liquid malt by solids and by the school of one and a half', () => {
    expect(liquidMaltFor(20).bySolidsG).toBeCloseTo(24.25, 9);
    expect(liquidMaltFor(20).bySchoolG).toBe(30);
    expect(() => liquidMaltFor(-1)).toThrowMatching(outOfRange('driedMalt'));
  });
});
