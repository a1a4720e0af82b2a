import { VESSEL_PURGE_MIN, steamBesideAir, vesselAir } from '../../steam/air.js';
import { bodyOf, mixedBody, type Body } from '../conduction/body.js';
import { cappedAt } from '../conduction/cap.js';
import { respond } from '../conduction/respond.js';
import { f0OfCurve, type ProfilePoint } from '../lethality.js';
import { MIDDLING, drawLoad, type DrawnLoad, type ThermalLoad } from './uncertain-load.js';

/** One run of a cooker, as far as the heat in its vessels depends on it. */
export interface Run {
  readonly load: ThermalLoad;
  /** Temperature of the chamber by its gauge, straight between points. */
  readonly chamber: readonly ProfilePoint[];
  readonly initialCelsius: number;
  /** Minutes of full plume; 0 when it was never vented. */
  readonly ventMinutes: number;
  /** When the weight went on, on the clock of `chamber`; the vessels' air is theirs from here. */
  readonly closedAtMinutes: number;
  /** The chamber was measured by a thermometer in the steam: the gauge is then no longer in doubt, the vessels' air is. */
  readonly measured?: boolean;
}

export interface RunHeat {
  readonly minutes: Float64Array;
  readonly chamberCelsius: Float64Array;
  /** Credited temperature of the coldest point. */
  readonly coreCelsius: Float64Array;
  /** Never hotter than water boils at the chamber's pressure. */
  readonly coreF0: number;
  readonly uncappedF0: number;
}

/** A pressure cooker's air matters only above boiling: below it, it goes as fast as it comes. */
const BOILING_C = 100;
/** Points at which a vessel's own air is looked at anew, minutes after the weight went on. */
const AIR_POINTS = [0, 5, 10, 20, 30, 45, 60, 90, 120, 180, 240] as const;
/** Jumps do not occur in a run that is drawn; ramps are exact enough with this. */
const SETTLE_MINUTES = 2;
const STEP_MINUTES = 1;

/** What a vessel's coldest point gets if things are as one draw says. All zeros: the middle of what is likely. */
export function runHeat(run: Run, normals: ArrayLike<number>, stepMinutes: number): RunHeat {
  const drawn = drawLoad(run.load, normals);
  const chamber = seenByVessel(run, drawn);
  const body = boundBody(drawn);
  const { minutes, chamberCelsius, celsius } = respond(
    body,
    [body.sharesAt({ out: 0, up: body.slowestUp })],
    chamber,
    run.initialCelsius,
    stepMinutes,
  );
  const coreCelsius = cappedAt(chamberCelsius, celsius[0]);
  return {
    minutes,
    chamberCelsius,
    coreCelsius,
    coreF0: f0OfCurve(minutes, coreCelsius),
    uncappedF0: f0OfCurve(minutes, celsius[0]),
  };
}

/** F0 at the coldest point if everything is as it most likely is. */
export function middleF0(run: Run): number {
  return runHeat(run, MIDDLING, STEP_MINUTES).coreF0;
}

/** What the same point has earned by a minute of the run. */
export function middleF0Until(run: Run, untilMinutes: number): number {
  const { minutes, coreCelsius } = runHeat(run, MIDDLING, STEP_MINUTES);
  const from = run.chamber[0]!.minutes;
  const count = minutes.filter((m) => m + from <= untilMinutes).length;
  return count < 2 ? 0 : f0OfCurve(minutes.subarray(0, count), coreCelsius.subarray(0, count));
}

/** What the wall and the average of a solid load get if all is middling: how much is overcooked for the middle's sake. */
export function overcook(run: Run): { readonly wallF0: number; readonly meanF0: number } | undefined {
  const drawn = drawLoad(run.load, MIDDLING);
  if (drawn.body.kind === 'liquid') {
    return undefined;
  }
  const body = boundBody(drawn);
  const { minutes, celsius } = respond(
    body,
    [body.sharesAt({ out: 1, up: 0.5 }), body.meanShares],
    seenByVessel(run, drawn),
    run.initialCelsius,
    STEP_MINUTES,
  );
  return { wallF0: f0OfCurve(minutes, celsius[0]), meanF0: f0OfCurve(minutes, celsius[1]) };
}

/** The modes of what was drawn; a liquid mixes itself and has one. */
export function boundBody({ body }: Pick<DrawnLoad, 'body'>, settleMinutes = SETTLE_MINUTES): Body {
  return body.kind === 'liquid'
    ? mixedBody(body.timeConstantMinutes)
    : bodyOf(body.shape, body.films, body.diffusivityM2PerS, settleMinutes);
}

/**
 * The temperature around the stuff in a vessel: the chamber's, moved by what the gauge is off and lowered by the air
 * that the vessel kept, since at the same pressure its steam has only its own share of it.
 */
export function seenByVessel(
  run: Run,
  drawn: Pick<DrawnLoad, 'purgeFactor' | 'gaugeErrorC'>,
): ProfilePoint[] {
  const gaugeErrorC = run.measured === true ? 0 : drawn.gaugeErrorC;
  const purge = VESSEL_PURGE_MIN * drawn.purgeFactor;
  return withAirPoints(run).map(({ minutes, celsius }) => {
    if (celsius <= BOILING_C || minutes < run.closedAtMinutes) {
      return { minutes, celsius };
    }
    const real = celsius + gaugeErrorC;
    const air = vesselAir(run.ventMinutes, minutes - run.closedAtMinutes, purge);
    return { minutes, celsius: steamBesideAir(real, air) };
  });
}

/** The profile with points between, where the air changes along a straight piece. */
function withAirPoints({ chamber, closedAtMinutes }: Run): ProfilePoint[] {
  const extra = AIR_POINTS.map((m) => closedAtMinutes + m);
  const points: ProfilePoint[] = [];
  chamber.forEach((point, i) => {
    const before = chamber[i - 1];
    if (before !== undefined) {
      for (const minutes of extra) {
        if (minutes > before.minutes && minutes < point.minutes) {
          const share = (minutes - before.minutes) / (point.minutes - before.minutes);
          points.push({ minutes, celsius: before.celsius + share * (point.celsius - before.celsius) });
        }
      }
    }
    points.push(point);
  });
  return points;
}
