import { f0Behind, hotSamples, type HotSamples } from '../conduction/hot-samples.js';
import type { Place } from '../conduction/shape.js';
import { boundBody, seenByVessel, type Run } from './run-heat.js';
import { HEAT_NORMALS, drawLoad, type DrawnLoad } from './uncertain-load.js';

/** Modes that are gone so long after a jump are left out: a chamber that takes minutes to change stirs them little. */
const SETTLE_MINUTES = 6;

/** A load as one draw has it, ready to be looked at in some places while it is hot. */
export interface LookedAt {
  readonly drawn: DrawnLoad;
  /** Where the slowest mode is strongest. */
  readonly coldest: Place;
  readonly samplesAt: (places: readonly Place[]) => HotSamples;
}

export function lookedAt(run: Run, normals: ArrayLike<number>): LookedAt {
  const drawn = drawLoad(run.load, normals);
  const body = boundBody(drawn, SETTLE_MINUTES);
  return {
    drawn,
    coldest: { out: 0, up: body.slowestUp },
    samplesAt: (places) =>
      hotSamples(
        body,
        places.map((place) => body.sharesAt(place)),
        seenByVessel(run, drawn),
        run.initialCelsius,
      ),
  };
}

/** F0 where the slowest mode is strongest, as the band of heat has it, min. */
export function coldestF0(run: Run, normals: ArrayLike<number>): number {
  const { coldest, samplesAt } = lookedAt(run, normals);
  const samples = samplesAt([coldest]);
  return f0Behind(samples, samples.lagsC[0]!, 1);
}

/** Beds for which a run is reckoned for good, in standard deviations; between them it is a cubic. */
const MOST_BED = 4;
const BED_STEP = 0.8;
export const BEDS: readonly number[] = Array.from(
  { length: Math.round((2 * MOST_BED) / BED_STEP) + 1 },
  (_, i) => i * BED_STEP - MOST_BED,
);
/** Beds at which it is looked how much all that is unsure beside the bed moves F0. */
const LOOKED_AT = [-2, 0, 2] as const;

/**
 * What the coldest point of one run gets, whatever a draw says of it: by the bed, and moved by all that is unsure beside it.
 * Some four dozen runs are reckoned once; a draw then costs none.
 */
export class ColdestF0 {
  private readonly beside: BesideBed;
  private readonly logs: Float64Array;

  constructor(run: Run) {
    this.beside = new BesideBed(run);
    this.logs = Float64Array.from(BEDS, (bed) => Math.log(coldestF0(run, Float64Array.of(bed))));
  }

  /** F0 for a draw, min. */
  of(normals: ArrayLike<number>): number {
    const log = betweenBeds(normals[0] ?? 0, (bed) => this.logs[bed]!);
    return Math.exp(log + this.beside.lnFactorOf(normals));
  }
}

/** How films, fill, air and gauge move F0 of a run, each by itself. */
export class BesideBed {
  private readonly shifts: readonly (readonly Shift[])[];

  constructor(run: Run) {
    this.shifts = LOOKED_AT.map((bed) => shiftsAt(run, bed));
  }

  /** ln of what they do to F0 if they are as a draw says. */
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

/** A value of a bed by those of the four beds around it; beyond the last bed it is as there. */
export function betweenBeds(bed: number, valueAt: (index: number) => number): number {
  const at = (Math.min(MOST_BED, Math.max(-MOST_BED, bed)) + MOST_BED) / BED_STEP;
  const first = Math.min(BEDS.length - 4, Math.max(0, Math.floor(at) - 1));
  const x = at - first;
  const [x1, x2, x3] = [x - 1, x - 2, x - 3];
  // The cubic through values at 0, 1, 2 and 3 (Lagrange).
  return (
    -(valueAt(first) * x1 * x2 * x3) / 6 +
    (valueAt(first + 1) * x * x2 * x3) / 2 -
    (valueAt(first + 2) * x * x1 * x3) / 2 +
    (valueAt(first + 3) * x * x1 * x2) / 6
  );
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
  const here = Math.log(coldestF0(run, Float64Array.of(bed)));
  return Array.from({ length: HEAT_NORMALS - 1 }, (_, i) => {
    const [less, more] = [logAt(i + 1, -1), logAt(i + 1, 1)];
    return { slope: (more - less) / 2, bend: (more + less) / 2 - here };
  });
}
