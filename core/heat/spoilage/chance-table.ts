import { NORMAL_SUM } from '../../base/normal-sum.js';
import { inCommon, type Kinship } from '../load/bed-spread.js';
import type { Run } from '../load/run-heat.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';
import { heatField, survivingShare } from './heat-field.js';
import { LOT_HARDNESS_SIGMA_LN, LOT_NUMBER_SIGMA_LN, sporesOf } from './spores.js';

/** Beds, in standard deviations, and hardness of spores for which survivors are reckoned once; between them it is straight. */
const MOST = 4;
const STEP = 0.5;
const BEDS = Array.from({ length: (2 * MOST) / STEP + 1 }, (_, i) => -MOST + i * STEP);
const LOG_D_STEP = 0.25;
const LOG_D = Array.from({ length: 29 }, (_, i) => -4.5 + i * LOG_D_STEP);
/** Fewer survivors than this are none. */
const LEAST_LOG = -700;

/** What of an outcome one shared draw foretells: its bed, and how hard and how many the spores are. */
export type ChanceTable = (bed: number, hardness: number, number: number) => number;

/**
 * A run as a table: for beds that vessels share, and spores that everybody shares, the mean of an outcome over all that
 * they do not share. So a past run is reckoned two dozen times and not once for each draw.
 *
 * @param shared what the vessels spoken of have in common: those of one cook, or those of the whole trade
 * @param outcome of the chance that a vessel of one lot spoils; that chance itself when left out
 */
export function chanceTable(
  run: Run,
  each: number,
  shared: Extract<Kinship, 'cook' | 'trade'>,
  outcome: (chance: number) => number = (chance) => chance,
): ChanceTable {
  const logs = survivorsByBed(run);
  const own = Math.sqrt(1 - inCommon(shared));
  const noise = Math.hypot(heatNoise(run), LOT_HARDNESS_SIGMA_LN);
  const cells = new Map<string, number>();
  const meanAt = (bed: number, hardness: number, number: number) => {
    const { dMinutes, perUnit } = sporesOf(run.load.kind, { hardness, number });
    const logD = Math.log(dMinutes);
    let mean = 0;
    for (const [z, weight] of NORMAL_SUM) {
      for (const [lot, lotWeight] of NORMAL_SUM) {
        let chance = 0;
        for (const [vessel, vesselWeight] of NORMAL_SUM) {
          const log = logAt(logs, bed + own * vessel, logD + noise * z);
          chance -= vesselWeight * Math.expm1(-each * perUnit * Math.exp(LOT_NUMBER_SIGMA_LN * lot + log));
        }
        mean += weight * lotWeight * outcome(Math.min(chance, 1));
      }
    }
    return mean;
  };
  const cell = (b: number, h: number, n: number) => {
    const key = `${b} ${h} ${n}`;
    const known = cells.get(key) ?? meanAt(b * STEP, h * STEP, n * STEP);
    cells.set(key, known);
    return known;
  };
  return (bed, hardness, number) => {
    const at = [bed, hardness, number].map((z) => Math.min(MOST, Math.max(-MOST, z)) / STEP);
    const low = at.map((z) => Math.floor(z));
    const part = at.map((z, i) => z - low[i]!);
    let sum = 0;
    for (let corner = 0; corner < 8; corner++) {
      const up = [corner & 1, (corner >> 1) & 1, corner >> 2];
      const weight = up.reduce((w, on, i) => w * (on === 1 ? part[i]! : 1 - part[i]!), 1);
      sum += weight === 0 ? 0 : weight * cell(low[0]! + up[0]!, low[1]! + up[1]!, low[2]! + up[2]!);
    }
    return sum;
  };
}

/** ln of the share that survives, by bed and by ln D. */
function survivorsByBed(run: Run): readonly Float64Array[] {
  return BEDS.map((bed) => {
    const field = heatField(run, Float64Array.of(bed));
    return Float64Array.from(LOG_D, (log) =>
      Math.max(LEAST_LOG, Math.log(survivingShare(field, Math.exp(log)))),
    );
  });
}

function logAt(logs: readonly Float64Array[], bed: number, logD: number): number {
  const b = Math.min(BEDS.length - 1.001, Math.max(0, (bed + MOST) / STEP));
  const d = Math.min(LOG_D.length - 1.001, Math.max(0, (logD - LOG_D[0]!) / LOG_D_STEP));
  const [i, j] = [Math.floor(b), Math.floor(d)];
  const [u, v] = [b - i, d - j];
  const [low, high] = [logs[i]!, logs[i + 1]!];
  return (1 - u) * ((1 - v) * low[j]! + v * low[j + 1]!) + u * ((1 - v) * high[j]! + v * high[j + 1]!);
}

/** How much ln F0 of the coldest point is off by films, fill, air and gauge together; in a middling run. */
function heatNoise(run: Run): number {
  const logAtRow = (i: number, z: number) => {
    const row = Float64Array.from({ length: HEAT_NORMALS }, (_, n) => (n === i ? z : 0));
    return Math.log(heatField(run, row).coldestF0);
  };
  let squares = 0;
  for (let i = 1; i < HEAT_NORMALS; i++) {
    squares += ((logAtRow(i, 1) - logAtRow(i, -1)) / 2) ** 2;
  }
  return Math.sqrt(squares);
}
