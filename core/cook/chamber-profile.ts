import type { ProfilePoint } from '../heat/lethality.js';
import type { Cook } from '../record/batch.js';
import type { FactOf } from '../record/effective.js';
import { boilingC, chamberTemperature } from '../steam/chamber.js';
import { cookState, holdLeftMinutes, takenSteps, type CookState, type TakenStep } from './cook-state.js';
import { byMinute, thinned } from '../readings/thinned.js';
import { GAP_MS, asProfile, readingsOf, type CookLog, type Reading } from '../readings/measured.js';
import { coolingFrom, shareToBoil } from './planned-chamber.js';
import { trueGaugeKPa } from './pot.js';
import { CANNER_COOLING_RATE } from './canner-figures.js';
import { MINUTE_MS } from '../base/time.js';

/** Fewer readings were typed now and then: they say how it was at that moment, not how it went. */
const LEAST_LOG = 10;
/** Household instruments are no finer than this, °C. Our choice. */
const READ_WITHIN_C = 0.4;

/** No cook goes on for longer than a week: one that was never ended, or opened long after, is cut there. Our choice. */
const LONGEST_MINUTES = 7 * 24 * 60;

export interface ChamberProfile {
  /** Minutes since the lid went on; straight between points. */
  readonly points: readonly ProfilePoint[];
  /** Points up to this minute have happened; later ones are expected. */
  readonly nowMinutes: number;
  /** When the weight went on, or is expected to. */
  readonly closedAtMinutes: number;
  /** What has happened was read by a thermometer in the steam, not reckoned from the steps. */
  readonly measured: boolean;
}

/**
 * Chamber temperature of a cook: from its instruments where they spoke, from its steps where they did not, and from
 * its plan where nothing has happened yet. What is reckoned assumes pure steam; what air costs is reckoned elsewhere.
 *
 * @param noted steps in effect, in order; those that the phase did not allow are passed over
 */
export function chamberProfile(
  cook: Cook,
  noted: readonly FactOf<'cookStep'>[],
  atMs: number,
  logs: readonly CookLog[] = [],
): ChamberProfile {
  const taken = takenSteps(noted);
  const steps = taken.map((t) => t.fact);
  // A clock that is drawn once a minute may stand before the step that was just noted.
  const nowMs = Math.max(atMs, ...steps.map((s) => Date.parse(s.at)));
  const startMs = steps[0] === undefined ? nowMs : Date.parse(steps[0].at);
  const nowMinutes = Math.min(LONGEST_MINUTES, Math.max(0, (nowMs - startMs) / MINUTE_MS));
  const boilC = boilingC(cook.atmosphereKPa);
  const been = chamberReadings(cook, logs, startMs, nowMs);
  const points =
    been.points.length >= LEAST_LOG
      ? [...thinned(bridged(byMinute(been.points), cook.roomC), READ_WITHIN_C)]
      : fromSteps(cook, taken, startMs, boilC);
  const closed = steps.find((s) => s.step === 'weightOn');
  const vented = steps.find((s) => s.step === 'steamSteady');
  const closedAtMinutes =
    closed !== undefined
      ? (Date.parse(closed.at) - startMs) / MINUTE_MS
      : (vented === undefined
          ? cook.comeUpMinutes * shareToBoil({ ...cook, boilC })
          : (Date.parse(vented.at) - startMs) / MINUTE_MS) + cook.ventMinutes;
  addExpected(points, cook, cookState(steps), nowMs, nowMinutes, boilC);
  return {
    points: profileUntil(points, LONGEST_MINUTES),
    nowMinutes,
    closedAtMinutes,
    measured: been.byThermometer,
  };
}

/** Readings of the chamber's thermometer, else its temperature by the gauge. */
function chamberReadings(
  cook: Cook,
  logs: readonly CookLog[],
  startMs: number,
  nowMs: number,
): { readonly points: readonly Reading[]; readonly byThermometer: boolean } {
  const inTime = (r: Reading) => r.atMs >= startMs && r.atMs <= nowMs;
  const chamber = readingsOf(logs, 'chamberC').filter(inTime);
  if (chamber.length >= LEAST_LOG) {
    return { points: shifted(chamber, startMs), byThermometer: true };
  }
  // A gauge at zero says nothing of a pot that is not boiling yet.
  const gauge = readingsOf(logs, 'gaugeKPa')
    .map((r) => ({ ...r, value: trueGaugeKPa(cook, r.value) }))
    .filter((r) => inTime(r) && r.value > 1);
  return {
    points: shifted(
      gauge.map((r) => ({
        atMs: r.atMs,
        value: chamberTemperature({ gaugeKPa: Math.min(r.value, 300), atmosphereKPa: cook.atmosphereKPa }),
      })),
      startMs,
    ),
    byThermometer: false,
  };
}

