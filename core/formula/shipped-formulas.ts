import type { Figure, Formula } from '../record/definitions.js';

const PRACTICE = 'common practice, no source';
const MEMORY = 'from memory';
const figure = (value: number, low: number, high: number, source = MEMORY): Figure => ({
  value,
  low,
  high,
  source,
});

const GRAIN_MOISTURE = figure(0.5, 0.45, 0.55, PRACTICE);
/**
 * Grain at 50 % settles to 650 to 710 g/l (common practice). 665 is chosen within, so that a quart at two
 * thirds takes about 236 g of dry grain, the middle of the 225 to 245 g that people weigh.
 */
const GRAIN_SETTLED = figure(665, 650, 710, PRACTICE);
/** From 412 g/l dry, swollen 1.8 to 1.95 times on its way to 50 %. */
const OAT_SETTLED = figure(400, 370, 500);
const WOOD_MOISTURE = figure(0.62, 0.58, 0.65);
const WOOD_SETTLED = figure(650, 600, 700);

/** Solids that gel or feed, g a liter: the strength that the sentence asks for. Common practice, no source. */
const AGAR_STRENGTH = figure(20, 18, 25, PRACTICE);
const BROTH_STRENGTH = figure(40, 20, 50, PRACTICE);

type Parts = Formula['parts'];
type Common = { readonly schemaVersion: 1; readonly updatedAt: string };

/** Formulas that every house starts with; each can be copied and changed. */
export function shippedFormulas(updatedAt: string): readonly Formula[] {
  const common: Common = { schemaVersion: 1, updatedAt };
  return [...plates(common), ...broths(common), ...grains(common), ...bulk(common)];
}

function plates(common: Common): Formula[] {
  const plate = (
    id: string,
    name: string,
    parts: Parts,
    use: string,
    more: Partial<Extract<Formula, { basis: 'perLiter' }>> = {},
  ): Formula => ({
    ...common,
    id,
    name,
    stage: 'agar',
    basis: 'perLiter',
    // Tells one recipe from another: 20 drops to the liter. Common practice, no source.
    parts: [...parts, { materialId: 'food-color', share: 1, note: 'tells plates apart', optional: 'out' }],
    strengthOf: 'agar',
    strength: AGAR_STRENGTH,
    hydration: 'dissolve',
    use,
    source: PRACTICE,
    ...more,
  });
  const agar = { materialId: 'agar', share: 20, note: 'at the boil' };
  const malt = { materialId: 'malt-dry', share: 20, note: 'warm, before the boil' };
  return [
    plate(
      'water-agar',
      'Water agar',
      [agar],
      'Cleans a dirty culture: mycelium outruns the rest where there is no food. Stiffer and drier slows bacteria.',
      {
        strength: figure(20, 15, 25, PRACTICE),
      },
    ),
    plate('malt-agar', 'Malt 2 %', [malt, agar], 'The workhorse: storing, cleaning, growing on.'),
    plate(
      'malt-yeast-agar',
      'Malt and yeast',
      [malt, { materialId: 'yeast-extract', share: 1 }, agar],
      'Richer than malt alone; a cloudier plate.',
    ),
    plate(
      'malt-yeast-peptone-agar',
      'Malt, yeast, peptone',
      [malt, { materialId: 'yeast-extract', share: 1 }, { materialId: 'peptone', share: 1 }, agar],
      'Rich: fast, and as kind to bacteria as to the mycelium.',
    ),
    plate(
      'potato-dextrose-agar',
      'Potato dextrose',
      [
        { materialId: 'potato', share: 200, strained: true, note: 'boiled in the liter, strained' },
        { materialId: 'dextrose', share: 20 },
        agar,
      ],
      'General, and for spores.',
      {
        hydration: 'extract',
        source: 'FDA BAM, medium M127',
        ph: figure(5.6, 5.4, 5.8, 'FDA BAM, medium M127'),
      },
    ),
    plate(
      'kitchen-potato-agar',
      'Kitchen potato',
      [
        { materialId: 'potato', share: 200, strained: true, note: 'simmered 10 to 60 min, strained' },
        { materialId: 'dextrose', share: 5 },
        { ...agar, share: 22 },
      ],
      'For germinating spores; dosed on what is left after straining.',
      { hydration: 'extract', strength: figure(22, 20, 25, PRACTICE), ph: figure(6.2, 6, 6.5, PRACTICE) },
    ),
    plate(
      'fortified-nutrient-agar',
      'Fortified nutrient',
      [
        { materialId: 'nutrient-agar', share: 23.5 },
        { materialId: 'malt-dry', share: 23.5, note: 'as much as the nutrient agar' },
        { materialId: 'yeast-extract', share: 2.5 },
        { materialId: 'potato-starch', share: 5 },
      ],
      'One school for wild clones. Rich in peptone, so kind to bacteria: try water agar or lean malt first.',
      { strengthOf: 'nutrient-agar', strength: figure(23.5, 23, 25, PRACTICE) },
    ),
  ];
}

