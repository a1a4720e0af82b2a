import type { VesselView } from '../house/derive/house.js';
import { blockDryMassG, type BuiltHouse } from './block-dry-mass.js';
import { freshG } from './flushes.js';

const G_PER_KG = 1000;

/** What some vessels came to, each figure where it can be told. */
export interface Yields {
  readonly vessels: number;
  readonly freshG: number;
  readonly perVesselG: number;
  /** Fresh over dry, the spawn's dry half counted in. */
  readonly efficiency?: number;
  readonly perDryKgG?: number;
  /** Per liter of grain spawn, as it lies in its jar. */
  readonly perGrainLiterG?: number;
}

/**
 * The yield of vessels that bore, put together.
 *
 * @param grainGPerL what a liter of their spawn weighs; undefined where that is not known
 * @returns undefined for none
 */
export function yieldsOf(
  views: readonly VesselView[],
  house: BuiltHouse,
  grainGPerL?: number,
): Yields | undefined {
  if (views.length === 0) {
    return undefined;
  }
  const fresh = views.reduce((sum, v) => sum + freshG(v), 0);
  const dryG = views.reduce((sum, v) => sum + blockDryMassG(v, house), 0);
  const spawnG = views.reduce(
    (sum, { state }) => sum + (state.doseUnit === 'g' ? (state.doseEach ?? 0) : 0),
    0,
  );
  const spawnL = grainGPerL === undefined ? 0 : spawnG / grainGPerL;
  return {
    vessels: views.length,
    freshG: fresh,
    perVesselG: fresh / views.length,
    ...(dryG > 0 && { efficiency: fresh / dryG, perDryKgG: (fresh / dryG) * G_PER_KG }),
    ...(spawnL > 0 && { perGrainLiterG: fresh / spawnL }),
  };
}
