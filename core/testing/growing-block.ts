import { growthHeatW, middleAboveAirK, type GrowingLoad } from '../index.js';

/** The block that docs/checks.md works by hand: 40 % dry, it runs through by 8 in 100 of a day. */
export const GROWING_BLOCK: GrowingLoad = { wetG: 2268, dryG: 907, fractionPerDay: 0.08 };

/** What is reckoned for it, beside what was worked by hand. */
export function growingBlockRow(): string {
  return `${growthHeatW(GROWING_BLOCK).toFixed(2)} W and ${middleAboveAirK(GROWING_BLOCK).toFixed(2)} K`;
}
