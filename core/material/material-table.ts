import type { MaterialFamily, MaterialTrait } from '../record/definitions.js';

/** Default, plausible low, plausible high, and where it comes from (a key of SOURCES; absent: from memory). */
export type Cell = readonly [value: number, low: number, high: number, source?: keyof typeof SOURCES];

/**
 * One ingredient as shipped. Density in g/l as scooped; moisture in % wet basis as supplied; carbon and nitrogen
 * in % of dry mass; dissolved solids and sugar in % of the material as supplied. Ranges are for lots.
 */
export interface MaterialRow {
  readonly id: string;
  readonly name: string;
  readonly family: MaterialFamily;
  /** What recipes call it, in the singular. */
  readonly words: readonly string[];
  readonly density: Cell;
  readonly moisture: Cell;
  readonly carbon: Cell;
  readonly nitrogen: Cell;
  readonly solids?: Cell;
  readonly sugar?: Cell;
  readonly fieldCapacity?: Cell;
  readonly traits?: readonly MaterialTrait[];
}

export const SOURCES = {
  weight: 'US test weight, USDA AH-697',
  food: 'USDA FoodData Central',
  compost: 'NRAES-54 On-Farm Composting Handbook',
  chemical: 'from the chemical formula',
  codex: 'USDA FoodData Central; Codex STAN 12 allows at most 20 % water',
  memory: 'from memory',
} as const;

const NONE: Cell = [0, 0, 0];
const GRAIN_CARBON: Cell = [45, 43, 46];
const GRAIN_MOISTURE: Cell = [12, 10, 14];
const WOOD_CARBON: Cell = [49, 47, 51];
const WOOD_CAPACITY: Cell = [62, 57, 66];
const STRAW_CAPACITY: Cell = [72, 68, 75];
const PAPER_CAPACITY: Cell = [70, 65, 75];
const COIR_CAPACITY: Cell = [78, 72, 86];

type Rest = Omit<MaterialRow, 'id' | 'name' | 'words' | 'density' | 'moisture' | 'carbon' | 'nitrogen'>;

function row(
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  carbon: Cell,
  nitrogen: Cell,
  rest: Rest,
): MaterialRow {
  return { id, name, words: words.split('|').filter(Boolean), density, moisture, carbon, nitrogen, ...rest };
}

const grain = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  nitrogen: Cell,
  moisture = GRAIN_MOISTURE,
  carbon = GRAIN_CARBON,
): MaterialRow => row(id, name, words, density, moisture, carbon, nitrogen, { family: 'grain' });

// prettier-ignore
const GRAINS: readonly MaterialRow[] = [
  grain('wheat', 'Wheat, whole', 'wheat|wheat berry|wheat grain|whole wheat', [772, 740, 820, 'weight'], [2.2, 1.8, 2.6]),
  grain('rye', 'Rye, whole', 'rye|rye berry|rye grain|whole rye', [721, 690, 750, 'weight'], [1.8, 1.5, 2.1]),
  grain('barley-covered', 'Barley, covered', 'covered barley|feed barley|barley in the husk', [618, 580, 680, 'weight'], [1.9, 1.6, 2.2]),
  grain('barley-hulled', 'Barley, hulled', 'hulled barley|pot barley', [778, 740, 810, 'food'], [2.2, 1.9, 2.4], [10, 9, 13]),
  grain('barley-pearl', 'Barley, pearl', 'pearl barley|pearled barley', [845, 800, 880], [1.6, 1.4, 1.8], [10, 9, 13]),
  grain('oats', 'Oats, whole', 'oat|whole oat|oat grain', [412, 400, 540, 'weight'], [1.9, 1.6, 2.3], [12, 9, 14], [46, 44, 47]),
  grain('maize', 'Maize', 'maize|corn|whole corn|feed corn|cracked corn', [721, 700, 760, 'weight'], [1.55, 1.3, 1.7], [13, 10, 15]),
  grain('popcorn', 'Popcorn', 'popcorn|popping corn', [850, 800, 880], [1.7, 1.5, 1.9], [13, 12, 15]),
  grain('sorghum', 'Sorghum', 'sorghum|milo', [721, 700, 810, 'weight'], [1.8, 1.5, 2]),
  grain('millet', 'Millet', 'millet|white millet|red millet', [721, 640, 845], [1.9, 1.7, 2.2], [11, 8, 13]),
  grain('bird-seed', 'Bird seed mix', 'bird seed|wild bird seed|birdseed|seed mix', [660, 550, 740], [2.1, 1.6, 2.6], [10, 8, 13], [47, 45, 52]),
  grain('brown-rice', 'Brown rice', 'brown rice|rice|white rice|rice grain', [790, 760, 850], [1.4, 1.2, 1.6], GRAIN_MOISTURE, [44, 43, 45]),
  grain('spelt', 'Spelt', 'spelt', [740, 690, 790], [2.3, 1.9, 2.7]),
  grain('triticale', 'Triticale', 'triticale', [720, 680, 770], [2, 1.7, 2.3]),
];

