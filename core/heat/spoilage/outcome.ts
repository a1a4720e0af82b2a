import type { Run } from '../load/run-heat.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';
import { chanceTable, type ChanceTable } from './chance-table.js';

/** What became of the vessels of one cook, some weeks later. */
export interface Outcome {
  readonly run: Run;
  /** Dry matter of each vessel in grams, or milliliters of a liquid. */
  readonly each: number;
  readonly kept: number;
  /** Soured or rotted wet, without a cause in what was put in. */
  readonly soured: number;
}

const tables = new WeakMap<Outcome, ChanceTable>();
const LEAST = 1e-12;

/** How well a draw of what a cook's vessels share foretold what became of them, beside the chance that foretells it best. */
export function logOfOutcome(outcome: Outcome, row: ArrayLike<number>): number {
  const { run, each, kept, soured } = outcome;
  const likelihood = (chance: number) => chance ** soured * (1 - chance) ** kept;
  const table = tables.get(outcome) ?? chanceTable(run, each, 'cook', likelihood);
  tables.set(outcome, table);
  const best = likelihood(soured / (kept + soured));
  return Math.log(table(row[0]!, row[HEAT_NORMALS]!, row[HEAT_NORMALS + 1]!) / best + LEAST);
}
