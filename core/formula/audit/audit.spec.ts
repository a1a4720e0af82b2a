import fc from 'fast-check';
import {
  auditFormula,
  convert,
  formatAmount,
  formulaFromAudit,
  phraseOf,
  readLine,
  resolveFormula,
  scaleFormula,
  shippedFormulas,
  shippedMaterials,
  shippedVesselTypes,
  vesselsFor,
  UNITS,
  type Material,
  type UnitName,
} from '../../index.js';
import { outOfRange, refused } from '../../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const materials = shippedMaterials(AT);
const vessels = shippedVesselTypes(AT);
const vessel = (id: string) => vessels.find((v) => v.id === id)!;
const codes = (text: string, options = {}) => auditFormula(text, options).findings.map((f) => f.code);

describe('reading a line', () => {
  const good: readonly [text: string, value: number, unit: string, what: string][] = [
    ['5 cups hardwood pellets', 5, 'cup', 'hardwood pellets'],
    ['1 1/4 cup wheat bran', 1.25, 'cup', 'wheat bran'],
    ['1.4 L water', 1.4, 'l', 'water'],
    ['½ cup gypsum', 0.5, 'cup', 'gypsum'],
    ['1/2 cup gypsum', 0.5, 'cup', 'gypsum'],
    ['1,5 kg straw', 1.5, 'kg', 'straw'],
    ['2 tbsp honey', 2, 'tbsp', 'honey'],
    ['2 Tbsp. honey', 2, 'tbsp', 'honey'],
    ['2 T honey', 2, 'tbsp', 'honey'],
    ['2 t honey', 2, 'tsp', 'honey'],
    ['2 TSP honey', 2, 'tsp', 'honey'],
    ['500 cc water', 500, 'ml', 'water'],
    ['500ml water', 500, 'ml', 'water'],
    ['4 quarts vermiculite', 4, 'quart', 'vermiculite'],
    ['2 litres of water', 2, 'l', 'water'],
    ['1.8# pellets', 1.8, 'lb', 'pellets'],
    ['200 gr agar', 200, 'g', 'agar'],
    ['• 2 cups bran', 2, 'cup', 'bran'],
    ['- 2 cups bran', 2, 'cup', 'bran'],
    ['about 2 cups bran', 2, 'cup', 'bran'],
    ['1 400 ml water', 1400, 'ml', 'water'],
    ['honey, 1 tbsp', 1, 'tbsp', 'honey'],
    ['250 mg yeast', 0.25, 'g', 'yeast'],
  ];
  for (const [text, value, unit, what] of good) {
    it(`understands “${text}”`, () => {
      const line = readLine(text);
      expect(line.problem).toBeUndefined();
      expect(line.amount).toEqual({
        kind: 'unit',
        value: jasmine.anything() as never,
        unit: unit as UnitName,
      });
      expect(line.amount.kind === 'unit' ? line.amount.value : NaN).toBeCloseTo(value, 9);
      expect(line.what).toBe(what);
    });
  }

  const bad: readonly [text: string, problem: RegExp][] = [
    ['12 gypsum', /12 of what measure\? Add a unit/],
    ['water', /No amount: say how much water/],
    ['1/2 cup', /says how much, but not of what/],
    ['-3 cups bran', /must be 0 or more/],
    ['2 cans malt', /“cans” has no fixed size/],
    ['a handful of salt', /“handful” has no fixed size/],
    ['x'.repeat(300), /200 letters/],
  ];
  for (const [text, problem] of bad) {
    it(`says what is wrong with “${text.slice(0, 20)}”`, () => {
      expect(readLine(text).problem).toMatch(problem);
    });
  }

  it('says how it read thousands and ranges', () => {
    expect(readLine('1,400 ml water').note).toContain('1400');
    expect(readLine('3-4 cups water').note).toContain('3.5');
    expect(readLine('20 g/l malt').amount).toEqual({ kind: 'perLiter', value: 20, unit: 'g' });
    expect(readLine('4 parts coir').amount).toEqual({ kind: 'parts', value: 4 });
  });

  it('reads back every amount that is written, in every unit of mass and volume', () => {
    const kitchen = (Object.keys(UNITS) as UnitName[]).filter(
      (u) => ['mass', 'volume'].includes(UNITS[u].kind) && u !== 'metricCup' && u !== 'imperialPint',
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...kitchen),
        fc.integer({ min: 1, max: 999_999 }),
        fc.integer({ min: 0, max: 3 }),
        (unit, n, places) => {
          const value = n / 10 ** places;
          const { amount } = readLine(`${formatAmount(value, unit)} wheat bran`);
          expect(amount.kind).toBe('unit');
          if (amount.kind === 'unit') {
            expect(convert(amount.value, amount.unit, unit)).toBeCloseTo(value, 6);
          }
        },
      ),
    );
  });
});

