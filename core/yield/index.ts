export { biologicalEfficiency } from './biological-efficiency.js';
export { blockDryMassG } from './block-dry-mass.js';
export { dryingFactor, freshG, nextFlushOf, thatBore, type NextFlush } from './flushes.js';
export { handsAtWorkMs } from './hands-at-work.js';
export { moneySpentOn, moneySpentOnAll, type MoneySpent } from './money.js';
export { yieldsOf, type Yields } from './yields.js';
