import { requireWithin } from '../base/errors.js';

/** Clings to the glass and lies too low for the needle. From memory. */
export const RESIDUE_SHARE = 0.03;
/** Stays in hub and needle of each syringe that is filled, milliliters. From memory. */
export const DEAD_ML = 0.1;
/** Less than this share of a syringe is not worth one. Our choice. */
const WORTH_DRAWING = 0.25;

/** What a bottle gives when it is drawn into syringes. Milliliters. */
export interface DrawOff {
  /** Full ones. */
  readonly full: number;
  /** What one more would hold; 0 where that is not worth one. */
  readonly lastMl: number;
  /** What each takes out of the bottle, with what stays in the needle. */
  readonly eachTakesMl: number;
  /** What is left in the bottle after the full ones, what clings to it counted. */
  readonly leftMl: number;
}

/**
 * How many syringes a bottle fills.
 * @param availableMl what is in it, 0 to 20 000
 * @param sizeMl what each is to hold, 0.5 to 1000
 * @throws CoreError `out-of-range`
 */
export function drawOff(availableMl: number, sizeMl: number): DrawOff {
  requireWithin(availableMl, { field: 'volume', min: 0, max: 20_000, unit: ' ml', unitStays: true });
  requireWithin(sizeMl, { field: 'inEach', min: 0.5, max: 1000, unit: ' ml', unitStays: true });
  const eachTakesMl = sizeMl + DEAD_ML;
  const usableMl = availableMl * (1 - RESIDUE_SHARE);
  const full = Math.floor(usableMl / eachTakesMl + 1e-9);
  const restMl = usableMl - full * eachTakesMl - DEAD_ML;
  return {
    full,
    lastMl: restMl >= sizeMl * WORTH_DRAWING ? Math.floor(restMl) : 0,
    eachTakesMl,
    leftMl: availableMl - full * eachTakesMl,
  };
}
