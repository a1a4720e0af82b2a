import {
  auditFormula,
  formulaFromAudit,
  resolveFormula,
  scaleFormula,
  shippedMaterials,
  shippedVesselTypes,
  type AuditLine,
} from '../../index.js';

const grams = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)));

/** A line in short: what it is and how many grams; "?" for what it asks, "+" for water that no line names. */
function inShort({ massG, match, problem, isAside, isBath, isTaken }: AuditLine): string {
  if (isAside) {
    return '(aside)';
  }
  if (problem !== undefined) {
    return `? ${problem}`;
  }
  const id = match?.kind === 'material' ? match.material.id : 'water';
  return `${isTaken ? '+' : ''}${id} ${grams(massG ?? NaN)}${isBath ? ' (bath)' : ''}`;
}

/** What each text must give, line by line; where it begins with "?", what its question holds. Masses by the shipped densities. */
const TEXTS: readonly (readonly [text: string, ...lines: string[]])[] = [
  // Numbers in words.
  ['two cups wheat bran', 'wheat-bran 116'],
  ['a cup of wheat bran', 'wheat-bran 58'],
  ['half a cup of gypsum', 'gypsum 106'],
  ['one and a half cups wheat bran', 'wheat-bran 87'],
  ['a cup and a half of wheat bran', 'wheat-bran 87'],
  ['three quarters of a cup wheat bran', 'wheat-bran 43'],
  ['a couple of tablespoons of gypsum', 'gypsum 27'],
  ['a dozen cups of water', 'water 2839'],
  ['3 and 1/2 cups water', 'water 828'],
  ['a pinch of gypsum', 'gypsum 0.3'],
  ['2 heaped tbsp wheat bran', 'wheat-bran 11'],
  ['2 heaping tablespoons of wheat bran', 'wheat-bran 11'],
  ['1 scant cup wheat bran', 'wheat-bran 52'],
  ['1 Tb gypsum', 'gypsum 13'],
  ['1 T gypsum', 'gypsum 13'],
  ['2 tblsp gypsum', 'gypsum 27'],
  ['1 tsp. gypsum', 'gypsum 4.4'],
  // Amounts of two parts.
  ['1 tbsp + 1 tsp gypsum', 'gypsum 18'],
  ['¼ cup + 1 tbsp wheat bran', 'wheat-bran 18'],
  ['2 cups and 3 tbsp wheat bran', 'wheat-bran 127'],
  ['2 lb 3 oz hardwood pellets', 'hardwood-pellets 992'],
  ['1 kg 200 g hardwood pellets', 'hardwood-pellets 1200'],
  ['gypsum, 1 tbsp', 'gypsum 13'],
  // Several in one line.
  ['2 cups wheat bran and 1 tbsp gypsum', 'wheat-bran 116', 'gypsum 13'],
  ['1 kg wheat straw + 100 g gypsum', 'wheat-straw 1000', 'gypsum 100'],
  [
    '5 cups hardwood pellets, 1 1/4 cup wheat bran, 1.4 L water',
    'hardwood-pellets 769',
    'wheat-bran 72',
    'water 1400',
  ],
  ['200 g rye; 10 g gypsum & 180 ml water', 'rye 200', 'gypsum 10', 'water 180'],
  // Ratios.
  ['1:1 coir and vermiculite by volume', 'coir 9.0', 'vermiculite 11'],
  ['coir and vermiculite 1:1 by volume', 'coir 9.0', 'vermiculite 11'],
  ['4:1 hardwood pellets to wheat bran by weight', 'hardwood-pellets 400', 'wheat-bran 100'],
  ['1:1:1 coir, peat and vermiculite', 'coir 100', 'peat 100', 'vermiculite 100'],
  ['equal parts coir and vermiculite by volume', 'coir 9.0', 'vermiculite 11'],
  ['coir, peat and vermiculite in equal parts', 'coir 100', 'peat 100', 'vermiculite 100'],
  ['wheat straw : wheat bran 9:1', 'wheat-straw 900', 'wheat-bran 100'],
  ['1:2 coir', '? speaks of 2, and 1 is named: coir'],
  ['4 parts coir by volume\n4 parts water', 'coir 36', 'water 400'],
  // What stands in brackets is surer.
  ['1 tbsp (15 g) gypsum', 'gypsum 15'],
  ['gypsum 1 tbsp (15 g)', 'gypsum 15'],
  ['2 cups (about 120 g) wheat bran', 'wheat-bran 120'],
  ['1 coir brick (650 g)', 'coir 650'],
  ['3 coir bricks (650 g each)', 'coir 1950'],
  ['2 x 650 g coir', 'coir 1300'],
  ['650g coco coir brick', 'coir 650'],
  ['a 650 g brick of coir', 'coir 650'],
  // Ranges.
  ['5-6 cups hardwood pellets', 'hardwood-pellets 846'],
  ['5 to 6 cups hardwood pellets', 'hardwood-pellets 846'],
  ['2–3 tbsp gypsum', 'gypsum 33'],
  // By the liter.
  ['20 g agar\n20 g light malt extract\nWater to 1 liter', 'agar 20', 'malt-dry 20', 'water 987'],
  ['20 g agar\ntop up to 500 ml with water', 'agar 20', 'water 500'],
  ['per liter:\n20 g agar\n20 g malt', '(aside)', 'agar 20', 'malt-dry 20', '+water 1000'],
  ['for 500 ml\n10 g agar', '(aside)', 'agar 10', '+water 500'],
  ['20 g/l agar\n20 g/l malt', 'agar 20', 'malt-dry 20', '+water 1000'],
  ['20 g agar per liter\n500 ml water', 'agar 10', 'water 500'],
  ['1 tbsp gypsum per quart of water', 'gypsum 14', '+water 1000'],
  ['4 g malt per 100 ml\n600 ml water', 'malt-dry 24', 'water 600'],
  ['20 g agar\n20 g honey', 'agar 20', 'honey 20', '? No water is named'],
  // Water that is poured off, and water that is taken up.
  ['2 kg wheat straw in 50 gallons of lime water', 'wheat-straw 2000', 'water 189271 (bath)', '+water 4286'],
  ['2 kg wheat straw soaked in 20 l water', 'wheat-straw 2000', 'water 20000 (bath)', '+water 4286'],
  ['1 kg rye\n2 l water to soak', 'rye 1000', 'water 2000 (bath)', '+water 760'],
  ['3 lb wheat, 2 tbsp gypsum', 'wheat 1361', 'gypsum 27', '+water 1061'],
  ['1 kg hardwood pellets\nwater to field capacity', 'hardwood-pellets 1000', 'water 1421'],
  ['1 kg hardwood pellets, water until field capacity', 'hardwood-pellets 1000', 'water 1421'],
  // Jars.
  ['1 qt jar of rye', '? a jar of dry grain, or a jar filled with ready grain?'],
  ['6 pint jars of dry rye', 'rye 2047', '+water 1556'],
  ['2 quart jars of soaked rye', 'rye 477', '+water 362'],
  // Headings, notes.
  ['For the block:\n1 kg hardwood pellets\n1 l water', '(aside)', 'hardwood-pellets 1000', 'water 1000'],
  [
    '1 kg hardwood pellets\n1 l water\nMix well and let it stand overnight.',
    'hardwood-pellets 1000',
    'water 1000',
    '(aside)',
  ],
  ['1 kg rye\nMakes 6 quarts', 'rye 1000', '(aside)', '+water 760'],
  ['1 kg rye\nNote: do not overcook', 'rye 1000', '(aside)', '+water 760'],
  // Marks in numbers.
  ['1,500 g hardwood pellets', 'hardwood-pellets 1500'],
  ['1.000 kg hardwood pellets', 'hardwood-pellets 1000'],
  ['1,5 kg hardwood pellets', 'hardwood-pellets 1500'],
  ["1'500 g hardwood pellets", 'hardwood-pellets 1500'],
  ['1 500 g hardwood pellets', 'hardwood-pellets 1500'],
  // What cannot be used is said with the words that were not understood.
  ['2 cans malt', '? “cans” has no fixed size'],
  ['wheat bran', '? No amount: say how much wheat bran'],
  ['-3 cups wheat bran', '? must be 0 or more'],
  ['12 gypsum', '? 12 of what measure?'],
  ['100 g fairy dust', '? What is “fairy dust”?'],
  // Written once the reader stood.
  ['Agar: 10 g\nwater: 500 ml', 'agar 10', 'water 500'],
  ['light malt extract - 20 g\n1 l water', 'malt-dry 20', 'water 1000'],
  ['500mL of water', 'water 500'],
  ['0,5 g yeast extract\n1 l water', 'yeast-extract 0.5', 'water 1000'],
  ['.5 g yeast extract\n1 l water', 'yeast-extract 0.5', 'water 1000'],
  ['5 lbs rye berries', 'rye 2268', '+water 1724'],
  ['5lb rye berries, 2.5 lb water', 'rye 2268', 'water 1134'],
  ['20 lb. hardwood fuel pellets', 'hardwood-pellets 9072'],
  ['1.5 gal water', 'water 5678'],
  ['8 qt hot water', 'water 7571'],
  ['3 1/2 L boiling water', 'water 3500'],
  ['1 bag (40 lb) hardwood pellets', 'hardwood-pellets 18144'],
  ['one 650 gram coir brick', 'coir 650'],
  ['8 cups vermiculite (about 2 quarts)', 'vermiculite 208'],
  ['1 cup gypsum (optional)', 'gypsum 213'],
  ['gypsum (1 cup)', 'gypsum 213'],
  ['Gypsum – 1 cup', 'gypsum 213'],
  ['50/50 coir and vermiculite', 'coir 5000', 'vermiculite 5000'],
  ['50:50 coir vermiculite by volume', 'coir 450', 'vermiculite 550'],
  ['80% hardwood sawdust, 20% wheat bran', 'hardwood-sawdust 8000', 'wheat-bran 2000'],
  ['80 % hardwood sawdust / 20 % wheat bran', 'hardwood-sawdust 8000', 'wheat-bran 2000'],
  ['78% hardwood sawdust 20% wheat bran 2% gypsum', 'hardwood-sawdust 7800', 'wheat-bran 2000', 'gypsum 200'],
  ['hardwood sawdust 4 parts', 'hardwood-sawdust 400'],
  ['one part rice flour, two parts vermiculite', 'rice-flour 100', 'vermiculite 200'],
  ['2/3 cup brown rice flour per jar', 'rice-flour 107'],
  ['for each jar: 2 cups vermiculite', 'vermiculite 52'],
  ['4 tsp honey in 500 ml of water', 'honey 28', 'water 500'],
  ['1 tbsp honey to 600 ml water', 'honey 21', 'water 600'],
  ['40 g honey dissolved in 1 l water', 'honey 40', 'water 1000'],
  ['1 l water with 20 g malt', 'water 1000', 'malt-dry 20'],
  ['20 g malt to a liter of water', 'malt-dry 20', 'water 1000'],
  ['For 1 litre: 20g agar, 20g malt', '(aside)', 'agar 20', 'malt-dry 20', '+water 1000'],
  [
    '20 grams of agar, 20 grams of malt, 2 grams yeast, 1 litre water',
    'agar 20',
    'malt-dry 20',
    'nutritional-yeast 2.0',
    'water 1000',
  ],
  ['straw, 5 kg dry', 'wheat-straw 5000'],
  ['5 kg straw, chopped', 'wheat-straw 5000'],
  ['500 g dry coir + 2.5 l water', 'coir 500', 'water 2500'],
  ['soak 5 lb rye in 2 gallons of water', 'rye 2268', 'water 7571 (bath)', '+water 1724'],
  ['5 lb rye\nsoak in 2 gallons of water', 'rye 2268', 'water 7571 (bath)', '+water 1724'],
  ['5 lb rye\nboil it in 8 l of water', 'rye 2268', 'water 8000 (bath)', '+water 1724'],
  ['add 2 tbsp gypsum', 'gypsum 27'],
  ['and 1 tbsp gypsum', 'gypsum 13'],
  ['1. 5 lb rye', 'rye 2268', '+water 1724'],
  ['[ ] 2 tbsp gypsum', 'gypsum 27'],
  ['2 tbsp. gypsum (calcium sulfate)', 'gypsum 27'],
  ['2-ish cups wheat bran', 'wheat-bran 116'],
  ['2 ½ cups wheat bran', 'wheat-bran 145'],
  ['2 & 1/2 cups wheat bran', 'wheat-bran 145'],
  ['two and a quarter cups wheat bran', 'wheat-bran 130'],
  ['1/4 c wheat bran', 'wheat-bran 14'],
  ['1 packed cup peat moss', 'peat 35'],
  ['16 fl. oz. water', 'water 473'],
  ['16 oz water', 'water 454'],
  ['6 or 7 cups water', 'water 1538'],
  ['up to 2 cups water', 'water 473'],
  ['12 quarts of rye', 'rye 8188', '+water 6223'],
  ['quart jar rye grain', '? a jar of dry grain, or a jar filled with ready grain?'],
  ['1lb 8oz rye', 'rye 680', '+water 517'],
  ['sterilize 2.5 hours at 15 psi', '(aside)'],
  ['15 psi for 90 minutes', '(aside)'],
  ['Hydrate to 60%', '(aside)'],
  ['salt to taste', '? “to taste” says no amount'],
  ['hot water (just enough)', '? “just enough” says no amount'],
  ['1 bale straw', '? “bale” has no fixed size'],
  ['6 cups oat bran or wheat bran', '? What is “oat bran or wheat bran”?'],
  ['1 cup', '? says how much, but not of what'],
  ['5# rye', 'rye 2268', '+water 1724'],
];

