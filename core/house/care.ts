import { DAY_MS } from '../base/time.js';
import { takesLoads } from '../cook/pot.js';
import type { Appliance, CookerCare } from '../record/definitions.js';
import type { House } from './derive/house.js';

/**
 * How often, days, unless the household says otherwise: a pot is washed out and its vent cleared each quarter, its valves
 * looked over twice a year, its gasket changed every two years. Common practice, no source; its manual comes first.
 */
const USUAL_DAYS: Readonly<Record<CookerCare, number>> = { cleaned: 90, valves: 180, gasket: 730 };
/** Where nothing is shut there is no gasket and no valve. */
const OF_PRESSURE: readonly CookerCare[] = ['cleaned', 'valves', 'gasket'];
const OF_POTS: readonly CookerCare[] = ['cleaned'];

/** What is done for a cooker between cooks, and when it is due again. */
export interface CareDue {
  readonly what: CookerCare;
  readonly everyDays: number;
  /** When it was done last; absent where it never was. */
  readonly lastMs?: number;
  /** Absent where nothing was cooked in it yet, and nothing done for it. */
  readonly dueMs?: number;
}

/** The log of care of one cooker. Its time runs from when it was done last, or from the first cook in it. */
export function careOf(house: House, appliance: Appliance): readonly CareDue[] {
  if (!takesLoads(appliance)) {
    return [];
  }
  const first = house.cooks.find((c) => c.cook.applianceId === appliance.id);
  const done = house.workings.index.kitchen.flatMap((f) =>
    f.kind === 'cookerCared' && f.applianceId === appliance.id ? [f] : [],
  );
  const kinds = appliance.ratedGaugeKPa > 0 ? OF_PRESSURE : OF_POTS;
  return kinds.map((what) => {
    const last = done.findLast((f) => f.what === what);
    const everyDays = appliance.careEveryDays?.[what] ?? USUAL_DAYS[what];
    const lastMs = last && Date.parse(last.at);
    const fromMs = lastMs ?? (first === undefined ? undefined : Date.parse(first.cook.plannedAt));
    return {
      what,
      everyDays,
      ...(lastMs !== undefined && { lastMs }),
      ...(fromMs !== undefined && { dueMs: fromMs + everyDays * DAY_MS }),
    };
  });
}
