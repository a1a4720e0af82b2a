import { median } from 'simple-statistics';
import { coolingRateOf } from '../heat/cooling-by-readings.js';
import type { Appliance } from '../record/definitions.js';
import { waterLostMl } from '../steam/water-budget.js';
import { waterLossOf } from './pot.js';
import { fuelUnit, reckonedFuelOf } from './fuel.js';
import type { CookFacts } from './cook-heat.js';
import { asProfile, readingsOf } from '../readings/measured.js';
import { MINUTE_MS } from '../base/time.js';

/** What this very cooker has shown. Factors on what is estimated from energy; absent until something was measured. */
export interface Learned {
  readonly comeUpFactor?: number;
  readonly waterFactor?: number;
  /** k of ΔT' = −k ΔT^1.25, 1/(min K^0.25). */
  readonly coolingRate?: number;
  /** What it burns, beside what is reckoned. */
  readonly fuelFactor?: number;
  /** Cooks that had a say in each. */
  readonly cooks: {
    readonly comeUp: number;
    readonly water: number;
    readonly cooling: number;
    readonly fuel: number;
  };
}

/** What was told of a cook afterwards. */
interface Shown {
  readonly waterLeftMl?: number;
  readonly fuelUsed?: { readonly amount: number; readonly unit: 'g' | 'kWh' };
}

/** Older cooks say little of a cooker whose gasket, burner or load has changed since. */
const LATEST = 7;
/** A factor outside this is a slip of a button or a spill, not a cooker. */
const SENSIBLE = { least: 0.3, most: 3 };

/** Medians over the latest cooks of one appliance. */
export function learnedFrom(
  cooks: readonly (CookFacts & Shown)[],
  appliance: Pick<Appliance, 'id' | 'kind' | 'netKW' | 'heat' | 'fuelPerHour'>,
): Learned {
  const latest = cooks.filter((c) => c.cook.applianceId === appliance.id).slice(-LATEST);
  const comeUp = latest.flatMap(comeUpFactorOf).filter(isSensible);
  const water = latest.flatMap((c) => waterFactorOf(c, appliance)).filter(isSensible);
  const cooling = latest.flatMap(coolingOf);
  const fuel = latest.flatMap((c) => fuelFactorOf(c, appliance)).filter(isSensible);
  return {
    comeUpFactor: medianOf(comeUp),
    waterFactor: medianOf(water),
    coolingRate: medianOf(cooling),
    fuelFactor: medianOf(fuel),
    cooks: {
      comeUp: comeUp.length,
      water: water.length,
      cooling: cooling.length,
      fuel: fuel.length,
    },
  };
}

function comeUpFactorOf({ cook, steps }: CookFacts): number[] {
  const at = (step: string) => {
    const fact = steps.find((s) => s.step === step);
    return fact === undefined ? NaN : Date.parse(fact.at);
  };
  const minutes = (at('steamSteady') - at('lidOn') + at('atPressure') - at('weightOn')) / MINUTE_MS;
  const estimate = cook.comeUpEstimateMinutes ?? cook.comeUpMinutes;
  return minutes > 0 && estimate > 0 ? [minutes / estimate] : [];
}

function waterFactorOf(
  { cook, state, waterLeftMl }: CookFacts & Shown,
  appliance: Pick<Appliance, 'kind' | 'netKW'>,
): number[] {
  if (waterLeftMl === undefined || state.phase === 'ended') {
    return [];
  }
  // Beside what it loses by itself: what it had shown before would count twice.
  const byItself = { ...(cook.waterLoss ?? waterLossOf(appliance)), factor: 1 };
  const expected = waterLostMl(state.ventMinutes ?? 0, state.heldBeforeMs / MINUTE_MS, byItself);
  // Where nothing could be lost this is no number, and no sensible factor.
  return [(cook.waterMl - waterLeftMl) / expected];
}

function fuelFactorOf(
  { cook, state, fuelUsed }: CookFacts & Shown,
  appliance: Pick<Appliance, 'netKW' | 'heat' | 'fuelPerHour'>,
): number[] {
  // What was burned in another unit was burned under another pot.
  return fuelUsed === undefined || fuelUsed.unit !== fuelUnit(appliance)
    ? []
    : [fuelUsed.amount / reckonedFuelOf(appliance, { cook, state })];
}

function coolingOf({ cook, state, logs }: CookFacts): number[] {
  const { heatOffMs } = state;
  if (heatOffMs === undefined) {
    return [];
  }
  const after = readingsOf(logs, 'chamberC').filter((r) => r.atMs >= heatOffMs);
  const readings = asProfile(after, heatOffMs).filter((p) => p.celsius > cook.roomC + 5);
  const rate = coolingRateOf(readings, cook.roomC);
  return rate === undefined ? [] : [rate];
}

function isSensible(factor: number): boolean {
  return factor >= SENSIBLE.least && factor <= SENSIBLE.most;
}

function medianOf(values: readonly number[]): number | undefined {
  return values.length === 0 ? undefined : median([...values]);
}
