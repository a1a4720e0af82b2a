import { METRIC_UNITS, type UnitChoices } from '../quantity/index.js';
import type { Household } from '../record/definitions.js';

/** The units that a household reads and types in; those that were never chosen are metric. */
export function unitChoices(house: Household): UnitChoices {
  return {
    temperature: house.temperatureUnit ?? METRIC_UNITS.temperature,
    mass: house.massUnit,
    volume: house.volumeUnit ?? METRIC_UNITS.volume,
    length: house.lengthUnit ?? METRIC_UNITS.length,
    pressure: house.pressureUnit,
  };
}
