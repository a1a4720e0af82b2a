import { DAY_MS, HOUR_MS } from '../base/time.js';

/** Minutes that hands take: to lay out and clear away, and for each vessel. Our estimate, from no measurement. */
export interface HandTime {
  readonly once: number;
  readonly each: number;
}

export const HANDS = {
  soak: { once: 15, each: 0 },
  fillGrain: { once: 60, each: 5 },
  mixBlocks: { once: 25, each: 10 },
  mixBroth: { once: 25, each: 3 },
  load: { once: 20, each: 0 },
  sowBroth: { once: 20, each: 3 },
  sowGrain: { once: 20, each: 4 },
  spawnBlocks: { once: 20, each: 6 },
  open: { once: 5, each: 2 },
  cut: { once: 10, each: 5 },
  shop: { once: 10, each: 0 },
} as const satisfies Readonly<Record<string, HandTime>>;

/** What only one pair of does a thing with at a time. */
export const HANDS_OF = 'hands';

/** What only one cooker has at a time, where no two are to be on at once. */
export const POWER_OF = 'power';

/** Longer pieces of work than this are done in turns, by which nobody plans. Our choice. */
const MOST_MINUTES = 180;
const STEP_MIN = 5;

/** To the next five minutes. */
export function handMinutes({ once, each }: HandTime, count: number): number {
  return Math.min(MOST_MINUTES, roundedUp(once + each * count));
}

export function roundedUp(minutes: number): number {
  return Math.ceil(minutes / STEP_MIN - 1e-9) * STEP_MIN;
}

/** Grain soaks 12 to 24 h. Common practice, no source. */
export const SOAK = { ms: 12 * HOUR_MS, mostMs: 24 * HOUR_MS } as const;
/** What is filled and wet sours within half a day. Common practice, no source. */
export const FILLED_KEEPS_MS = 12 * HOUR_MS;
/** What was cooked and stays shut is sown within three weeks. Our choice. */
export const COOKED_KEEPS_MS = 21 * DAY_MS;
/** What is ordered is here after a week. Our choice. */
export const ORDERED_MS = 7 * DAY_MS;
/** Warmed through in two hours, cool by the next morning, spawned within a day. Common practice, no source. */
export const PASTEURIZING = { warmMinutes: 120, coolMinutes: 720, keepsMs: DAY_MS } as const;
