import type { Appliance } from '../record/definitions.js';
import { MINUTE_MS } from '../base/time.js';
import type { CookFacts } from './cook-heat.js';

/** Minutes of a cook, planned or as they were. */
interface Course {
  readonly comeUpMinutes: number;
  readonly ventMinutes: number;
  readonly holdMinutes: number;
}

type Burns = Pick<Appliance, 'netKW' | 'heat' | 'fuelPerHour'>;

/** Gas of a 2 kW flame: 46 MJ/kg at half in the pot. Power: what the appliance takes. From energy. */
const GAS_G_PER_KWH = 156;

/** At full flame until pressure; then a quarter, which is what a lid and a vent lose. From memory. */
const HOLD_SHARE = 0.25;

/**
 * Gas in grams, or power in kilowatt-hours.
 *
 * @param factor what this cooker has been found to burn, as a multiple of that
 */
export function fuelOf(appliance: Burns, plan: Course, factor = 1): number {
  return factor * reckoned(appliance, plan);
}

function reckoned(appliance: Burns, plan: Course): number {
  const up = (plan.comeUpMinutes + plan.ventMinutes) / 60;
  const hold = plan.holdMinutes / 60;
  if (appliance.fuelPerHour !== undefined) {
    return appliance.fuelPerHour * (up + hold);
  }
  const kWh = appliance.netKW * (up + hold * HOLD_SHARE);
  return appliance.heat === 'gas' ? kWh * GAS_G_PER_KWH : kWh;
}

/** What a cook burns is told in. */
export function fuelUnit({ heat }: Pick<Appliance, 'heat'>): 'g' | 'kWh' {
  return heat === 'gas' ? 'g' : 'kWh';
}

/** Heat of bottled gas, MJ/kg, and of a cubic meter of town gas, MJ: lower heating values, from memory. */
const GAS_MJ_PER_KG = 46;
const TOWN_GAS_MJ_PER_M3 = 36;

/** Town gas by its meter, as the mass of bottled gas that gives the same heat, g. */
export function gasOfMeterG(cubicMeters: number): number {
  return ((cubicMeters * TOWN_GAS_MJ_PER_M3) / GAS_MJ_PER_KG) * 1000;
}

/** What a cook of this course would burn by energy alone: its own minutes where they are known. */
export function reckonedFuelOf(appliance: Burns, { cook, state }: Pick<CookFacts, 'cook' | 'state'>): number {
  const heldMinutes = state.heldBeforeMs / MINUTE_MS;
  return fuelOf(appliance, {
    comeUpMinutes: cook.comeUpMinutes,
    ventMinutes: state.ventMinutes ?? cook.ventMinutes,
    holdMinutes: state.heatOffMs === undefined ? cook.holdMinutes : heldMinutes,
  });
}
