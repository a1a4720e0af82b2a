import { formOf } from '../culture/form.js';
import { formsFedBy } from '../culture/transfers.js';
import type { House, VesselView } from '../house/derive/house.js';
import { isUsedUp, lastFraction, newestInHand } from '../house/running.js';

/** Spawn that has run so far goes on to feed. Our choice. */
const FULL_ENOUGH = 0.9;

/** Whether something can be taken from a vessel: it lives, and is not used up. */
export function givesOn(view: VesselView): boolean {
  const { phase } = view.state;
  const isLiving = phase === 'running' || (phase === 'opened' && view.batch.stage === 'bulk');
  return isLiving && !isUsedUp(view) && formsFedBy(formOf(view.batch)).length > 0;
}

/** A culture proper: all that is kept to grow from, but neither spawn nor blocks. */
export function isCulture(view: VesselView): boolean {
  const { stage } = view.batch;
  const lives = view.state.phase === 'running' || view.state.sourceVesselIds.length > 0;
  return stage !== 'grain' && stage !== 'bulk' && (view.batch.holds !== undefined || lives);
}

/** Cultures that something is left of, the newest first. */
export function culturesInHand(house: House): readonly VesselView[] {
  return newestInHand(house).filter((v) => isCulture(v) && givesOn(v));
}

/** Grain and wood give once they have run; everything else when there is something to take. */
export function isGrownEnough(view: VesselView): boolean {
  const { stage, holds } = view.batch;
  return (stage !== 'grain' && stage !== 'bulk') || holds !== undefined || lastFraction(view) >= FULL_ENOUGH;
}
