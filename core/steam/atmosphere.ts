import { requireWithin } from '../base/errors.js';

// U.S. Standard Atmosphere 1976 (identical to ISO 2533:1975 below 11 km), geopotential height.
const SEA_LEVEL_KPA = 101.325;
const SEA_LEVEL_K = 288.15;
const LAPSE_K_PER_M = 0.0065;
const GRAVITY_M_PER_S2 = 9.80665;
const AIR_KG_PER_MOL = 0.0289644;
const GAS_CONSTANT_J_PER_MOL_K = 8.31432; // the value of 1976, kept so that its tables are met

/**
 * Mean air pressure at an altitude. Weather moves it by about ±3 %, which a barometer in the room settles.
 *
 * @param altitudeM −430 to 11 000 m above the sea
 * @returns kPa
 * @throws CoreError `out-of-range`
 */
export function atmosphericPressure(altitudeM: number): number {
  requireWithin(altitudeM, { field: 'altitude', min: -430, max: 11_000, unit: ' m' });
  const exponent = (GRAVITY_M_PER_S2 * AIR_KG_PER_MOL) / (GAS_CONSTANT_J_PER_MOL_K * LAPSE_K_PER_M);
  return SEA_LEVEL_KPA * (1 - (LAPSE_K_PER_M * altitudeM) / SEA_LEVEL_K) ** exponent;
}
