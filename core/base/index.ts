export { DAY_MS, HOUR_MS, MINUTE_MS } from './time.js';
export { groupBy, push } from './collections.js';
export {
  CoreError,
  UnitError,
  requireWithin,
  unlessRefused,
  type CoreErrorCode,
  type RangeRule,
} from './errors.js';
