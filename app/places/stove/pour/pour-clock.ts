import {
  HOUR_MS,
  MINUTE_MS,
  asProfile,
  pourWindow,
  readingsOf,
  type CookView,
  type PourWindow,
  unlessRefused,
} from '../../../../core/index';

/** Bottles this long out of the cooker have set; whether they were poured is then no question for a clock. */
const FORGOTTEN_MS = 8 * HOUR_MS;

/** Agar that came out of a cook and is not poured yet. */
export function waitsToPour(view: CookView, nowMs: number): boolean {
  const { openedMs } = view.state;
  return (
    view.kinds.some((k) => k.stage === 'agar') &&
    openedMs !== undefined &&
    view.pouredMs === undefined &&
    nowMs - openedMs < FORGOTTEN_MS
  );
}

export interface PourClock {
  readonly window?: PourWindow;
  /** When the window opens; undefined before two readings. */
  readonly dueMs?: number;
  readonly lastMs?: number;
  readonly readings: number;
  readonly lastC?: number;
  readonly problem: string;
}

/** When the bottles may be poured, from what the thermometer read. */
export function pourClock(view: CookView): PourClock {
  const readings = readingsOf(view.logs, 'agarC');
  const last = readings[readings.length - 1];
  const known = { readings: readings.length, lastMs: last?.atMs, lastC: last?.value };
  if (readings.length < 2 || last === undefined) {
    return { ...known, problem: '' };
  }
  const window = unlessRefused(
    () => pourWindow(asProfile(readings, readings[0]!.atMs), view.cook.roomC),
    undefined,
  );
  return window === undefined
    ? { ...known, problem: 'The readings do not fall: measure again in some minutes.' }
    : { ...known, window, dueMs: last.atMs + window.opens.middle * MINUTE_MS, problem: '' };
}
