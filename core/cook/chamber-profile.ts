import { excessAfter } from '../heat/cooling.js';
import type { ProfilePoint } from '../heat/lethality.js';
import type { Cook } from '../record/batch.js';
import type { FactOf } from '../record/effective.js';
import { chamberTemperature } from '../steam/chamber.js';
import { saturationTemperature } from '../steam/saturation.js';
import { cookState, holdLeftMinutes } from './cook-state.js';
import { CANNER_COOLING_RATE } from './programme.js';

const MINUTE = 60_000;
/** The cooling curve is drawn in pieces of this length. */
const COOLING_STEP_MIN = 5;
const COOLING_SHOWN_MIN = 150;

export interface ChamberProfile {
  /** Minutes since the lid went on; straight between points. */
  readonly points: readonly ProfilePoint[];
  /** Points up to this minute have happened; later ones are expected. */
  readonly nowMinutes: number;
}

/**
 * Chamber temperature of a cook, from its steps where they have happened and from its plan where they have not.
 * Assumes pure steam, which the venting is for.
 *
 * @param steps steps in effect, in order; the first is `lidOn`
 */
export function chamberProfile(
  cook: Cook,
  steps: readonly FactOf<'cookStep'>[],
  nowMs: number,
): ChamberProfile {
  const startMs = steps[0] === undefined ? nowMs : Date.parse(steps[0].at);
  const boilC = chamberTemperature({ gaugeKPa: 0, atmosphereKPa: cook.atmosphereKPa });
  const points: ProfilePoint[] = [{ minutes: 0, celsius: cook.roomC }];
  const at = (ms: number) => (ms - startMs) / MINUTE;
  for (const [index, fact] of steps.entries()) {
    const minutes = at(Date.parse(fact.at));
    const state = cookState(steps.slice(0, index + 1));
    if (state.phase === 'venting' || state.phase === 'comingUp') {
      points.push({ minutes, celsius: boilC });
    } else if (state.phase === 'holding') {
      points.push({ minutes, celsius: cook.chamberC });
    } else if (state.phase === 'lost') {
      // Taken to fall to the open boiling point at once: errs to less heat.
      points.push({ minutes, celsius: cook.chamberC }, { minutes, celsius: boilC });
    } else if (state.phase === 'cooling') {
      points.push({ minutes, celsius: lastCelsius(points) });
    }
  }
  const nowMinutes = Math.max(0, at(nowMs));
  addExpected(points, cook, steps, nowMs, nowMinutes, boilC);
  return { points, nowMinutes };
}

function addExpected(
  points: ProfilePoint[],
  cook: Cook,
  steps: readonly FactOf<'cookStep'>[],
  nowMs: number,
  nowMinutes: number,
  boilC: number,
): void {
  const state = cookState(steps);
  if (state.phase === 'ended') {
    return;
  }
  // Minutes not before now, so that a late person does not push the future into the past.
  const after = (minutes: number) => Math.max(minutes, nowMinutes);
  let end = points[points.length - 1]?.minutes ?? 0;
  if (state.phase === 'loaded' || state.phase === 'heating') {
    end = after(cook.comeUpMinutes * shareToBoil(cook, boilC));
    points.push({ minutes: end, celsius: boilC });
  }
  if (state.phase === 'loaded' || state.phase === 'heating' || state.phase === 'venting') {
    end = after(end + cook.ventMinutes);
    points.push({ minutes: end, celsius: boilC });
  }
  if (state.phase !== 'holding' && state.phase !== 'cooling' && state.phase !== 'opened') {
    end = after(end + cook.comeUpMinutes * (1 - shareToBoil(cook, boilC)));
    points.push({ minutes: end, celsius: cook.chamberC });
  }
  if (state.phase !== 'cooling' && state.phase !== 'opened') {
    const left = state.phase === 'holding' ? holdLeftMinutes(state, cook, nowMs) : cook.holdMinutes;
    end = state.phase === 'holding' ? nowMinutes + Math.max(0, left) : end + left;
    points.push({ minutes: end, celsius: cook.chamberC });
  }
  const fromC = lastCelsius(points);
  for (let minutes = COOLING_STEP_MIN; minutes <= COOLING_SHOWN_MIN; minutes += COOLING_STEP_MIN) {
    const celsius = cook.roomC + excessAfter(fromC - cook.roomC, minutes, CANNER_COOLING_RATE);
    points.push({ minutes: end + minutes, celsius });
  }
}

/** The part of the come-up that is spent below boiling; energy is about linear in temperature. */
function shareToBoil(cook: Cook, boilC: number): number {
  return (boilC - cook.roomC) / (cook.chamberC - cook.roomC);
}

function lastCelsius(points: readonly ProfilePoint[]): number {
  return points[points.length - 1]?.celsius ?? saturationTemperature(101.325);
}

/** The part of a profile up to a minute, cut inside a segment where needed. */
export function profileUntil(points: readonly ProfilePoint[], minutes: number): readonly ProfilePoint[] {
  const cut: ProfilePoint[] = [];
  for (const point of points) {
    const before = cut[cut.length - 1];
    if (point.minutes <= minutes) {
      cut.push(point);
    } else if (before !== undefined) {
      const share = (minutes - before.minutes) / (point.minutes - before.minutes);
      cut.push({ minutes, celsius: before.celsius + share * (point.celsius - before.celsius) });
      break;
    }
  }
  return cut;
}
