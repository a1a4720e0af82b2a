import { f0OfCurve, type ProfilePoint } from '../lethality.js';
import type { Body } from './body.js';
import type { Place } from './shape.js';
import { cappedAt } from './cap.js';
import { respond } from './respond.js';

/** The point is found to this share of the height. */
const WITHIN = 0.004;
/** Steps of the search, as a multiple of the answer's. */
const COARSER = 6;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * The point that earns least: on the axis, since the sides are alike, at a height that is searched for. Under a
 * headspace it lies above the middle. Judged by the heat that is credited.
 */
export function coldestPlace(
  body: Body,
  chamber: readonly ProfilePoint[],
  initialCelsius: number,
  stepMinutes: number,
): Place {
  const earned = (up: number) => {
    const { minutes, chamberCelsius, celsius } = respond(
      body,
      [body.sharesAt({ out: 0, up })],
      chamber,
      initialCelsius,
      stepMinutes * COARSER,
    );
    return f0OfCurve(minutes, cappedAt(chamberCelsius, celsius[0]));
  };
  let [low, high] = [0, 1];
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [atA, atB] = [earned(a), earned(b)];
  while (high - low > WITHIN) {
    if (atA < atB) {
      high = b;
      [b, atB] = [a, atA];
      a = high - GOLDEN * (high - low);
      atA = earned(a);
    } else {
      low = a;
      [a, atA] = [b, atB];
      b = low + GOLDEN * (high - low);
      atB = earned(b);
    }
  }
  return { out: 0, up: (low + high) / 2 };
}
