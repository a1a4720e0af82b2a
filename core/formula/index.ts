export { auditFormula, type Audit, type AuditOptions, type Filling } from './audit/audit.js';
export type { AuditLine, LineQuestion } from './audit/audit-line.js';
export { MOST_LINES } from './audit/weighed-lines.js';
export { RECIPE_SOURCE, formulaFromAudit } from './audit/formula-from-audit.js';
export { MaterialMatcher, phraseOf, type Match } from './audit/match-material.js';
export { readLine, type Amount, type ReadLine } from './audit/read-line.js';
export { blendOf, fieldCapacityOf, type Blend, type BlendPart } from './blend.js';
export { pourOut, splitIntoBottles, vesselsFrom, type Pour } from './bottles.js';
export { correctMix, type Correction } from './correct.js';
export { boughtAs, costOf, type BatchCost } from './cost.js';
export { pricePerFilling, pricePerKgOf, usesOf } from './prices.js';
export { findingsFor, LIMITS, type Finding, type FindingCode } from './findings.js';
export {
  SCHOOLS,
  hydrationProgress,
  hydrationSteps,
  schoolOf,
  stepsOf,
  takesUpWater,
  type HydrationProgress,
  type School,
} from './hydration.js';
export { type HydrationPlan } from './hydration-plan.js';
export { warmingOf, type Warming } from './warming.js';
export { liquidMaltFor } from './malt-substitute.js';
export { nextTime, type NextTime, type PastBatch } from './next-time.js';
export { dryBasis, pelegMoisture, wetBasis } from './peleg.js';
export { nextDrops, type PhAdvice, type PhReading } from './ph-drops.js';
export { JAR_LIMIT } from './shipped-jars.js';
export { amountOf } from './amount-of.js';
export { mostFill } from './asked-amount.js';
export { mixMoisture, waterToAdd, weighedMoisture, type MoistPart } from './moisture.js';
export { reasonForMoisture, reasonForPart, reasonForWater, type Reason, type ReasonStep } from './reasons.js';
export {
  isOptionalPart,
  leftOutG,
  optionalParts,
  usualParts,
  withOptional,
  type OptionalPart,
} from './optional-parts.js';
export { resolveFormula } from './resolve.js';
export { scaleFormula } from './scale.js';
export { COUNT_RULE, MOISTURE_RULE, SPARE_RULE, STRENGTH_RULE, eachMlRule } from './scaled-formula.js';
export type {
  DissolvedAmounts,
  ScaleTarget,
  ScaleWarning,
  ScaledFormula,
  ScaledPart,
} from './scaled-formula.js';
export { doseFor, solidsPerGram } from './scale-dissolved.js';
export { shippedFormulas } from './shipped-formulas.js';
export { cultureVesselTypes, shippedVesselTypes } from './shipped-vessel-types.js';
export { adviseTreatment, type TreatmentAdvice } from './treatment.js';
export {
  isWetStep,
  uptakeAfter,
  uptakeCurve,
  likelyUptake,
  uptakeKind,
  uptakeRate,
  uptakeStages,
  uptakeWindow,
  type UptakeKind,
  type UptakePoint,
  type UptakeStage,
  type WetStep,
} from './uptake.js';
export {
  boxMl,
  cylinderMl,
  isCookedFull,
  isCookedHere,
  isFilledHere,
  pluralOf,
  pourDepthMm,
  likeliestVessel,
  pourVolumeMl,
  usualLiquidMl,
  vesselsFor,
} from './vessel-size.js';
export { refill, usualRefillCount, type Refill } from './refill.js';
export { withSchool } from './with-school.js';
export { USUAL_FORMULA, USUAL_SPARE, USUAL_VESSEL } from './usual-choices.js';
