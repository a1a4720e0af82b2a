import { remembered } from '../base/remembered.js';
import type { Footprint, Pot } from './footprint.js';
import { LayerFloor, type Standing2D } from './layer-floor.js';

/** One vessel where it stands: its middle seen from above, from the pot's axis; its foot above the pot's floor. */
export type PlacedVessel = Standing2D & {
  /** Which of the vessels that were to go in. */
  readonly index: number;
  /** From below, the first is 0. */
  readonly layer: number;
  readonly footMm: number;
  readonly heightMm: number;
};

export interface PackedPot {
  readonly placed: readonly PlacedVessel[];
  /** Those that found no room, by their place in the list. */
  readonly left: readonly number[];
}

/** Rack below and play above each layer, mm. From memory. */
export const ABOVE_MM = 12;

/**
 * Vessels in a round pot, in layers from below, each on its own rack: bricks first, then circles, largest first, each as
 * near to the wall as it goes, since what is left in the middle is of more use than a crescent. Several ways of laying
 * bricks are tried, and the one that takes the most counts. No best packing, but a real one: nothing overlaps, and all is
 * inside.
 *
 * @param vessels in any order; as long as one wants
 */
export function packPot(pot: Pot, vessels: readonly Footprint[]): PackedPot {
  let best: PackedPot | undefined;
  for (const way of WAYS) {
    const packed = packedBy(way, pot, vessels);
    if (packed.left.length === 0) {
      return packed;
    }
    if (best === undefined || packed.placed.length > best.placed.length) {
      best = packed;
    }
  }
  return best!;
}

/** Whether bricks hug the wall, or lie in rows across the middle; first of all whether they are laid at all. */
const WAYS = ['wall', 'rows', 'circlesFirst'] as const;
type Way = (typeof WAYS)[number];

function packedBy(way: Way, pot: Pot, vessels: readonly Footprint[]): PackedPot {
  let rest = inOrder(way, vessels);
  const placed: PlacedVessel[] = [];
  let footMm = ABOVE_MM;
  for (let layer = 0; rest.length > 0; layer++) {
    const floor = new LayerFloor(pot.diameterMm / 2, way === 'rows');
    const here: PlacedVessel[] = [];
    const next: number[] = [];
    const full = new Set<string>();
    for (const index of rest) {
      const vessel = vessels[index]!;
      const key = JSON.stringify(vessel);
      const spot = full.has(key) || footMm + vessel.heightMm > pot.heightMm ? undefined : floor.place(vessel);
      if (spot === undefined) {
        // Where one found no room, its like finds none either.
        full.add(key);
        next.push(index);
      } else {
        here.push({ ...spot, index, layer, footMm, heightMm: vessel.heightMm });
      }
    }
    if (here.length === 0) {
      break;
    }
    placed.push(...here);
    rest = next;
    footMm += Math.max(...here.map((p) => p.heightMm)) + ABOVE_MM;
  }
  return { placed, left: [...rest].sort((a, b) => a - b) };
}

/** How many of one kind go in, layer upon layer. Whole, 0 or more. */
export const likeInPot = remembered((pot: Pot, vessel: Footprint): number => {
  const layers = Math.floor(pot.heightMm / (vessel.heightMm + ABOVE_MM));
  return layers * Math.max(inLayer(pot, vessel, false), inLayer(pot, vessel, true));
});

function inLayer({ diameterMm }: Pot, vessel: Footprint, isInRows: boolean): number {
  const floor = new LayerFloor(diameterMm / 2, isInRows);
  let count = 0;
  while (floor.place(vessel) !== undefined) {
    count++;
  }
  return count;
}

function inOrder(way: Way, vessels: readonly Footprint[]): readonly number[] {
  const first = way === 'circlesFirst' ? 'circle' : 'brick';
  return vessels
    .map((_, i) => i)
    .sort((i, j) => {
      const [a, b] = [vessels[i]!, vessels[j]!];
      return a.kind === b.kind ? areaOf(b) - areaOf(a) || i - j : a.kind === first ? -1 : 1;
    });
}

function areaOf(vessel: Footprint): number {
  return vessel.kind === 'circle' ? vessel.diameterMm ** 2 : vessel.lengthMm * vessel.widthMm;
}

/** Least share of its measures to which a load is drawn together; below it nobody would believe the drawing. Our choice. */
const LEAST_SCALE = 0.6;
const SCALE_STEPS = 24;

/**
 * The same where it is known that all of it goes in, as it was tried: each vessel taken a little smaller than measures
 * and proportions say, as little as it takes.
 */
export function packTogether(pot: Pot, vessels: readonly Footprint[]): PackedPot {
  for (let step = 0; step <= SCALE_STEPS; step++) {
    const scale = 1 - (step / SCALE_STEPS) * (1 - LEAST_SCALE);
    const packed = packPot(
      pot,
      vessels.map((v) => scaled(v, scale)),
    );
    if (packed.left.length === 0 || step === SCALE_STEPS) {
      return packed;
    }
  }
  return packPot(pot, vessels);
}

function scaled(vessel: Footprint, by: number): Footprint {
  return vessel.kind === 'circle'
    ? { ...vessel, diameterMm: vessel.diameterMm * by, heightMm: vessel.heightMm * by }
    : {
        ...vessel,
        lengthMm: vessel.lengthMm * by,
        widthMm: vessel.widthMm * by,
        heightMm: vessel.heightMm * by,
      };
}
