import { dayOfFraction } from '../growth/forecast.js';
import { DAY_MS } from '../base/time.js';
import type { BatchView, VesselView } from './derive/house.js';
import { expectedOf, runningVessels } from './running.js';

/** Shake once at about a third. Common practice, no source. */
const SHAKE_AT = 1 / 3;
/** Hardly anything is left to spread by then. Our choice. */
const TOO_LATE = 0.9;

/** Jars of grain that want to be shaken once, and when. */
export interface ToShake {
  readonly vessels: readonly VesselView[];
  /** The best moment; a day before and after are as good. */
  readonly atMs: number;
  readonly fromMs: number;
  readonly toMs: number;
}

/** The one rule of shaking: sound, running grain out of the fridge that was not shaken yet. Undefined for none. */
export function toShake(view: BatchView, nowMs: number): ToShake | undefined {
  const { forecast, inoculatedAtMs } = view;
  const expected = expectedOf(view, nowMs);
  if (
    view.batch.stage !== 'grain' ||
    forecast === undefined ||
    inoculatedAtMs === undefined ||
    expected === undefined ||
    expected >= TOO_LATE
  ) {
    return undefined;
  }
  const vessels = runningVessels(view).filter((v) => v.state.shakenAt === undefined);
  const atMs = inoculatedAtMs + Math.max(dayOfFraction(forecast, SHAKE_AT), 1) * DAY_MS;
  return vessels.length === 0 ? undefined : { vessels, atMs, fromMs: atMs - DAY_MS, toMs: atMs + DAY_MS };
}
