import { groupBy } from '../base/collections.js';
import { DAY_MS } from '../base/time.js';
import { TENTH_Z } from '../base/normal.js';
import type { BatchView, House, VesselView } from './derive/house.js';

/** Days from pins to the cut. Common practice, no source; those that are slow from memory. */
const PINS_TO_CUT_DAYS = 6;
const SLOW: Readonly<Record<string, number>> = {
  'king-oyster': 8,
  shiitake: 7,
  'lions-mane': 8,
  enoki: 8,
  maitake: 12,
  reishi: 60,
  'turkey-tail': 60,
  'wood-ear': 10,
  'cordyceps-militaris': 30,
};
/** 8 in 10 lie within a quarter of it, either way. Our estimate. */
const SHARE_OF_SPREAD = 0.25;
/** However alike one's flushes were, the next differs by so much of it. Our estimate. */
const LEAST_SHARE_OF_SPREAD = 0.15;
/** Practice weighs as much as so many own flushes. Our choice. */
const PRACTICE_FLUSHES = 3;
/** Older ones may have been in another tent. Our choice. */
const MOST_FLUSHES = 12;
/** Cut before half a day is left. Our choice. */
export const BEFORE_SPORES_MS = DAY_MS / 2;

/** Days from pins until it is to be cut: 8 in 10 between low and high, at which spores begin to fall. */
export interface CutWindow {
  readonly days: number;
  readonly low: number;
  readonly high: number;
  /** Own flushes that it rests on. */
  readonly flushes: number;
}

/** A species' window by practice, narrowed by this house's own flushes. */
export function cutWindow(speciesId: string | undefined, house: Pick<House, 'batches'>): CutWindow {
  const own = intervalsOf(house).get(speciesId ?? '') ?? [];
  const usual = SLOW[speciesId ?? ''] ?? PINS_TO_CUT_DAYS;
  const weight = PRACTICE_FLUSHES + own.length;
  const days = (usual * PRACTICE_FLUSHES + own.reduce((sum, i) => sum + i.days, 0)) / weight;
  const sigma = (usual * SHARE_OF_SPREAD) / TENTH_Z;
  const variance =
    (PRACTICE_FLUSHES * sigma ** 2 + own.reduce((sum, i) => sum + (i.days - days) ** 2, 0)) / weight;
  const half = TENTH_Z * Math.max(Math.sqrt(variance), LEAST_SHARE_OF_SPREAD * days);
  return { days, low: days - half, high: days + half, flushes: own.length };
}

/** When what bears is to be cut, from when on, and when its spores begin to fall; undefined without pins. */
export function cutTimes(
  { state, species }: VesselView,
  house: Pick<House, 'batches'>,
): { readonly fromMs: number; readonly atMs: number; readonly sporesMs: number } | undefined {
  const pinnedMs = Date.parse(state.pinnedAt ?? '');
  if (Number.isNaN(pinnedMs)) {
    return undefined;
  }
  const { low, days, high } = cutWindow(species?.id, house);
  return {
    fromMs: pinnedMs + low * DAY_MS,
    atMs: pinnedMs + days * DAY_MS,
    sporesMs: pinnedMs + high * DAY_MS,
  };
}

/** Vessels whose flushes tell when a species is to be cut. */
export function cutLately(speciesId: string, house: Pick<House, 'batches'>): readonly VesselView[] {
  return [...new Set((intervalsOf(house).get(speciesId) ?? []).map((i) => i.view))];
}

interface Interval {
  readonly view: VesselView;
  readonly atMs: number;
  readonly days: number;
}

/** Asked for every block; a house never changes, and most of its batches not with the next one. */
const known = new WeakMap<object, ReadonlyMap<string, readonly Interval[]>>();
const knownOf = new WeakMap<BatchView, readonly Interval[]>();

function intervalsOf({ batches }: Pick<House, 'batches'>): ReadonlyMap<string, readonly Interval[]> {
  const found = known.get(batches);
  if (found !== undefined) {
    return found;
  }
  const all = groupBy(batches.flatMap(intervalsOfBatch), (i) => i.view.species!.id);
  const lately = new Map(
    [...all].map(([id, list]) => [id, list.sort((a, b) => a.atMs - b.atMs).slice(-MOST_FLUSHES)]),
  );
  known.set(batches, lately);
  return lately;
}

function intervalsOfBatch(batch: BatchView): readonly Interval[] {
  const found = knownOf.get(batch);
  if (found !== undefined) {
    return found;
  }
  const own = batch.vessels.flatMap((view) =>
    view.state.harvests.flatMap(({ at, pinnedAt }): Interval[] => {
      const atMs = Date.parse(at);
      return pinnedAt === undefined || view.species === undefined
        ? []
        : [{ view, atMs, days: (atMs - Date.parse(pinnedAt)) / DAY_MS }];
    }),
  );
  knownOf.set(batch, own);
  return own;
}
