export { convert, type ConvertOptions } from './convert.js';
export { formatAmount } from './format-amount.js';
export {
  decimalsOf,
  durationWords,
  formatNumber,
  kitchenMeasure,
  percentWords,
  roundToStep,
} from './format.js';
export { parseIn, parseNumber, parseWithin } from './parse-number.js';
export { UNITS, type UnitName } from './units.js';
