import type { Shape } from '../heat/conduction/shape.js';
import { requireWithin } from '../base/errors.js';
import { MOST_LAYERS, type Between } from '../record/entry.js';

/** How like bags stand in the pot. */
export interface Standing {
  /** 1 to `MOST_LAYERS`. */
  readonly layers: number;
  /** Touching: no gap beside nor above, so that steam reaches the outside of the heap alone. */
  readonly between: Between;
}

/** Room for steam between two bags. Common practice, no source. */
export const GAP_MM = 20;

/** Bags beside each other across their narrow side, along their long side, and above each other. */
export interface Heap {
  readonly across: number;
  readonly along: number;
  readonly layers: number;
}

/**
 * Touching bags of one kind heat as one block: by symmetry nothing flows through a face that two of them share. A layer
 * is taken as square as its number allows, which is how a round pot is filled.
 *
 * @param count of bags in the pot, 1 or more
 * @returns undefined where each stands for itself
 * @throws CoreError `out-of-range`
 */
export function heapOf(count: number, { layers, between }: Standing): Heap | undefined {
  requireWithin(layers, { field: 'layers', min: 1, max: MOST_LAYERS, whole: true });
  if (between === 'apart' || count < 2) {
    return undefined;
  }
  const used = Math.min(layers, count);
  const inLayer = Math.ceil(count / used);
  const across = Math.ceil(Math.sqrt(inLayer));
  return { across, along: Math.ceil(inLayer / across), layers: used };
}

/** The block that a heap of bags is to heat. */
export function heapShape(bag: Extract<Shape, { kind: 'brick' }>, heap: Heap): Shape {
  return {
    kind: 'brick',
    lengthMm: bag.lengthMm * heap.along,
    widthMm: bag.widthMm * heap.across,
    heightMm: bag.heightMm * heap.layers,
  };
}
