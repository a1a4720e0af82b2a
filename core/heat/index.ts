export { BROWNS_FROM_MIN, SPOILS_FROM_MIN, browningMinutes } from './browning.js';
export {
  DRY_HEAT,
  KITCHEN_DRY_HEAT,
  dryHeatHeld,
  LIME,
  PASTEURIZE_C,
  PASTEURIZE_MIN,
  TOO_HOT_C,
  bucketShape,
  coolingBucket,
  dryHeatMinutes,
  heldInBath,
  limeBath,
  mixTemperature,
  type BucketMaterial,
  type CoolingBucket,
  type WarmPlace,
} from './pasteurize/index.js';
export { APART_C, POUR_FROM_C, POUR_UNTIL_C, SETS_C, pourWindow, type PourWindow } from './pour-window.js';
export { holdForF0, type HoldInput } from './hold-for-f0.js';
export { LONGEST_HOLD_MIN, holdReaching } from './hold-reaching.js';
export { bodyOf, mixedBody, type Body } from './conduction/body.js';
export { characteristicM, type Films, type Shape } from './conduction/shape.js';
export { chanceByHold, holdForChance, type HoldChance } from './band/chance-by-hold.js';
export { effectiveCount, priorDraws, weightedQuantiles, type Draws } from './load/draws.js';
export { f0OfNineInTen } from './band/nine-in-ten.js';
export { NEXT_COOK, NEXT_LOAD, drawsAfter, type About, type Observation } from './band/evidence.js';
export { spoilageOf, type Spoilage, type Vessels } from './spoilage/spoilage.js';
export { PRACTICE, practiceOf, type Practice } from './spoilage/practice.js';
export { type Outcome } from './spoilage/outcome.js';
export { heatBand, type HeatBand } from './band/heat-band.js';
export { f0Band, type F0Band, type Likely } from './band/f0-band.js';
export {
  middleF0,
  middleF0Until,
  overcook,
  runHeat,
  seenByVessel,
  type Run,
  type RunHeat,
} from './load/run-heat.js';
export { MIDDLING, drawLoad, type ThermalLoad } from './load/uncertain-load.js';
export { besselJ0J1 } from './conduction/bessel.js';
export { radius, slab } from './conduction/directions.js';
export { respond } from './conduction/respond.js';
export { STEP_MINUTES, simulateLoad, type LoadHeat, type LoadInput } from './conduction/simulate-load.js';
export { comeUpMinutes, heatingEnergyKJ, type LoadMasses } from './come-up.js';
export { coolingMinutes, excessAfter, NATURAL_CONVECTION } from './cooling.js';
export { coolingRateOf, minutesToCool, type CoolingInput } from './cooling-by-readings.js';
export {
  REFERENCE_C,
  equalLethalityHold,
  f0,
  f0OfCurve,
  lethalRate,
  type LethalityOptions,
  type ProfilePoint,
} from './lethality.js';
export { BAND_SEED, DRAWS, HOLDS_RECKONED, LOAD_DRAWS, MEASURED_LOAD_DRAWS } from './band/settings.js';
