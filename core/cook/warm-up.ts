import { comeUpMinutes } from '../heat/come-up.js';
import type { Appliance } from '../record/definitions.js';

/** Water that a bath is filled with, and that steam begins with, kg: to its most, and its least. */
function waterKgIn({ kind, leastWaterMl, mostWaterMl }: Appliance): number {
  return (kind === 'hotBath' ? mostWaterMl : leastWaterMl) / 1000;
}

/** Something of one's own that warms water, before anything goes into it. */
export interface WarmUp {
  readonly waterL: number;
  /** From the room to its heat, min. */
  readonly minutes: number;
}

/**
 * How long a bath, a pot or a drum takes from the room to its heat by the heat that arrives in it.
 *
 * @param toC of the bath, or of boiling water where it stands, °C
 */
export function warmUpOf(appliance: Appliance, roomC: number, toC: number): WarmUp {
  const waterKg = waterKgIn(appliance);
  const load = { waterKg, potKg: appliance.emptyKg, glassKg: 0, mediumWaterKg: 0, mediumDryKg: 0 };
  return { waterL: waterKg, minutes: comeUpMinutes(load, roomC, toC, appliance.netKW) };
}