function shifted(readings: readonly Reading[], startMs: number): readonly Reading[] {
  return readings.map((r) => ({ atMs: r.atMs - startMs, value: r.value }));
}

/** Where an instrument was silent, the lower of both sides counts: nothing is credited that was not seen. */
function bridged(readings: readonly Reading[], roomC: number): ProfilePoint[] {
  const points: ProfilePoint[] = readings[0]!.atMs > 0 ? [{ minutes: 0, celsius: roomC }] : [];
  const profile = asProfile(readings, 0);
  readings.forEach((reading, i) => {
    const before = readings[i - 1];
    if (before !== undefined && reading.atMs - before.atMs > GAP_MS) {
      const low = Math.min(before.value, reading.value);
      points.push(
        { minutes: before.atMs / MINUTE_MS, celsius: low },
        { minutes: reading.atMs / MINUTE_MS, celsius: low },
      );
    }
    points.push(profile[i]!);
  });
  return points;
}

function fromSteps(cook: Cook, taken: readonly TakenStep[], startMs: number, boilC: number): ProfilePoint[] {
  const points: ProfilePoint[] = [{ minutes: 0, celsius: cook.roomC }];
  for (const { fact, state } of taken) {
    const minutes = (Date.parse(fact.at) - startMs) / MINUTE_MS;
    const { phase } = state;
    if (phase === 'venting' || phase === 'comingUp') {
      points.push({ minutes, celsius: boilC });
    } else if (phase === 'holding') {
      points.push({ minutes, celsius: cook.chamberC });
    } else if (phase === 'lost') {
      // Taken to fall to the open boiling point at once: errs to less heat.
      points.push({ minutes, celsius: cook.chamberC }, { minutes, celsius: boilC });
    } else if (phase === 'cooling') {
      points.push({ minutes, celsius: lastCelsius(points, cook.roomC) });
    }
  }
  return points;
}

function addExpected(
  points: ProfilePoint[],
  cook: Cook,
  state: CookState,
  nowMs: number,
  nowMinutes: number,
  boilC: number,
): void {
  if (state.phase === 'ended') {
    return;
  }
  // Minutes not before now, so that a late person does not push the future into the past.
  const after = (minutes: number) => Math.max(minutes, nowMinutes);
  const toBoil = shareToBoil({ ...cook, boilC });
  let end = points[points.length - 1]?.minutes ?? 0;
  if (state.phase === 'loaded' || state.phase === 'heating') {
    end = after(cook.comeUpMinutes * toBoil);
    points.push({ minutes: end, celsius: boilC });
  }
  if (state.phase === 'loaded' || state.phase === 'heating' || state.phase === 'venting') {
    end = after(end + cook.ventMinutes);
    points.push({ minutes: end, celsius: boilC });
  }
  if (state.phase !== 'holding' && state.phase !== 'cooling' && state.phase !== 'opened') {
    end = after(end + cook.comeUpMinutes * (1 - toBoil));
    points.push({ minutes: end, celsius: cook.chamberC });
  }
  if (state.phase !== 'cooling' && state.phase !== 'opened') {
    const left = state.phase === 'holding' ? holdLeftMinutes(state, cook, nowMs) : cook.holdMinutes;
    end = state.phase === 'holding' ? nowMinutes + Math.max(0, left) : end + left;
    points.push({ minutes: end, celsius: cook.chamberC });
  }
  points.push(...coolingFrom(end, lastCelsius(points, cook.roomC), cook.roomC, CANNER_COOLING_RATE));
}

function lastCelsius(points: readonly ProfilePoint[], otherwise: number): number {
  return points[points.length - 1]?.celsius ?? otherwise;
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
