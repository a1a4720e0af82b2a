export { heldInBath } from './bath.js';
export { bucketShape, coolingBucket, type CoolingBucket } from './bucket.js';
export { DRY_HEAT, KITCHEN_DRY_HEAT, dryHeatHeld, dryHeatMinutes } from './dry-heat.js';
export { LIME, limeBath } from './lime.js';
export { mixTemperature, type BucketMaterial } from './mix.js';
export { PASTEURIZE_C, PASTEURIZE_MIN, TOO_HOT_C, type WarmPlace } from './warm-place.js';
