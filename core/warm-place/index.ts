export { WALL_KINDS, heatNeed, type HeatNeed, type WallKind, type WarmBox } from './heat-balance.js';