function broths(common: Common): Formula[] {
  const broth = (id: string, name: string, sugar: Parts[number], use: string, more: Parts = []): Formula => ({
    ...common,
    id,
    name,
    stage: 'liquid',
    basis: 'perLiter',
    parts: [sugar, ...more],
    strengthOf: sugar.materialId,
    strength: BROTH_STRENGTH,
    hydration: 'dissolve',
    use,
    source: PRACTICE,
  });
  // Grams as bought that bring 40 g of solids: 40 ÷ the share of solids in the shipped table.
  return [
    broth(
      'malt-broth',
      'Malt 4 %',
      { materialId: 'malt-dry', share: 41.2 },
      'Feeds well and keeps clear enough to judge.',
    ),
    broth(
      'liquid-malt-broth',
      'Liquid malt 4 %',
      { materialId: 'malt-liquid', share: 50 },
      'As dried malt, by its solids.',
    ),
    broth(
      'honey-broth',
      'Honey 4 %',
      { materialId: 'honey', share: 48.2 },
      'From any kitchen; browns sooner than malt.',
    ),
    broth(
      'syrup-broth',
      'Corn syrup 4 %',
      { materialId: 'corn-syrup', share: 51.9 },
      'Clear: threads and cloud are easy to tell apart.',
    ),
    broth(
      'maple-broth',
      'Maple syrup 4 %',
      { materialId: 'maple-syrup', share: 59.7 },
      'As honey, thinner in the spoon.',
    ),
    broth(
      'molasses-broth',
      'Molasses 4 %',
      { materialId: 'molasses', share: 52.6 },
      'Dark: it feeds, but cloud is hard to see.',
    ),
    broth(
      'dextrose-broth',
      'Dextrose 4 %',
      { materialId: 'dextrose', share: 44 },
      'Clear and even; lean without a little peptone.',
      [{ materialId: 'peptone', share: 1 }],
    ),
    broth(
      'sugar-broth',
      'Table sugar 4 %',
      { materialId: 'sucrose', share: 40 },
      'When nothing else is there; slower.',
      [{ materialId: 'yeast-extract', share: 1 }],
    ),
    broth(
      'malt-peptone-broth',
      'Malt and peptone',
      { materialId: 'malt-dry', share: 41.2 },
      'Quicker; and for bacteria, too.',
      [{ materialId: 'peptone', share: 1 }],
    ),
  ];
}

type SolidFormula = Exclude<Formula, { basis: 'perLiter' }>;

