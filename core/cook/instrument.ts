import type { Cook } from '../record/batch.js';
import type { CookStep } from '../record/entry.js';
import { chamberTemperature } from '../steam/chamber.js';
import { trueGaugeKPa } from './pot.js';
import { holdLeftMinutes, type CookState } from './cook-state.js';

/** What an instrument shows at one moment. */
export interface Shown {
  readonly atMs: number;
  readonly gaugeKPa: number;
  readonly chamberC: number;
}

/** A step must show for this long before it counts, so that one noisy reading moves nothing. */
const SURE_MS = 40_000;
/** 1 psi: a weight jiggles within it. */
const SLACK_KPA = 7;
const AT_PRESSURE_SLACK_KPA = 3;
const CLOSED_FROM_KPA = 8;
const BOILS_WITHIN_C = 1.5;
/** Phases in which the flame is on. */
const HEATED: readonly CookState['phase'][] = ['heating', 'venting', 'comingUp', 'holding', 'lost'];
/** Steam is never hotter than its pressure allows unless the water is gone. */
const DRY_ABOVE_C = 6;

/**
 * The step that the instruments say has happened, with its moment: the first of those readings that all say so. After a
 * loss they never decide whether the hold starts again or goes on: that is asked.
 *
 * @param shown readings of the last minutes, in time, as the instruments gave them
 */
export function stepShown(
  cook: Cook,
  state: CookState,
  shown: readonly Shown[],
): { readonly step: CookStep; readonly atMs: number } | undefined {
  const recent = shown.map((one) => ({ ...one, gaugeKPa: trueGaugeKPa(cook, one.gaugeKPa) }));
  const last = recent[recent.length - 1];
  if (last === undefined) {
    return undefined;
  }
  const since = (is: (shown: Shown) => boolean): number | undefined => {
    let from: number | undefined;
    for (let i = recent.length - 1; i >= 0 && is(recent[i]!); i--) {
      from = recent[i]!.atMs;
    }
    return from !== undefined && last.atMs - from >= SURE_MS ? from : undefined;
  };
  const found = (step: CookStep, atMs: number | undefined) =>
    atMs === undefined ? undefined : { step, atMs: Math.max(atMs, (state.sinceMs ?? 0) + 1) };
  if (HEATED.includes(state.phase)) {
    const dry = since((s) => s.chamberC > steamC(cook, s.gaugeKPa) + DRY_ABOVE_C);
    if (dry !== undefined) {
      return found('boiledDry', dry);
    }
  }
  const target = cook.gaugeKPa;
  switch (state.phase) {
    case 'heating':
      return found(
        'steamSteady',
        since((s) => s.chamberC > steamC(cook, 0) - BOILS_WITHIN_C),
      );
    case 'venting':
      return found(
        'weightOn',
        since((s) => s.gaugeKPa > CLOSED_FROM_KPA),
      );
    case 'comingUp':
      return found(
        'atPressure',
        since((s) => s.gaugeKPa > target - AT_PRESSURE_SLACK_KPA),
      );
    case 'holding': {
      const below = since((s) => s.gaugeKPa < target - SLACK_KPA);
      const over = below !== undefined && holdLeftMinutes(state, cook, below) <= 0;
      return found(over ? 'heatOff' : 'pressureLost', below);
    }
    default:
      return undefined;
  }
}

function steamC(cook: Cook, gaugeKPa: number): number {
  return chamberTemperature({
    gaugeKPa: Math.min(Math.max(gaugeKPa, 0), 300),
    atmosphereKPa: cook.atmosphereKPa,
  });
}
