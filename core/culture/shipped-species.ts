import type { Figure, Species } from '../record/definitions.js';

type Days = readonly [low: number, value: number, high: number];

interface Row {
  readonly id: string;
  readonly name: string;
  readonly latin: string;
  readonly incubationC: Days;
  readonly grainFull: Days;
  readonly blockFull: Days;
  /** Days from opening. */
  readonly harvest: Days;
  readonly cue: string;
  readonly brothReady: Days;
  readonly poorOn: readonly string[];
}

const RIMS_DOWN = 'Cut while the rims are turned down.';
const VEIL = 'Cut when the veil just breaks.';
/** Four to six days for what is fast, two to four weeks for most. Common practice, no source. */
const FAST: Days = [4, 5, 8];
const SLOW: Days = [10, 14, 28];
const SOFTWOOD = ['softwood'];

/**
 * Species of the kitchen, and those that are dried for tea. Days from inoculation in a warm room; every figure from memory.
 * What each grows poorly on is named by key, family or trait of the material.
 */
const ROWS: readonly Row[] = [
  {
    id: 'black-poplar',
    name: 'Black poplar',
    latin: 'Cyclocybe aegerita',
    incubationC: [21, 24, 26],
    grainFull: [15, 20, 26],
    blockFull: [20, 26, 35],
    harvest: [9, 14, 20],
    cue: RIMS_DOWN,
    brothReady: SLOW,
    poorOn: SOFTWOOD,
  },
  {
    id: 'chestnut',
    name: 'Chestnut',
    latin: 'Pholiota adiposa',
    incubationC: [20, 23, 25],
    grainFull: [15, 19, 25],
    blockFull: [21, 28, 38],
    harvest: [10, 14, 21],
    cue: RIMS_DOWN,
    brothReady: SLOW,
    poorOn: SOFTWOOD,
  },
  {
    id: 'shiitake',
    name: 'Shiitake',
    latin: 'Lentinula edodes',
    incubationC: [21, 24, 26],
    grainFull: [16, 21, 28],
    blockFull: [35, 50, 80],
    harvest: [6, 10, 16],
    cue: VEIL,
    brothReady: SLOW,
    poorOn: ['softwood', 'fiber', 'paper', 'manure'],
  },
  {
    id: 'king-oyster',
    name: 'King oyster',
    latin: 'Pleurotus eryngii',
    incubationC: [21, 24, 26],
    grainFull: [12, 16, 21],
    blockFull: [16, 22, 30],
    harvest: [10, 14, 20],
    cue: 'Cut while the cap is still domed.',
    brothReady: FAST,
    poorOn: SOFTWOOD,
  },
  {
    id: 'pearl-oyster',
    name: 'Pearl oyster',
    latin: 'Pleurotus ostreatus',
    incubationC: [21, 24, 27],
    grainFull: [10, 14, 19],
    blockFull: [12, 16, 22],
    harvest: [5, 8, 12],
    cue: RIMS_DOWN,
    brothReady: FAST,
    poorOn: SOFTWOOD,
  },
  {
    id: 'lions-mane',
    name: 'Lion’s mane',
    latin: 'Hericium erinaceus',
    incubationC: [20, 23, 25],
    grainFull: [14, 18, 25],
    blockFull: [15, 20, 28],
    harvest: [10, 12, 15],
    cue: 'Cut when the teeth are about 6 mm.',
    brothReady: SLOW,
    poorOn: ['softwood', 'fiber', 'manure'],
  },
  {
    id: 'blue-oyster',
    name: 'Blue oyster',
    latin: 'Pleurotus ostreatus var. columbinus',
    incubationC: [20, 23, 26],
    grainFull: [10, 14, 19],
    blockFull: [12, 16, 22],
    harvest: [5, 8, 12],
    cue: RIMS_DOWN,
    brothReady: FAST,
    poorOn: SOFTWOOD,
  },
  {
    id: 'phoenix-oyster',
    name: 'Phoenix oyster',
    latin: 'Pleurotus pulmonarius',
    incubationC: [23, 26, 29],
    grainFull: [9, 13, 18],
    blockFull: [11, 15, 21],
    harvest: [5, 7, 11],
    cue: RIMS_DOWN,
    brothReady: FAST,
    poorOn: [],
  },
  {
    id: 'enoki',
    name: 'Enoki',
    latin: 'Flammulina velutipes',
    incubationC: [19, 22, 24],
    grainFull: [14, 18, 24],
    blockFull: [21, 28, 35],
    harvest: [12, 18, 25],
    cue: 'Cut while the caps are small and still domed.',
    brothReady: SLOW,
    poorOn: SOFTWOOD,
  },
  {
    id: 'nameko',
    name: 'Nameko',
    latin: 'Pholiota microspora',
    incubationC: [21, 24, 26],
    grainFull: [15, 20, 27],
    blockFull: [30, 45, 60],
    harvest: [12, 18, 28],
    cue: 'Cut while the veil still holds.',
    brothReady: SLOW,
    poorOn: ['softwood', 'fiber', 'manure'],
  },
  {
    id: 'maitake',
    name: 'Maitake',
    latin: 'Grifola frondosa',
    incubationC: [19, 22, 24],
    grainFull: [18, 25, 35],
    blockFull: [35, 50, 75],
    harvest: [18, 25, 40],
    cue: 'Cut when the fronds have spread and before they turn pale.',
    brothReady: SLOW,
    poorOn: ['softwood', 'fiber', 'paper', 'manure'],
  },
  {
    id: 'reishi',
    name: 'Reishi',
    latin: 'Ganoderma lucidum',
    incubationC: [23, 26, 29],
    grainFull: [13, 18, 25],
    blockFull: [21, 30, 45],
    harvest: [50, 75, 110],
    cue: 'Cut when the white rim is gone.',
    brothReady: SLOW,
    poorOn: ['softwood', 'manure'],
  },
  {
    id: 'turkey-tail',
    name: 'Turkey tail',
    latin: 'Trametes versicolor',
    incubationC: [21, 25, 28],
    grainFull: [10, 15, 21],
    blockFull: [18, 25, 35],
    harvest: [40, 60, 90],
    cue: 'Cut when the rim has stopped growing.',
    brothReady: SLOW,
    poorOn: ['softwood', 'manure'],
  },
  {
    id: 'wood-ear',
    name: 'Wood ear',
    latin: 'Auricularia auricula-judae',
    incubationC: [22, 25, 28],
    grainFull: [13, 18, 25],
    blockFull: [25, 35, 50],
    harvest: [14, 20, 30],
    cue: 'Cut when the ears are thin and wavy.',
    brothReady: SLOW,
    poorOn: ['softwood', 'manure'],
  },
  {
    id: 'wine-cap',
    name: 'Wine cap',
    latin: 'Stropharia rugosoannulata',
    incubationC: [20, 24, 27],
    grainFull: [16, 22, 30],
    blockFull: [25, 35, 50],
    harvest: [18, 28, 45],
    cue: VEIL,
    brothReady: SLOW,
    poorOn: SOFTWOOD,
  },
  {
    id: 'cordyceps-militaris',
    name: 'Cordyceps militaris',
    latin: 'Cordyceps militaris',
    incubationC: [17, 20, 22],
    grainFull: [10, 14, 20],
    blockFull: [10, 14, 20],
    harvest: [35, 45, 60],
    cue: 'Cut when the clubs stop growing.',
    brothReady: FAST,
    poorOn: ['wood', 'fiber', 'paper', 'manure'],
  },
  {
    id: 'button',
    name: 'Button, portobello',
    latin: 'Agaricus bisporus',
    incubationC: [21, 24, 26],
    grainFull: [12, 16, 22],
    blockFull: [12, 16, 21],
    harvest: [14, 18, 25],
    cue: VEIL,
    brothReady: SLOW,
    poorOn: ['wood'],
  },
];

function figure([low, value, high]: Days): Figure {
  return { value, low, high, source: 'from memory' };
}

export function shippedSpecies(updatedAt: string): readonly Species[] {
  return ROWS.map((row) => ({
    id: row.id,
    schemaVersion: 1,
    updatedAt,
    name: row.name,
    latin: row.latin,
    incubationC: figure(row.incubationC),
    grainFullDay: figure(row.grainFull),
    blockFullDay: figure(row.blockFull),
    harvestDay: figure(row.harvest),
    harvestCue: row.cue,
    brothReadyDay: figure(row.brothReady),
    ...(row.poorOn.length > 0 && { poorOn: [...row.poorOn] }),
  }));
}
