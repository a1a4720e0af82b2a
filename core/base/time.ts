/** Spans of time in milliseconds. A day here is 24 hours; calendar days, which need a time zone, are the interface's. */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 60 * MINUTE_MS;
export const DAY_MS = 24 * HOUR_MS;
