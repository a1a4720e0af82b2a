export { dayOfFraction, expectedFraction, forecastTogether } from './forecast.js';
export type { BatchForecast, ColonizationForecast, ColonizationPrior } from './forecast.js';
export { FULL } from './curve.js';
export { hasStalled } from './stall.js';
export type { ColonizationMark, VesselMarks } from './pooled-fit.js';
export { cardinalOf, growthRateAt, type CardinalC } from './temperature-response.js';
export { WarmClock, type RateFrom } from './warm-clock.js';
export { firmDayAfter, milestonesOf, type Milestones } from './milestones.js';
