import type { MaterialFamily } from '../../../core/index';

/** What the families of ingredients are called. */
export const FAMILY_WORDS: Readonly<Record<MaterialFamily, string>> = {
  gel: 'Agar and gels',
  sugar: 'Sugars',
  malt: 'Malts',
  nutrient: 'Nutrients',
  vegetable: 'Potato and starch',
  grain: 'Grain and seed',
  wood: 'Wood',
  supplement: 'Supplements',
  fiber: 'Straw, coir, hulls',
  manure: 'Manure and compost',
  paper: 'Paper',
  mineral: 'Minerals',
  liquid: 'Liquids',
};
