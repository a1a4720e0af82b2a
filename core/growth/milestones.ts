import { dayOfFraction, type ColonizationForecast } from './forecast.js';

/** A run block is firm enough to open when a fifth of its full day more is over, three days at least. Common practice, no source. */
const FIRM_SHARE = 0.2;
const FIRM_LEAST_DAYS = 3;
/** Grain is shaken at about a third. Common practice, no source. */
const THIRD = 1 / 3;

/** Days since inoculation on which a vessel is so far. */
export interface Milestones {
  readonly thirdDay: number;
  readonly fullDay: number;
  /** Consolidated: run through and firm. */
  readonly firmDay: number;
}

/** What a forecast says of a vessel's way. */
export function milestonesOf(forecast: ColonizationForecast): Milestones {
  const { fullDay } = forecast;
  return { thirdDay: thirdDayOf(forecast), fullDay, firmDay: firmDayAfter(fullDay) };
}

/** Asked for each jar whenever the day is told; a forecast never changes. */
const thirdDays = new WeakMap<ColonizationForecast, number>();

/** Day of a third. */
export function thirdDayOf(forecast: ColonizationForecast): number {
  const known = thirdDays.get(forecast) ?? dayOfFraction(forecast, THIRD);
  thirdDays.set(forecast, known);
  return known;
}

/** @param fullDay day on which it is or was run full */
export function firmDayAfter(fullDay: number): number {
  return fullDay + Math.max(FIRM_LEAST_DAYS, FIRM_SHARE * fullDay);
}
