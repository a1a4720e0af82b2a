import { groupBy } from '../base/collections.js';
import { DAY_MS } from '../base/time.js';
import type { House, VesselView } from '../house/derive/house.js';
import type { Species } from '../record/definitions.js';
import { blockDryMassG } from '../yield/block-dry-mass.js';
import { ownFigure, type OwnFigure, type UsualFigure } from './own-figure.js';

/** What blocks of a species are likely to do in this house. */
export interface BlockOutlook {
  /** Fresh mass of the first flush over the dry mass of the block. */
  readonly firstFlush: OwnFigure;
  /** Days from opening until it is cut. */
  readonly harvestDay: OwnFigure;
  /** Share of blocks that never bear. */
  readonly lostShare: number;
}

/** A first flush weighs about a third of what a block weighs dry: 60 % in all, of which somewhat over half. From memory. */
const FIRST_FLUSH: UsualFigure = { value: 0.33, low: 0.18, high: 0.55 };
/** One block of ten is lost on the way; it counts as if ten had been seen. From memory. */
const USUAL_LOST = 1;
const USUAL_SEEN = 10;

/** @returns figures that rest on what is usual where the house has seen little */
export function blockOutlook(house: House, species: Species): BlockOutlook {
  const own = house.batches
    .flatMap((b) => b.vessels)
    .filter(
      (v) => v.batch.stage === 'bulk' && v.species?.id === species.id && v.state.inoculatedAt !== undefined,
    );
  const bore = own.filter((v) => v.state.harvests.length > 0);
  const byBatch = [...groupBy(bore, (v) => v.batch.id).values()];
  const lost = own.filter(
    (v) => v.state.phase === 'gone' && v.state.harvests.length === 0 && v.state.repotted === undefined,
  );
  return {
    firstFlush: ownFigure(
      FIRST_FLUSH,
      byBatch.map((batch) => batch.flatMap((v) => firstFlushShare(v, house))),
    ),
    harvestDay: ownFigure(
      species.harvestDay,
      byBatch.map((batch) => batch.flatMap(daysToCut)),
    ),
    lostShare: (USUAL_LOST + lost.length) / (USUAL_SEEN + lost.length + bore.length),
  };
}

function firstFlushShare(view: VesselView, house: House): number[] {
  const dryG = blockDryMassG(view, house);
  const massG = view.state.harvests[0]?.massG ?? 0;
  return dryG > 0 && massG > 0 ? [massG / dryG] : [];
}

function daysToCut({ state }: VesselView): number[] {
  const days = (Date.parse(state.harvests[0]?.at ?? '') - Date.parse(state.openedAt ?? '')) / DAY_MS;
  return days > 0 ? [days] : [];
}