const wood = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  nitrogen: Cell,
  traits: readonly MaterialTrait[] = [],
  carbon = WOOD_CARBON,
): MaterialRow =>
  row(id, name, words, density, moisture, carbon, nitrogen, {
    family: 'wood',
    fieldCapacity: WOOD_CAPACITY,
    traits,
  });

// prettier-ignore
const WOODS: readonly MaterialRow[] = [
  wood('hardwood-pellets', 'Hardwood pellets', 'hardwood pellet|hardwood fuel pellet|oak pellet|beech pellet|hwfp', [650, 600, 750], [8, 4, 10], [0.15, 0.05, 0.3]),
  wood('hardwood-sawdust', 'Hardwood sawdust', 'hardwood sawdust|oak sawdust|beech sawdust', [243, 208, 267, 'compost'], [39, 19, 65, 'compost'], [0.24, 0.06, 0.8, 'compost']),
  wood('hardwood-chips', 'Hardwood chips', 'hardwood chip|oak chip|beech chip', [260, 180, 350], [35, 15, 50], [0.09, 0.06, 0.11, 'compost'], [], [50, 47, 51]),
  wood('alder-chips', 'Alder chips', 'alder chip|alder smoking chip|alder', [260, 180, 350], [12, 8, 50], [0.2, 0.1, 0.4], [], [50, 47, 51]),
  wood('softwood-sawdust', 'Softwood sawdust', 'softwood|pine|softwood sawdust|pine sawdust|softwood pellet|pine pellet|spruce|fir|cedar|larch', [220, 180, 260], [25, 8, 60], [0.1, 0.05, 0.2], ['softwood'], [51, 49, 53]),
];

const supplement = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  carbon: Cell,
  nitrogen: Cell,
): MaterialRow => row(id, name, words, density, moisture, carbon, nitrogen, { family: 'supplement' });

// prettier-ignore
const SUPPLEMENTS: readonly MaterialRow[] = [
  supplement('wheat-bran', 'Wheat bran', 'wheat bran', [245, 180, 270, 'food'], [10, 8, 13, 'food'], GRAIN_CARBON, [2.7, 2.4, 2.9]),
  supplement('rice-bran', 'Rice bran', 'rice bran', [420, 320, 500], [9, 6, 12], [46, 44, 50], [2.3, 2, 2.6]),
  supplement('oat-bran', 'Oat bran', 'oat bran', [397, 350, 450, 'food'], [6.6, 5, 10, 'food'], [46, 44, 47], [3, 2.6, 3.3]),
  supplement('soy-hull', 'Soy hull, pelleted', 'soy hull|soy hull pellet|soybean hull|soya hull', [600, 550, 650], [10, 8, 12], [44, 42, 46], [2, 1.6, 2.4]),
  supplement('soybean-meal', 'Soybean meal', 'soybean meal|soy meal|soya meal', [600, 550, 700], [11, 9, 13], [45, 43, 47], [7.6, 7.2, 8.2]),
  supplement('alfalfa-meal', 'Alfalfa meal', 'alfalfa|alfalfa meal|lucerne', [300, 220, 620], [9, 7, 12], [45, 43, 47], [2.7, 2.4, 3.2]),
  supplement('alfalfa-pellets', 'Alfalfa pellets', 'alfalfa pellet|lucerne pellet', [600, 550, 680], [9, 7, 12], [45, 43, 47], [2.7, 2.4, 3.2]),
  supplement('rice-flour', 'Rice flour', 'rice flour|brown rice flour|brf', [680, 600, 780], GRAIN_MOISTURE, [44, 43, 45], [1.3, 1.1, 1.5]),
  supplement('corn-meal', 'Corn meal', 'corn meal|cornmeal|maize meal|polenta', [620, 560, 700], [12, 10, 14], [45, 43, 46], [1.4, 1.2, 1.6]),
  supplement('coffee-grounds', 'Coffee grounds, spent', 'coffee ground|spent coffee ground|used coffee ground', [450, 350, 600], [62, 50, 70], [51, 48, 53], [2.2, 1.8, 2.5]),
];

