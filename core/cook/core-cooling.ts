import { bodyOf, mixedBody, type Body } from '../heat/conduction/body.js';
import { characteristicM } from '../heat/conduction/shape.js';
import { respond } from '../heat/conduction/respond.js';
import { excessAfter } from '../heat/cooling.js';
import type { Likely } from '../heat/band/f0-band.js';
import { shippedJars } from '../formula/shipped-jars.js';
import type { ProfilePoint } from '../heat/lethality.js';
import { valueAt } from '../heat/value-at.js';
import { MINUTE_MS } from '../base/time.js';
import { CANNER_COOLING_RATE } from './canner-figures.js';
import type { CookFacts } from './cook-heat.js';
import { thermalLoadOf, type Contents } from './load-model.js';

/** The middle must be below this before a culture goes in. Common practice, no source. */
export const SAFE_CORE_C = 30;
/** A room warmer than 28 °C never gets the core to 30; the target then stays so far above the room. */
const LEAST_EXCESS_C = 2;

/** A load that cools: what is in it, from what, into what room, and when it was taken out of the pot. */
export interface CoolingLoad {
  /** A quart of grain where nothing is known. */
  readonly contents: Contents | undefined;
  readonly chamberC: number;
  readonly roomC: number;
  /** Minutes after heat off; absent while it stands in the shut pot. */
  readonly openedAfterMinutes?: number | undefined;
}

/** The load of a cook after its heat is off. */
export function coolingLoadOf({
  cook,
  state,
  contents,
}: Pick<CookFacts, 'cook' | 'state' | 'contents'>): CoolingLoad {
  const { heatOffMs, openedMs } = state;
  return {
    contents,
    chamberC: cook.chamberC,
    roomC: cook.roomC,
    ...(openedMs !== undefined &&
      heatOffMs !== undefined && { openedAfterMinutes: (openedMs - heatOffMs) / MINUTE_MS }),
  };
}

/** How the middle cools. */
export interface CoreCooling {
  /** Minutes from heat off until the middle is below 30 °C; wait for the later end. */
  readonly minutes: Likely;
  /** What the middle has at the latest end, °C, so long after heat off. */
  readonly coreAfter: (minutes: number) => number;
  /** What the outside has then, °C. */
  readonly glassAfter: (minutes: number) => number;
}

/** A wet bed that no steam enters any more: diffusivity, m²/s, and films, W/(m² K). */
interface Bed {
  readonly diffusivity: number;
  readonly inPot: number;
  readonly inAir: number;
}
/** Wet grain and wood conduct with 1.2 to 2·10⁻⁷ m²/s; still, moist air and steam give 10 to 50 W/m²K. From memory. */
const SLOW: Bed = { diffusivity: 1.2e-7, inPot: 10, inAir: 8 };
const MIDDLING: Bed = { diffusivity: 1.55e-7, inPot: 22, inAir: 10 };
const FAST: Bed = { diffusivity: 2e-7, inPot: 50, inAir: 14 };
/** W/(m K) of wet beds. From memory. */
const CONDUCTIVITY = 0.5;
/** The lag of a liquid is reckoned for condensing steam; in air it is as many times longer as the film is weaker. */
const STEAM_FILM = 160;

const STEP_MIN = 10;
/** Forty hours: whoever waits longer has forgotten it. */
const LONGEST_MIN = 2400;
/** The middle of what cools slowly needs no faster modes. */
const SETTLE_MIN = 15;

/** What the trade says its holds of. */
const QUART: Contents = {
  vessel: shippedJars('2026-01-01T00:00:00.000Z').find((jar) => jar.id === 'quart-jar')!,
  stage: 'grain',
};

/** The same load is asked for at every look at the house. */
const known = new Map<string, CoreCooling>();
const MOST_KNOWN = 200;

/**
 * How the middle of a load cools: first in the falling pot, then, once it is opened and the vessels are taken out, in the
 * room's air. Whatever it is, the middle starts as hot as the chamber was; what is outside of it when it is taken out is
 * taken as hot as the middle. Both err to later.
 */
