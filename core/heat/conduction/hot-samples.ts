import type { Body } from './body.js';
import { Lags, SAME_MINUTE } from './lags.js';
import { REFERENCE_C, Z_C, type ProfilePoint } from '../lethality.js';

/** Below this a thousandth of a minute is earned in a minute. */
const LETHAL_FROM_C = 90;
/** Longest time between two looks. While the chamber cools a place meets it at some moment, and its rate has a kink. */
const STEP_MINUTES = 3;
const STEP_WHILE_COOLING_MINUTES = 1;
const PER_DEGREE = Math.LN10 / Z_C;

/** A chamber and some places of a body in it, while it is hot. */
export interface HotSamples {
  /** Minutes that each sample stands for (Simpson). */
  readonly minutes: Float64Array;
  readonly chamberC: Float64Array;
  /** How much colder each place is, a row a place. */
  readonly lagsC: readonly Float64Array[];
}

/**
 * Looks at some places at both ends of each straight piece of the chamber's profile and evenly between, for sums over
 * time. The modes move exactly; Simpson's rule sums smooth rates at these steps far closer than anything here is known.
 */
export function hotSamples(
  body: Body,
  shares: readonly Float64Array[],
  chamber: readonly ProfilePoint[],
  initialCelsius: number,
): HotSamples {
  const pieces = piecesOf(chamber);
  const count = pieces.reduce((sum, piece) => sum + (piece.steps === 0 ? 0 : piece.steps + 1), 0);
  const minutes = new Float64Array(count);
  const chamberC = new Float64Array(count);
  const lagsC = shares.map(() => new Float64Array(count));
  const state = new Lags(body.ratesPerMin, chamber[0]!.celsius - initialCelsius);
  let at = 0;
  const look = (celsius: number, weight: number) => {
    minutes[at] = weight;
    chamberC[at] = celsius;
    for (let place = 0; place < shares.length; place++) {
      lagsC[place]![at] = Math.max(0, state.sum(shares[place]!));
    }
    at++;
  };
  for (const { minutes: length, fromC, rise, steps } of pieces) {
    if (steps === 0) {
      state.move(length, rise);
      continue;
    }
    const third = length / steps / 3;
    look(fromC, third);
    for (let n = 1; n <= steps; n++) {
      state.move(length / steps, rise / steps);
      look(fromC + (rise * n) / steps, n === steps ? third : third * (n % 2 === 1 ? 4 : 2));
    }
  }
  return { minutes, chamberC, lagsC };
}

interface Piece {
  readonly minutes: number;
  readonly fromC: number;
  readonly rise: number;
  /** Even; none while nothing is earned. */
  readonly steps: number;
}

/** Straight pieces until the chamber is cool for good. */
function piecesOf(chamber: readonly ProfilePoint[]): readonly Piece[] {
  const lastHot = chamber.findLastIndex((p) => p.celsius > LETHAL_FROM_C);
  const pieces: Piece[] = [];
  for (let i = 1; i < chamber.length && i <= lastHot + 1; i++) {
    const [from, to] = [chamber[i - 1]!, chamber[i]!];
    const minutes = to.minutes - from.minutes;
    const isHot = Math.max(from.celsius, to.celsius) > LETHAL_FROM_C && minutes > SAME_MINUTE;
    const step = to.celsius < from.celsius ? STEP_WHILE_COOLING_MINUTES : STEP_MINUTES;
    const steps = isHot ? 2 * Math.ceil(minutes / (2 * step)) : 0;
    pieces.push({ minutes, fromC: from.celsius, rise: to.celsius - from.celsius, steps });
  }
  return pieces;
}

/** F0 of a place that is behind the chamber by a share of a lag, min. */
export function f0Behind({ minutes, chamberC }: HotSamples, lagC: Float64Array, share: number): number {
  let sum = 0;
  for (let i = 0; i < minutes.length; i++) {
    sum += minutes[i]! * Math.exp((chamberC[i]! - share * lagC[i]! - REFERENCE_C) * PER_DEGREE);
  }
  return sum;
}
