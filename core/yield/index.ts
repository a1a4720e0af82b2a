export { biologicalEfficiency } from './biological-efficiency.js';
export { blockDryMassG } from './block-dry-mass.js';
