import { stepsOf } from '../formula/hydration.js';
import type { VesselId } from '../record/ids.js';
import type { BatchView } from './derive/house.js';

/** Vessels of a batch that were not cooked yet. */
export function vesselsToCook(view: BatchView): readonly VesselId[] {
  return view.vessels.filter((v) => v.state.phase === 'planned').map((v) => v.vessel.id);
}

/** Home-made, and some of it is still on its way into the cooker. */
export function isInPreparation(view: BatchView): boolean {
  return view.batch.formula !== undefined && vesselsToCook(view).length > 0;
}

/** In its vessels, and ready to be loaded. */
export function isFilled(view: BatchView): boolean {
  return isInPreparation(view) && view.lastStep === stepsOf(view.batch).at(-1)?.step;
}
