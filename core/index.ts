export { DAY_MS, HOUR_MS, MINUTE_MS } from './base/time.js';

// lists
export { groupBy, push } from './base/collections.js';

// quantity
export { convert, type ConvertOptions } from './quantity/convert.js';
export { formatAmount } from './quantity/format-amount.js';
export {
  decimalsOf,
  durationWords,
  formatNumber,
  kitchenMeasure,
  percentWords,
  roundToStep,
} from './quantity/format.js';
export { parseNumber, parseWithin } from './quantity/parse-number.js';
export { UNITS, type UnitName } from './quantity/units.js';

// errors
export { CoreError, UnitError, requireWithin, type CoreErrorCode, type RangeRule } from './base/errors.js';

// material, formula
export { dryDown, type DryDown } from './material/dry-down.js';
export { asMeasured, moistureOf } from './material/effective.js';
export { isSugar } from './material/is-sugar.js';
export { kitchenOf } from './material/kitchen-of.js';
export { shippedMaterials } from './material/shipped-materials.js';
export {
  MOST_LINES,
  auditFormula,
  type Audit,
  type AuditLine,
  type AuditOptions,
} from './formula/audit/audit.js';
export { RECIPE_SOURCE, formulaFromAudit } from './formula/audit/formula-from-audit.js';
export { MaterialMatcher, phraseOf, type Match } from './formula/audit/match-material.js';
export { readLine, type Amount, type ReadLine } from './formula/audit/read-line.js';
export { blendOf, fieldCapacityOf, type Blend, type BlendPart } from './formula/blend.js';
export { pourOut, splitIntoBottles, vesselsFrom, type Pour } from './formula/bottles.js';
export { correctMix, type Correction } from './formula/correct.js';
export { boughtAs, costOf, type BatchCost } from './formula/cost.js';
export { findingsFor, LIMITS, type Finding, type FindingCode } from './formula/findings.js';
export {
  SCHOOLS,
  hydrationProgress,
  hydrationSteps,
  schoolOf,
  stepsOf,
  takesUpWater,
  type HydrationPlan,
  type HydrationProgress,
  type School,
} from './formula/hydration.js';
export { liquidMaltFor } from './formula/malt-substitute.js';
export { nextTime, type NextTime, type PastBatch } from './formula/next-time.js';
export { dryBasis, pelegMoisture, wetBasis } from './formula/peleg.js';
export { nextDrops, type PhAdvice, type PhReading } from './formula/ph-drops.js';
export { mixMoisture, waterToAdd, weighedMoisture, type MoistPart } from './formula/moisture.js';
export {
  reasonForMoisture,
  reasonForPart,
  reasonForWater,
  type Reason,
  type ReasonStep,
} from './formula/reasons.js';
export { resolveFormula } from './formula/resolve.js';
export { scaleFormula } from './formula/scale.js';
export {
  COUNT_RULE,
  MOISTURE_RULE,
  SPARE_RULE,
  STRENGTH_RULE,
  eachMlRule,
  fillRule,
} from './formula/scaled-formula.js';
export type {
  DissolvedAmounts,
  ScaleTarget,
  ScaleWarning,
  ScaledFormula,
  ScaledPart,
} from './formula/scaled-formula.js';
export { doseFor, solidsPerGram } from './formula/scale-dissolved.js';
export { shippedFormulas } from './formula/shipped-formulas.js';
export { cultureVesselTypes, shippedVesselTypes } from './formula/shipped-vessel-types.js';
export { adviseTreatment, type TreatmentAdvice } from './formula/treatment.js';
export {
  isWetStep,
  uptakeAfter,
  uptakeCurve,
  uptakeKind,
  uptakeRate,
  uptakeStages,
  uptakeWindow,
  type UptakeKind,
  type UptakePoint,
  type UptakeStage,
  type WetStep,
} from './formula/uptake.js';
export {
  boxMl,
  cylinderMl,
  isFilledHere,
  pluralOf,
  pourDepthMm,
  pourVolumeMl,
  usualLiquidMl,
  vesselsFor,
} from './formula/vessel-size.js';
export { withSchool } from './formula/with-school.js';
export { shoppingList, stockLeftG, type ToBuy } from './stock/stock.js';

