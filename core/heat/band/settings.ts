/** Draws of a band; the ends of "8 in 10" then lie within a few per cent of those of thousands. Measured, see `band.spec.ts`. */
export const DRAWS = 200;
/** One seed for all, so that a band does not tremble while a slider moves. */
export const BAND_SEED = 20_250_101;
/** Holds at which the chance is reckoned, min; between them it is straight. Our choice. */
export const HOLDS_RECKONED = [20, 40, 60, 75, 90, 105, 120, 150, 180, 240, 300] as const;
