import { CoreError, requireWithin } from '../base/errors.js';
import { cappedAt } from './conduction/cap.js';
import { respond } from './conduction/respond.js';
import { prepareLoad, type LoadInput } from './conduction/simulate-load.js';
import { holdReaching } from './hold-reaching.js';
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
/** A hold at which the coldest point is looked for. */
const USUAL_HOLD_MIN = 120;
/** The hold is found to this many minutes. */
const WITHIN_MIN = 0.02;

/**
 * The hold at the profile's last temperature after which the core has earned a target; heat that comes after the hold
 * counts too where `afterHold` is given. `chamber` is the way up: its last point is where the hold begins.
 *
 * @returns minutes; 0 when the way up is enough
 * @throws CoreError `out-of-range` when no hold of `mostMinutes` reaches it
 */
export function holdForF0(input: HoldInput): number {
  const target = requireWithin(input.targetF0, { field: 'targetF0', min: 0, max: 1e4, unit: ' min' });
  const most = requireWithin(input.mostMinutes ?? MOST_HOLD_MIN, {
    field: 'longestHold',
    min: 1,
    max: MOST_HOLD_MIN,
    unit: ' min',
  });
  const load = prepareLoad({ ...input, chamber: withHold(input, Math.min(USUAL_HOLD_MIN, most)) });
  const shares = load.body.sharesAt(load.place);
  const earned = (hold: number) => {
    const { minutes, chamberCelsius, celsius } = respond(
      load.body,
      [shares],
      withHold(input, hold),
      input.initialCelsius,
      load.stepMinutes,
    );
    return f0OfCurve(minutes, input.cap === true ? cappedAt(chamberCelsius, celsius[0]) : celsius[0]);
  };
  const hold = holdReaching(earned, target, WITHIN_MIN, most);
  if (hold === undefined) {
    throw new CoreError('f0-out-of-reach', { targetF0: target, mostF0: earned(most), mostMinutes: most });
  }
  return hold;
}

function withHold({ chamber, afterHold = [] }: HoldInput, hold: number): ProfilePoint[] {
  const last = chamber[chamber.length - 1];
  if (last === undefined) {
    throw new CoreError('too-few', { of: 'chamberPoints', least: 2 });
  }
  const off = last.minutes + hold;
  return [
    ...chamber,
    { minutes: off, celsius: last.celsius },
    ...afterHold.map((p) => ({ minutes: off + p.minutes, celsius: p.celsius })),
  ];
}
