import { ownBedSigma } from '../load/bed-spread.js';
import { effectiveCount, type Draws } from '../load/draws.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';
import type { Run } from '../load/run-heat.js';
import { NORMAL_SUM } from '../../base/normal-sum.js';
import { sporesOf, type Spores } from './spores.js';
import { Survivors } from './survivors.js';

/** Like vessels of one cook. */
export interface Vessels {
  readonly run: Run;
  readonly count: number;
  /** What of each vessel carries spores: grams of dry matter, or milliliters of a liquid. */
  readonly each: number;
}

/** How many vessels of a load likely sour by the cook. */
export interface Spoilage {
  readonly count: number;
  /** Chance that one vessel spoils. */
  readonly perVessel: number;
  /** One in ten loads has fewer, half have at most, one in ten has more. */
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  /** How many equal draws it rests on. */
  readonly draws: number;
}

/**
 * Survivors in each vessel, N = ∫ n₀ 10^(−F0(x)/D) dV, the chance that it spoils, 1 − e^(−N) (Poisson), and how many of a
 * load do. Vessels of one cook share their draw; each has a bed of its own beside.
 *
 * @param draws of what the vessels of a cook share: `drawsAfter` about a load
 */
export function spoilageOf(vessels: Vessels, draws: Draws): Spoilage {
  return spoilageFrom(chancesOf(vessels, draws), draws, vessels.count);
}

/** @param chances that one vessel spoils, draw by draw */
export function spoilageFrom(chances: readonly number[], draws: Draws, count: number): Spoilage {
  const numbers = numbersOf(chances, draws.weights, count);
  return {
    count,
    perVessel: chances.reduce((sum, chance, k) => sum + draws.weights[k]! * chance, 0),
    low: atShare(numbers, 0.1),
    middle: atShare(numbers, 0.5),
    high: atShare(numbers, 0.9),
    draws: effectiveCount(draws),
  };
}

/** Chance of each vessel, draw by draw, over the beds that the vessels have to themselves. */
export function chancesOf({ run, each }: Vessels, { normals }: Pick<Draws, 'normals'>): readonly number[] {
  const survivors = new Survivors(run);
  const own = ownBedSigma('cook');
  return normals.map((row) => {
    const { dMinutes, perUnit } = sporesOfRow(run, row);
    const lnFactor = survivors.beside.lnFactorOf(row);
    return NORMAL_SUM.reduce((sum, [z, weight]) => {
      const left = each * perUnit * Math.exp(survivors.lnShare(row[0]! + own * z, lnFactor, dMinutes));
      return sum - weight * Math.expm1(-left);
    }, 0);
  });
}

/** The spores that one draw of a load speaks of. */
export function sporesOfRow({ load }: Pick<Run, 'load'>, row: ArrayLike<number>): Spores {
  const normal = (i: number) => row[HEAT_NORMALS + i] ?? 0;
  return sporesOf(
    load.kind,
    { hardness: normal(0), number: normal(1) },
    { hardness: normal(2), number: normal(3) },
  );
}

/** How likely it is that none, one, two … of a load spoil. */
export function numbersOf(
  chances: readonly number[],
  weights: ArrayLike<number>,
  count: number,
): readonly number[] {
  const numbers = new Array<number>(count + 1).fill(0);
  chances.forEach((chance, k) => {
    // Binomial, built up vessel by vessel.
    const own = [1];
    for (let n = 0; n < count; n++) {
      own.push(0);
      for (let spoiled = n + 1; spoiled > 0; spoiled--) {
        own[spoiled] = own[spoiled]! * (1 - chance) + own[spoiled - 1]! * chance;
      }
      own[0]! *= 1 - chance;
    }
    own.forEach((p, spoiled) => (numbers[spoiled]! += weights[k]! * p));
  });
  return numbers;
}

/** The least number at which so much of the weight is reached. */
function atShare(numbers: readonly number[], share: number): number {
  let sum = 0;
  const found = numbers.findIndex((p) => (sum += p) >= share - 1e-12);
  return found < 0 ? numbers.length - 1 : found;
}
