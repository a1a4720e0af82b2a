import { heldAtFirst } from '../culture/amounts.js';
import { FULL } from '../growth/curve.js';
import { expectedFraction } from '../growth/forecast.js';
import { firmDayAfter } from '../growth/milestones.js';
import { DAY_MS } from '../base/time.js';
import type { BatchView, House, VesselView } from './derive/house.js';
import { isKeptCold } from './places.js';

/** Vessels of all batches that are not over. */
export function vesselsInHand(house: House): readonly VesselView[] {
  return house.inHand.flatMap((b) => b.vessels);
}

/** The same, of the newest batch first. */
export function newestInHand(house: House): readonly VesselView[] {
  return [...house.inHand].reverse().flatMap((b) => b.vessels);
}

/** The last fraction noted of a vessel; 0 before the first look. */
export function lastFraction(view: VesselView): number {
  return view.state.marks[view.state.marks.length - 1]?.fraction ?? 0;
}

/** Whether it was seen to have run full. */
export function isRunFull(view: VesselView): boolean {
  return lastFraction(view) >= FULL;
}

/** When a block that has run full is firm enough to open; undefined before it has. */
export function firmMsOf({ batch, state }: VesselView): number | undefined {
  const full = state.marks.findLastIndex((m) => m.fraction < FULL) + 1;
  const [at, startMs] = [state.marks[full]?.at, Date.parse(state.inoculatedAt ?? '')];
  return batch.stage !== 'bulk' || at === undefined
    ? undefined
    : startMs + firmDayAfter((Date.parse(at) - startMs) / DAY_MS) * DAY_MS;
}

/** Spawn with less than this share left is as good as used up. Our choice. */
const USED_UP = 0.05;
/** Less cannot be drawn, cut or scraped, in the unit of the culture. Our choice. */
const LEAST: Readonly<Record<VesselView['remainingUnit'], number>> = {
  ml: 0.1,
  g: 0.1,
  wedge: 1,
  scrape: 1,
  piece: 1,
};

/** Whether so little is left of a vessel that it feeds nothing more. */
export function isUsedUp({ batch, remaining, remainingUnit }: VesselView): boolean {
  return remainingUnit === 'g'
    ? remaining <= heldAtFirst(batch).amount * USED_UP
    : remaining < LEAST[remainingUnit];
}

/** Whether a vessel is to be seen at its place: it runs, fruits, or is cooked and out of its cooker; nothing that is used up. */
export function isStanding(view: VesselView, isShut: boolean): boolean {
  switch (view.state.phase) {
    case 'running':
      return view.batch.stage === 'bulk' || !isUsedUp(view);
    case 'opened':
      return true;
    case 'cooked':
      return !isShut;
    default:
      return false;
  }
}

/** Vessels of a batch that run, are sound and are worth a look: not kept cold, not used up. */
export function runningVessels(view: BatchView, house: Pick<House, 'placeById'>): readonly VesselView[] {
  return view.vessels.filter(
    (v) =>
      v.state.phase === 'running' && v.state.suspect === undefined && !isKeptCold(v, house) && !isUsedUp(v),
  );
}

/** How far the forecast says that a batch has run; undefined before inoculation. */
export function expectedOf(view: BatchView, nowMs: number): number | undefined {
  return view.forecast === undefined || view.inoculatedAtMs === undefined
    ? undefined
    : expectedFraction(view.forecast, (nowMs - view.inoculatedAtMs) / DAY_MS);
}
