export { convert, type ConvertOptions } from './convert.js';
export { METRIC_WORDS, type FigureWords } from './figure-words.js';
export { formatAmount } from './format-amount.js';
export { decimalsOf, durationWords, formatNumber, percentWords, roundToStep } from './format.js';
export { parseIn, parseNumber, parseWithin, type TypedRule } from './parse-number.js';
export {
  LEAST_CUP_ML,
  METRIC_UNITS,
  shownIn,
  signOf,
  unitShown,
  type ShownUnit,
  type UnitChoices,
} from './shown-units.js';
export { plainThousands } from './thousands.js';
export { UNITS, type UnitName } from './units.js';
export { kitchenMeasure } from './kitchen-measure.js';