function grains(common: Common): Formula[] {
  const grain = (
    id: string,
    name: string,
    parts: Parts,
    use: string,
    more: Partial<SolidFormula> = {},
  ): Formula => ({
    ...common,
    id,
    name,
    stage: 'grain',
    basis: 'asSupplied',
    parts: [
      ...parts,
      { materialId: 'gypsum', share: 0.01, optional: 'in' },
      // A cup to ten quarts. Common practice, no source.
      { materialId: 'brewed-coffee', share: 0.1, note: 'into the soak', inSoak: true, optional: 'out' },
    ],
    targetMoisture: GRAIN_MOISTURE,
    settledGPerL: GRAIN_SETTLED,
    hydration: 'soak-simmer',
    use,
    source: PRACTICE,
    ...more,
  });
  const one = (materialId: string, share = 1): Parts[number] => ({ materialId, share });
  return [
    grain('wheat-spawn', 'Wheat', [one('wheat')], 'Cheap, forgiving, easy to shake.'),
    grain('rye-spawn', 'Rye', [one('rye')], 'Holds water well; bursts when simmered long.'),
    grain(
      'barley-spawn',
      'Barley, covered',
      [one('barley-covered')],
      'The husk keeps kernels apart; floaters to skim.',
    ),
    grain(
      'hulled-barley-spawn',
      'Barley, hulled',
      [one('barley-hulled')],
      'Soft: it is easily made too wet.',
    ),
    grain('oat-spawn', 'Oats', [one('oats')], 'Light: by volume it is little food. Husks keep it loose.', {
      settledGPerL: OAT_SETTLED,
    }),
    grain(
      'maize-spawn',
      'Maize',
      [one('maize')],
      'Few, large kernels: few points to run from, much food in each.',
    ),
    grain('sorghum-spawn', 'Sorghum', [one('sorghum')], 'Round and firm; many points to run from.'),
    grain('spelt-spawn', 'Spelt', [one('spelt')], 'As wheat; it bursts a little sooner.'),
    grain('triticale-spawn', 'Triticale', [one('triticale')], 'Between wheat and rye, in all.'),
    grain('millet-spawn', 'Millet', [one('millet')], 'The most points to run from; cakes when wet.'),
    grain(
      'bird-seed-spawn',
      'Bird seed mix',
      [one('bird-seed')],
      'Skim the sunflower that floats; fat seeds spoil first.',
    ),
    grain(
      'rice-spawn',
      'Brown rice',
      [one('brown-rice')],
      'Sticky: best with the measured water in the jar.',
      {
        hydration: 'measured-jar',
      },
    ),
    grain(
      'wheat-barley-spawn',
      'Wheat and barley',
      [one('wheat', 0.5), one('barley-covered', 0.5)],
      'Husks between wet kernels.',
    ),
    grain(
      'rye-millet-spawn',
      'Rye and millet',
      [one('rye', 0.7), one('millet', 0.3)],
      'Millet fills the gaps with points to run from.',
    ),
    {
      ...common,
      id: 'rice-broth',
      name: 'Rice for Cordyceps',
      stage: 'grain',
      basis: 'asSupplied',
      parts: [one('brown-rice')],
      // One part of rice to 1.3 to 1.6 parts of thin broth.
      targetMoisture: figure(0.64, 0.61, 0.67),
      settledGPerL: figure(950, 850, 1050),
      hydration: 'measured-jar',
      use: 'It fruits in the jar: rice with a thin broth, cooked together.',
      source: MEMORY,
    },
  ];
}