const fiber = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  carbon: Cell,
  nitrogen: Cell,
  fieldCapacity: Cell,
): MaterialRow =>
  row(id, name, words, density, moisture, carbon, nitrogen, { family: 'fiber', fieldCapacity });

// prettier-ignore
const FIBERS: readonly MaterialRow[] = [
  fiber('wheat-straw', 'Wheat straw, chopped', 'straw|wheat straw|chopped straw|barley straw|oat straw', [80, 40, 135], [12, 4, 27, 'compost'], [46, 42, 49], [0.4, 0.3, 0.5, 'compost'], STRAW_CAPACITY),
  fiber('straw-pellets', 'Straw pellets', 'straw pellet', [600, 500, 700], [9, 6, 13], [46, 42, 49], [0.5, 0.3, 0.8], STRAW_CAPACITY),
  fiber('coir', 'Coir', 'coir|coco coir|coconut coir|coco peat|coir brick', [90, 60, 120], [15, 10, 25], [47, 44, 50], [0.5, 0.3, 0.7], COIR_CAPACITY),
  fiber('peat', 'Peat, for casing', 'peat|peat moss|sphagnum peat', [150, 90, 300], [50, 35, 65], [50, 45, 55], [1, 0.6, 1.5], [72, 68, 80]),
  fiber('cottonseed-hull', 'Cottonseed hull', 'cottonseed hull|cotton seed hull', [190, 150, 250], [9, 7, 12], [47, 45, 49], [0.8, 0.6, 1.1], [66, 60, 70]),
  fiber('rice-hull', 'Rice hull', 'rice hull|rice husk', [120, 110, 130, 'compost'], [14, 7, 14, 'compost'], [38, 36, 42], [0.3, 0, 0.4, 'compost'], [60, 50, 65]),
  fiber('maize-cob', 'Maize cob, crushed', 'corn cob|corncob|maize cob', [330, 250, 450, 'compost'], [15, 9, 18, 'compost'], [47, 45, 49], [0.6, 0.4, 0.8, 'compost'], [64, 60, 70]),
  fiber('sunflower-hull', 'Sunflower hull', 'sunflower hull|sunflower husk', [150, 110, 220], [10, 8, 13], [49, 46, 51], [0.8, 0.5, 1.1], [63, 58, 68]),
];

const manure = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  carbon: Cell,
  nitrogen: Cell,
  traits: readonly MaterialTrait[] = ['selective'],
): MaterialRow =>
  row(id, name, words, density, moisture, carbon, nitrogen, {
    family: 'manure',
    traits,
    fieldCapacity: [68, 62, 74],
  });

// prettier-ignore
const MANURES: readonly MaterialRow[] = [
  manure('horse-manure', 'Horse manure, fresh', 'horse manure|manure', [818, 720, 960, 'compost'], [72, 59, 79, 'compost'], [42, 35, 47], [1.6, 1.4, 2.3, 'compost'], []),
  manure('leached-manure', 'Horse manure, leached', 'leached manure|aged manure|leached horse manure|composted manure|field aged manure', [350, 250, 600], [60, 30, 72], [40, 33, 45], [1.3, 1, 1.8]),
  manure('cattle-manure', 'Cattle manure, fresh', 'cattle manure|cow manure', [865, 785, 993, 'compost'], [81, 67, 87, 'compost'], [42, 35, 46], [2.4, 1.5, 4.2, 'compost'], []),
  manure('poultry-litter', 'Poultry litter', 'poultry litter|chicken manure|poultry manure', [513, 449, 609, 'compost'], [37, 22, 46, 'compost'], [37, 30, 41], [2.7, 1.6, 3.9, 'compost'], []),
  manure('ready-compost', 'Mushroom compost, ready', 'mushroom compost|ready compost|button compost', [500, 400, 600], [68, 64, 72], [34, 30, 38], [2.1, 1.8, 2.4]),
];

const paper = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  carbon: Cell,
  nitrogen: Cell,
  traits: readonly MaterialTrait[] = [],
): MaterialRow =>
  row(id, name, words, density, moisture, carbon, nitrogen, {
    family: 'paper',
    fieldCapacity: PAPER_CAPACITY,
    traits,
  });

