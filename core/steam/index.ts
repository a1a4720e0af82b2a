export { chamberAir, measuredAir, sealedCold, steamBesideAir, vesselAir } from './air.js';
export { atmosphericPressure } from './atmosphere.js';
export { boilingC, chamberTemperature, gaugePressureFor, type ChamberInput } from './chamber.js';
export {
  pressureMeanings,
  requirePrintedPressure,
  type PressureKind,
  type PressureMeaning,
} from './pressure-meaning.js';
export { saturationPressure, saturationTemperature } from './saturation.js';
export {
  boiledMlPerMin,
  waterBudget,
  waterLostMl,
  type WaterBudget,
  type WaterLoss,
} from './water-budget.js';
