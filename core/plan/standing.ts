import type { House } from '../house/derive/house.js';
import { placesInUse } from '../house/places.js';
import { roomShareOf } from '../house/room.js';
import type { Place, PlaceUse, VesselType } from '../record/definitions.js';
import type { STEP_KINDS } from '../record/wish.js';
import type { Recipe } from './recipe.js';

/** Where what is made for a supper stands: run on a shelf, or fruit in a tent. */
export type StandingUse = PlaceUse & ('run' | 'fruit');

/** Vessels that stand in a place at a time. */
export interface StandingThere {
  readonly place: Place;
  readonly vessel: VesselType;
  readonly count: number;
  /** Of the place; above 1 where it does not hold them. */
  readonly share: number;
}

/** Where so many would stand; undefined where there is no such place or nobody said how much it holds. */
export function standingOf(
  house: Pick<House, 'placeById'>,
  use: StandingUse,
  vessel: VesselType,
  count: number,
): StandingThere | undefined {
  const place = placesInUse(house, use)[0];
  const share = place === undefined ? 0 : count * roomShareOf(place, vessel.kind);
  return place === undefined || share === 0 ? undefined : { place, vessel, count, share };
}

interface Counted {
  readonly kind: (typeof STEP_KINDS)[number];
  readonly count: number;
}

/** Places that do not hold what a plan puts there, even where nothing else stands in them. */
export function placesTooSmall(
  { steps, recipe }: { readonly steps: readonly Counted[]; readonly recipe: Recipe },
  house: Pick<House, 'placeById'>,
): readonly StandingThere[] {
  const countOf = (kind: Counted['kind']) =>
    steps.filter((s) => s.kind === kind).reduce((sum, s) => sum + s.count, 0);
  const standing = [
    standingOf(house, 'run', recipe.grain.vessel, countOf('sowGrain')),
    standingOf(house, 'run', recipe.bulk.vessel, countOf('spawnBlocks')),
    standingOf(house, 'fruit', recipe.bulk.vessel, countOf('open')),
  ];
  return standing.flatMap((s) => (s !== undefined && s.share > 1 + ROUNDING ? [s] : []));
}

/** Sums of shares are told to less. */
const ROUNDING = 1e-9;
