import { TENTH_Z } from '../../base/normal.js';
import { BED_SIGMA } from './uncertain-load.js';

/**
 * How much of what is unsure of a bed is a vessel's own, its cook's and its household's; the rest is what nobody knows of
 * wet grain and wood at all. 8 in 10 within 12, 10 and 20 %. Our estimates. Standard deviations of ln diffusivity.
 */
const VESSEL_SIGMA = 0.12 / TENTH_Z;
const COOK_SIGMA = 0.1 / TENTH_Z;
const HOUSE_SIGMA = 0.2 / TENTH_Z;

/** Whose bed it is: the nearer two are, the more they have in common. */
export type Kinship = 'vessel' | 'cook' | 'house' | 'trade';

const OWN: Readonly<Record<Kinship, number>> = {
  vessel: 0,
  cook: VESSEL_SIGMA ** 2,
  house: VESSEL_SIGMA ** 2 + COOK_SIGMA ** 2,
  trade: VESSEL_SIGMA ** 2 + COOK_SIGMA ** 2 + HOUSE_SIGMA ** 2,
};

/** Share of the variance that two beds have in common which share no more than this. */
export function inCommon(kinship: Kinship): number {
  return 1 - OWN[kinship] / BED_SIGMA ** 2;
}

/** Standard deviation of what a vessel's bed has to itself, beside what those of one cook or of the whole trade share. */
export function ownBedSigma(shared: Extract<Kinship, 'cook' | 'trade'>): number {
  return Math.sqrt(1 - inCommon(shared));
}
