import type { CultureUnit } from '../record/culture.js';
import type { SpawnLies } from '../record/entry.js';

/** The share of wet bulk at which a species takes its usual days. Common practice, no source. */
export const USUAL_SPAWN_SHARE = 0.15;
/** Grain on grain goes 1 : 5 to 1 : 10; broth into grain 2 ml a quart, which holds 420 g. Common practice, no source. */
const USUAL_GRAIN_SHARE = 0.13;
const USUAL_ML_PER_G = 2 / 420;
/** Broth straight into bulk: about 20 ml for 2.3 kg, and a quarter slower than by grain. From memory. */
const USUAL_BULK_ML_PER_G = 0.009;
const BROTH_INTO_BULK = 0.8;
/** Twice as much takes a sixth less: the points lie nearer by the cube root. From memory. */
const EXPONENT = 0.26;
/** More or less than eight times the usual tells no more. Our choice. */
const MOST_TIMES = 8;

/** How many times as quick it runs with so many times the usual dose. */
export function quickerByDose(times: number): number {
  return Math.min(MOST_TIMES, Math.max(1 / MOST_TIMES, times)) ** EXPONENT;
}

/**
 * How many times as quick bulk runs by how its spawn lies: the fewer the points and the farther apart, the longer the way.
 * From memory.
 */
const LIES_RATE: Readonly<Record<SpawnLies, number>> = { mixed: 1, layered: 0.9, onTop: 0.65, clumps: 0.75 };

export function quickerByMixing(spawnLies: SpawnLies | undefined): number {
  return spawnLies === undefined ? 1 : LIES_RATE[spawnLies];
}

/**
 * How many times as quick a vessel runs with its dose as it usually does. 1 for what is counted in pieces.
 *
 * @param dose what it was given, in its unit
 * @param contentG what the vessel holds, g
 */
export function doseRate(
  dose: number | undefined,
  unit: CultureUnit | undefined,
  stage: 'grain' | 'bulk',
  contentG: number,
): number {
  if (dose === undefined || !(contentG > 0) || !(dose > 0)) {
    return 1;
  }
  const share = dose / contentG;
  switch (unit) {
    case 'g':
      return quickerByDose(share / (stage === 'bulk' ? USUAL_SPAWN_SHARE : USUAL_GRAIN_SHARE));
    case 'ml':
      return stage === 'bulk'
        ? BROTH_INTO_BULK * quickerByDose(share / USUAL_BULK_ML_PER_G)
        : quickerByDose(share / USUAL_ML_PER_G);
    default:
      return 1;
  }
}