// prettier-ignore
const PAPERS: readonly MaterialRow[] = [
  paper('newsprint', 'Newsprint, shredded', 'newsprint|newspaper|shredded paper|paper', [130, 115, 144, 'compost'], [6, 3, 8, 'compost'], [46, 40, 50], [0.1, 0.06, 0.14, 'compost']),
  paper('cardboard', 'Cardboard', 'cardboard|card|corrugated cardboard', [154, 50, 160, 'compost'], [8, 5, 10, 'compost'], [45, 42, 50], [0.1, 0.05, 0.2, 'compost']),
  paper('coated-paper', 'Coated paper', 'coated paper|glossy paper|magazine|glossy magazine|waxed cardboard', [200, 120, 300], [5, 3, 8], [38, 32, 44], [0.1, 0.05, 0.2], ['coated']),
];

const mineral = (
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  rest: Partial<Rest> = {},
  carbon = NONE,
): MaterialRow => row(id, name, words, density, moisture, carbon, NONE, { family: 'mineral', ...rest });

// prettier-ignore
const MINERALS: readonly MaterialRow[] = [
  mineral('gypsum', 'Gypsum', 'gypsum|calcium sulfate|calcium sulphate', [900, 600, 1100], [0.5, 0, 3]),
  mineral('hydrated-lime', 'Hydrated lime', 'hydrated lime|slaked lime|calcium hydroxide|pickling lime', [450, 350, 600], [0.5, 0, 2], { traits: ['buffer'] }),
  mineral('calcium-carbonate', 'Calcium carbonate', 'calcium carbonate|chalk|garden lime|garden limestone|oyster shell', [1000, 700, 1200], [0.3, 0, 1], { traits: ['buffer'] }, [12, 12, 12, 'chemical']),
  mineral('vermiculite', 'Vermiculite', 'vermiculite|verm', [110, 64, 160], [3, 0, 8], {
    fieldCapacity: [76, 70, 82],
  }),
  mineral('perlite', 'Perlite', 'perlite', [100, 60, 150], [1, 0, 3], { fieldCapacity: [65, 55, 75] }),
];

const dissolved = (
  family: MaterialFamily,
  id: string,
  name: string,
  words: string,
  density: Cell,
  moisture: Cell,
  carbon: Cell,
  nitrogen: Cell,
  solids: Cell,
  sugar: Cell = NONE,
): MaterialRow => row(id, name, words, density, moisture, carbon, nitrogen, { family, solids, sugar });

// prettier-ignore
const SUGARS: readonly MaterialRow[] = [
  dissolved('sugar', 'sucrose', 'Table sugar', 'sugar|table sugar|sucrose|cane sugar|white sugar|granulated sugar', [845, 800, 900, 'food'], [0.1, 0, 0.3], [42.1, 42.1, 42.1, 'chemical'], NONE, [99.9, 99.7, 100], [99.9, 99.7, 100]),
  dissolved('sugar', 'dextrose', 'Dextrose monohydrate', 'dextrose|glucose|corn sugar|grape sugar', [680, 600, 750], [9.1, 8, 9.5, 'chemical'], [40, 40, 40, 'chemical'], NONE, [90.9, 90.5, 92, 'chemical'], [90.9, 90.5, 92, 'chemical']),
  dissolved('sugar', 'honey', 'Honey', 'honey', [1430, 1390, 1450, 'food'], [17, 14, 20, 'codex'], [40, 39, 42], [0.05, 0.03, 0.1], [83, 80, 86, 'food'], [81, 77, 84, 'food']),
  dissolved('sugar', 'corn-syrup', 'Light corn syrup', 'corn syrup|light corn syrup|glucose syrup', [1400, 1380, 1440], [23, 20, 25, 'food'], [41, 40, 42], NONE, [77, 75, 80, 'food'], [77, 75, 80, 'food']),
  dissolved('sugar', 'maple-syrup', 'Maple syrup', 'maple syrup', [1320, 1310, 1340], [33, 31, 35], [41, 40, 42], NONE, [67, 65, 69], [66, 64, 68]),
  dissolved('sugar', 'molasses', 'Molasses', 'molasses|treacle', [1400, 1380, 1450], [24, 20, 28], [40, 37, 43], [0.6, 0.1, 1], [76, 72, 80], [60, 50, 70]),
  dissolved('malt', 'malt-dry', 'Dried malt extract', 'malt|dry malt extract|dried malt extract|light malt extract|dme|malt extract powder|malt powder|light malt', [600, 500, 700], [3, 2, 5], [42, 41, 43], [0.9, 0.5, 1.2], [97, 95, 98], [90, 86, 93]),
  dissolved('malt', 'malt-liquid', 'Liquid malt extract', 'liquid malt extract|malt syrup|lme|liquid malt|barley malt syrup', [1400, 1380, 1430], [20, 18, 22], [42, 41, 43], [0.8, 0.5, 1.1], [80, 78, 82], [74, 70, 77]),
];

