import { requireWithin } from '../base/errors.js';

/** What a warm place is walled with, thickness m and conductivity W/(m K). Handbook values, from memory. */
const WALLS = {
  /** Polypropylene. */
  tote: { thicknessM: 0.002, wPerMK: 0.22 },
  /** The same with a finger of foam around it. */
  insulated: { thicknessM: 0.02, wPerMK: 0.035 },
  /** Chipboard, as of a wardrobe. */
  wood: { thicknessM: 0.016, wPerMK: 0.13 },
} as const;
export type WallKind = keyof typeof WALLS;
export const WALL_KINDS = ['tote', 'insulated', 'wood'] as const satisfies readonly WallKind[];

/** Still air at a wall, moving by itself and radiating, W/(m² K). Handbook value, from memory. */
export const STILL_AIR_W_PER_M2_K = 8;
/** A closed gap of air between two lids, m² K/W. Handbook value, from memory. */
const AIR_GAP = 0.16;
/** Water warmed, kJ/(kg K), and what a liter weighs. */
const WATER_J_PER_KG_K = 4186;
const KG_PER_L = 1;
const MM_PER_M = 1000;
const J_PER_WH = 3600;
/** So much stronger than the loss: a cold night, a lid that is opened. Our choice. */
const SPARE = 1.5;
/** As mats and heaters are sold, watts. Common practice, no source. */
const SOLD_W = [7, 15, 25, 50, 75, 100, 150, 200, 300] as const;

/** A box that is kept warmer than its room. */
export interface WarmBox {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly wall: WallKind;
  /** Of the water between two totes; 0 for a mat in air. */
  readonly waterL: number;
  readonly insideC: number;
  readonly roomC: number;
}

/** What it takes to keep a box warm. */
export interface HeatNeed {
  /** What it loses once it is warm, W. */
  readonly lossW: number;
  /** A heater as it is sold that keeps it so; undefined where none is strong enough. */
  readonly heaterW?: number;
  /** Until its water is warm, from the room, h; 0 for air. */
  readonly warmUpHours: number;
}

/**
 * Steady loss through walls, bottom and lid: area × difference ÷ the sum of what resists (air inside, wall, air outside). In a
 * bath the water touches the wall; above it lie two lids with air between.
 *
 * @throws CoreError `out-of-range`
 */
export function heatNeed(box: WarmBox): HeatNeed {
  const [length, width, height] = (['length', 'width', 'height'] as const).map(
    (field) => requireWithin(box[`${field}Mm`], { field, min: 50, max: 3000, unit: ' mm' }) / MM_PER_M,
  ) as [number, number, number];
  requireWithin(box.waterL, { field: 'water', min: 0, max: 500, unit: ' l', unitStays: true });
  requireWithin(box.insideC, { field: 'temperature', min: 5, max: 45, unit: ' °C' });
  requireWithin(box.roomC, { field: 'room', min: -10, max: 45, unit: ' °C' });
  const { thicknessM, wPerMK } = WALLS[box.wall];
  const wall = thicknessM / wPerMK;
  const air = 1 / STILL_AIR_W_PER_M2_K;
  const isBath = box.waterL > 0;
  const lid = length * width;
  const sides = lid + 2 * height * (length + width);
  const perK = isBath
    ? sides / (wall + air) + lid / (air + wall + AIR_GAP + wall + air)
    : (sides + lid) / (air + wall + air);
  const difference = Math.max(0, box.insideC - box.roomC);
  const lossW = perK * difference;
  const heaterW = SOLD_W.find((w) => w >= lossW * SPARE);
  // While it warms it loses half as much on average.
  const gainW = (heaterW ?? 0) - lossW / 2;
  const waterWh = (box.waterL * KG_PER_L * WATER_J_PER_KG_K * difference) / J_PER_WH;
  return {
    lossW,
    ...(heaterW !== undefined && lossW > 0 && { heaterW }),
    warmUpHours: isBath && gainW > 0 ? waterWh / gainW : 0,
  };
}
