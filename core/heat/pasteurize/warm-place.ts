import type { ProfilePoint } from '../lethality.js';
import { bodyOf, type Body } from '../conduction/body.js';
import { respond } from '../conduction/respond.js';
import { characteristicM, type Place, type Shape } from '../conduction/shape.js';

/** The coldest place must be this hot, for this long. Common practice, no source: 65 to 80 °C water, 60 to 120 min. */
export const PASTEURIZE_C = 60;
export const PASTEURIZE_MIN = 60;
/** Above this, what helps the mycelium dies too and what is left ferments. Common practice, no source. */
export const TOO_HOT_C = 85;

/** Diffusivity of soaked straw and chips in water, m²/s, and conductivity, W/(m K). From memory. */
const SOAKED_DIFFUSIVITY = 1.45e-7;
const SOAKED_CONDUCTIVITY = 0.55;
const STEP_MINUTES = 1;

/** How warm one place of a body becomes, minute by minute. */
export interface WarmPlace {
  readonly minutes: readonly number[];
  readonly celsius: readonly number[];
  /** Minutes that it is at 60 °C or above. */
  readonly aboveMinutes: number;
  readonly hottestC: number;
  /** When it is warm enough to count, min; absent when it never is. */
  readonly warmAtMinutes?: number;
}

/** A soaked bed as one body of conduction, all its faces under one film in W/(m² K). */
export function soakedBed(shape: Shape, film: number): Body {
  const biot = (film * characteristicM(shape)) / SOAKED_CONDUCTIVITY;
  return bodyOf(shape, { side: biot, bottom: biot, top: biot }, SOAKED_DIFFUSIVITY);
}

/** Follows places of a body from one temperature all through, in minutes from then. */
export function warmPlaces(
  body: Body,
  places: readonly Place[],
  startC: number,
  around: readonly ProfilePoint[],
): WarmPlace[] {
  const shares = places.map((place) => body.sharesAt(place));
  const { minutes, celsius } = respond(body, shares, around, startC, STEP_MINUTES);
  return places.map((_, index) => {
    const curve = Array.from(celsius[index]!);
    const first = curve.findIndex((c) => c >= PASTEURIZE_C);
    return {
      minutes: Array.from(minutes),
      celsius: curve,
      aboveMinutes: Math.max(0, curve.filter((c) => c >= PASTEURIZE_C).length - 1) * STEP_MINUTES,
      hottestC: Math.max(...curve),
      warmAtMinutes: first === -1 ? undefined : minutes[first],
    };
  });
}
