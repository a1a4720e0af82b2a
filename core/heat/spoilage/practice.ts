import { TENTH_Z } from '../../base/normal.js';
import type { Run } from '../load/run-heat.js';
import { HEAT_NORMALS, type ThermalLoad } from '../load/uncertain-load.js';
import { chanceTable, type ChanceTable } from './chance-table.js';

/** Of 100 vessels held as the trade holds them so many are lost to the cook, 8 in 10. */
export interface Practice {
  readonly of: Cooked;
  readonly low: number;
  readonly high: number;
  /** How much it counts, from 0 to 1; fully when left out. */
  readonly weight?: number;
}

/** Quarts of soaked grain held 90 minutes, or blocks of 2.3 kg held 150 minutes, at 15 psi at the sea. */
export type Cooked = 'quarts' | 'blocks';

/** Common practice, no source. A bed of wood in a bag is another bed than grain in a jar, so each has its own record. */
export const PRACTICE: Readonly<Record<Cooked, Practice>> = {
  quarts: { of: 'quarts', low: 0.01, high: 0.05 },
  blocks: { of: 'blocks', low: 0.02, high: 0.08 },
};

/**
 * The trade's record of vessels like these, counted so much; undefined where it counts for nothing, and for a liquid, which
 * mixes itself and which nobody loses to the cook.
 *
 * @param weight 0 to 1
 */
export function practiceOf(load: ThermalLoad, weight = 1): Practice | undefined {
  return load.kind === 'liquid' || weight <= 0
    ? undefined
    : { ...PRACTICE[load.shape.kind === 'brick' ? 'blocks' : 'quarts'], weight };
}

/** 15 psi at the sea. */
const SEA_C = 120.95;

/** A cook with the come-up and cooling of a full canner. Common practice, no source. */
export function heldAsUsual(load: Run['load'], holdMinutes: number, chamberC = SEA_C): Run {
  const off = 36 + holdMinutes;
  return {
    load,
    chamber: [
      { minutes: 0, celsius: 20 },
      { minutes: 20, celsius: 100 },
      { minutes: 30, celsius: 100 },
      { minutes: 36, celsius: chamberC },
      { minutes: off, celsius: chamberC },
      { minutes: off + 15, celsius: 108 },
      { minutes: off + 30, celsius: 97.5 },
      { minutes: off + 60, celsius: 80 },
    ],
    initialCelsius: 20,
    ventMinutes: 10,
    closedAtMinutes: 30,
  };
}

/** Measures and films as those of any such vessel here. */
export const QUART: Run['load'] = {
  kind: 'solid',
  shape: { kind: 'cylinder', radiusMm: 43, heightMm: 110 },
  wallFilm: 300,
  topFilm: 7,
};
export const BLOCK: Run['load'] = {
  kind: 'solid',
  shape: { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 },
  wallFilm: 300,
  topFilm: 60,
};

/** The trade's cooks, with the dry matter of each vessel. */
const COOKED: Readonly<Record<Cooked, { readonly run: Run; readonly dryG: number }>> = {
  quarts: { run: heldAsUsual(QUART, 90), dryG: 210 },
  blocks: { run: heldAsUsual(BLOCK, 150), dryG: 900 },
};

const tables = new Map<Cooked, ChanceTable>();

/** Mean share of such vessels that spoils, over households, cooks, lots and vessels, for what the whole trade shares. */
export function lostInPractice(of: Cooked, bed: number, hardness: number, number: number): number {
  const { run, dryG } = COOKED[of];
  const table = tables.get(of) ?? chanceTable(run, dryG, 'trade');
  tables.set(of, table);
  return table(bed, hardness, number);
}

/** How well a draw of what the whole trade shares foretold what the trade finds. */
export function logOfPractice({ of, low, high, weight = 1 }: Practice, row: ArrayLike<number>): number {
  const lost = lostInPractice(of, row[0]!, row[HEAT_NORMALS]!, row[HEAT_NORMALS + 1]!);
  const middle = Math.log(low * high) / 2;
  const sigma = Math.log(high / low) / (2 * TENTH_Z);
  return (-weight * ((Math.log(lost + 1e-9) - middle) / sigma) ** 2) / 2;
}
