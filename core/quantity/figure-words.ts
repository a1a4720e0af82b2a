import { formatNumber } from './format.js';

/** How figures are worded where core explains them: in the units that a household reads. */
export interface FigureWords {
  /** @param digits behind the point, in grams */
  readonly mass: (massG: number, digits?: number) => string;
  readonly volume: (volumeMl: number, digits?: number) => string;
  /** Water in a pot, to a tenth of its unit. */
  readonly water: (volumeMl: number) => string;
  readonly temperature: (celsius: number, digits?: number) => string;
  /** "g", "ml": behind a line that is written on by hand. */
  readonly massSign: string;
  readonly volumeSign: string;
}

/** Grams, milliliters and °C. */
export const METRIC_WORDS: FigureWords = {
  mass: (massG, digits = 0) => `${formatNumber(massG, digits)} g`,
  volume: (volumeMl, digits = 0) => `${formatNumber(volumeMl, digits)} ml`,
  water: (volumeMl) => `${formatNumber(volumeMl / 1000, 1)} l`,
  temperature: (celsius, digits = 0) => `${formatNumber(celsius, digits)} °C`,
  massSign: 'g',
  volumeSign: 'ml',
};
