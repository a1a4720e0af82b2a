import { TENTH_Z } from '../../base/normal.js';
import type { ThermalLoad } from '../load/uncertain-load.js';

/**
 * Spores that live through soaking and rinsing and can grow at 20 to 30 °C: 10² to 10⁴ in a gram of dry grain, bran or
 * wood, 8 in 10. From memory. Those that need more than 40 °C do not count: no shelf is so warm.
 */
const PER_DRY_G = { middle: 1e3, sigmaLog10: 2 / (2 * TENTH_Z) };
/** The same in a milliliter of sugar water or agar: powders and boiled water carry few. 0.1 to 10. Our estimate. */
const PER_ML = { middle: 1, sigmaLog10: 2 / (2 * TENTH_Z) };
/** Minutes at 121.1 °C in which nine in ten of them die: 0.1 to 1, 8 in 10. From memory. */
const D_MIDDLE = Math.sqrt(0.1 * 1);
const D_SIGMA_LN = Math.log(10) / (2 * TENTH_Z);
/** What differs from lot to lot of what is unsure of both, as a share of the variance. Our estimate. */
const LOT_SHARE = 0.25;
/** Of ln D and of ln of the number, from lot to lot. */
export const LOT_HARDNESS_SIGMA_LN = D_SIGMA_LN * Math.sqrt(LOT_SHARE);
export const LOT_NUMBER_SIGMA_LN = PER_DRY_G.sigmaLog10 * Math.LN10 * Math.sqrt(LOT_SHARE);

/** What of the spores everybody shares, and what one lot has to itself, as standard normals. */
export interface SporeNormals {
  readonly hardness: number;
  readonly number: number;
}

/** Spores of one lot. */
export interface Spores {
  /** Minutes at 121.1 °C that kill nine in ten. */
  readonly dMinutes: number;
  /** In a gram of dry matter, or in a milliliter of a liquid. */
  readonly perUnit: number;
}

/** @param lot what this lot has to itself; the middle of all lots when left out */
export function sporesOf(
  kind: ThermalLoad['kind'],
  shared: SporeNormals,
  lot: SporeNormals = { hardness: 0, number: 0 },
): Spores {
  const { middle, sigmaLog10 } = kind === 'liquid' ? PER_ML : PER_DRY_G;
  const [own, common] = [Math.sqrt(LOT_SHARE), Math.sqrt(1 - LOT_SHARE)];
  return {
    dMinutes: D_MIDDLE * Math.exp(D_SIGMA_LN * (common * shared.hardness + own * lot.hardness)),
    perUnit: middle * 10 ** (sigmaLog10 * (common * shared.number + own * lot.number)),
  };
}
