export { usualDoseMl, usualSpawnG } from './dose.js';
export { shippedSpecies } from './shipped-species.js';
