import { placesNeeded } from '../cook/in-cooker.js';
import { requireWithin } from '../base/errors.js';
import type { Vessel } from '../record/batch.js';
import type { Said } from '../record/entry.js';
import type { VesselId } from '../record/ids.js';
import type { House } from './derive/house.js';
import { moreVessels } from './fill-into.js';
import type { MakeContext } from './make.js';
import type { Pouring } from './pouring.js';

/** More dishes than this nobody pours at once. Our choice. */
export const MOST_POURED = 500;

/** What somebody tells who has just poured. */
export interface PourTold {
  /** Dishes that got agar; more than were planned where there was more of it. */
  readonly poured: number;
  /** Of those: dropped, and poured and not set. */
  readonly dropped: number;
  readonly notSet: number;
  /** What becomes of the dishes that got none: they stay empty for good, or wait for another bottle. */
  readonly rest: 'empty' | 'waits';
  /** Into glass that dry heat had made sterile. */
  readonly inGlass?: boolean;
  /** Agar that was left in the bottles. */
  readonly leftOverMl?: number;
}

/** What is to be noted of a pour, and the rows of dishes that were not planned. */
export interface PourNoted {
  readonly saids: readonly Said[];
  readonly made: readonly Vessel[];
}

/**
 * A pour as facts: the dishes with the lowest numbers were poured, the last of them were lost.
 *
 * @throws CoreError `out-of-range` for counts that cannot be
 */
export function pourPlates(
  { view, cook, toPour, hot, perBottle }: Pouring,
  told: PourTold,
  house: House,
  context: MakeContext,
): PourNoted {
  const { poured, dropped, notSet, rest, leftOverMl, inGlass } = told;
  requireWithin(poured, { field: 'platesPoured', min: 1, max: hot < 1 ? 0 : MOST_POURED, unit: '' });
  requireWithin(dropped + notSet, { field: 'platesLost', min: 0, max: poured, unit: '' });
  const batchId = view.batch.id;
  const made = moreVessels(house, batchId, Math.max(0, poured - toPour.length), context);
  const ids = [...toPour.slice(0, poured).map((v) => v.vessel.id), ...made.map((v) => v.id)];
  const lost = ids.slice(ids.length - dropped - notSet);
  const empty = rest === 'empty' ? toPour.slice(poured).map((v) => v.vessel.id) : [];
  const isOver = empty.length > 0 || poured >= toPour.length;
  const gone = (vesselIds: VesselId[], reason: 'notSet' | 'dropped' | 'notFilled'): Said[] =>
    vesselIds.length === 0 ? [] : [{ kind: 'discarded', vesselIds, reason }];
  return {
    made,
    saids: [
      {
        kind: 'agarPoured',
        cookId: cook.cook.id,
        batchId,
        vesselIds: ids,
        // While dishes wait, the last bottle holds some for them.
        bottles: isOver ? hot : Math.min(hot - 1, placesNeeded(poured, perBottle)),
        ...(leftOverMl !== undefined && { leftOverMl }),
        ...(inGlass === true && { inGlass }),
      },
      ...gone(lost.slice(0, notSet), 'notSet'),
      ...gone(lost.slice(notSet), 'dropped'),
      ...gone(empty, 'notFilled'),
    ],
  };
}
