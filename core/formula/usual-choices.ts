import type { Stage } from '../record/definitions.js';

/** Key of the vessel of each stage where the house has no usual one. Our choice. */
export const USUAL_VESSEL: Readonly<Record<Stage, string>> = {
  agar: 'dish-90',
  liquid: 'quart-jar',
  grain: 'quart-jar',
  bulk: 'block-bag',
};

/** Key of the formula of each stage where nothing was planned yet. Our choice. */
export const USUAL_FORMULA: Readonly<Record<Stage, string>> = {
  agar: 'malt-agar',
  liquid: 'malt-broth',
  grain: 'wheat-spawn',
  bulk: 'hardwood-bran',
};

/** Share that is made beyond what is filled. Our choice. */
export const USUAL_SPARE: Readonly<Record<Stage, number>> = {
  agar: 0.1,
  liquid: 0.05,
  grain: 0.05,
  bulk: 0.05,
};
