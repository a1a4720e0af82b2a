import type { Appliance } from '../record/definitions.js';

/** Where the pressure of water can rise above the air's. */
const UNDER_PRESSURE: readonly Appliance['kind'][] = ['canner', 'multiCooker', 'autoclave'];

export function isPressureCooker(appliance: Pick<Appliance, 'kind'>): boolean {
  return UNDER_PRESSURE.includes(appliance.kind);
}

/** An appliance, or a cook with what was known of its gauge then. */
type Tested = Pick<Appliance, 'gaugeReadsOverKPa'>;

/** What the gauge must show for a true pressure, and the other way. */
export function shownGaugeKPa(tested: Tested, trueKPa: number): number {
  return trueKPa + (tested.gaugeReadsOverKPa ?? 0);
}

export function trueGaugeKPa(tested: Tested, shownKPa: number): number {
  return shownKPa - (tested.gaugeReadsOverKPa ?? 0);
}
