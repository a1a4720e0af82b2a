import { groupBy } from '../base/collections.js';
import type { Cook } from '../record/batch.js';
import type { Fact, FactOf } from '../record/effective.js';
import type { CookStep } from '../record/entry.js';
import { MINUTE_MS } from '../base/time.js';

export type CookPhase =
  'loaded' | 'heating' | 'venting' | 'comingUp' | 'holding' | 'lost' | 'cooling' | 'opened' | 'ended';

/** Where a cook stands: a function of the steps noted. Milliseconds since 1970. */
export interface CookState {
  readonly phase: CookPhase;
  /** When the present phase began; undefined before the lid is on. */
  readonly sinceMs?: number;
  readonly lidOnMs?: number;
  readonly ventedMs?: number;
  readonly ventMinutes?: number;
  /** Start of the hold that counts, or its latest stretch. */
  readonly atPressureMs?: number;
  /** Hold that was earned in earlier stretches and still counts. */
  readonly heldBeforeMs: number;
  readonly heatOffMs?: number;
  readonly openedMs?: number;
  readonly losses: number;
  readonly ended?: 'boiledDry' | 'stop';
}

const START: CookState = { phase: 'loaded', heldBeforeMs: 0, losses: 0 };

/** Which step may follow which phase. Anything else is refused before it is written. */
const ALLOWED: Readonly<Record<CookPhase, readonly CookStep[]>> = {
  loaded: ['lidOn', 'stop'],
  // In open steam nothing is shut: its time counts from steady steam.
  heating: ['steamSteady', 'atPressure', 'boiledDry', 'stop'],
  venting: ['weightOn', 'boiledDry', 'stop'],
  comingUp: ['atPressure', 'boiledDry', 'stop'],
  holding: ['pressureLost', 'heatOff', 'boiledDry', 'stop'],
  lost: ['atPressure', 'heatOff', 'boiledDry', 'stop'],
  cooling: ['open', 'boiledDry'],
  opened: [],
  ended: [],
};

export function allowedCookSteps(phase: CookPhase): readonly CookStep[] {
  return ALLOWED[phase];
}

/** A step that counted, and where the cook stood after it. */
export interface TakenStep {
  readonly fact: FactOf<'cookStep'>;
  readonly state: CookState;
}

/**
 * The steps of one cook that count, in the order in which they happened. A step that the phase does not allow (two
 * tabs pressed at once) is passed over, so that no clock ever runs without pressure and no heat is credited for it.
 */
export function takenSteps(steps: readonly FactOf<'cookStep'>[]): readonly TakenStep[] {
  const taken: TakenStep[] = [];
  let state = START;
  for (const fact of steps) {
    if (ALLOWED[state.phase].includes(fact.step)) {
      state = advance(state, fact);
      taken.push({ fact, state });
    }
  }
  return taken;
}

/** Ids of the steps that count, among the facts of any number of cooks. */
export function takenStepIds(facts: readonly Fact[]): ReadonlySet<string> {
  const byCook = groupBy(
    facts.filter((f) => f.kind === 'cookStep'),
    (f) => f.cookId,
  );
  return new Set([...byCook.values()].flatMap((steps) => takenSteps(steps).map((t) => t.fact.id)));
}

/** Where a cook stands after its steps. */
export function cookState(steps: readonly FactOf<'cookStep'>[]): CookState {
  return takenSteps(steps).at(-1)?.state ?? START;
}

function advance(state: CookState, fact: FactOf<'cookStep'>): CookState {
  const now = Date.parse(fact.at);
  const into = (phase: CookPhase): CookState => ({ ...state, phase, sinceMs: now });
  switch (fact.step) {
    case 'lidOn':
      return { ...into('heating'), lidOnMs: now };
    case 'steamSteady':
      return { ...into('venting'), ventedMs: now };
    case 'weightOn':
      return { ...into('comingUp'), ventMinutes: (now - (state.ventedMs ?? now)) / MINUTE_MS };
    case 'atPressure':
      return {
        ...into('holding'),
        atPressureMs: now,
        heldBeforeMs: fact.carryOn === true ? state.heldBeforeMs : 0,
      };
    case 'pressureLost':
      return { ...into('lost'), heldBeforeMs: heldMs(state, now), losses: state.losses + 1 };
    case 'heatOff':
      return { ...into('cooling'), heldBeforeMs: heldMs(state, now), heatOffMs: now };
    case 'open':
      return { ...into('opened'), openedMs: now };
    case 'boiledDry':
    case 'stop':
      return { ...into('ended'), heldBeforeMs: 0, ended: fact.step };
  }
}

/** Hold earned so far; it only grows while the phase is holding. */
export function heldMs(state: CookState, nowMs: number): number {
  const running =
    state.phase === 'holding' && state.atPressureMs !== undefined
      ? Math.max(0, nowMs - state.atPressureMs)
      : 0;
  return state.heldBeforeMs + running;
}

/** Minutes of hold still to come; negative when it is over its time. */
export function holdLeftMinutes(state: CookState, cook: Pick<Cook, 'holdMinutes'>, nowMs: number): number {
  return cook.holdMinutes - heldMs(state, nowMs) / MINUTE_MS;
}
