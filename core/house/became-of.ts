import type { VesselId } from '../record/ids.js';
import type { CookView, House, VesselView } from './derive/house.js';

/** How the vessels of a cook fare today; they add up to all that were in it. Whole numbers. */
export interface BecameOf {
  /** They wait for a culture. */
  readonly waiting: number;
  /** A culture lives in them, and nothing is suspected. */
  readonly sound: number;
  /** Suspected, or gone because they were contaminated. */
  readonly spoiled: number;
  /** Cracked, split, spilt, dropped: lost without a fault of the heat. */
  readonly lost: number;
  /** Used up, moved into others, given away. */
  readonly done: number;
  /** Not cooked by it in the end: they are in another cook, or wait for one. */
  readonly elsewhere: number;
}

const SPOILED = new Set(['contaminated', 'moldyBeforeUse']);
const LOST = new Set(['cracked', 'split', 'spilt', 'dropped', 'driedOut', 'eatenByMice', 'notSet']);

/** What became of the load of a cook, or of a part of it. */
export function becameOf(
  cook: CookView,
  house: House,
  vesselIds: readonly VesselId[] = cook.vesselIds,
): BecameOf {
  const counts = { waiting: 0, sound: 0, spoiled: 0, lost: 0, done: 0, elsewhere: 0 };
  for (const id of vesselIds) {
    const vessel = house.vesselById.get(id);
    counts[vessel === undefined ? 'elsewhere' : fateIn(cook, vessel)]++;
  }
  return counts;
}

function fateIn({ cook }: CookView, { state }: VesselView): keyof BecameOf {
  if (state.cookId !== cook.id || state.phase === 'planned') {
    return 'elsewhere';
  }
  if (state.suspect !== undefined || SPOILED.has(state.goneBecause ?? '')) {
    return 'spoiled';
  }
  if (state.phase === 'gone') {
    return LOST.has(state.goneBecause ?? '') ? 'lost' : 'done';
  }
  return state.phase === 'running' || state.phase === 'opened' ? 'sound' : 'waiting';
}
