import { DAY_MS } from '../base/time.js';
import { wetMassG } from '../culture/amounts.js';
import { expectedFraction } from '../growth/forecast.js';
import { forecastVessel } from '../house/derive/forecast.js';
import type { House, VesselView } from '../house/derive/house.js';
import { placeOfVessel } from '../house/places.js';
import { vesselsInHand } from '../house/running.js';
import { blockDryMassG, type BuiltHouse } from '../yield/block-dry-mass.js';
import { growthHeatW, middleAboveAirK } from './own-warmth.js';

/** What a vessel's own growth warms it by, at a moment, as it is foretold. */
export interface GrowingWarmth {
  readonly heatW: number;
  readonly middleK: number;
}

const NONE: GrowingWarmth = { heatW: 0, middleK: 0 };

/** Nothing for what does not run, or of which nothing is foretold. */
export function growingWarmth(view: VesselView, house: BuiltHouse, nowMs: number): GrowingWarmth {
  const { phase, inoculatedAt } = view.state;
  const forecast = phase === 'running' ? forecastVessel(house, view) : undefined;
  if (forecast === undefined || inoculatedAt === undefined) {
    return NONE;
  }
  const day = (nowMs - Date.parse(inoculatedAt)) / DAY_MS;
  const fractionPerDay =
    expectedFraction(forecast, day + 0.5) - expectedFraction(forecast, Math.max(0, day - 0.5));
  const load = { wetG: wetMassG(view.batch), dryG: blockDryMassG(view, house), fractionPerDay };
  return { heatW: growthHeatW(load), middleK: middleAboveAirK(load) };
}

/** What all that runs at a place gives off together, W. */
export function growthHeatAtW(placeId: string, house: House, nowMs: number): number {
  return vesselsInHand(house).reduce(
    (sum, view) => (placeOfVessel(view) === placeId ? sum + growingWarmth(view, house, nowMs).heatW : sum),
    0,
  );
}
