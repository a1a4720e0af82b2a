import { BLOCK, QUART, heldAsUsual } from '../heat/spoilage/practice.js';
import type { Run } from '../index.js';

const PINT: Run['load'] = {
  kind: 'solid',
  shape: { kind: 'cylinder', radiusMm: 35, heightMm: 85 },
  wallFilm: 300,
  topFilm: 7,
};

/** Vessels held so long at 15 psi at the sea, or at another temperature of the chamber. */
export const HELD = {
  quart: (holdMinutes: number, chamberC?: number) => heldAsUsual(QUART, holdMinutes, chamberC),
  pint: (holdMinutes: number, chamberC?: number) => heldAsUsual(PINT, holdMinutes, chamberC),
  block: (holdMinutes: number, chamberC?: number) => heldAsUsual(BLOCK, holdMinutes, chamberC),
} as const;
