import type { Appliance } from '../record/definitions.js';

/** Where the pressure of water can rise above the air's. */
const UNDER_PRESSURE: readonly Appliance['kind'][] = ['canner', 'multiCooker', 'autoclave'];

export function isPressureCooker(appliance: Pick<Appliance, 'kind'>): boolean {
  return UNDER_PRESSURE.includes(appliance.kind);
}

/** What the gauge must show for a true pressure, and the other way. */
export function shownGaugeKPa(appliance: Pick<Appliance, 'gaugeReadsOverKPa'>, trueKPa: number): number {
  return trueKPa + (appliance.gaugeReadsOverKPa ?? 0);
}

export function trueGaugeKPa(appliance: Pick<Appliance, 'gaugeReadsOverKPa'>, shownKPa: number): number {
  return shownKPa - (appliance.gaugeReadsOverKPa ?? 0);
}
