import { requireWithin } from '../../base/errors.js';

// Specific heats, kJ/(kg K), from memory of handbook tables.
const WATER = 4.19;
const DRY_MATTER = 1.7;
/** Plastic and steel buckets differ; by mass plastic holds four times as much heat as steel. */
const VESSEL = { plastic: 1.9, steel: 0.5, glass: 0.84 } as const;

export type BucketMaterial = keyof typeof VESSEL;

/**
 * Temperature after boiling water, substrate and bucket have shared their heat.
 *
 * @param input.moisture of the substrate as it goes in, wet basis
 * @returns °C
 */
export function mixTemperature(input: {
  readonly waterKg: number;
  readonly waterC: number;
  readonly substrateKg: number;
  readonly moisture: number;
  readonly roomC: number;
  readonly vesselKg: number;
  readonly vessel: BucketMaterial;
}): number {
  const water = requireWithin(input.waterKg, { field: 'water', min: 0.1, max: 500, unit: ' kg' }) * WATER;
  const substrateKg = requireWithin(input.substrateKg, { field: 'substrate', min: 0, max: 500, unit: ' kg' });
  const moisture = requireWithin(input.moisture, {
    field: 'moisture',
    min: 0,
    max: 0.99,
    unit: ' %',
    shownTimes: 100,
  });
  requireWithin(input.vesselKg, { field: 'bucket', min: 0, max: 100, unit: ' kg' });
  const cold =
    substrateKg * (moisture * WATER + (1 - moisture) * DRY_MATTER) + input.vesselKg * VESSEL[input.vessel];
  return (water * input.waterC + cold * input.roomC) / (water + cold);
}
