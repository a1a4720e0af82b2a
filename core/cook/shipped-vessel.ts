import { shippedVesselTypes } from '../formula/shipped-vessel-types.js';
import type { VesselType } from '../record/definitions.js';

const VESSELS = shippedVesselTypes('2026-01-01T00:00:00.000Z');

/** A vessel as it ships, for what is said of such vessels whatever a household changed. */
export function shippedVessel(id: string): VesselType {
  return VESSELS.find((v) => v.id === id)!;
}