describe('finding the material', () => {
  const match = (text: string, options = {}) => auditFormula(`100 g ${text}`, options).lines[0]!.match!;

  it('knows the names that people use', () => {
    const known: Readonly<Record<string, string>> = {
      'wheat berries': 'wheat',
      'Hardwood fuel pellets': 'hardwood-pellets',
      'oat bran': 'oat-bran',
      milo: 'sorghum',
      'soy hulls': 'soy-hull',
      'light malt extract': 'malt-dry',
      'liquid malt extract': 'malt-liquid',
      'organic whole oats (cheap)': 'oats',
      'Barley, hulled': 'barley-hulled',
      potatoes: 'potato',
      'coco coir': 'coir',
      'agar-agar powder': 'agar',
    };
    for (const [words, id] of Object.entries(known)) {
      const found = match(words);
      expect(found.kind === 'material' ? found.material.id : found.kind)
        .withContext(words)
        .toBe(id);
    }
    expect(match('boiling water').kind).toBe('water');
  });

  it('asks instead of guessing, with the likeliest first', () => {
    for (const words of ['bran', 'pellets', 'coffee creamer', 'wheat straw pellets deluxe', 'fairy dust']) {
      expect(match(words).kind).withContext(words).toBe('unknown');
    }
    const bran = match('bran');
    expect(bran.kind === 'unknown' && bran.candidates.some((m) => m.id === 'wheat-bran')).toBeTrue();
    for (const far of ['blue dye', 'zeolite', 'vitamin b', 'colour']) {
      const guess = match(far);
      const names = guess.kind === 'unknown' ? guess.candidates.map((m) => m.name) : ['known'];
      expect(names)
        .withContext(far)
        .toEqual(far === 'colour' ? ['Food color'] : []);
    }
    const slip = match('weat bran');
    expect(slip.kind === 'unknown' && slip.candidates[0]?.id).toBe('wheat-bran');
  });

  it('takes an answer once it was given, also for water', () => {
    const answered = match('bran', { answers: { bran: 'rice-bran' } });
    expect(answered.kind === 'material' && answered.material.id).toBe('rice-bran');
    expect(match('juice', { answers: { juice: 'water' } }).kind).toBe('water');
    expect(phraseOf('Brans (fresh)')).toBe('bran');
  });

  it('prefers the user’s own copy to what it was copied from', () => {
    const own: Material = { ...materials.find((m) => m.id === 'wheat')!, id: 'wheat-2', copyOf: 'wheat' };
    const found = match('wheat', { materials: [...materials, own] });
    expect(found.kind === 'material' && found.material.id).toBe('wheat-2');
  });
});

