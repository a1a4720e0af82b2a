/** Draws of a band; the ends of "8 in 10" then lie within a few per cent of those of thousands. Measured, see `band.spec.ts`. */
export const DRAWS = 200;
/**
 * Draws of what a load's vessels share, from which it is told how many of them sour. A draw costs no run there, so there
 * are more: of 200 the chance of a quart was 0.7 to 3.7 in 100 by the seed, of 1000 it is 2.1 to 2.8. Measured.
 */
export const LOAD_DRAWS = 1000;
/** The same where each draw is weighed by a run for each thing that was measured. */
export const MEASURED_LOAD_DRAWS = 400;
/** One seed for all, so that a band does not tremble while a slider moves. */
export const BAND_SEED = 20_250_101;
/** Holds at which the chance is reckoned, min; between them it is straight. Our choice. */
export const HOLDS_RECKONED = [20, 40, 60, 75, 90, 105, 120, 150, 180, 240, 300] as const;