export function coreCooling(load: CoolingLoad): CoreCooling {
  const { contents, chamberC, roomC } = load;
  // An opening that is told to the minute would be another load each time.
  const opened = load.openedAfterMinutes && Math.ceil(load.openedAfterMinutes / STEP_MIN) * STEP_MIN;
  const { vessel, stage, wetG, fill } = contents ?? QUART;
  const key = JSON.stringify([vessel, stage, wetG, fill, chamberC, roomC, opened]);
  const seen = known.get(key);
  if (seen !== undefined) {
    return seen;
  }
  const of = (bed: Bed) => courseOf(contents ?? QUART, bed, chamberC, roomC, opened);
  const [slow, middle, fast] = [of(SLOW), of(MIDDLING), of(FAST)];
  const target = Math.max(SAFE_CORE_C, roomC + LEAST_EXCESS_C);
  const found: CoreCooling = {
    minutes: {
      low: minutesUntil(fast.core, target),
      middle: minutesUntil(middle.core, target),
      high: minutesUntil(slow.core, target),
    },
    coreAfter: (minutes) => valueAt(slow.core, STEP_MIN, minutes),
    glassAfter: (minutes) => valueAt(slow.glass, STEP_MIN, minutes),
  };
  if (known.size >= MOST_KNOWN) {
    known.clear();
  }
  known.set(key, found);
  return found;
}

/**
 * Minutes after a thermometer on the glass showed something until the middle is below 30 °C: as long as the foretold middle
 * takes from the moment at which the foretold glass showed that. 0 where it shows less than that already.
 */
export function coolAfterReading(load: CoolingLoad, glassC: number): number {
  if (glassC <= SAFE_CORE_C) {
    return 0;
  }
  const { minutes, glassAfter } = coreCooling(load);
  let sinceHeatOff = 0;
  while (sinceHeatOff < minutes.high && glassAfter(sinceHeatOff) > glassC) {
    sinceHeatOff += STEP_MIN;
  }
  return Math.max(STEP_MIN, minutes.high - sinceHeatOff);
}

interface Course {
  readonly core: Float64Array;
  readonly glass: Float64Array;
}

function courseOf(
  contents: Contents,
  bed: Bed,
  chamberC: number,
  roomC: number,
  openedMinutes = LONGEST_MIN,
): Course {
  const inPot = Math.min(openedMinutes, LONGEST_MIN);
  const pot: ProfilePoint[] = [];
  for (let minutes = 0; minutes <= Math.max(inPot, STEP_MIN); minutes += STEP_MIN) {
    pot.push({
      minutes,
      celsius: roomC + excessAfter(chamberC - roomC, minutes, CANNER_COOLING_RATE),
    });
  }
  const first = answer(bodyIn(contents, bed, bed.inPot), pot, chamberC);
  if (inPot >= LONGEST_MIN) {
    return first;
  }
  const air: ProfilePoint[] = [
    { minutes: 0, celsius: roomC },
    { minutes: LONGEST_MIN - inPot, celsius: roomC },
  ];
  const second = answer(bodyIn(contents, bed, bed.inAir), air, first.core[first.core.length - 1]!);
  const joined = (a: Float64Array, b: Float64Array) => Float64Array.of(...a, ...b.subarray(1));
  return { core: joined(first.core, second.core), glass: joined(first.glass, second.glass) };
}

function answer(
  { body, coldest }: { readonly body: Body; readonly coldest: number },
  chamber: readonly ProfilePoint[],
  initialC: number,
): Course {
  const { celsius } = respond(
    body,
    [body.sharesAt({ out: 0, up: coldest }), body.sharesAt({ out: 1, up: 0.5 })],
    chamber,
    initialC,
    STEP_MIN,
  );
  return { core: celsius[0], glass: celsius[1] };
}

function bodyIn(
  contents: Contents,
  { diffusivity }: Bed,
  film: number,
): { readonly body: Body; readonly coldest: number } {
  const load = thermalLoadOf(contents);
  if (load.kind === 'liquid') {
    return { body: mixedBody((load.timeConstantMinutes * STEAM_FILM) / film), coldest: 0.5 };
  }
  const biot = (film * characteristicM(load.shape)) / CONDUCTIVITY;
  const body = bodyOf(load.shape, { side: biot, bottom: biot, top: biot }, diffusivity, SETTLE_MIN);
  return { body, coldest: body.slowestUp };
}

function minutesUntil(core: Float64Array, targetC: number): number {
  const at = core.findIndex((celsius) => celsius <= targetC);
  if (at < 0) {
    return LONGEST_MIN;
  }
  const [before, here] = [core[at - 1] ?? core[at]!, core[at]!];
  const share = before > here ? (before - targetC) / (before - here) : 0;
  return Math.max(0, (at - 1 + share) * STEP_MIN);
}
