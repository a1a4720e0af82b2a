export {
  BrothLook,
  CultureUnit,
  CultureWarning,
  Holds,
  HowItCame,
  Mishap,
  Origin,
  Radius,
  Sector,
} from './culture.js';
export { Batch, BatchPlan, Cook, Photo, Treatment, Vessel, mediumOf, plainCode } from './batch.js';
export {
  CookerCare,
  Appliance,
  ApplianceKind,
  BatchStage,
  Figure,
  Formula,
  Household,
  HydrationMethod,
  Isolate,
  Material,
  MaterialFamily,
  Place,
  PlaceUse,
  RoomFor,
  ResolvedFormula,
  Species,
  Stage,
  VesselKind,
  VesselType,
  isDissolved,
  type DissolvedFormula,
  type SolidFormula,
} from './definitions.js';
export { AskedAmount, Plan, PlanChoices } from './plan.js';
export { FreeHours, USUAL_WEEK, WeekPattern } from './free-time.js';
export { freeHoursOf, freeHoursText } from './free-hours-text.js';
export { AgreedPlan, STEP_KINDS, Wish, type AgreedStep } from './wish.js';
export { decide, type Decided } from './corrections.js';
export { effectiveEntries, withValues, type Fact, type FactOf } from './effective.js';
export {
  Beside,
  Between,
  FuelBy,
  GlassKind,
  GlassStep,
  MeltedIn,
  CautionId,
  Channel,
  Contaminant,
  CookChannel,
  CookStep,
  Entry,
  Fate,
  FlushQuality,
  FlushUse,
  GrowthLook,
  HydrationStep,
  MOST_DEPTH_MM,
  MOST_LAYERS,
  Layer,
  LayerOf,
  Opening,
  AirChannel,
  SpawnLies,
  Tending,
  RepotHow,
  Proof,
  OutTo,
  SuspectAt,
  WATER,
  Wetness,
  isCorrection,
  type CorrectionEntry,
  type EntryKind,
  type EntryOf,
} from './entry.js';
export {
  BatchId,
  CookId,
  DeviceId,
  EntryId,
  Key,
  Line,
  MOST_LINE_LETTERS,
  PhotoId,
  Remark,
  VesselId,
} from './ids.js';
export { ancestors, descendants, lineage, type Lineage } from './lineage.js';
export { editableFields, type EditableField } from './editable.js';
export { olderRow } from './older-rows.js';
export {
  SHIPPED_TABLES,
  asShipped,
  refreshShipped,
  type Refreshed,
  type Shipped,
  type ShippedOffer,
  type ShippedTable,
} from './shipped.js';
export {
  Log,
  MOST_READINGS_IN_CHUNK,
  MOST_SECONDS_IN_CHUNK,
  ReadingChunk,
  Subject,
  partsOfSubject,
  subjectOfCook,
  subjectOfPlace,
  subjectOfVessel,
} from './readings.js';
export { sittingOf, type Sitting, type WrittenDeed } from './sitting.js';
export { idOfName, newId, seededRandom, type Random } from './new-id.js';
export {
  TABLES,
  TABLE_NAMES,
  emptyRecords,
  isLive,
  readRow,
  type BulkTable,
  type LiveTable,
  type ReadResult,
  type Records,
  type TableName,
} from './tables.js';
