import { CoreError, requireWithin } from '../../base/errors.js';
import type { ProfilePoint } from '../lethality.js';
import type { Body } from './body.js';
import { Lags, SAME_MINUTE } from './lags.js';

const MOST_MINUTES = 20_000;

/** Temperatures of a body at even steps, point by point. */
export interface Response<S extends readonly Float64Array[]> {
  /** Minutes since the first point of the chamber's profile. */
  readonly minutes: Float64Array;
  readonly chamberCelsius: Float64Array;
  /** One row for each list of shares that was asked for. */
  readonly celsius: { readonly [K in keyof S]: Float64Array };
}

/**
 * What a body does while its chamber follows a profile of straight pieces. Each mode a of the lag obeys
 * a' = −λ a + T', so over a straight piece it moves exactly: a e^(−λΔt) + s (1 − e^(−λΔt))/λ (Duhamel).
 * A jump of the profile, two points at one minute, is added at once. The temperature is T − Σ share a.
 *
 * @param shares lists from `Body.sharesAt` or `meanShares`
 * @param stepMinutes between the answers; the last one falls on the profile's end
 * @throws CoreError for a profile that is too short or runs backwards
 */
export function respond<const S extends readonly Float64Array[]>(
  body: Body,
  shares: S,
  chamber: readonly ProfilePoint[],
  initialCelsius: number,
  stepMinutes: number,
): Response<S> {
  checkProfile(chamber);
  const from = chamber[0]!.minutes;
  const span = chamber[chamber.length - 1]!.minutes - from;
  const steps = Math.max(1, Math.ceil(span / stepMinutes - SAME_MINUTE));
  const minutes = new Float64Array(steps + 1);
  const chamberCelsius = new Float64Array(steps + 1);
  const celsius = shares.map(() => new Float64Array(steps + 1));
  const state = new Lags(body.ratesPerMin, chamber[0]!.celsius - initialCelsius);
  let piece = 0;
  let now = 0;
  let here = chamber[0]!.celsius;
  for (let i = 0; i <= steps; i++) {
    const until = i === steps ? span : i * stepMinutes;
    // The pieces that end before this answer, then the part of the one that goes on.
    while (piece + 1 < chamber.length && chamber[piece + 1]!.minutes - from <= until + SAME_MINUTE) {
      const next = chamber[piece + 1]!;
      state.move(next.minutes - from - now, next.celsius - here);
      now = next.minutes - from;
      here = next.celsius;
      piece++;
    }
    if (until - now > SAME_MINUTE && piece + 1 < chamber.length) {
      const next = chamber[piece + 1]!;
      const rise = ((next.celsius - here) * (until - now)) / (next.minutes - from - now);
      state.move(until - now, rise);
      now = until;
      here += rise;
    }
    minutes[i] = until;
    chamberCelsius[i] = here;
    for (let row = 0; row < shares.length; row++) {
      celsius[row]![i] = here - state.sum(shares[row]!);
    }
    // Most answers lie inside one straight piece, step by even step: those go in one pass.
    if (shares.length === 1 && piece + 1 < chamber.length) {
      const next = chamber[piece + 1]!;
      const left = next.minutes - from - now;
      const whole = Math.min(steps - 1 - i, Math.ceil(left / stepMinutes - SAME_MINUTE) - 1);
      const rise = ((next.celsius - here) * stepMinutes) / left;
      if (whole > 0 && Math.abs(now - until) <= SAME_MINUTE) {
        state.steps(stepMinutes, rise, shares[0]!, celsius[0]!, i + 1, whole);
        for (let n = 0; n < whole; n++) {
          here += rise;
          i++;
          minutes[i] = i * stepMinutes;
          chamberCelsius[i] = here;
          celsius[0]![i]! += here;
        }
        now = i * stepMinutes;
      }
    }
  }
  // Mapping a tuple loses its length.
  return { minutes, chamberCelsius, celsius: celsius as { readonly [K in keyof S]: Float64Array } };
}

export function checkProfile(chamber: readonly ProfilePoint[]): void {
  if (chamber.length < 2) {
    throw new CoreError('too-few', { of: 'chamberPoints', least: 2 });
  }
  chamber.forEach((point, i) => {
    requireWithin(point.celsius, { field: 'chamberTemperature', min: -40, max: 300, unit: ' °C' });
    const before = chamber[i - 1]?.minutes ?? point.minutes;
    requireWithin(point.minutes - before, {
      field: 'chamberTimeStep',
      min: 0,
      max: MOST_MINUTES,
      unit: ' min',
    });
  });
  requireWithin(chamber[chamber.length - 1]!.minutes - chamber[0]!.minutes, {
    field: 'runLength',
    min: 0,
    max: MOST_MINUTES,
    unit: ' min',
  });
}
