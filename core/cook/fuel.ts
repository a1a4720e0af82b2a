import type { Appliance } from '../record/definitions.js';
import type { CookPlan } from './programme.js';

/** Gas of a 2 kW flame: 46 MJ/kg at half in the pot. Power: what the appliance takes. From energy. */
const GAS_G_PER_KWH = 156;

/** At full flame until pressure; then a quarter, which is what a lid and a vent lose. From memory. */
const HOLD_SHARE = 0.25;

/** Gas in grams, or power in kilowatt-hours. */
export function fuelOf(
  appliance: Appliance,
  plan: Pick<CookPlan, 'comeUpMinutes' | 'ventMinutes' | 'holdMinutes'>,
): number {
  const up = (plan.comeUpMinutes + plan.ventMinutes) / 60;
  const hold = plan.holdMinutes / 60;
  if (appliance.fuelPerHour !== undefined) {
    return appliance.fuelPerHour * (up + hold);
  }
  const kWh = appliance.netKW * (up + hold * HOLD_SHARE);
  return appliance.heat === 'gas' ? kWh * GAS_G_PER_KWH : kWh;
}
