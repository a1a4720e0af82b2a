import { NORMAL_SUM } from '../../base/normal-sum.js';
import { ownBedSigma, type Kinship } from '../load/bed-spread.js';
import type { Run } from '../load/run-heat.js';
import { Survivors } from './survivors.js';
import { LOT_HARDNESS_SIGMA_LN, LOT_NUMBER_SIGMA_LN, sporesOf } from './spores.js';

/** Standard normals for which an outcome is reckoned; between them it is straight. */
const MOST = 4;
const STEP = 0.5;

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
  const survivors = new Survivors(run);
  const own = ownBedSigma(shared);
  const noise = Math.hypot(survivors.beside.factorSigma, LOT_HARDNESS_SIGMA_LN);
  const cells = new Map<string, number>();
  const meanAt = (bed: number, hardness: number, number: number) => {
    const { dMinutes, perUnit } = sporesOf(run.load.kind, { hardness, number });
    let mean = 0;
    for (const [z, weight] of NORMAL_SUM) {
      for (const [lot, lotWeight] of NORMAL_SUM) {
        let chance = 0;
        for (const [vessel, vesselWeight] of NORMAL_SUM) {
          const log = survivors.lnShare(bed + own * vessel, noise * z, dMinutes);
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