describe('a recipe as people write it', () => {
  for (const [text, ...expected] of TEXTS) {
    it(`is read: “${text.replaceAll('\n', ' / ').slice(0, 70)}”`, () => {
      const told = auditFormula(text).lines.map(inShort);
      const asTold = expected.map((line, i) =>
        line.startsWith('?') && told[i]?.startsWith('?') && told[i].includes(line.slice(2)) ? told[i] : line,
      );
      expect(told).toEqual(asTold);
    });
  }

  it('shows both ends of a range', () => {
    const [line] = auditFormula('5-6 cups hardwood pellets').lines;
    expect(line!.rangeG!.map(Math.round)).toEqual([769, 923]);
    expect(line!.note).toContain('5 to 6');
  });

  it('says what it took where a number, a spoon or a liter could be read otherwise', () => {
    const note = (text: string) =>
      auditFormula(text)
        .lines.map((l) => l.note)
        .join(' ');
    expect(note('1,500 g rye')).toContain('“1,500” is read as 1500');
    expect(note('1.000 kg rye')).toContain('is read as 1, not as 1 thousand');
    expect(note('a pinch of gypsum')).toContain('sixteenth of a teaspoon');
    expect(note('2 heaped tbsp wheat bran')).toContain('one and a half level');
    expect(note('20 g/l agar')).toContain('No water is named: 1 l is taken');
    expect(note('1 tbsp (15 g) gypsum')).toContain('in brackets');
    expect(note('3 lb wheat')).toContain('taken as soaked');
    expect(note('Mix well and let it stand overnight.')).toContain('left out');
  });

  it('takes an answer to what a jar holds', () => {
    const answered = (answer: string) =>
      auditFormula('1 qt jar of rye', { answers: { 'jar of rye': answer } }).lines[0]!;
    expect(Math.round(answered('dry').massG!)).toBe(682);
    expect(Math.round(answered('ready').massG!)).toBe(238);
    const asked = auditFormula('1 qt jar of rye').lines[0]!.question!;
    expect(asked.key).toBe('jar of rye');
    expect(asked.choices.map((c) => c.answer)).toEqual(['dry', 'ready']);
  });

  it('is not judged before every line of it is read', () => {
    const half = auditFormula('1 kg oak pellets\n150 g bran\n1.6 kg water');
    expect(half.isWhole).toBeFalse();
    expect(half.findings).toEqual([]);
    expect(half.lines.map((l) => l.massG)).toEqual([1000, undefined, 1600]);
    const whole = auditFormula('For six:\n1 kg oak pellets\n150 g wheat bran\n1.6 kg water');
    expect(whole.isWhole).toBeTrue();
    expect(whole.treatment.treatment).toBe('sterilize');
  });

  it('of grain alone is soaked grain: what it makes, and the formula that it is kept as', () => {
    const at = '2026-01-01T00:00:00.000Z';
    const audit = auditFormula('3 lb wheat, 2 tbsp gypsum');
    expect(audit.moisture).toBeCloseTo(0.5, 6);
    expect(audit.makes).toBe('about 5.8 quart jars');
    expect(audit.findings).toEqual([]);
    const formula = formulaFromAudit(audit, { id: 'own', name: 'Own', updatedAt: at });
    const quart = shippedVesselTypes(at).find((v) => v.id === 'quart-jar')!;
    const one = scaleFormula(resolveFormula(formula, shippedMaterials(at)), { vessel: quart, count: 1 });
    expect(one.moisture).toBeCloseTo(0.5, 6);
    // A quart two thirds full is 420 g of ready grain, of which half is dry: 238 g as bought, gypsum counted.
    expect(one.parts.reduce((sum, p) => sum + p.massG, 0)).toBeCloseTo(238, 0);
  });

  it('keeps what stands on two lines as one part', () => {
    const identity = { id: 'own', name: 'Own', updatedAt: '2026-01-01T00:00:00.000Z' };
    const formula = formulaFromAudit(auditFormula('1 kg rye\n500 g rye\n20 g gypsum\n1 l water'), identity);
    expect(formula.parts.map((p) => p.materialId)).toEqual(['rye', 'gypsum']);
  });
});
