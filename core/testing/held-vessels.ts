import type { Run } from '../index.js';

/** A vessel held so long at 15 psi at the sea, or at another temperature of the chamber, as a full canner does it. */
function held(load: Run['load'], holdMinutes: number, chamberC: number): Run {
  const off = 36 + holdMinutes;
  return {
    load,
    chamber: [
      { minutes: 0, celsius: 20 },
      { minutes: 20, celsius: 100 },
      { minutes: 30, celsius: 100 },
      { minutes: 36, celsius: chamberC },
      { minutes: off, celsius: chamberC },
      { minutes: off + 15, celsius: 108 },
      { minutes: off + 30, celsius: 97.5 },
      { minutes: off + 60, celsius: 80 },
    ],
    initialCelsius: 20,
    ventMinutes: 10,
    closedAtMinutes: 30,
  };
}

const SEA_C = 120.95;

function jar(radiusMm: number, heightMm: number): Run['load'] {
  return {
    kind: 'solid',
    shape: { kind: 'cylinder', radiusMm, heightMm },
    wallFilm: 300,
    topFilm: 7,
  };
}

export function heldQuart(holdMinutes: number, chamberC = SEA_C): Run {
  return held(jar(43, 110), holdMinutes, chamberC);
}

export const HELD = {
  quart: heldQuart,
  pint: (holdMinutes: number, chamberC = SEA_C) => held(jar(35, 85), holdMinutes, chamberC),
  block: (holdMinutes: number, chamberC = SEA_C) =>
    held(
      {
        kind: 'solid',
        shape: { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 },
        wallFilm: 300,
        topFilm: 60,
      },
      holdMinutes,
      chamberC,
    ),
} as const;
