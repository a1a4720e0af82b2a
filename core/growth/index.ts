export { dayOfFraction, expectedFraction, fitColonization } from './fit-colonization.js';
export type { ColonizationForecast, ColonizationMark, ColonizationPrior } from './fit-colonization.js';
