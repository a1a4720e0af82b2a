import { valueAt } from '../value-at.js';
import { runHeat, type Run } from '../load/run-heat.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';

/** What a run is seen by: temperatures of the coldest point at some minutes, its hottest, and its F0. */
export interface Foretold {
  /** °C at each of the minutes. */
  readonly celsius: readonly number[];
  readonly hottestC: number;
  readonly f0: number;
}

const STEP_MINUTES = 1;

/**
 * What one draw foretells of a run.
 *
 * @param minutes on the clock of the run's chamber
 */
export function foretold(run: Run, minutes: readonly number[], normals: ArrayLike<number>): Foretold {
  const heat = runHeat(run, normals, STEP_MINUTES);
  const step = heat.minutes[1]! - heat.minutes[0]!;
  const from = run.chamber[0]!.minutes;
  return {
    celsius: minutes.map((m) => valueAt(heat.coreCelsius, step, m - from)),
    hottestC: heat.coreCelsius.reduce((a, b) => Math.max(a, b), -Infinity),
    f0: heat.coreF0,
  };
}

/** Beds at which a run is reckoned for good, in standard deviations. */
const MOST_BED = 4;
const BEDS = Array.from({ length: 2 * MOST_BED + 1 }, (_, i) => i - MOST_BED);

/**
 * The same, nearly, from two dozen runs that are reckoned once: straight between beds, and straight in all that is unsure
 * beside. Good enough to choose draws by, which are then weighed by what they truly foretell.
 */
export function nearlyForetold(
  run: Run,
  minutes: readonly number[],
): (normals: ArrayLike<number>) => Foretold {
  // F0 is straight in its logarithm.
  const rowOf = ({ celsius, hottestC, f0 }: Foretold) => [...celsius, hottestC, Math.log(f0)];
  const at = (i: number, z: number) => {
    const normals = new Float64Array(HEAT_NORMALS);
    normals[i] = z;
    return rowOf(foretold(run, minutes, normals));
  };
  const byBed = BEDS.map((bed) => at(0, bed));
  const slopes = Array.from({ length: HEAT_NORMALS - 1 }, (_, i) => {
    const [less, more] = [at(i + 1, -1), at(i + 1, 1)];
    return more.map((value, n) => (value - less[n]!) / 2);
  });
  return (normals) => {
    const bed = Math.min(2 * MOST_BED - 1e-9, Math.max(0, normals[0]! + MOST_BED));
    const low = Math.floor(bed);
    const row = byBed[low]!.map((value, n) => {
      let sum = value + (bed - low) * (byBed[low + 1]![n]! - value);
      for (let i = 1; i < HEAT_NORMALS; i++) {
        sum += slopes[i - 1]![n]! * normals[i]!;
      }
      return sum;
    });
    const [hottestC, log] = row.slice(minutes.length) as [number, number];
    return { celsius: row.slice(0, minutes.length), hottestC, f0: Math.exp(log) };
  };
}
