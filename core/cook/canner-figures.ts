import { coolingMinutes } from '../heat/cooling.js';

/**
 * Cooling of a full canner by natural convection: 100 K above the room falls to 72 K in about 49 minutes.
 * From memory of kitchen runs; a reading replaces it.
 */
export const CANNER_COOLING_RATE = coolingMinutes(100, 72, 1) / 49;
