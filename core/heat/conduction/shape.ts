import { requireWithin } from '../../base/errors.js';
import type { Field } from '../../base/refusals.js';
import { radius, slab, stillDirection, type Direction } from './directions.js';

/** A jar's contents stand as a cylinder, a bag's as a brick. Millimeters. */
export type Shape =
  | { readonly kind: 'cylinder'; readonly radiusMm: number; readonly heightMm: number }
  | {
      readonly kind: 'brick';
      readonly lengthMm: number;
      readonly widthMm: number;
      readonly heightMm: number;
    };

/** Biot numbers h L/k face by face, with L of `characteristicM`. Left out: the face is at the chamber's temperature. */
export interface Films {
  readonly side?: number;
  readonly bottom?: number;
  readonly top?: number;
}

/** A point of the body: 0 to 1 from the axis (or the middle of a brick) to its side, and from bottom to top. */
export interface Place {
  readonly out: number;
  readonly up: number;
  /** Of a brick: from its middle to its end, 0 where it is left out. */
  readonly along?: number;
}

export type Three<T> = readonly [T, T, T];

/** A body as three directions whose modes multiply. */
export interface Directions {
  readonly directions: Three<Direction>;
  /** Height at which the slowest mode is strongest: the coldest point once the body has warmed for a while. */
  readonly slowestUp: number;
  /** Where a place lies in each direction. */
  readonly at: (place: Place) => Three<number>;
}

const MM_PER_M = 1000;
const SECONDS = 60;
/** A mode that has faded to e^−9 is gone. */
const GONE_AFTER_RATES = 9;

/** Rate of the modes, 1/s, that are gone so long after a jump; faster ones are not needed. */
export function fastestAfter(settleMinutes: number): number {
  return GONE_AFTER_RATES / (settleMinutes * SECONDS);
}

/** Length that a Biot number is made with: the radius of a cylinder, half the shortest side of a brick. */
export function characteristicM(shape: Shape): number {
  return shape.kind === 'cylinder'
    ? shape.radiusMm / MM_PER_M
    : Math.min(shape.lengthMm, shape.widthMm, shape.heightMm) / 2 / MM_PER_M;
}

/**
 * A finite cylinder is a radius and a slab, a brick three slabs.
 *
 * @param diffusivityM2PerS 1e-8 to 1e-5
 * @param fastestPerS faster modes are left out
 * @throws CoreError `out-of-range`
 */
export function directionsOf(
  shape: Shape,
  films: Films,
  diffusivityM2PerS: number,
  fastestPerS: number,
): Directions {
  checkShape(shape);
  requireWithin(diffusivityM2PerS, { field: 'diffusivity', min: 1e-8, max: 1e-5, unit: ' m²/s' });
  const unit = characteristicM(shape);
  const biot = (value: number | undefined, lengthM: number) => (checkBiot(value) * lengthM) / unit;
  const heightM = shape.heightMm / MM_PER_M;
  const upward = slab(
    heightM,
    biot(films.bottom, heightM),
    biot(films.top, heightM),
    diffusivityM2PerS,
    fastestPerS,
  );
  const slowestUp = upward.slowestAt;
  if (shape.kind === 'cylinder') {
    const around = radius(shape.radiusMm / MM_PER_M, checkBiot(films.side), diffusivityM2PerS, fastestPerS);
    return { directions: [around, upward, stillDirection()], slowestUp, at: ({ out, up }) => [out, up, 0] };
  }
  const across = (sideMm: number) => {
    const sideM = sideMm / MM_PER_M;
    const side = biot(films.side, sideM);
    return slab(sideM, side, side, diffusivityM2PerS, fastestPerS);
  };
  return {
    directions: [across(shape.lengthMm), across(shape.widthMm), upward],
    slowestUp,
    at: ({ out, up, along = 0 }) => [0.5 + along / 2, 0.5 + out / 2, up],
  };
}

function checkShape(shape: Shape): void {
  const side = (field: Field, value: number) =>
    requireWithin(value, { field, min: 1, max: 1e6, unit: ' mm' });
  if (shape.kind === 'cylinder') {
    side('radius', shape.radiusMm);
  } else {
    side('length', shape.lengthMm);
    side('width', shape.widthMm);
  }
  side('height', shape.heightMm);
}

function checkBiot(value: number | undefined): number {
  return value === undefined || value === Infinity
    ? Infinity
    : requireWithin(value, { field: 'biotNumber', min: 0, max: 1e6 });
}
