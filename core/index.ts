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
export { CoreError, UnitError, requireWithin, type CoreErrorCode, type RangeRule } from './errors.js';

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
export { atmosphericPressure } from './steam/atmosphere.js';
export { chamberTemperature, gaugePressureFor, type ChamberInput } from './steam/chamber.js';
export { saturationPressure, saturationTemperature } from './steam/saturation.js';
export { waterBudget, waterLostMl, type WaterBudget } from './steam/water-budget.js';
export { comeUpMinutes, heatingEnergyKJ, type LoadMasses } from './heat/come-up.js';
export {
  coolingMinutes,
  excessAfter,
  minutesToCool,
  NATURAL_CONVECTION,
  type CoolingInput,
} from './heat/cooling.js';
export {
  equalLethalityHold,
  f0,
  lethalRate,
  type LethalityOptions,
  type ProfilePoint,
} from './heat/lethality.js';

// cook
export { chamberProfile, profileUntil, type ChamberProfile } from './cook/chamber-profile.js';
export { allowedCookSteps, cookState, cookVerdict, heldMs, holdLeftMinutes } from './cook/cook-state.js';
export type { CookPhase, CookState, CookVerdict } from './cook/cook-state.js';
export {
  coreCoolMinutes,
  householdAtmosphereKPa,
  inCooker,
  openAfterMinutes,
  placesNeeded,
  planCook,
  SAFE_CORE_C,
  tradeHold,
  VENT_MINUTES,
} from './cook/programme.js';
export type { CookPlan, TradeHold } from './cook/programme.js';
export { shippedAppliances } from './cook/shipped-appliances.js';

// culture, growth, yield
export { usualDoseMl, usualSpawnG } from './culture/dose.js';
export { isCulture } from './culture/is-culture.js';
export { shippedSpecies } from './culture/shipped-species.js';
export { dayOfFraction, expectedFraction, fitColonization } from './growth/fit-colonization.js';
export type { ColonizationForecast, ColonizationMark, ColonizationPrior } from './growth/fit-colonization.js';
export { biologicalEfficiency } from './yield/biological-efficiency.js';
export { blockDryMassG } from './yield/block-dry-mass.js';

// records
export { Batch, BatchPlan, Cook, Photo, Treatment, Vessel, batchCode, vesselCode } from './record/batch.js';
export {
  Appliance,
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
export { improveDefinitions } from './record/improve.js';
export { effectiveEntries, type Fact, type FactOf } from './record/effective.js';
export {
  Contaminant,
  CookStep,
  Entry,
  HydrationStep,
  Place,
  WATER,
  isCorrection,
  type EntryKind,
  type EntryOf,
} from './record/entry.js';
export { BatchId, CookId, EntryId, Key, Line, PhotoId, Remark, VesselId } from './record/ids.js';
export { ancestors, descendants, lineage, type Lineage } from './record/lineage.js';
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
} from './record/vessel-state.js';

// house, plan
export { buildHouse, forecastVessel } from './house/build-house.js';
export { checkEntry } from './house/check-entry.js';
export { fedBy } from './house/fed-by.js';
export type { BatchView, CookView, House, VesselView } from './house/house.js';
export { makeBatch, makeCook, receiveCulture, type MakeContext, type NewBatch } from './house/make.js';
export { nextBatchNumber, nextCookNumber } from './house/next-number.js';
export {
  SHAKE_AT,
  dueItems,
  isLate,
  isRunFull,
  isOn,
  lastFraction,
  nextCutMs,
  type DueItem,
  type PlaceName,
} from './plan/due.js';

// exchange
export {
  ARCHIVE_FORMAT,
  MOST_ARCHIVE_BYTES,
  parseArchive,
  tableJsonSchemas,
  writeArchive,
  type Manifest,
} from './exchange/archive.js';
export { batchSheet, type BatchSheet } from './exchange/batch-sheet.js';
export { labelContent, type LabelContent } from './exchange/label.js';
export { mergeArchives, type MergeDifference, type Merged } from './exchange/merge.js';

// demo
export { defaultHousehold, hollinRow, shippedDefinitions } from './demo/hollin-row.js';
