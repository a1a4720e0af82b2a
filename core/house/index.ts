export {
  foldVessel,
  vesselState,
  type Flush,
  type Mark,
  type VesselPhase,
  type VesselState,
} from './derive/vessel-state.js';
export { EMPTY_HOUSE, buildHouse } from './derive/build-house.js';
export { hydrationOf } from './hydration-of.js';
export { forecastVessel, isStalled } from './derive/forecast.js';
export type { LiveRecords, NewRows } from './derive/records-with.js';
export { HouseInMaking } from './derive/house-in-making.js';
export { withRows } from './derive/with-rows.js';
export { requireDose } from './dose.js';
export { cookedInVain, type CookedInVain } from './cooked-in-vain.js';
export {
  damageSaid,
  damagesOf,
  isCookMishap,
  unloadedFrom,
  type Damage,
  type Unloaded,
} from './unloading.js';
export { MOST_POURED, pourPlates, type PourNoted, type PourTold } from './pour-plates.js';
export { coolMsOf, isInBottle, keptShut, pouringOf, toPour, toWrap, type Pouring } from './pouring.js';
export {
  dryHeatRun,
  dryHeatRuns,
  glassInOven,
  sterileDishes,
  type DryHeatRun,
  type GlassPhase,
} from './dry-heat.js';
export { careOf, type CareDue } from './care.js';
export { armsOf, type Arm } from './arms.js';
export { becameOf, type BecameOf } from './became-of.js';
export { outcomeOf } from './outcome-of.js';
export { checkReadings } from './check-readings.js';
export { checkEntry } from './check-entry.js';
export { consequencesOf, impossibleFacts, struckWith, type Impossible } from './consequences.js';
export { fedBy } from './fed-by.js';
export { frontOf } from './front.js';
export { historyLine, historyOf, type HistoryLine, type HistorySubject } from './history.js';
export type { BatchView, CookView, House, Trouble, TroublePart, VesselView } from './derive/house.js';
export { defaultHousehold, shippedDefinitions } from './shipped-definitions.js';
export {
  makeBatch,
  makeCook,
  receiveCulture,
  type MakeContext,
  type NewBatch,
  type NewCulture,
} from './make.js';
export { unitChoices } from './unit-choices.js';
export { nextNumber } from './next-number.js';
export { cooksOn, isOn } from './cooks-on.js';
export {
  expectedOf,
  firmMsOf,
  isRunFull,
  isStanding,
  isUsedUp,
  lastFraction,
  runningVessels,
  vesselsInHand,
} from './running.js';
export { roomAt, type Room } from './room.js';
export { lastReadC, placeOfVessel, placeToFruit, placesInUse, setCOf, useOf } from './places.js';
export { fruitingAt, fruitingBand, sideOf, sideOfShown, type Band } from './fruiting-bands.js';
export {
  standingAmongSiblings,
  type SiblingStanding,
  type StandingKind,
  type StandingReason,
} from './among-siblings.js';
export { toShake, type ToShake } from './shake.js';
export { BEFORE_SPORES_MS, cutTimes, cutWindow, type CutWindow } from './cut-window.js';
export { airIsNews, airTroubles, type AirTrouble } from './air-trouble.js';
export { typedReads } from './typed-reads.js';
export { lastAtPlace, tendingDue, type TendingDue } from './tending.js';
export { fruitingOf, isFruiting, nextCutMs, type Fruiting } from './to-harvest.js';
export { allReadyToInoculate, partsToSow, readyToInoculate, type ReadyToInoculate } from './to-inoculate.js';
export { mainMaterialOf } from './main-material.js';
export { isRevived } from './revived.js';
export { isFilled, isInPreparation, vesselsToCook } from './to-cook.js';
export { fillInto, mayBeRefilled, refillOf, type FilledInto } from './fill-into.js';
