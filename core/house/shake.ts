import { DAY_MS } from '../base/time.js';
import { expectedFraction, type ColonizationForecast } from '../growth/forecast.js';
import { thirdDayOf } from '../growth/milestones.js';
import type { BatchView, House, VesselView } from './derive/house.js';
import { runningVessels } from './running.js';

/** Hardly anything is left to spread by then. Our choice. */
const TOO_LATE = 0.9;

/** Jars of grain that want to be shaken once, and when. */
export interface ToShake {
  readonly vessels: readonly VesselView[];
  /** Those of them whose time has come. */
  readonly ripe: readonly VesselView[];
  /** The best moment of the first; a day before and after are as good. */
  readonly atMs: number;
  readonly fromMs: number;
  /** A day after the last one's. */
  readonly toMs: number;
}

/**
 * The one rule of shaking: sound, running grain that is not kept cold and was not shaken yet, each jar by its own forecast,
 * so that one that lags does not hold back the rest. Undefined for none.
 */
export function toShake(view: BatchView, house: House, nowMs: number): ToShake | undefined {
  if (view.batch.stage !== 'grain') {
    return undefined;
  }
  const due = runningVessels(view, house).flatMap((vessel) => {
    const startMs = Date.parse(vessel.state.inoculatedAt ?? '');
    const forecast = view.vesselForecasts.get(vessel.vessel.id);
    return vessel.state.shakenAt !== undefined ||
      forecast === undefined ||
      expectedFraction(forecast, (nowMs - startMs) / DAY_MS) >= TOO_LATE
      ? []
      : [{ vessel, atMs: startMs + shakeDayOf(forecast) * DAY_MS }];
  });
  if (due.length === 0) {
    return undefined;
  }
  const atMs = Math.min(...due.map((d) => d.atMs));
  return {
    vessels: due.map((d) => d.vessel),
    ripe: due.filter((d) => d.atMs - DAY_MS <= nowMs).map((d) => d.vessel),
    atMs,
    fromMs: atMs - DAY_MS,
    toMs: Math.max(...due.map((d) => d.atMs)) + DAY_MS,
  };
}

/** Day of a third, not before the first: until then everything only rests. */
function shakeDayOf(forecast: ColonizationForecast): number {
  return Math.max(thirdDayOf(forecast), 1);
}
