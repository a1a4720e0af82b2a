import { excessAfter } from '../heat/cooling.js';
import type { ProfilePoint } from '../heat/lethality.js';

/** A run of a pressure cooker as it is planned, in minutes and °C. */
export interface PlannedRun {
  readonly roomC: number;
  /** Where water boils in the open pot. */
  readonly boilC: number;
  readonly chamberC: number;
  /** From cold to pressure, without the venting. */
  readonly comeUpMinutes: number;
  readonly ventMinutes: number;
  readonly holdMinutes: number;
  /** k of ΔT' = −k ΔT^1.25. */
  readonly coolingRate: number;
}

/** Cooling is followed this long, in pieces of this length; what comes later is far below any lethal heat. */
const COOLING_MINUTES = 150;
const COOLING_STEP_MIN = 5;

/** Energy is about linear in temperature, so the way up is a straight line, broken where it is vented. */
export function plannedChamber(run: PlannedRun): {
  readonly points: readonly ProfilePoint[];
  readonly closedAtMinutes: number;
  readonly heatOffMinutes: number;
} {
  const boilsAt = run.comeUpMinutes * shareToBoil(run);
  const closedAtMinutes = boilsAt + run.ventMinutes;
  const atPressure = run.comeUpMinutes + run.ventMinutes;
  const heatOffMinutes = atPressure + run.holdMinutes;
  return {
    closedAtMinutes,
    heatOffMinutes,
    points: [
      { minutes: 0, celsius: run.roomC },
      { minutes: boilsAt, celsius: run.boilC },
      { minutes: closedAtMinutes, celsius: run.boilC },
      { minutes: atPressure, celsius: run.chamberC },
      { minutes: heatOffMinutes, celsius: run.chamberC },
      ...coolingFrom(heatOffMinutes, run.chamberC, run.roomC, run.coolingRate),
    ],
  };
}

/** The part of the come-up that is spent below boiling. */
export function shareToBoil(run: Pick<PlannedRun, 'roomC' | 'boilC' | 'chamberC'>): number {
  return Math.min(1, (run.boilC - run.roomC) / (run.chamberC - run.roomC));
}

export function coolingFrom(
  fromMinutes: number,
  fromC: number,
  roomC: number,
  coolingRate: number,
): ProfilePoint[] {
  const points: ProfilePoint[] = [];
  for (let minutes = COOLING_STEP_MIN; minutes <= COOLING_MINUTES; minutes += COOLING_STEP_MIN) {
    points.push({
      minutes: fromMinutes + minutes,
      celsius: roomC + excessAfter(fromC - roomC, minutes, coolingRate),
    });
  }
  return points;
}
