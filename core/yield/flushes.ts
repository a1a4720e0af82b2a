import type { House, VesselView } from '../house/derive/house.js';

/**
 * What of all that a block gives comes in its first flush, its second, and so on. From memory: half or more at first, half
 * as much each time after.
 */
const PRACTICE_SHARES = [0.55, 0.26, 0.12, 0.07] as const;
/** Practice counts like so many blocks of one's own. Our choice. */
const PRACTICE_BLOCKS = 2;
/** From so many own blocks on it is told as what "yours" do. Our choice. */
const LEAST_OWN = 3;
/** A flush that brings less of it all is hardly worth the place. Our choice. */
const HARDLY_WORTH = 0.1;

/** What the next flush of a block is likely to bring. */
export interface NextFlush {
  /** Which one it is, from 1. */
  readonly number: number;
  /** Of all that a block gives, 0 to 1. */
  readonly share: number;
  /** In grams, from what it gave so far; absent before the first. */
  readonly massG?: number;
  readonly basis: 'own' | 'practice';
  /** Own blocks that were seen to their end. */
  readonly blocks: number;
  readonly isHardlyWorth: boolean;
}

/** By this house's own blocks of the species that are spent, and by practice while those are few (partial pooling). */
export function nextFlushOf(view: VesselView, house: House): NextFlush {
  const done = view.state.harvests;
  const finished = thatBore(house, view.species?.id).filter(
    (v) => v !== view && v.state.goneBecause === 'spent',
  );
  const shareOf = (n: number) => {
    const own = finished.reduce((sum, v) => sum + (v.state.harvests[n]?.massG ?? 0) / freshG(v), 0);
    return ((PRACTICE_SHARES[n] ?? 0) * PRACTICE_BLOCKS + own) / (PRACTICE_BLOCKS + finished.length);
  };
  const share = shareOf(done.length);
  const soFar = done.reduce((sum, _, n) => sum + shareOf(n), 0);
  return {
    number: done.length + 1,
    share,
    ...(soFar > 0 && { massG: (freshG(view) / soFar) * share }),
    basis: finished.length >= LEAST_OWN ? 'own' : 'practice',
    blocks: finished.length,
    isHardlyWorth: done.length > 0 && share < HARDLY_WORTH,
  };
}

/** All vessels of a species that bore, those too that are gone. */
export function thatBore(
  { batches }: Pick<House, 'batches'>,
  speciesId: string | undefined,
): readonly VesselView[] {
  return batches
    .flatMap((b) => b.vessels)
    .filter((v) => v.species?.id === speciesId && v.state.harvests.length > 0);
}

/** All flushes of a vessel together, g. */
export function freshG({ state }: VesselView): number {
  return state.harvests.reduce((sum, h) => sum + h.massG, 0);
}

/** Fresh mass over dry, of what was dried and weighed; undefined where nothing was. Most mushrooms come to about ten. */
export function dryingFactor(views: readonly VesselView[]): number | undefined {
  const weighed = views.flatMap((v) => v.state.harvests.filter((h) => h.dryG !== undefined));
  const dryG = weighed.reduce((sum, h) => sum + (h.dryG ?? 0), 0);
  return dryG > 0 ? weighed.reduce((sum, h) => sum + h.massG, 0) / dryG : undefined;
}
