import { RoomFor, type Place, type VesselKind } from '../record/definitions.js';
import type { VesselView } from './derive/house.js';

/** As what each kind takes room; what lies flat in a drawer takes none. */
const SIZE_OF: Readonly<Partial<Record<VesselKind, RoomFor>>> = {
  jar: 'jar',
  bottle: 'jar',
  bag: 'bag',
  dish: 'dish',
  tub: 'tub',
  tray: 'tub',
};

/** Sums of parts fall short of a whole by less. */
const ROUNDING = 1e-9;

/** How much of a place is taken. */
export interface Room {
  readonly count: number;
  /** Of what stands there with ease, from 0; above 1 it stands tight. Undefined where nobody said how much does. */
  readonly share?: number;
  /** How many more of one kind there is room for, of each kind that was told. */
  readonly left: readonly { readonly of: RoomFor; readonly count: number }[];
}

/** Share of a place that one vessel of a kind takes; 0 where nobody said how many of it stand there. */
export function roomShareOf({ holds, roomFor }: Pick<Place, 'holds' | 'roomFor'>, kind: VesselKind): number {
  const size = SIZE_OF[kind];
  return 1 / ((size && roomFor?.[size]) ?? holds ?? Infinity);
}

/** Kinds share a place: a place for forty jars or ten blocks is full with twenty jars and five blocks. */
export function roomAt(place: Pick<Place, 'holds' | 'roomFor'>, standing: readonly VesselView[]): Room {
  const { holds, roomFor } = place;
  const isTold = holds !== undefined || Object.keys(roomFor ?? {}).length > 0;
  const share = standing.reduce((sum, view) => sum + roomShareOf(place, view.batch.vessel.kind), 0);
  return {
    count: standing.length,
    ...(isTold && { share }),
    left: RoomFor.options.flatMap((of) => {
      const all = roomFor?.[of];
      return all === undefined ? [] : [{ of, count: Math.max(0, Math.floor((1 - share) * all + ROUNDING)) }];
    }),
  };
}
