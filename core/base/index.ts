export { DAY_MS, HOUR_MS, MINUTE_MS } from './time.js';
export { groupBy, push } from './collections.js';
export { CoreError, isRefusal, requireText, requireWithin, unlessRefused } from './errors.js';
export type {
  ArchiveFault,
  Field,
  FieldRef,
  MeantIn,
  RangeRule,
  RefusalCode,
  Refusals,
  WantedOfVessel,
} from './refusals.js';
export { capital, leadWords, uncapital } from './wording.js';
