import { dayOfFraction, type ColonizationForecast } from './forecast.js';

/** A run block is firm enough to open when a fifth of its full day more is over, three days at least. Common practice, no source. */
const FIRM_SHARE = 0.2;
const FIRM_LEAST_DAYS = 3;
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
  return { thirdDay: dayOfFraction(forecast, THIRD), fullDay, firmDay: firmDayAfter(fullDay) };
}

/** @param fullDay day on which it is or was run full */
export function firmDayAfter(fullDay: number): number {
  return fullDay + Math.max(FIRM_LEAST_DAYS, FIRM_SHARE * fullDay);
}