// steam, heat
export { chamberAir, measuredAir, sealedCold, steamBesideAir, vesselAir } from './steam/air.js';
export { atmosphericPressure } from './steam/atmosphere.js';
export { chamberTemperature, gaugePressureFor, type ChamberInput } from './steam/chamber.js';
export { pressureMeanings, type PressureKind, type PressureMeaning } from './steam/pressure-meaning.js';
export { saturationPressure, saturationTemperature } from './steam/saturation.js';
export { waterBudget, waterLostMl, type WaterBudget } from './steam/water-budget.js';
export { BROWNS_FROM_MIN, SPOILS_FROM_MIN, browningMinutes } from './heat/browning.js';
export {
  DRY_HEAT,
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
  type WarmMiddle,
} from './heat/pasteurize.js';
export {
  APART_C,
  POUR_FROM_C,
  POUR_UNTIL_C,
  SETS_C,
  pourWindow,
  type Interval,
  type PourWindow,
} from './heat/pour-window.js';
export { holdForF0, type HoldInput } from './heat/hold-for-f0.js';
export { holdReaching } from './heat/hold-reaching.js';
export {
  bodyOf,
  characteristicM,
  mixedBody,
  type Body,
  type Films,
  type Shape,
} from './heat/conduction/body.js';
export { chanceByHold, holdForChance, type HoldChance } from './heat/band/chance-by-hold.js';
export { effectiveCount, priorDraws, weightedQuantiles, type Draws } from './heat/band/draws.js';
export { drawsAfter, type Observation } from './heat/band/evidence.js';
export { heatBand, type HeatBand, type Likely } from './heat/band/heat-band.js';
export {
  middleF0,
  middleF0Until,
  overcook,
  runHeat,
  seenByVessel,
  type Run,
  type RunHeat,
} from './heat/band/run-heat.js';
export { MIDDLING, drawLoad, type ThermalLoad } from './heat/band/uncertain-load.js';
export { besselJ0J1 } from './heat/conduction/bessel.js';
export { radius, slab } from './heat/conduction/directions.js';
export { respond } from './heat/conduction/respond.js';
export {
  STEP_MINUTES,
  simulateLoad,
  type LoadHeat,
  type LoadInput,
} from './heat/conduction/simulate-load.js';
export { comeUpMinutes, heatingEnergyKJ, type LoadMasses } from './heat/come-up.js';
export {
  coolingMinutes,
  coolingRateOf,
  excessAfter,
  minutesToCool,
  NATURAL_CONVECTION,
  type CoolingInput,
} from './heat/cooling.js';
export {
  equalLethalityHold,
  f0,
  f0OfCurve,
  lethalRate,
  type LethalityOptions,
  type ProfilePoint,
} from './heat/lethality.js';

// cook
export { chamberProfile, profileUntil, type ChamberProfile } from './cook/chamber-profile.js';
export { cookRun, cookRunIfBack, observationsOf, probedF0, type CookFacts } from './cook/cook-heat.js';
export { browningOf } from './cook/browning-of.js';
export { planDay, fuelOf, type CookOfDay, type DayPlan, type Waiting } from './cook/day-plan.js';
export {
  FAULTS,
  StandInReading,
  StandInScale,
  standInCook,
  type Fault,
  type StandInCook,
} from './cook/stand-in.js';
export { stepShown, type Shown } from './cook/instrument.js';
export { allowedCookSteps, cookState, heldMs, holdLeftMinutes } from './cook/cook-state.js';
export { isPlausible } from './cook/channel-limits.js';
export type { CookPhase, CookState } from './cook/cook-state.js';
export { contentsOf, inCooker, placesNeeded } from './cook/in-cooker.js';
export { learnedFrom, type Learned } from './cook/learned.js';
export { thermalLoadOf, type Contents } from './cook/load-model.js';
export { GAP_MS, asProfile, readingsOf, stretches, type Reading } from './cook/measured.js';
export { plannedChamber, type PlannedRun } from './cook/planned-chamber.js';
export { APPLIANCE_STARTS, newAppliance } from './cook/new-appliance.js';
export { isPressureCooker, shownGaugeKPa, trueGaugeKPa } from './cook/pot.js';
export { relativeHold, runOf, tradeChamberC, tradeF0 } from './cook/relative-hold.js';
export { tradeHold, type TradeHold, type TradeSchool } from './cook/trade-holds.js';
export {
  USUAL_TARGET_F0,
  cookVerdict,
  type CookVerdict,
  type VerdictReason,
  type VerdictWord,
} from './cook/verdict.js';
export {
  coreCoolMinutes,
  householdAtmosphereKPa,
  openAfterMinutes,
  planCook,
  SAFE_CORE_C,
  VENT_MINUTES,
} from './cook/programme.js';
export type { CookPlan, CookWish } from './cook/programme.js';
export { shippedAppliances } from './cook/shipped-appliances.js';

// culture, growth, yield
export { usualDoseMl, usualSpawnG } from './culture/dose.js';
export { isCulture } from './house/is-culture.js';
export { shippedSpecies } from './culture/shipped-species.js';
export { dayOfFraction, expectedFraction, fitColonization } from './growth/fit-colonization.js';
export type { ColonizationForecast, ColonizationMark, ColonizationPrior } from './growth/fit-colonization.js';
export { biologicalEfficiency } from './yield/biological-efficiency.js';
export { blockDryMassG } from './yield/block-dry-mass.js';

