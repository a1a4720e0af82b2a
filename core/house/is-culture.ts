import type { VesselView } from './derive/house.js';

/** What can feed something else by the milliliter: a culture that came in, or a plate or broth made here that runs. */
export function isCulture(view: VesselView): boolean {
  const isMade = view.batch.plan?.vesselMl !== undefined && view.state.phase === 'running';
  return view.batch.contentsMl !== undefined || isMade;
}
