import type { VesselView } from '../house/derive/house.js';
import { wetMassG } from '../culture/amounts.js';

/** Spawn is about half water (grain at 50 %); the dry half counts towards the block's. */
const SPAWN_DRY_SHARE = 0.5;

/** Water in a block that came run through, of its mass. From memory. */
const BOUGHT_MOISTURE = 0.6;

/** Dry matter of a block with the dry part of its spawn, g; the base of its biological efficiency. */
export function blockDryMassG(view: VesselView): number {
  const { plan } = view.batch;
  const substrateG = wetMassG(view.batch) * (1 - (plan?.targetMoisture ?? BOUGHT_MOISTURE));
  // What was moved over has its spawn in it already.
  const isSpawned = view.state.doseUnit === 'g' && view.state.repotted === undefined;
  const spawnG = isSpawned ? (view.state.doseEach ?? 0) : 0;
  return substrateG + spawnG * SPAWN_DRY_SHARE;
}
