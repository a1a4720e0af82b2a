import type { VesselView } from '../house/derive/house.js';

/** Spawn is about half water (grain at 50 %); the dry half counts towards the block's. */
const SPAWN_DRY_SHARE = 0.5;

/** Dry matter of a block with the dry part of its spawn, g; the base of its biological efficiency. */
export function blockDryMassG(view: VesselView): number {
  const { plan } = view.batch;
  const substrateG = plan === undefined ? 0 : plan.vesselWetG * (1 - plan.targetMoisture);
  const spawnG = view.state.doseUnit === 'g' ? (view.state.doseEach ?? 0) : 0;
  return substrateG + spawnG * SPAWN_DRY_SHARE;
}
