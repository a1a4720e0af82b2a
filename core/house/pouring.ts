import { inCooker, isPoured, placesNeeded } from '../cook/in-cooker.js';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';
import type { BatchView, CookView, House, VesselView } from './derive/house.js';

/** Bottles this long out of the cooker have set; whether they were poured is then no question for a clock. Our choice. */
const FORGOTTEN_MS = 8 * HOUR_MS;
/** A plate of 20 ml has set and is near the room within so long. Common practice, no source. */
const PLATE_SETS_MIN = 60;

/** The bottles and plates of one batch of agar, from the moment on at which its cook is open. */
export interface Pouring {
  readonly view: BatchView;
  readonly cook: CookView;
  /** Dishes that wait for agar, and those that got some and are here. */
  readonly toPour: readonly VesselView[];
  readonly poured: readonly VesselView[];
  /** Dishes that one bottle fills. */
  readonly perBottle: number;
  /** Bottles that hold agar and cool; and those that were put away shut, with the moment of that. */
  readonly hot: number;
  readonly kept: number;
  readonly keptSinceMs?: number;
  /** Since when the hot ones cool: out of the cooker, or melted again. */
  readonly hotSinceMs: number;
  /** How often what is left of it was melted again. */
  readonly remelts: number;
}

/** How far a batch of plates is poured; undefined for what is not poured, is in the cooker, or was told as all poured. */
export function pouringOf(view: BatchView, house: House): Pouring | undefined {
  if (view.batch.stage !== 'agar' || !isPoured(view.batch)) {
    return undefined;
  }
  const cook = house.cooksOf.get(view.batch.id)?.findLast((c) => c.state.openedMs !== undefined);
  const { openedMs } = cook?.state ?? {};
  if (cook === undefined || openedMs === undefined || cook.pouredMs !== undefined) {
    return undefined;
  }
  const own = view.vessels.filter((v) => v.state.cookId === cook.cook.id && v.state.phase !== 'gone');
  const { vesselsPerPlace } = inCooker(view.batch);
  const stoodInIt = new Set(cook.vesselIds);
  const dishes = view.vessels.filter((v) => stoodInIt.has(v.vessel.id)).length;
  const bottles = {
    hot: placesNeeded(dishes, vesselsPerPlace),
    kept: 0,
    remelts: 0,
    hotSinceMs: openedMs,
    keptSinceMs: undefined as number | undefined,
  };
  for (const fact of view.bottleFacts) {
    if (fact.cookId !== cook.cook.id) {
      continue;
    }
    const atMs = Date.parse(fact.at);
    const moved = Math.min(fact.bottles, fact.kind === 'bottlesMelted' ? bottles.kept : bottles.hot);
    switch (fact.kind) {
      case 'agarPoured':
        bottles.hot -= moved;
        break;
      case 'bottlesKept':
        bottles.hot -= moved;
        bottles.kept += moved;
        bottles.keptSinceMs = atMs;
        break;
      case 'bottlesMelted':
        bottles.kept -= moved;
        bottles.hot += moved;
        bottles.remelts++;
        bottles.hotSinceMs = atMs;
        break;
    }
  }
  const { keptSinceMs, ...rest } = bottles;
  return {
    view,
    cook,
    toPour: own.filter((v) => v.state.phase === 'cooked' && v.state.pouredAt === undefined),
    poured: own.filter((v) => v.state.pouredAt !== undefined),
    perBottle: vesselsPerPlace,
    ...rest,
    ...(keptSinceMs !== undefined && { keptSinceMs }),
  };
}

/** Whether agar of it is liquid and waits to be poured: it came out of the cooker not long ago, or was melted again. */
function waitsToPour(pouring: Pouring, nowMs: number): boolean {
  return pouring.hot > 0 && pouring.toPour.length > 0 && nowMs - pouring.hotSinceMs < FORGOTTEN_MS;
}

/** All that waits to be poured now, in the order in which it was made. */
export function toPour(house: House, nowMs: number): readonly Pouring[] {
  return pourings(house).filter((p) => waitsToPour(p, nowMs));
}

/** All that was put away shut, to be melted again. */
export function keptShut(house: House): readonly Pouring[] {
  return pourings(house).filter((p) => p.kept > 0 && p.toPour.length > 0);
}

function pourings(house: House): readonly Pouring[] {
  return house.inHand.flatMap((view) => pouringOf(view, house) ?? []);
}

/**
 * Whether a plate is agar in a bottle still: it was said of its batch which plates were poured, or that bottles were kept,
 * and nothing of this one. Where nothing was said, its cook says that it is a plate.
 */
export function isInBottle({ batch, state }: VesselView, view: Pick<BatchView, 'bottleFacts'>): boolean {
  return (
    isPoured(batch) &&
    state.phase === 'cooked' &&
    state.pouredAt === undefined &&
    view.bottleFacts.some((f) => f.cookId === state.cookId)
  );
}

/** When what is in a cooked vessel is cool enough for a culture: a poured plate soon, whatever its bottle was; undefined where nothing cools. */
export function coolMsOf({ state }: VesselView, house: House): number | undefined {
  const cook = state.cookId === undefined ? undefined : house.cookById.get(state.cookId);
  const pouredMs = state.pouredAt === undefined ? undefined : Date.parse(state.pouredAt);
  return pouredMs === undefined ? cook?.coreCoolMs : pouredMs + PLATE_SETS_MIN * MINUTE_MS;
}

/** Agar sets through and its mist goes before a plate is wrapped; nobody is asked any more after some days. Common practice, no source. */
const WRAP_AFTER_MS = 12 * HOUR_MS;
const WRAP_WITHIN_MS = 4 * DAY_MS;

/** Blank plates of one batch that have set and are not wrapped, and from when on they should be; undefined for none. */
export function toWrap(
  view: BatchView,
  nowMs: number,
): { readonly vessels: readonly VesselView[]; readonly atMs: number } | undefined {
  const vessels = view.vessels.filter(
    ({ state }) =>
      state.phase === 'cooked' &&
      state.pouredAt !== undefined &&
      state.wrappedAt === undefined &&
      nowMs - Date.parse(state.pouredAt) < WRAP_WITHIN_MS,
  );
  const pouredMs = vessels.map((v) => Date.parse(v.state.pouredAt!));
  return vessels.length === 0 ? undefined : { vessels, atMs: Math.max(...pouredMs) + WRAP_AFTER_MS };
}
