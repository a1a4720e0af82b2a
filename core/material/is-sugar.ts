import type { Material } from '../record/definitions.js';

/** What sweetens: sugars, syrups and malts. Its strength is asked by dissolved solids. */
export function isSugar({ family }: Pick<Material, 'family'>): boolean {
  return family === 'sugar' || family === 'malt';
}