describe('auditing a recipe', () => {
  it('turns a block by the cup into grams, moisture, C:N and what it makes', () => {
    const audit = auditFormula('5 cups hardwood pellets, 1 1/4 cup wheat bran, 1.4 L water');
    expect(audit.lines.map((l) => Math.round(l.massG!))).toEqual([769, 72, 1400]);
    expect(audit.stage).toBe('bulk');
    expect(audit.moisture).toBeCloseTo(0.655, 3);
    expect(audit.makes).toBe('about 1 block of 2.3 kg');
    expect(audit.supplementPercent).toBeCloseTo(8.4, 1);
    expect(audit.carbonToNitrogen).toBeGreaterThan(100);
    expect(audit.treatment.treatment).toBe('sterilize');
  });

  it('calls a broth that is twenty-five times too weak so, and does not reject it', () => {
    const audit = auditFormula('1 g dried malt extract\n600 ml water');
    expect(audit.stage).toBe('liquid');
    expect(audit.solidsPercent).toBeCloseTo(0.16, 2);
    const [weak] = audit.findings;
    expect(weak?.code).toBe('far-too-weak');
    expect(weak?.words).toContain('25 times weaker');
    expect(weak?.level).toBe('warn');
  });

  it('finds what is wrong, with threshold and source', () => {
    expect(codes('5 cups hardwood pellets\n6 cups water')).toEqual(['too-wet']);
    expect(codes('100 g honey\n500 ml water')).toContain('too-sweet');
    expect(codes('1 kg pine sawdust\n500 ml water')).toContain('softwood');
    expect(codes('500 g glossy magazines\n1 l water')).toContain('coated');
    expect(codes('1 kg straw\n200 g wheat bran\n3 l water', { treatment: 'pasteurize' })).toContain(
      'unsterilized-supplement',
    );
    expect(codes('1 kg straw\n200 g wheat bran\n3 l water', { treatment: 'sterilize' })).not.toContain(
      'unsterilized-supplement',
    );
    expect(codes('1 kg hardwood pellets\n600 g soybean meal\n2 l water')).toContain('nitrogen-high');
    expect(codes('2 lb rye\n2 lb water', { vessel: vessel('quart-jar'), count: 1 })).toContain('over-full');
    expect(codes('4 g agar\n20 g malt\n1 l water')).toContain('gel-soft');
    expect(codes('1 lb coir\n100 g chalk\n5 lb water')).toContain('lime-is-chalk');
    for (const finding of auditFormula('5 cups hardwood pellets\n6 cups water\n100 g chalk').findings) {
      expect(finding.reason.length).toBeGreaterThan(20);
      expect(finding.source).toMatch(/common practice|from memory/);
    }
  });

  it('lets coir be as wet as coir is, and says why the quoted figure differs', () => {
    const audit = auditFormula('1.4 lb coir, 2 cups vermiculite, 4 tbsp gypsum, 14 cups water');
    expect(audit.moisture).toBeGreaterThan(0.75);
    expect(audit.findings.map((f) => f.code)).toEqual(['quoted-differs']);
    expect(audit.treatment.treatment).toBe('pasteurize');
  });

  it('computes the rest where one line is bad, and says so at that line', () => {
    const noDensity: Material = {
      ...materials[0]!,
      id: 'mystery',
      name: 'Mystery',
      words: [],
      densityGPerL: undefined,
    };
    const audit = auditFormula(
      ['200 g rye', '12 gypsum', 'fairy dust', '2 cups mystery', '100 ml water', '20 ml water', '0 g wheat'],
      { materials: [...materials, noDensity] },
    );
    expect(audit.grams).toBeCloseTo(320, 9);
    expect(audit.lines.map((l) => l.problem !== undefined)).toEqual([
      false,
      true,
      true,
      true,
      false,
      false,
      false,
    ]);
    expect(audit.lines[3]!.problem).toContain('density of mystery is not known');
    expect(audit.lines[5]!.note).toContain('listed again');
    expect(audit.lines[6]!.note).toContain('Nothing of it');
  });

  it('takes what is all water for water', () => {
    const wet: Material = {
      ...materials[0]!,
      id: 'juice',
      name: 'Juice',
      words: [],
      moisture: { value: 1, low: 1, high: 1, source: 'typed' },
    };
    const audit = auditFormula(['100 g juice', '100 g wheat'], { materials: [...materials, wet] });
    expect(audit.moisture).toBeCloseTo((100 + 12) / 200, 9);
  });

  it('takes parts by mass or by volume, but not mixed with measures', () => {
    const byMass = auditFormula('9 parts hardwood pellets\n1 part wheat bran\n14 parts water');
    expect(byMass.grams).toBeCloseTo(2400, 9);
    const byVolume = auditFormula('4 parts vermiculite\n4 parts water', { partsAre: 'volume' });
    expect(byVolume.lines[0]!.massG).toBeCloseTo(44, 9);
    expect(auditFormula('4 parts coir\n1 l water').lines[0]!.problem).toContain('mixed');
    expect(auditFormula('20 g/l malt\n20 g/l agar\n500 ml water').lines[0]!.massG).toBeCloseTo(10, 9);
  });

  it('finds nothing in nothing, takes water alone, and refuses a book', () => {
    expect(auditFormula('').finishedMl).toBeUndefined();
    expect(auditFormula('0 g hardwood sawdust').finishedMl).toBeUndefined();
    expect(auditFormula('')).toEqual(jasmine.objectContaining({ grams: 0, findings: [] }));
    expect(auditFormula('1 l water').moisture).toBe(1);
    expect(auditFormula('1 l water').stage).toBe('liquid');
    expect(auditFormula('1 kg soup')).toEqual(jasmine.objectContaining({ grams: 0 }));
    expect(() => auditFormula(Array.from({ length: 61 }, () => '1 g agar'))).toThrowMatching(
      refused('too-many-lines', { most: 60 }),
    );
    expect(() => auditFormula([{ material: materials[0], massG: -1 }])).toThrowMatching(
      outOfRange({ field: 'mass', of: materials[0]!.name }),
    );
  });

  it('gives a formula back from its own grams', () => {
    const formulas = shippedFormulas(AT).map((f) => resolveFormula(f, materials));
    const target = fc.record({
      formula: fc.constantFrom(...formulas),
      count: fc.integer({ min: 1, max: 40 }),
    });
    fc.assert(
      fc.property(target, ({ formula, count }) => {
        const scaled = scaleFormula(formula, {
          vessel: vesselsFor(formula.stage, vessels)[0]!,
          count,
          scaleStepG: 0.01,
        });
        fc.pre(scaled.waterG >= 0);
        const audit = auditFormula([
          ...scaled.parts.map((p) => ({ material: p.material, massG: p.massG, strained: p.strained })),
          { massG: scaled.waterG },
        ]);
        expect(audit.grams).toBeCloseTo(scaled.wetG, 4);
        expect(audit.moisture).toBeCloseTo(scaled.moisture, 6);
        expect(audit.stage).toBe(formula.stage);
        const back = formulaFromAudit(audit, { id: 'back', name: 'Back', updatedAt: AT });
        const whole = (parts: readonly { share: number }[]) => parts.reduce((s, p) => s + p.share, 0);
        back.parts.forEach((p, i) => {
          const was = formula.parts[i]!;
          expect(p.materialId).toBe(was.material.id);
          expect(p.share / whole(back.parts)).toBeCloseTo(was.share / whole(formula.parts), 4);
        });
        if (back.basis !== 'perLiter') {
          // Shares of a whole, not grams: the parts of a formula are about one each at most.
          back.parts.forEach((p) => expect(p.share).toBeLessThan(1.5));
          expect(back.targetMoisture.value).toBeCloseTo(scaled.moisture, 6);
        }
      }),
    );
  });

  it('of a plate is as strong as its gel, of a broth as what its sugar or malt dissolves to', () => {
    const identity = { id: 'own', name: 'Own', updatedAt: AT };
    const strength = (recipe: string) => {
      const formula = formulaFromAudit(auditFormula(recipe), identity);
      return formula.basis === 'perLiter' ? [formula.strengthOf, formula.strength.value] : [];
    };
    const [gel, gelGPerL] = strength('10 g agar\n15 g dried malt extract\n500 ml water');
    expect(gel).toBe('agar');
    expect(gelGPerL).toBeCloseTo(20, 1);
    // Honey is about 82 % solids by mass (USDA FoodData Central, honey: 17.1 g of water in 100 g).
    const [honey, honeyGPerL] = strength('40 g honey\n1 l water');
    expect(honey).toBe('honey');
    expect(honeyGPerL).toBeGreaterThan(31);
    expect(honeyGPerL).toBeLessThan(34);
    // Sugar leads, malt where there is none, and else what was named first.
    expect(strength('30 g dried malt extract\n5 g table sugar\n1 l water')[0]).toBe('sucrose');
    expect(strength('2 g peptone\n30 g dried malt extract\n1 l water')[0]).toBe('malt-dry');
  });

  it('says how many it fills, and what each gets where that is told', () => {
    const bag = shippedVesselTypes(AT).find((v) => v.id === 'block-bag')!;
    const text = '5 kg hardwood pellets\n1 kg wheat bran\n7 l water';
    const open = auditFormula(text, { vessel: bag }).filling!;
    // By hand: 13 kg in bags of 2 268 g.
    expect(open.fills).toBeCloseTo(13_000 / bag.finishedG!, 9);
    expect(open.each).toBeUndefined();
    const each = auditFormula(text, { vessel: bag, count: 6 }).filling!.each!;
    expect(each.massG).toBeCloseTo(13_000 / 6, 9);
    expect(each.share).toBeCloseTo(13_000 / 6 / 650 / 6, 6);
    const jar = shippedVesselTypes(AT).find((v) => v.id === 'quart-jar')!;
    const broth = auditFormula('24 g honey\n600 ml water', { vessel: jar }).filling!;
    expect(broth.fills).withContext('a quart takes 600 ml of broth').toBeCloseTo(1.03, 1);
  });

  it('tells titles, headings and rules from ingredients, and reads what is optional', () => {
    const audit = auditFormula(
      'Zuzu’s favourite\n# dry part\n5 kg hardwood pellets\n---\n1 kg wheat bran\nOptional: 20 g gypsum\n7 l water',
    );
    expect(audit.lines.map((l) => l.note)).toEqual([
      'A title: left out.',
      'A heading: left out.',
      undefined,
      'A heading: left out.',
      undefined,
      'Optional: counted in.',
      undefined,
    ]);
    expect([audit.isWhole, audit.grams]).toEqual([true, 13_020]);
    const untold = auditFormula('Oat bran\n5 kg hardwood pellets\n7 l water');
    expect(untold.isWhole).withContext('an ingredient without an amount is asked about').toBe(false);
  });

  it('makes of eight quarts of wheat with a twentieth to spare a little over eight', () => {
    // The trade's eight jars: 1 980 g of wheat, 20 g of gypsum, 1 524 g of water taken up.
    expect(auditFormula('1980 g wheat\n20 g gypsum\n1524 g water').makes).toBe('about 8.4 quart jars');
    expect(auditFormula('1134 g hardwood pellets\n1134 g water').makes).toBe('about 1 block of 2.3 kg');
  });

  it('takes straw, paper and manure for light, alone and together, and wood for heavy', () => {
    const gPerL = (recipe: string) => {
      const audit = auditFormula(recipe);
      return (audit.grams / audit.finishedMl!) * 1000;
    };
    const wood = gPerL('1 kg hardwood sawdust\n1 kg water');
    for (const light of [
      '1 kg wheat straw\n1 kg water',
      '1 kg horse manure\n1 kg water',
      '300 g wheat straw\n300 g horse manure\n300 g cardboard\n1 kg water',
    ]) {
      expect(gPerL(light)).withContext(light).toBeLessThan(wood);
    }
    expect(gPerL('1 kg hardwood sawdust\n200 g wheat straw\n1 kg water')).toBeCloseTo(wood, 6);
  });

  it('of a block packs as its own volume says: grams by liters', () => {
    const audit = auditFormula('10 l hardwood sawdust\n1 l wheat bran\n4 kg water');
    const back = formulaFromAudit(audit, { id: 'own', name: 'Own', updatedAt: AT });
    const litres = audit.finishedMl! / 1000;
    expect(back.basis !== 'perLiter' && back.settledGPerL.value).toBeCloseTo(audit.grams / litres, 6);
    const { low, value, high } =
      back.basis !== 'perLiter' ? back.settledGPerL : { low: 0, value: 0, high: 0 };
    expect(low).toBeLessThan(value);
    expect(high).toBeGreaterThan(value);
    // Wet wood in a bag weighs between a third of and as much as water. Common practice, no source.
    expect(audit.grams / litres).toBeGreaterThan(300);
    expect(audit.grams / litres).toBeLessThan(1000);
  });

  it('gives the same from a recipe that is written out, for every shipped formula', () => {
    for (const formula of shippedFormulas(AT).map((f) => resolveFormula(f, materials))) {
      const scaled = scaleFormula(formula, {
        vessel: vesselsFor(formula.stage, vessels)[0]!,
        count: 3,
        scaleStepG: 0.01,
      });
      const lines = scaled.parts.map(
        (p) => `${formatAmount(convert(p.massG, 'g', 'oz'), 'oz')} ${p.material.words![0]!}`,
      );
      const text = [...lines, `${formatAmount(Math.max(0, scaled.waterG) / 1000, 'l')} water`].join('\n');
      const audit = auditFormula(text);
      expect(audit.lines.every((l) => l.problem === undefined))
        .withContext(text)
        .toBeTrue();
      audit.lines.slice(0, -1).forEach((line, i) => {
        const want = scaled.parts[i]!;
        expect(line.match?.kind === 'material' && line.match.material.id)
          .withContext(text)
          .toBe(want.material.id);
        expect(line.massG! / want.massG).toBeCloseTo(1, 4);
      });
    }
  });

  it('knows every shipped material by its name and by all its other names', () => {
    for (const material of materials) {
      for (const name of [material.name, ...material.words!]) {
        const found = auditFormula(`100 g ${name}`).lines[0]!.match;
        expect(found?.kind === 'material' && found.material.id)
          .withContext(name)
          .toBe(material.id);
      }
    }
  });

  it('makes no formula of water, and none per liter without water', () => {
    const identity = { id: 'x', name: 'X', updatedAt: AT };
    expect(() => formulaFromAudit(auditFormula('1 l water'), identity)).toThrowMatching(
      refused('no-ingredient'),
    );
    expect(() => formulaFromAudit(auditFormula('20 g agar'), identity)).toThrowMatching(refused('no-water'));
  });
});
