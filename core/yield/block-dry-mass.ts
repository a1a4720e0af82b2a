import { wetMassG } from '../culture/amounts.js';
import type { BatchView, House, VesselView } from '../house/derive/house.js';

/** Water in spawn of which nothing is known: grain at 50 %. Common practice, no source. */
const UNKNOWN_SPAWN_MOISTURE = 0.5;

/** Water in a block that came run through, of its mass. From memory. */
const BOUGHT_MOISTURE = 0.6;

/** Where its batch and those of its spawn are found. */
export type BuiltHouse = Pick<House, 'batchById' | 'vesselById'>;

/**
 * Dry matter of a block with that of its spawn, g; the base of its biological efficiency. As it was weighed out, built
 * and corrected where that was noted, else as it was planned; the spawn as its own grain was weighed.
 */
export function blockDryMassG(view: VesselView, house: BuiltHouse): number {
  return substrateDryG(view, house) + spawnDryG(view, house);
}

/** Its share of what was built for the whole batch: the batch's spare is in none of its vessels. */
function substrateDryG({ batch }: VesselView, house: BuiltHouse): number {
  const { plan } = batch;
  const dryMatterG = house.batchById.get(batch.id)?.dryMatterG ?? plan?.dryMatterG;
  return plan === undefined || dryMatterG === undefined
    ? wetMassG(batch) * (1 - BOUGHT_MOISTURE)
    : dryMatterG * (plan.vesselWetG / plan.wetG);
}

function spawnDryG({ state }: VesselView, house: BuiltHouse): number {
  // What was moved over has its spawn in it already.
  if (state.doseUnit !== 'g' || state.repotted !== undefined) {
    return 0;
  }
  const moistures = state.sourceVesselIds.map((id) => {
    const source = house.vesselById.get(id);
    return moistureOf(source && house.batchById.get(source.batch.id));
  });
  const dryShare =
    moistures.length === 0
      ? 1 - UNKNOWN_SPAWN_MOISTURE
      : 1 - moistures.reduce((sum, m) => sum + m, 0) / moistures.length;
  return (state.doseEach ?? 0) * dryShare;
}

/** As the drained grain was weighed; else as it was meant to be. */
function moistureOf(view: BatchView | undefined): number {
  return view?.weighedMoisture ?? view?.batch.plan?.targetMoisture ?? UNKNOWN_SPAWN_MOISTURE;
}
