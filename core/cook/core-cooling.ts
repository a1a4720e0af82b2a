import { coolingMinutes, excessAfter } from '../heat/cooling.js';
import { CANNER_COOLING_RATE, CORE_LAG_MIN } from './canner-figures.js';

/** The middle must be below this before a culture goes in. Common practice, no source. */
export const SAFE_CORE_C = 30;

/** What the middle of the load is expected at, °C, so long after heat off: the curve by which it is foretold cool. */
export function coreAfter(chamberC: number, roomC: number, minutesSinceHeatOff: number): number {
  const minutes = Math.max(0, minutesSinceHeatOff - CORE_LAG_MIN);
  return roomC + excessAfter(chamberC - roomC, minutes, CANNER_COOLING_RATE);
}

/** From heat off until the middle of the load is below 30 °C, in a closed pot. Errs to later. */
export function coreCoolMinutes(chamberC: number, roomC: number): number {
  // A room warmer than 28 °C never gets the core to 30 in this model; the excess is kept at 2 K at least.
  const targetExcess = Math.max(SAFE_CORE_C - roomC, 2);
  return coolingMinutes(chamberC - roomC, targetExcess, CANNER_COOLING_RATE) + CORE_LAG_MIN;
}
