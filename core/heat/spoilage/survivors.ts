import { inCommon, type Kinship } from '../load/bed-spread.js';
import type { Run } from '../load/run-heat.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';
import { coldestF0, heatField, lnSurvivingShare } from './heat-field.js';

/** Beds for which a run is reckoned for good, in standard deviations; between them it is a cubic. */
const MOST_BED = 4;
const BED_STEP = 0.8;
const BEDS = Array.from(
  { length: Math.round((2 * MOST_BED) / BED_STEP) + 1 },
  (_, i) => i * BED_STEP - MOST_BED,
);
/** ln of minutes at 121.1 °C; between them it is straight. */
const LOG_D_STEP = 0.25;
const LOG_D = Array.from({ length: 29 }, (_, i) => -4.5 + i * LOG_D_STEP);
/** Beds at which it is looked how much all that is unsure beside the bed moves F0. */
const LOOKED_AT = [-2, 0, 2] as const;
/** A share that lives so nearly whole, or so little of it, is all one. ln of −ln. */
const [LEAST_LOG, MOST_LOG] = [-40, 40];

/**
 * Spores that live in a vessel of one run, whatever a draw says of it: the share by the bed and by D stands in a table of
 * some three dozen runs, and films, fill, air and gauge move F0 as a whole, as they move the coldest point's. So a draw
 * costs no run. Of one draw the chance may miss by some hundredths where it is steepest, of two hundred together by a few
 * thousandths (measured, `survivors.spec.ts`).
 */
export class Survivors {
  private readonly logs: readonly Float64Array[];
  private readonly shifts: readonly (readonly Shift[])[];

  constructor(run: Run) {
    this.logs = BEDS.map((bed) => {
      const field = heatField(run, Float64Array.of(bed));
      return Float64Array.from(LOG_D, (log) =>
        Math.max(LEAST_LOG, Math.min(MOST_LOG, Math.log(-lnSurvivingShare(field, Math.exp(log))))),
      );
    });
    this.shifts = LOOKED_AT.map((bed) => shiftsAt(run, bed));
  }

  /**
   * ln of the share that lives.
   *
   * @param bed standard normal of the vessel's own bed
   * @param lnFactor ln of F0 over that of a run in which all but the bed is middling: `lnFactorOf`
   */
  lnShare(bed: number, lnFactor: number, dMinutes: number): number {
    const at = (Math.min(MOST_BED, Math.max(-MOST_BED, bed)) + MOST_BED) / BED_STEP;
    const first = Math.min(BEDS.length - 4, Math.max(0, Math.floor(at) - 1));
    const d = (Math.log(dMinutes) - lnFactor - LOG_D[0]!) / LOG_D_STEP;
    const low = Math.min(LOG_D.length - 2, Math.max(0, Math.floor(d)));
    // Beyond the table it goes on straight: ln N falls as F0 over D does.
    const part = d - low;
    const logAt = (n: number) => {
      const logs = this.logs[first + n]!;
      return logs[low]! + part * (logs[low + 1]! - logs[low]!);
    };
    return -Math.exp(cubic(logAt(0), logAt(1), logAt(2), logAt(3), at - first));
  }

  /** ln of what films, fill, air and gauge do to F0 if they are as a draw says. */
  lnFactorOf(normals: ArrayLike<number>): number {
    const at = Math.min(LOOKED_AT[2], Math.max(LOOKED_AT[0], normals[0] ?? 0));
    const low = at < LOOKED_AT[1] ? 0 : 1;
    const part = (at - LOOKED_AT[low]) / (LOOKED_AT[low + 1]! - LOOKED_AT[low]);
    let sum = 0;
    for (let i = 1; i < HEAT_NORMALS; i++) {
      const z = normals[i] ?? 0;
      const [less, more] = [this.shifts[low]![i - 1]!, this.shifts[low + 1]![i - 1]!];
      sum += (1 - part) * (less.slope * z + less.bend * z * z) + part * (more.slope * z + more.bend * z * z);
    }
    return sum;
  }

  /** Standard deviation of that, in a middling bed. */
  get factorSigma(): number {
    return Math.hypot(...this.shifts[1]!.map((s) => s.slope));
  }
}

/** The cubic through values at 0, 1, 2 and 3 (Lagrange). */
function cubic(a: number, b: number, c: number, d: number, x: number): number {
  const [x1, x2, x3] = [x - 1, x - 2, x - 3];
  return -(a * x1 * x2 * x3) / 6 + (b * x * x2 * x3) / 2 - (c * x * x1 * x3) / 2 + (d * x * x1 * x2) / 6;
}

/** How a standard normal moves ln F0: straight and bent. */
interface Shift {
  readonly slope: number;
  readonly bend: number;
}

function shiftsAt(run: Run, bed: number): readonly Shift[] {
  const logAt = (i: number, z: number) => {
    const row = new Float64Array(HEAT_NORMALS);
    row[0] = bed;
    row[i] = z;
    return Math.log(coldestF0(run, row));
  };
  const here = logAt(0, bed);
  return Array.from({ length: HEAT_NORMALS - 1 }, (_, i) => {
    const [less, more] = [logAt(i + 1, -1), logAt(i + 1, 1)];
    return { slope: (more - less) / 2, bend: (more + less) / 2 - here };
  });
}

/** Standard deviation of what a vessel's bed has to itself, beside what it shares. */
export function ownBedSigma(shared: Extract<Kinship, 'cook' | 'trade'>): number {
  return Math.sqrt(1 - inCommon(shared));
}
