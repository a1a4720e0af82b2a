import type { Figure, Species } from '../record/definitions.js';

const figure = (value: number, low: number, high: number): Figure => ({
  value,
  low,
  high,
  source: 'from memory',
});

/** Days from inoculation (full) and from opening (harvest), in a warm room; every figure from memory. */
const ROWS: readonly [
  id: string,
  name: string,
  latin: string,
  c: Figure,
  grain: Figure,
  block: Figure,
  harvest: Figure,
  cue: string,
][] = [
  [
    'black-poplar',
    'Black poplar',
    'Cyclocybe aegerita',
    figure(24, 21, 26),
    figure(20, 15, 26),
    figure(26, 20, 35),
    figure(14, 9, 20),
    'Cut while the rims are turned down.',
  ],
  [
    'chestnut',
    'Chestnut',
    'Pholiota adiposa',
    figure(23, 20, 25),
    figure(19, 15, 25),
    figure(28, 21, 38),
    figure(14, 10, 21),
    'Cut while the rims are turned down.',
  ],
  [
    'shiitake',
    'Shiitake',
    'Lentinula edodes',
    figure(24, 21, 26),
    figure(21, 16, 28),
    figure(50, 35, 80),
    figure(10, 6, 16),
    'Cut when the veil just breaks.',
  ],
  [
    'king-oyster',
    'King oyster',
    'Pleurotus eryngii',
    figure(24, 21, 26),
    figure(16, 12, 21),
    figure(22, 16, 30),
    figure(14, 10, 20),
    'Cut while the cap is still domed.',
  ],
  [
    'pearl-oyster',
    'Pearl oyster',
    'Pleurotus ostreatus',
    figure(24, 21, 27),
    figure(14, 10, 19),
    figure(16, 12, 22),
    figure(8, 5, 12),
    'Cut while the rims are turned down.',
  ],
  [
    'lions-mane',
    'Lion’s mane',
    'Hericium erinaceus',
    figure(23, 20, 25),
    figure(18, 14, 25),
    figure(20, 15, 28),
    figure(12, 10, 15),
    'Cut when the teeth are about 6 mm.',
  ],
];

export function shippedSpecies(updatedAt: string): readonly Species[] {
  return ROWS.map(([id, name, latin, incubationC, grainFullDay, blockFullDay, harvestDay, harvestCue]) => ({
    id,
    schemaVersion: 1,
    updatedAt,
    name,
    latin,
    incubationC,
    grainFullDay,
    blockFullDay,
    harvestDay,
    harvestCue,
  }));
}
