import type { Figure, Material } from '../record/definitions.js';

const TEST_WEIGHT = 'US test weight, USDA AH-697';
const FOOD_DATA = 'USDA FoodData Central';
const MEMORY = 'from memory';

function figure(value: number, low: number, high: number, source: string): Figure {
  return { value, low, high, source };
}

/** Shipped ingredients: density as scooped (g/l), moisture as supplied (wet basis). */
const ROWS: readonly [id: string, name: string, densityGPerL: Figure, moisture: Figure][] = [
  ['wheat', 'Wheat, whole', figure(772, 740, 820, TEST_WEIGHT), figure(0.12, 0.1, 0.14, MEMORY)],
  ['rye', 'Rye, whole', figure(721, 690, 750, TEST_WEIGHT), figure(0.12, 0.1, 0.14, MEMORY)],
  ['barley-covered', 'Barley, covered', figure(618, 580, 680, TEST_WEIGHT), figure(0.12, 0.1, 0.14, MEMORY)],
  ['hardwood-pellets', 'Hardwood pellets', figure(650, 600, 750, MEMORY), figure(0.08, 0.04, 0.1, MEMORY)],
  ['wheat-bran', 'Wheat bran', figure(245, 180, 270, FOOD_DATA), figure(0.1, 0.08, 0.13, FOOD_DATA)],
  ['soy-hull', 'Soy hull, pelleted', figure(600, 550, 650, MEMORY), figure(0.1, 0.08, 0.12, MEMORY)],
  ['gypsum', 'Gypsum', figure(900, 600, 1100, MEMORY), figure(0.005, 0, 0.03, MEMORY)],
];

export function shippedMaterials(updatedAt: string): readonly Material[] {
  return ROWS.map(([id, name, densityGPerL, moisture]) => ({
    id,
    schemaVersion: 1,
    updatedAt,
    name,
    densityGPerL,
    moisture,
  }));
}
