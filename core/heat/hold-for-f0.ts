import { CoreError, requireWithin } from '../errors.js';
import { cappedAt } from './conduction/cap.js';
import { respond } from './conduction/respond.js';
import { prepareLoad, type LoadInput } from './conduction/simulate-load.js';
import { f0OfCurve, type ProfilePoint } from './lethality.js';

export interface HoldInput extends LoadInput {
  readonly targetF0: number;
  /** What the chamber does after the hold, minutes counted from heat off. Left out: the hold's end is the end. */
  readonly afterHold?: readonly ProfilePoint[];
  /** Longest hold that is tried, min. */
  readonly mostMinutes?: number;
}

/** A day: beyond it a hold is no answer. */
const MOST_HOLD_MIN = 1440;
/** Doubled until it is enough. */
const FIRST_TRY_MIN = 120;
/** The hold is found to this many minutes. */
const WITHIN_MIN = 0.02;
const MOST_ITERATIONS = 60;

/**
 * The hold at the profile's last temperature after which the core has earned a target; heat that comes after the hold
 * counts too where `afterHold` is given. `chamber` is the way up: its last point is where the hold begins.
 *
 * @returns minutes; 0 when the way up is enough
 * @throws CoreError `out-of-range` when no hold of `mostMinutes` reaches it
 */
export function holdForF0(input: HoldInput): number {
  const target = requireWithin(input.targetF0, { field: 'Target F0', min: 0, max: 1e4, unit: ' min' });
  const most = requireWithin(input.mostMinutes ?? MOST_HOLD_MIN, {
    field: 'Longest hold',
    min: 1,
    max: MOST_HOLD_MIN,
    unit: ' min',
  });
  const load = prepareLoad({ ...input, chamber: withHold(input, Math.min(FIRST_TRY_MIN, most)) });
  const shares = load.body.sharesAt(load.place);
  const lacks = (hold: number) => {
    const chamber = withHold(input, hold);
    const { minutes, chamberCelsius, celsius } = respond(
      load.body,
      [shares],
      chamber,
      input.initialCelsius,
      load.stepMinutes,
    );
    const core = input.cap === true ? cappedAt(chamberCelsius, celsius[0]!) : celsius[0]!;
    return f0OfCurve(minutes, core) - target;
  };
  let [low, high] = [0, Math.min(FIRST_TRY_MIN, most)];
  let [atLow, atHigh] = [lacks(low), lacks(high)];
  while (atHigh < 0 && high < most) {
    [low, atLow] = [high, atHigh];
    high = Math.min(2 * high, most);
    atHigh = lacks(high);
  }
  if (atLow >= 0) {
    return 0;
  }
  if (!(atHigh >= 0)) {
    throw new CoreError(
      'out-of-range',
      'Target F0',
      target,
      `at most ${(atHigh + target).toFixed(2)}, which a hold of ${most} min gives`,
    );
  }
  // Regula falsi in the Illinois form: F0 grows almost straight once the core is hot.
  let side = 0;
  for (let i = 0; i < MOST_ITERATIONS && high - low > WITHIN_MIN; i++) {
    const hold = (low * atHigh - high * atLow) / (atHigh - atLow);
    const here = lacks(hold);
    if (Math.abs(here) < WITHIN_MIN * 0.1) {
      return hold;
    }
    if (here > 0) {
      [high, atHigh] = [hold, here];
      atLow = side === 1 ? atLow / 2 : atLow;
      side = 1;
    } else {
      [low, atLow] = [hold, here];
      atHigh = side === -1 ? atHigh / 2 : atHigh;
      side = -1;
    }
  }
  return (low + high) / 2;
}

function withHold({ chamber, afterHold = [] }: HoldInput, hold: number): ProfilePoint[] {
  const last = chamber[chamber.length - 1];
  if (last === undefined) {
    throw new CoreError('wrong-state', 'Chamber profile', 0, 'of at least two points');
  }
  const off = last.minutes + hold;
  return [
    ...chamber,
    { minutes: off, celsius: last.celsius },
    ...afterHold.map((p) => ({ minutes: off + p.minutes, celsius: p.celsius })),
  ];
}
