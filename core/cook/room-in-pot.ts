import type { Appliance, VesselType } from '../record/definitions.js';
import { footprintOf, potOf, type Footprint } from './footprint.js';
import { packPot } from './pack-pot.js';
import { placesOf } from './places-in.js';

/** So many of a kind stand in the pot. */
export interface Stood {
  readonly vessel: VesselType;
  readonly count: number;
  /** Medium in each, g. */
  readonly wetG?: number;
}

/** A share that is full but for the last digits is full. */
const ROUNDING = 1e-9;

/**
 * How many more of a vessel go in beside what stands there: as far as the shares of what was tried leave room; in a pot
 * that was measured also as far as all of it can really be laid in. Whole, 0 or more.
 *
 * @param wanted no more are looked for
 */
export function roomFor(
  appliance: Appliance,
  stood: readonly Stood[],
  { vessel, wetG }: Omit<Stood, 'count'>,
  wanted: number,
): number {
  const most = placesOf(appliance, vessel);
  if (most === 0) {
    return 0;
  }
  const free = Math.max(0, 1 - fullShare(appliance, stood));
  let count = Math.min(wanted, Math.floor(free * most + ROUNDING));
  const { isMeasured, ...pot } = potOf(appliance);
  // Alone of its kind what was tried counts; beside others nobody may have tried, and the measures may know better.
  if (isMeasured && stood.some((s) => s.vessel.id !== vessel.id)) {
    while (
      count < Math.min(wanted, most) &&
      packPot(pot, footprintsOf([...stood, { vessel, wetG, count: count + 1 }])).left.length === 0
    ) {
      count++;
    }
  }
  return count;
}

/** Share of the room that is taken, by what was tried of each kind; beyond 1 where more was laid in by measure. */
function fullShare(appliance: Appliance, stood: readonly Stood[]): number {
  return stood.reduce((sum, { vessel, count }) => {
    const most = placesOf(appliance, vessel);
    return sum + (count === 0 ? 0 : most === 0 ? 1 : count / most);
  }, 0);
}

/** Each vessel of a load as it stands in the pot, in the order of the list. */
export function footprintsOf(stood: readonly Stood[]): readonly Footprint[] {
  return stood.flatMap(({ vessel, wetG, count }) =>
    Array.from({ length: count }, () => footprintOf(vessel, wetG)),
  );
}
