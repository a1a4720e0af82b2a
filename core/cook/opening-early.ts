import { boilingC } from '../steam/chamber.js';
import { chamberProfile, profileUntil } from './chamber-profile.js';
import type { CookFacts } from './cook-heat.js';

/** So far above the boiling point of here there is pressure under the lid, °C: about 0.04 bar. Our judgement. */
const PRESSED_ABOVE_C = 1;

/** A lid that would be opened on pressure. */
export interface OpeningEarly {
  /** What its chamber has by its curve, and the boiling point where it stands, °C. */
  readonly chamberC: number;
  readonly boilC: number;
}

/** Whether the chamber of a cook that cools is still above the boiling point of where it stands; undefined where it is not. */
export function openingEarly(
  { cook, steps, logs, state }: Pick<CookFacts, 'cook' | 'steps' | 'logs' | 'state'>,
  nowMs: number,
): OpeningEarly | undefined {
  if (state.phase !== 'cooling') {
    return undefined;
  }
  const { points, nowMinutes } = chamberProfile(cook, steps, nowMs, logs);
  const chamberC = profileUntil(points, nowMinutes).at(-1)?.celsius ?? cook.roomC;
  const boilC = boilingC(cook.atmosphereKPa);
  return chamberC > boilC + PRESSED_ABOVE_C ? { chamberC, boilC } : undefined;
}
