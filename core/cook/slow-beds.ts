import { cumulativeStdNormalProbability } from 'simple-statistics';
import { bisected } from '../base/bisected.js';
import { remembered } from '../base/remembered.js';
import { holdReaching } from '../heat/hold-reaching.js';
import { runHeat, type Run } from '../heat/load/run-heat.js';
import { USUAL_TARGET_F0 } from './verdict.js';

const STEP_MINUTES = 1;
/** Slower and quicker beds than these, in standard deviations, are not looked for. */
const MOST_BED_Z = 3;
/** Beds are found to this, in standard deviations. */
const BED_WITHIN_Z = 0.02;
/** Over which the normal is summed. */
const BED_STEP_Z = 0.05;
/** What gauge, fill and films together do to ln F0, one standard deviation; nearly the same in every load. */
const REST_SIGMA = 0.2;
const ENOUGH_SHARE = 0.9;

/**
 * The least hold, not below a given one, that is enough for nine in ten of the beds which the school's hold is enough
 * for. A hold is enough that gives the middle F0 12. Of all that is unsure the bed moves F0 most.
 *
 * @param school the trade's hold in its own vessel
 * @returns minutes; undefined when no hold of sixteen hours is enough
 */
export function holdWhereSchoolWorks(
  runAt: (holdMinutes: number) => Run,
  least: number,
  school: Run,
): number | undefined {
  const slowest = slowestDone(school);
  const here = runAt(least);
  const slope = Math.log(f0OfBed(here, slowest + 0.5) / f0OfBed(here, slowest - 0.5));
  const bed = bedOfNineInTen(slowest, REST_SIGMA / slope);
  const earned = (holdMinutes: number) => f0OfBed(runAt(holdMinutes), bed);
  return earned(least) >= USUAL_TARGET_F0 ? least : holdReaching(earned, USUAL_TARGET_F0);
}

function f0OfBed(run: Run, bedZ: number): number {
  return runHeat(run, Float64Array.of(bedZ), STEP_MINUTES).coreF0;
}

/** The slowest bed that a school's run is enough for. */
const slowestDone = remembered((school: Run) =>
  bisected(-MOST_BED_Z, MOST_BED_Z, BED_WITHIN_Z, (z) => f0OfBed(school, z) >= USUAL_TARGET_F0),
);

/**
 * The bed that nine in ten are better off than, of those quicker than the slowest that works, when each is off by
 * something else besides: P(z + σ w > bed | z > slowest) = 0.9, z and w standard normals.
 */
function bedOfNineInTen(slowest: number, sigma: number): number {
  const [beds, weights]: [number[], number[]] = [[], []];
  for (let z = slowest + BED_STEP_Z / 2; z < slowest + 2 * MOST_BED_Z; z += BED_STEP_Z) {
    beds.push(z);
    weights.push(Math.exp((-z * z) / 2));
  }
  const all = weights.reduce((sum, w) => sum + w, 0);
  const better = (bed: number) =>
    beds.reduce((sum, z, i) => sum + weights[i]! * cumulativeStdNormalProbability((z - bed) / sigma), 0);
  return bisected(
    slowest - MOST_BED_Z,
    slowest + MOST_BED_Z,
    BED_WITHIN_Z,
    (bed) => better(bed) <= ENOUGH_SHARE * all,
  );
}
