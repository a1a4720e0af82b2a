import { TENTH_Z } from '../../base/normal.js';
import { runHeat, type Run } from '../load/run-heat.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';

const STEP_MINUTES = 1;

/**
 * F0 that nine in ten vessels have, min: the run in which everything that is unsure is off together, as far as one in ten
 * goes, in the direction in which ln F0 falls fastest (the design point of reliability methods). A dozen runs tell what
 * hundreds of draws would; for what is planned while one types.
 */
export function f0OfNineInTen(run: Run): number {
  const row = new Float64Array(HEAT_NORMALS);
  const f0At = (normals: Float64Array) => runHeat(run, normals, STEP_MINUTES).coreF0;
  const logAt = (i: number, z: number) => {
    row[i] = z;
    const log = Math.log(f0At(row));
    row[i] = 0;
    return log;
  };
  const slopes = row.map((_, i) => (logAt(i, 1) - logAt(i, -1)) / 2);
  const steepness = Math.sqrt(slopes.reduce((sum, slope) => sum + slope * slope, 0));
  return f0At(steepness > 0 ? slopes.map((slope) => (-TENTH_Z * slope) / steepness) : row);
}
