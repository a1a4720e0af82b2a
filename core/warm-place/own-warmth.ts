import { STILL_AIR_W_PER_M2_K } from './heat-balance.js';

/** Of its dry matter what runs through breathes away so much until it is full. From memory. */
const BREATHED_SHARE = 0.05;
/** Burnt dry plant matter, J/kg; cellulose gives 17, sugar 16 MJ. Handbook values, from memory. */
const J_PER_KG_DRY = 16.5e6;
/** A loose moist medium conducts, W/(m K). From memory. */
const MEDIUM_W_PER_M_K = 0.4;
/** What moist grain or sawdust weighs as it lies, kg/m³. Common practice, no source. */
const MEDIUM_KG_PER_M3 = 700;
const S_PER_DAY = 86_400;
const G_PER_KG = 1000;

/** A vessel that is being run through. */
export interface GrowingLoad {
  readonly wetG: number;
  readonly dryG: number;
  /** How much of it is run through anew in a day, 0 to 1. */
  readonly fractionPerDay: number;
}

/** Heat that growth gives off, W: what is breathed away, burnt slowly. */
export function growthHeatW({ dryG, fractionPerDay }: Omit<GrowingLoad, 'wetG'>): number {
  return (Math.max(0, fractionPerDay) * BREATHED_SHARE * (dryG / G_PER_KG) * J_PER_KG_DRY) / S_PER_DAY;
}

/**
 * How much warmer than the air around it the middle is, K, for a vessel that stands free: a ball of its mass that gives its
 * heat to still air, and conducts it there.
 */
export function middleAboveAirK(warming: GrowingLoad): number {
  if (warming.wetG <= 0) {
    return 0;
  }
  const heatW = growthHeatW(warming);
  const volumeM3 = warming.wetG / G_PER_KG / MEDIUM_KG_PER_M3;
  const radiusM = ((3 * volumeM3) / (4 * Math.PI)) ** (1 / 3);
  const atWallK = heatW / (STILL_AIR_W_PER_M2_K * 4 * Math.PI * radiusM ** 2);
  return atWallK + ((heatW / volumeM3) * radiusM ** 2) / (6 * MEDIUM_W_PER_M_K);
}
