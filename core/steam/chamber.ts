import { requireWithin } from '../base/errors.js';
import { atmosphericPressure } from './atmosphere.js';
import { saturationPressure, saturationTemperature } from './saturation.js';

export interface ChamberInput {
  /** Above the air outside; 0 is an open pot. */
  readonly gaugeKPa: number;
  /** Used unless `atmosphereKPa` is given. */
  readonly altitudeM?: number;
  /** A barometer read in the room. */
  readonly atmosphereKPa?: number;
  /** Mole fraction of air left in the chamber; 0 after a full vent. */
  readonly airFraction?: number;
}

/** Highest gauge pressure that any appliance here may have; far above all kitchen ratings. */
const MOST_GAUGE_KPA = 300;

/**
 * Temperature of the steam in a pressure cooker. Air that was not vented shares the pressure (Dalton), and the
 * steam has only the temperature of its own share.
 *
 * @returns °C
 * @throws CoreError `out-of-range`
 */
export function chamberTemperature(input: ChamberInput): number {
  const { gaugeKPa, airFraction = 0 } = input;
  requireWithin(gaugeKPa, { field: 'gaugePressure', min: 0, max: MOST_GAUGE_KPA, unit: ' kPa' });
  requireWithin(airFraction, { field: 'airShare', min: 0, max: 0.99, unit: ' %', shownTimes: 100 });
  return saturationTemperature((gaugeKPa + outsideKPa(input)) * (1 - airFraction));
}

/** Where water boils in an open pot under so much air, °C. @throws CoreError `out-of-range` */
export function boilingC(atmosphereKPa: number): number {
  return chamberTemperature({ gaugeKPa: 0, atmosphereKPa });
}

/**
 * Gauge pressure that gives a chamber temperature with pure steam.
 *
 * @returns kPa above the air outside; negative where water would boil hotter than asked
 */
export function gaugePressureFor(input: {
  readonly celsius: number;
  readonly altitudeM?: number;
  readonly atmosphereKPa?: number;
}): number {
  return saturationPressure(input.celsius) - outsideKPa(input);
}

function outsideKPa(input: { readonly altitudeM?: number; readonly atmosphereKPa?: number }): number {
  if (input.atmosphereKPa !== undefined) {
    return requireWithin(input.atmosphereKPa, { field: 'barometer', min: 40, max: 115, unit: ' kPa' });
  }
  return atmosphericPressure(input.altitudeM ?? 0);
}
