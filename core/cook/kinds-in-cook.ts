import { groupBy } from '../base/collections.js';
import type { Batch } from '../record/batch.js';
import type { Stage, VesselType } from '../record/definitions.js';
import type { BatchId, VesselId } from '../record/ids.js';
import { atmosphericPressure } from '../steam/atmosphere.js';
import { boilingC } from '../steam/chamber.js';
import { CANNER_COOLING_RATE } from './canner-figures.js';
import { inCooker, placesNeeded, wishOf } from './in-cooker.js';
import { bagsAmong, contentsOfMember, likeTogether } from './load-member.js';
import { standing, type Contents } from './load-model.js';
import { relativeHold, tradeChamberC } from './relative-hold.js';
import type { Standing } from './standing.js';
import { tradeHold } from './trade-holds.js';

/** What stands in a cook and is one to heat: like vessels of like media, of one batch or several. */
export interface KindInCook {
  readonly vessel: VesselType;
  readonly stage: Stage;
  /** So many of what stands in the pot: of plates their bottles. */
  readonly count: number;
  readonly vesselIds: readonly VesselId[];
  readonly batches: readonly BatchId[];
  /** The heaviest of them, as heat sees it. */
  readonly contents: Contents;
}

/**
 * The kinds in a cook, the slowest first: it speaks for the whole load, since what is enough for it is enough for all.
 *
 * @param how bags stand in the pot
 */
export function kindsInCook(
  vessels: readonly { readonly id: VesselId; readonly batch: Batch }[],
  how: Standing | undefined,
): readonly KindInCook[] {
  const cooked = vessels.filter((v) => v.batch.plan !== undefined);
  const ofBatch = [...groupBy(cooked, (v) => v.batch.id).values()].map((list) => {
    const { batch } = list[0]!;
    return {
      ...wishOf(batch),
      batch: batch.id,
      vesselIds: list.map((v) => v.id),
      count: placesNeeded(list.length, inCooker(batch).vesselsPerPlace),
    };
  });
  const bags = bagsAmong(ofBatch);
  const kinds = likeTogether(ofBatch).map(({ all, count, heaviest }) => ({
    vessel: heaviest.vessel,
    stage: heaviest.stage,
    isUnsoaked: heaviest.isUnsoaked,
    count,
    vesselIds: all.flatMap((b) => b.vesselIds),
    batches: all.map((b) => b.batch),
    contents: standing(contentsOfMember(heaviest), bags, how),
  }));
  return kinds.length < 2
    ? kinds
    : kinds
        .map((kind) => ({ kind, minutes: asked(kind.contents, kind.isUnsoaked === true) }))
        .sort((a, b) => b.minutes - a.minutes)
        .map(({ kind }) => kind);
}

/** A room, a come-up and a cooling like those of a common canner; they only tell vessels apart. From memory. */
const ROOM_C = 20;
const COME_UP_MIN = 30;
const VENT_MIN = 10;

/** Minutes that such vessels are held by the trade's usual school in a well vented canner at the sea. */
function asked(contents: Contents, isUnsoaked: boolean): number {
  const planned = {
    roomC: ROOM_C,
    boilC: boilingC(atmosphericPressure(0)),
    chamberC: tradeChamberC(),
    comeUpMinutes: COME_UP_MIN,
    ventMinutes: VENT_MIN,
    coolingRate: CANNER_COOLING_RATE,
  };
  const trade = tradeHold(contents.vessel, contents.stage);
  const schoolMinutes = isUnsoaked ? trade.most : trade.minutes;
  // No hold at all would do: slower than anything.
  return relativeHold(contents, planned, trade, schoolMinutes, ROOM_C) ?? Infinity;
}
