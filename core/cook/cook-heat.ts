import type { Observation } from '../heat/band/evidence.js';
import type { Run } from '../heat/load/run-heat.js';
import type { Cook } from '../record/batch.js';
import type { FactOf } from '../record/effective.js';
import { cookState, type CookState } from './cook-state.js';
import { chamberProfile } from './chamber-profile.js';
import { thermalLoadOf, type Contents } from './load-model.js';
import { asProfile, readingsOf, type CookLog } from '../readings/measured.js';
import { MINUTE_MS } from '../base/time.js';

/** What is known of one cook, as its view keeps it. */
export interface CookFacts {
  readonly cook: Cook;
  readonly steps: readonly FactOf<'cookStep'>[];
  readonly state: CookState;
  readonly logs: readonly CookLog[];
  readonly coreReads: readonly FactOf<'coreRead'>[];
  readonly proofs: readonly FactOf<'proofRead'>[];
  /** What stands in it; the slowest of the load speaks for all. */
  readonly contents?: Contents;
}

/** The run of a cook as its vessels feel it, with what is still expected. Undefined when nothing known is in it. */
export function cookRun(facts: CookFacts, nowMs: number): Run | undefined {
  if (facts.contents === undefined) {
    return undefined;
  }
  const { cook, state } = facts;
  const profile = chamberProfile(cook, facts.steps, nowMs, facts.logs);
  if (profile.points.length < 2) {
    return undefined;
  }
  const ventMinutes =
    state.ventMinutes ??
    (state.phase === 'venting' && state.ventedMs !== undefined
      ? Math.max(cook.ventMinutes, (nowMs - state.ventedMs) / MINUTE_MS)
      : cook.ventMinutes);
  return {
    load: thermalLoadOf(facts.contents),
    chamber: profile.points,
    initialCelsius: cook.startC ?? cook.roomC,
    ventMinutes,
    closedAtMinutes: profile.closedAtMinutes,
    measured: profile.measured,
  };
}

/** The same cook if it were at pressure again from this moment, starting its hold anew or carrying on. */
export function cookRunIfBack(facts: CookFacts, nowMs: number, carryOn: boolean): Run | undefined {
  const last = facts.steps[facts.steps.length - 1];
  if (last === undefined) {
    return undefined;
  }
  const at = new Date(Math.max(nowMs, Date.parse(last.at) + 1)).toISOString();
  const steps = [...facts.steps, { ...last, step: 'atPressure' as const, carryOn, at, notedAt: at }];
  return cookRun({ ...facts, steps, state: cookState(steps) }, nowMs);
}

/** Readings of the middle, by a logger or by hand, as minutes since the lid went on. */
function coreReadings(facts: CookFacts, startMs: number): { minutes: number; celsius: number }[] {
  const logged = asProfile(readingsOf(facts.logs, 'coreC'), startMs);
  // By hand, a thermometer is put in when the lid is off; then it is no more in the middle of a closed run.
  const heatOffMs = facts.state.heatOffMs ?? Infinity;
  const typed = facts.coreReads
    .filter((r) => Date.parse(r.at) < heatOffMs)
    .map((r) => ({ minutes: (Date.parse(r.at) - startMs) / MINUTE_MS, celsius: r.celsius }));
  return [...logged, ...typed].filter((r) => r.minutes >= 0).sort((a, b) => a.minutes - b.minutes);
}

/** A log of more readings says no more; so many are enough for the update. */
const READINGS_USED = 24;

/** What a cook that is over tells about heat in vessels of its kind. An indicator whose control failed tells nothing. */
export function observationsOf(facts: CookFacts, nowMs: number): Observation[] {
  // Most cooks measured nothing, and this is asked of all of them.
  const isSilent = facts.logs.length + facts.coreReads.length + facts.proofs.length === 0;
  const run = isSilent ? undefined : cookRun(facts, nowMs);
  const startMs = facts.state.lidOnMs;
  if (run === undefined || startMs === undefined || facts.state.phase === 'ended') {
    return [];
  }
  const core = coreReadings(facts, startMs);
  const every = Math.max(1, Math.ceil(core.length / READINGS_USED));
  const readings = core.filter((_, i) => i % every === 0);
  const cook = facts.cook.id;
  const probes: Observation[] = readings.length > 0 ? [{ kind: 'probe', cook, run, readings }] : [];
  return [
    ...probes,
    ...facts.proofs.flatMap(({ proof }): Observation[] => {
      if (proof.kind === 'maximum') {
        return [{ kind: 'maximum', cook, run, celsius: proof.celsius }];
      }
      return proof.kind === 'indicator' && proof.control === 'turned'
        ? [
            {
              kind: 'indicator',
              cook,
              run,
              survived: proof.result === 'turned',
              logPopulation: proof.logPopulation,
              dMinutes: proof.dMinutes,
            },
          ]
        : [];
    }),
  ];
}
