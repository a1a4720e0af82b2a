import type { UnitChoices } from '../../core/index';

/** Units of a household with cups in the drawer and inches on the ruler. */
export const KITCHEN_UNITS: UnitChoices = {
  temperature: 'F',
  mass: 'oz',
  volume: 'cup',
  length: 'inch',
  pressure: 'psi',
};
