export { WALL_KINDS, heatNeed, type HeatNeed, type WallKind, type WarmBox } from './heat-balance.js';
export { growthHeatW, middleAboveAirK, type GrowingLoad } from './own-warmth.js';
export { growingWarmth, growthHeatAtW, type GrowingWarmth } from './growing-warmth.js';
export { tooHot, tooHotAt, type TooHot } from './too-hot.js';