// prettier-ignore
const NUTRIENTS: readonly MaterialRow[] = [
  dissolved('nutrient', 'yeast-extract', 'Yeast extract', 'yeast extract', [500, 350, 650], [5, 3, 6], [41, 39, 44], [10.5, 9.5, 11.8], [95, 90, 98]),
  dissolved('nutrient', 'nutritional-yeast', 'Nutritional yeast', 'nutritional yeast|yeast flake|yeast|brewer yeast', [250, 150, 400], [6, 4, 8], [45, 43, 47], [8, 7, 9], [25, 15, 40]),
  dissolved('nutrient', 'peptone', 'Peptone', 'peptone|soy peptone', [450, 300, 600], [5, 3, 7], [43, 40, 48], [13, 9, 16], [95, 92, 97]),
  dissolved('gel', 'agar', 'Agar powder', 'agar|agar agar|agar powder|agar agar powder', [550, 400, 700], [12, 8, 20], [43, 40, 45], [0.2, 0.05, 0.4], NONE),
  dissolved('gel', 'kitchen-agar', 'Kitchen agar flakes', 'agar flake|kitchen agar|kanten', [120, 80, 200], [15, 10, 22], [43, 40, 45], [0.3, 0.1, 0.6], NONE),
  dissolved('gel', 'nutrient-agar', 'Nutrient agar, ready mix', 'nutrient agar', [550, 450, 700], [6, 3, 9], [43, 40, 46], [4.4, 3.5, 5.5], [35, 30, 40]),
  dissolved('vegetable', 'potato', 'Potato, raw, diced', 'potato|raw potato|diced potato', [634, 580, 690, 'food'], [79, 75, 83, 'food'], [42, 40, 44], [1.6, 1.3, 2], [3, 2, 4], [0.8, 0.4, 1.5]),
  dissolved('vegetable', 'potato-flakes', 'Potato flakes', 'potato flake|instant potato|mashed potato flake|potato dextrose powder', [250, 200, 350], [7, 5, 9], [42, 40, 44], [1.4, 1.1, 1.7], [20, 12, 30], [4, 2, 7]),
  dissolved('vegetable', 'potato-starch', 'Potato starch', 'potato starch|starch|corn starch', [650, 550, 750], [16, 12, 20], [44, 44, 44, 'chemical'], [0.05, 0.02, 0.1], NONE),
  dissolved('liquid', 'food-color', 'Food color', 'food color|food colour|food coloring|food colouring', [1050, 1000, 1200], [90, 70, 97], [40, 20, 44], NONE, [10, 3, 30]),
  dissolved('liquid', 'manure-tea', 'Manure tea, strained', 'manure tea|dung tea|compost tea', [1003, 998, 1010], [99.2, 98.5, 99.7], [40, 35, 45], [3, 2, 5], [0.8, 0.3, 1.5]),
  dissolved('liquid', 'potato-water', 'Potato water', 'potato water|potato broth|potato stock', [1005, 1000, 1015], [98.5, 97.5, 99.3], [42, 40, 44], [1.5, 1, 2], [1.5, 0.7, 2.5], [0.4, 0.2, 0.8]),
  dissolved('liquid', 'brewed-coffee', 'Brewed coffee', 'coffee|brewed coffee', [1000, 995, 1010], [98.7, 98.5, 98.9], [45, 42, 48], [2, 1.5, 2.5], [1.3, 1.1, 1.5]),
];

export const MATERIAL_TABLE: readonly MaterialRow[] = [
  ...GRAINS,
  ...WOODS,
  ...SUPPLEMENTS,
  ...FIBERS,
  ...MANURES,
  ...PAPERS,
  ...MINERALS,
  ...SUGARS,
  ...NUTRIENTS,
];
