export { biologicalEfficiency } from './biological-efficiency.js';
export { blockDryMassG } from './block-dry-mass.js';
export { dryingFactor, freshG, nextFlushOf, thatBore, type NextFlush } from './flushes.js';
export { yieldsOf, type Yields } from './yields.js';
