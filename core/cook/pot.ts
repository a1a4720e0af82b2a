import type { Cook } from '../record/batch.js';
import type { Appliance } from '../record/definitions.js';
import { boiledMlPerMin, USUAL_WATER_LOSS, type WaterLoss } from '../steam/water-budget.js';

/** Where the pressure of water can rise above the air's. */
const UNDER_PRESSURE: readonly Appliance['kind'][] = ['canner', 'multiCooker', 'autoclave'];

export function isPressureCooker(appliance: Pick<Appliance, 'kind'>): boolean {
  return UNDER_PRESSURE.includes(appliance.kind);
}

/** Where things stand in steam under a lid that lies loose. */
const OPEN_STEAM: readonly Appliance['kind'][] = ['pot', 'steamDrum'];

/** Whether a load can be steamed in it, under pressure or not. */
export function takesLoads(appliance: Pick<Appliance, 'kind'>): boolean {
  return isPressureCooker(appliance) || OPEN_STEAM.includes(appliance.kind);
}

/** A cook in steam at the pressure of the air: nothing is ever shut. */
export function isOpenSteam({ closes }: Pick<Cook, 'closes'>): boolean {
  return closes === 'never';
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

/** How it is shut once its air is out: canners take a weight, electric ones a valve; the lid of a pot only lies on it. */
export function closesBy(appliance: Pick<Appliance, 'kind'>): NonNullable<Cook['closes']> {
  return !isPressureCooker(appliance) ? 'never' : appliance.kind === 'canner' ? 'weight' : 'valve';
}

/** A shut valve lets hardly any steam go, where a weight jiggles. ml a minute, from memory */
const SHUT_LOSS_ML_PER_MIN = 1;

/** Boiling gently under a lid that lies loose, most of the steam runs back. ml a minute, from memory of kitchen pots */
const LOOSE_LID_ML_PER_MIN = 15;

/** What a cooker loses by itself: no more steam than its heat can make, and little once a valve is shut. */
export function waterLossOf(appliance: Pick<Appliance, 'kind' | 'netKW'>): WaterLoss {
  const most = boiledMlPerMin(appliance.netKW);
  const { ventMlPerMin, holdMlPerMin } = USUAL_WATER_LOSS;
  const whileHeld = { weight: holdMlPerMin, valve: SHUT_LOSS_ML_PER_MIN, never: LOOSE_LID_ML_PER_MIN }[
    closesBy(appliance)
  ];
  return { ventMlPerMin: Math.min(ventMlPerMin, most), holdMlPerMin: Math.min(whileHeld, most) };
}
