export { chamberProfile, profileUntil, type ChamberProfile } from './chamber-profile.js';
export { warmUpOf, type WarmUp } from './warm-up.js';
export { pourClock, type PourClock } from './pour-clock.js';
export { MELTS_C, meltMinutes, type MeltMinutes } from './melting.js';
export { openingEarly, type OpeningEarly } from './opening-early.js';
export { cookRun, cookRunIfBack, observationsOf, type CookFacts } from './cook-heat.js';
export { hasTools, stoodBeside, toolsMinutes, waterMembers } from './beside.js';
export { brownedBy, browningOf } from './browning-of.js';
export { fuelOf, fuelUnit, gasOfMeterG, reckonedFuelOf } from './fuel.js';
export { planDay, type CookOfDay, type DayPlan, type LeftOut, type Waiting } from './day-plan.js';
export {
  FAULTS,
  StandInReading,
  StandInScale,
  standInCook,
  type Fault,
  type StandInCook,
} from './stand-in.js';
export { stepShown, type Shown } from './instrument.js';
export { allowedCookSteps, cookState, heldMs, holdLeftMinutes } from './cook-state.js';
export type { CookPhase, CookState } from './cook-state.js';
export { inCooker, placesNeeded, vesselsIn, wishOf } from './in-cooker.js';
export { kindsInCook, type KindInCook } from './kinds-in-cook.js';
export { learnedFrom, type Learned } from './learned.js';
export { carriesSpores, innerRadiusMm, thermalLoadOf, type Contents } from './load-model.js';
export { plannedChamber, type PlannedRun } from './planned-chamber.js';
export { footprintOf, potOf, type Footprint, type Pot } from './footprint.js';
export { likeInPot, packPot, packTogether, type PackedPot, type PlacedVessel } from './pack-pot.js';
export { likelyPlaces, placesOf } from './places-in.js';
export { APPLIANCE_STARTS, newAppliance } from './new-appliance.js';
export {
  closesBy,
  isOpenSteam,
  isPressureCooker,
  shownGaugeKPa,
  takesLoads,
  trueGaugeKPa,
  waterLossOf,
} from './pot.js';
export { pressuresOf, readPressureSteps, usualGaugeKPa, type PressureChoice } from './pressure-choice.js';
export {
  SAFE_CORE_C,
  coolAfterReading,
  coolingLoadOf,
  coreCooling,
  type CoolingLoad,
  type CoreCooling,
} from './core-cooling.js';
export { TRADE_GAUGE_KPA, relativeHold, runOf, tradeChamberC, tradeF0 } from './relative-hold.js';
export { whyNotOffered, type WaitsForCook, type WhyNotOffered } from './why-not-offered.js';
export { steamHold, tradeHold, type TradeHold, type TradeSchool } from './trade-holds.js';
export {
  USUAL_TARGET_F0,
  cookVerdict,
  type CookVerdict,
  type VerdictReason,
  type VerdictWord,
} from './verdict.js';
export {
  householdAtmosphereKPa,
  openAfterMinutes,
  planCook,
  schoolsHere,
  VENT_MINUTES,
  type SchoolHere,
} from './programme.js';
export type { CookPlan, CookWish } from './programme.js';
export { contentsOfMember, type LoadMember } from './load-member.js';
export { planLoad, type KindAsked, type LoadPlan, type LoadWish } from './plan-load.js';
export { shippedAppliances } from './shipped-appliances.js';
export {
  packLoad,
  partsOfLoad,
  type LoadCandidate,
  type LoadPart,
  type PackedLoad,
  type PackedPart,
} from './pack-load.js';
export { footprintsOf, roomFor, type Stood } from './room-in-pot.js';
export { GAP_MM, heapOf, type Heap, type Standing } from './standing.js';