function bulk(common: Common): Formula[] {
  const mix = (
    id: string,
    name: string,
    parts: Parts,
    use: string,
    more: Partial<SolidFormula> = {},
  ): Formula => ({
    ...common,
    id,
    name,
    stage: 'bulk',
    basis: 'dry',
    parts,
    targetMoisture: WOOD_MOISTURE,
    settledGPerL: WOOD_SETTLED,
    hydration: 'mix',
    use,
    source: PRACTICE,
    ...more,
  });
  const pellets = (share: number): Parts[number] => ({
    materialId: 'hardwood-pellets',
    share,
    note: 'wet first',
  });
  const bran = (share: number): Parts[number] => ({
    materialId: 'wheat-bran',
    share,
    note: 'last, in stages',
  });
  const coir = { targetMoisture: figure(0.78, 0.72, 0.84), settledGPerL: figure(450, 350, 600) };
  return [
    mix('hardwood-bran', 'Hardwood and bran 10 %', [pellets(0.9), bran(0.1)], 'The usual block.'),
    mix(
      'hardwood-bran-lean',
      'Hardwood and bran 5 %',
      [pellets(0.95), bran(0.05)],
      'Safer where cooks are short; a smaller first flush.',
    ),
    mix(
      'hardwood-bran-rich',
      'Hardwood and bran 20 %',
      [pellets(0.8), bran(0.2)],
      'More to eat, for everything that lives: only with a long cook.',
    ),
    mix(
      'hardwood-bran-cups',
      'Hardwood and bran, by the cup',
      // 5 cups of pellets to 1¼ cups of bran with 1.4 l of water: 707 to 65 g of dry matter, 65.5 % water.
      [pellets(0.916), bran(0.084)],
      '5 cups of pellets, 1¼ cups of bran, 1.4 l of water; wetter than by mass.',
      { targetMoisture: figure(0.655, 0.58, 0.66, PRACTICE) },
    ),
    mix(
      'hardwood-hull',
      'Hardwood and soy hull',
      [pellets(0.5), { materialId: 'soy-hull', share: 0.5, note: 'swells: give it time' }],
      'Half and half: heavy flushes, and it must be cooked through.',
      {
        targetMoisture: figure(0.6, 0.57, 0.63, PRACTICE),
      },
    ),
    mix(
      'alder-bran',
      'Alder and bran 10 %',
      [{ materialId: 'alder-chips', share: 0.5, note: 'soak first' }, pellets(0.4), bran(0.1)],
      'Chips keep it open.',
    ),
    mix(
      'straw',
      'Straw',
      [{ materialId: 'wheat-straw', share: 1, note: 'chopped, rinsed' }],
      'For oysters and wine cap; warmed through, not cooked.',
      {
        targetMoisture: figure(0.72, 0.68, 0.75),
        settledGPerL: figure(320, 220, 420),
        hydration: 'soak-drain',
      },
    ),
    mix(
      'coir-vermiculite',
      'Coir and vermiculite',
      [
        { materialId: 'coir', share: 0.9 },
        { materialId: 'vermiculite', share: 0.1 },
      ],
      'Clean and poor: it holds water, the spawn brings the food.',
      coir,
    ),
    mix(
      'coir-vermiculite-gypsum',
      'Coir, vermiculite, gypsum',
      [
        { materialId: 'coir', share: 0.83 },
        { materialId: 'vermiculite', share: 0.08 },
        { materialId: 'gypsum', share: 0.09 },
      ],
      '1.4 lb of coir, 2 cups of vermiculite, 4 tbsp of gypsum, by dry mass.',
      coir,
    ),
    mix(
      'leached-manure',
      'Leached manure blend',
      [
        { materialId: 'leached-manure', share: 0.5, note: 'gloves' },
        { materialId: 'coir', share: 0.3 },
        { materialId: 'wheat-straw', share: 0.17 },
        { materialId: 'gypsum', share: 0.03 },
      ],
      'For button and portobello where compost is not to be had.',
      { targetMoisture: figure(0.7, 0.67, 0.76), settledGPerL: figure(450, 350, 550), source: MEMORY },
    ),
    mix(
      'ready-compost',
      'Ready compost',
      [{ materialId: 'ready-compost', share: 1 }],
      'For button and portobello, under a casing.',
      {
        targetMoisture: figure(0.68, 0.64, 0.72),
        settledGPerL: figure(500, 400, 600),
        source: MEMORY,
      },
    ),
    mix(
      'casing',
      'Casing of peat and lime',
      [
        { materialId: 'peat', share: 0.9 },
        { materialId: 'calcium-carbonate', share: 0.1, note: 'to pH 7 to 7.5' },
      ],
      '3 to 5 cm deep over run compost.',
      {
        targetMoisture: figure(0.74, 0.68, 0.78),
        settledGPerL: figure(600, 500, 700),
        source: MEMORY,
      },
    ),
    mix(
      'paper',
      'Paper and card',
      [
        { materialId: 'cardboard', share: 0.7 },
        { materialId: 'newsprint', share: 0.3 },
      ],
      'Uncoated only; coated paper will not wet.',
      {
        targetMoisture: figure(0.7, 0.65, 0.75),
        settledGPerL: figure(400, 300, 550),
        hydration: 'soak-drain',
        source: MEMORY,
      },
    ),
  ];
}