// records
export { Batch, BatchPlan, Cook, Photo, Treatment, Vessel, plainCode } from './record/batch.js';
export {
  Appliance,
  ApplianceKind,
  Figure,
  Formula,
  Household,
  HydrationMethod,
  Isolate,
  Material,
  MaterialFamily,
  ResolvedFormula,
  Species,
  Stage,
  VesselKind,
  VesselType,
  isDissolved,
  type DissolvedFormula,
  type SolidFormula,
} from './record/definitions.js';
export { batchCodes } from './record/codes.js';
export { decide, type Decided } from './record/corrections.js';
export { effectiveEntries, withValues, type Fact, type FactOf } from './record/effective.js';
export {
  CautionId,
  Channel,
  Contaminant,
  CookStep,
  Entry,
  Fate,
  HydrationStep,
  Place,
  Proof,
  WATER,
  isCorrection,
  type CorrectionEntry,
  type EntryKind,
  type EntryOf,
} from './record/entry.js';
export { BatchId, CookId, DeviceId, EntryId, Key, Line, PhotoId, Remark, VesselId } from './record/ids.js';
export { ancestors, descendants, lineage, type Lineage } from './record/lineage.js';
export { editableFields, type EditableField } from './record/editable.js';
export { olderRow } from './record/older-rows.js';
export {
  SHIPPED_TABLES,
  asShipped,
  refreshShipped,
  type Refreshed,
  type Shipped,
  type ShippedOffer,
  type ShippedTable,
} from './record/shipped.js';
export { sittingOf, type Sitting, type WrittenDeed } from './record/sitting.js';
export { newId, seededRandom, type Random } from './record/new-id.js';
export {
  TABLES,
  TABLE_NAMES,
  emptyRecords,
  readRow,
  type ReadResult,
  type Records,
  type TableName,
} from './record/tables.js';
export {
  foldVessel,
  vesselState,
  type Mark,
  type VesselPhase,
  type VesselState,
} from './house/derive/vessel-state.js';

// house, plan
export { EMPTY_HOUSE, buildHouse } from './house/derive/build-house.js';
export { forecastVessel } from './house/derive/forecast.js';
export type { LiveRecords, NewRows } from './house/derive/records-with.js';
export { HouseInMaking } from './house/derive/house-in-making.js';
export { withRows } from './house/derive/with-rows.js';
export { checkEntry } from './house/check-entry.js';
export { consequencesOf, impossibleFacts, struckWith, type Impossible } from './house/consequences.js';
export { fedBy } from './house/fed-by.js';
export { frontOf } from './house/front.js';
export { historyLine, historyOf, type HistoryLine, type HistorySubject } from './house/history.js';
export type { BatchView, CookView, House, Trouble, VesselView } from './house/derive/house.js';
export { defaultHousehold, shippedDefinitions } from './house/shipped-definitions.js';
export { makeBatch, makeCook, receiveCulture, type MakeContext, type NewBatch } from './house/make.js';
export { nextNumber } from './house/next-number.js';
export { dueItems, isLate, nextFor, type Deed, type DueItem, type PlaceName } from './plan/due.js';
export { cooksOn, isOn } from './house/cooks-on.js';
export {
  expectedOf,
  isRunFull,
  isUsedUp,
  lastFraction,
  runningVessels,
  vesselsInHand,
} from './house/running.js';
export { SHAKE_AT, toShake, type ToShake } from './house/shake.js';
export { PINS_TO_CUT_DAYS, fruitingOf, nextCutMs, type Fruiting } from './house/to-harvest.js';
export {
  allReadyToInoculate,
  culturesInHand,
  readyToInoculate,
  sourcesFor,
  usualDose,
  type ReadyToInoculate,
} from './house/to-inoculate.js';

// exchange
export {
  ARCHIVE_FORMAT,
  MOST_ARCHIVE_BYTES,
  UnreadRow,
  isKnownTable,
  tableJsonSchemas,
  type Manifest,
} from './exchange/archive/format.js';
export {
  firstIssue,
  openArchive,
  parseArchive,
  type ArchiveRow,
  type OpenArchive,
} from './exchange/archive/read-archive.js';
export { ArchiveWriter, partsOfPhotos, writeArchive } from './exchange/archive/write-archive.js';
export type { ByteSource } from './exchange/archive/zip-directory.js';
export { batchSheet, type BatchSheet } from './exchange/batch-sheet.js';
export { MOST_CSV_BYTES, OutsideReadings, parseReadingsCsv, type LoggedCurve } from './exchange/readings.js';
export { labelContent, type LabelContent } from './exchange/label.js';
export {
  isSameRow,
  mergeArchives,
  rowThatStands,
  type MergeDifference,
  type MergeRow,
  type Merged,
} from './exchange/merge.js';
export { csvColumns, csvOf } from './exchange/table-csv.js';

// demo
export { hollinRow } from './demo/hollin-row.js';
