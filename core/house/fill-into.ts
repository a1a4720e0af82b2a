import { refill, type Refill } from '../formula/refill.js';
import type { Vessel } from '../record/batch.js';
import type { VesselType } from '../record/definitions.js';
import type { BatchId, VesselId } from '../record/ids.js';
import { newId } from '../record/new-id.js';
import type { BatchView, House } from './derive/house.js';
import type { MakeContext } from './make.js';

/** Whether the vessels of a batch may still be others: nothing of it was cooked, warmed through or given up. */
export function mayBeRefilled(view: BatchView): boolean {
  return view.batch.formula !== undefined && view.vessels.every((v) => v.state.phase === 'planned');
}

/** What each would hold if a batch went into so many of these instead. */
export function refillOf(view: BatchView, vessel: VesselType, count: number): Refill | undefined {
  return refill(view.batch, view.vessels.length, vessel, count);
}

/** The vessels that a batch is filled into instead. */
export interface FilledInto {
  readonly vesselIds: VesselId[];
  /** Those that had no row yet. */
  readonly made: readonly Vessel[];
}

/** As many vessels of a batch as are wanted: those that it has or had first, so that a number on a lid stays true. */
export function fillInto(house: House, view: BatchView, count: number, context: MakeContext): FilledInto {
  const rows = house.workings.vesselsOf.get(view.batch.id) ?? [];
  const kept = rows.slice(0, count);
  const made = moreVessels(house, view.batch.id, count - kept.length, context);
  return { vesselIds: [...kept, ...made].map((v) => v.id), made };
}

/** Rows of so many vessels more of a batch, with the numbers after those that it ever had. */
export function moreVessels(
  house: House,
  batchId: BatchId,
  count: number,
  { nowMs, random }: MakeContext,
): readonly Vessel[] {
  const last = house.workings.vesselsOf.get(batchId)?.at(-1)?.number ?? 0;
  return Array.from({ length: count }, (_, i): Vessel => {
    const id = newId(nowMs, random) as VesselId;
    return { id, schemaVersion: 1, batchId, number: last + i + 1 };
  });
}
