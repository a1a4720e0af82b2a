import { bodyOf, mixedBody, type Body } from '../heat/conduction/body.js';
import { respond } from '../heat/conduction/respond.js';
import type { Shape } from '../heat/conduction/shape.js';
import type { VesselType } from '../record/definitions.js';
import { columnMm, innerRadiusMm, liquidLag } from './load-model.js';

/** A gel of agar melts above 85 °C and not below: USP/NF, agar. */
export const MELTS_C = 85;
/** A gel is nearly all water, and does not flow: 1.45·10⁻⁷ m²/s, that of water at 25 to 50 °C. Handbook tables, from memory. */
const GEL_DIFFUSIVITY = 1.45e-7;
/** Steam and a bath wet the glass alike; the top is open to hot air and stays behind, so its face counts as shut. Our judgement. */
const NO_HEAT = 1e-3;
const STEP_MIN = 1;
const LONGEST_MIN = 600;
/** Exact from this minute on is soon enough. */
const SETTLE_MIN = 2;

/** Minutes until a bottle of agar has melted. */
export interface MeltMinutes {
  /** If it mixed itself from the start, as a liquid does. */
  readonly low: number;
  /** If it stayed a still gel to its very middle. */
  readonly high: number;
}

/**
 * How long bottled agar stands in boiling water or steam until it is liquid throughout. It melts from the outside and what
 * has melted mixes, so that the truth lies between the lumped model and pure conduction.
 *
 * @param volumeMl in the bottle, 10 to 5000
 * @param boilC of water where it stands, °C; it must be hotter than the gel melts at
 * @param fromC of the gel, °C
 * @returns undefined where water boils too cool to melt it (above 4 700 m)
 */
export function meltMinutes(
  vessel: VesselType,
  volumeMl: number,
  boilC: number,
  fromC: number,
): MeltMinutes | undefined {
  if (boilC <= MELTS_C) {
    return undefined;
  }
  const radiusMm = innerRadiusMm(vessel);
  const gel: Shape = { kind: 'cylinder', radiusMm, heightMm: columnMm(volumeMl, radiusMm) };
  const still = bodyOf(gel, { top: NO_HEAT }, GEL_DIFFUSIVITY, SETTLE_MIN);
  return {
    low: minutesIn(mixedBody(liquidLag(vessel, volumeMl)), 0.5, boilC, fromC),
    high: minutesIn(still, still.slowestUp, boilC, fromC),
  };
}

function minutesIn(body: Body, up: number, boilC: number, fromC: number): number {
  const bath = [
    { minutes: 0, celsius: boilC },
    { minutes: LONGEST_MIN, celsius: boilC },
  ];
  const { celsius, minutes } = respond(body, [body.sharesAt({ out: 0, up })], bath, fromC, STEP_MIN);
  const at = celsius[0].findIndex((c) => c >= MELTS_C);
  return at < 0 ? LONGEST_MIN : minutes[at]!;
}
