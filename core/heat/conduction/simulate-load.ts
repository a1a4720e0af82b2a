import { requireWithin } from '../../base/errors.js';
import { f0OfCurve, type ProfilePoint } from '../lethality.js';
import { bodyOf, type Body } from './body.js';
import { cappedAt } from './cap.js';
import { coldestPlace } from './coldest-place.js';
import { respond } from './respond.js';
import type { Films, Place, Shape } from './shape.js';

/** Ten seconds: a pressure cooker changes slowly. */
export const STEP_MINUTES = 1 / 6;
/** Fast modes matter only after a jump; without one fewer are enough for 0.01 K. */
const SETTLE_OF_RAMPS_MINUTES = 1;
const MIDDLE: Place = { out: 0, up: 0.5 };
const WALL: Place = { out: 1, up: 0.5 };

export interface LoadInput {
  readonly shape: Shape;
  /** Effective thermal diffusivity of the filled bed, m²/s. */
  readonly diffusivityM2PerS: number;
  /** h L/k, the same on every face; L is the radius of a cylinder, half the shortest side of a brick. */
  readonly biot?: number;
  /** Face by face instead of one for all. */
  readonly films?: Films;
  readonly initialCelsius: number;
  /** Straight between points; two points at one minute are a jump. */
  readonly chamber: readonly ProfilePoint[];
  readonly stepMinutes?: number;
  /** The geometric middle unless `coldest` is asked for, which is then found. */
  readonly at?: 'middle' | 'coldest';
  /** Wet, vented stuff is never hotter than its chamber's boiling point: it flashes while pressure falls. */
  readonly cap?: boolean;
  /** See `bodyOf`. */
  readonly settleMinutes?: number;
}

export interface LoadHeat {
  readonly minutes: number[];
  readonly coreCelsius: number[];
  /** Equivalent minutes at 121.1 °C of the core; with `cap` those that are credited. */
  readonly coreF0: number;
  /** Without the cap, for comparison. */
  readonly uncappedF0: number;
  /** Of the wall at half height: what the outside is overcooked. */
  readonly surfaceF0: number;
  /** Of the temperature averaged over the body. */
  readonly meanF0: number;
  readonly meanCelsius: number[];
  readonly place: Place;
}

/**
 * What the middle of a jar or a block really gets: pure conduction in a finite cylinder or a brick, exact in time.
 * Separation of variables, Carslaw & Jaeger 1959; the modes are stepped over straight pieces by Duhamel's theorem.
 *
 * @throws CoreError `out-of-range`
 */
export function simulateLoad(input: LoadInput): LoadHeat {
  const load = prepareLoad(input);
  const {
    minutes,
    chamberCelsius,
    celsius: [core, surface, mean],
  } = respond(
    load.body,
    [load.body.sharesAt(load.place), load.body.sharesAt(WALL), load.body.meanShares],
    input.chamber,
    input.initialCelsius,
    load.stepMinutes,
  );
  const from = input.chamber[0]!.minutes;
  const uncappedF0 = f0OfCurve(minutes, core);
  const credited = input.cap === true ? cappedAt(chamberCelsius, core) : core;
  return {
    minutes: Array.from(minutes, (m) => m + from),
    coreCelsius: Array.from(credited),
    coreF0: input.cap === true ? f0OfCurve(minutes, credited) : uncappedF0,
    uncappedF0,
    surfaceF0: f0OfCurve(minutes, surface),
    meanF0: f0OfCurve(minutes, mean),
    meanCelsius: Array.from(mean),
    place: load.place,
  };
}

export interface PreparedLoad {
  readonly body: Body;
  readonly place: Place;
  readonly stepMinutes: number;
}

/** The body and the point of a load, made once for many runs of it. @throws CoreError `out-of-range` */
export function prepareLoad(input: LoadInput): PreparedLoad {
  requireWithin(input.initialCelsius, { field: 'startTemperature', min: -20, max: 150, unit: ' °C' });
  const stepMinutes = requireWithin(input.stepMinutes ?? STEP_MINUTES, {
    field: 'step',
    min: 0.01,
    max: 60,
    unit: ' min',
  });
  const settle = input.settleMinutes ?? (jumps(input) ? undefined : SETTLE_OF_RAMPS_MINUTES);
  const body = bodyOf(input.shape, filmsOf(input), input.diffusivityM2PerS, settle);
  const place =
    input.at === 'coldest' ? coldestPlace(body, input.chamber, input.initialCelsius, stepMinutes) : MIDDLE;
  return { body, place, stepMinutes };
}

/** Whether the chamber ever changes at once, the beginning included. */
function jumps({ chamber, initialCelsius }: LoadInput): boolean {
  return chamber.some((point, i) => {
    const before = chamber[i - 1];
    return before === undefined
      ? point.celsius !== initialCelsius
      : before.minutes === point.minutes && before.celsius !== point.celsius;
  });
}

export function filmsOf(input: Pick<LoadInput, 'biot' | 'films'>): Films {
  return input.films ?? { side: input.biot, bottom: input.biot, top: input.biot };
}
