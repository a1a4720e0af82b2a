import type { Channel } from '../record/entry.js';

/**
 * What can be true of each channel where mushrooms are grown. Outside of it the instrument is at fault: an open
 * thermocouple reads 327.67 or 1370 °C, a broken one −50. Our choice: the hottest dry pot short of a fire, the most that a
 * relief valve lets through, and for the middle of wet stuff what steam of that pressure could reach; for a room, what a
 * person could stand in, and for light the noon sun.
 */
export const CHANNEL_LIMITS: Readonly<Record<Channel, { readonly least: number; readonly most: number }>> = {
  gaugeKPa: { least: -20, most: 300 },
  chamberC: { least: -30, most: 200 },
  coreC: { least: -30, most: 150 },
  agarC: { least: -30, most: 150 },
  airC: { least: -30, most: 70 },
  humidityPercent: { least: 0, most: 100 },
  co2Ppm: { least: 200, most: 60_000 },
  lightLux: { least: 0, most: 150_000 },
  massG: { least: -1000, most: 1_000_000 },
  ph: { least: 0, most: 14 },
};

/** Whether an instrument in order could have shown this. */
export function isPlausible(channel: Channel, value: number): boolean {
  const { least, most } = CHANNEL_LIMITS[channel];
  return value >= least && value <= most;
}
