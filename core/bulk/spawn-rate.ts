import { requireWithin } from '../base/errors.js';
import { GRAIN_G_PER_L, heldAtFirst } from '../culture/amounts.js';
import type { VesselView } from '../house/derive/house.js';
import { USUAL_SPAWN_SHARE, quickerByDose } from '../growth/dose-rate.js';
import { MOST_HELD } from '../record/culture.js';
import type { ResolvedFormula } from '../record/definitions.js';
import { moneySpentOn, type PricedHouse } from '../yield/money.js';

/** Bulk without a formula of ours weighs so much a liter as it lies. From memory. */
const BULK_G_PER_L = 500;
/** Rates by mass that people name: lean to rich. Common practice, no source. */
export const SPAWN_SHARES = { lean: 0.05, usual: USUAL_SPAWN_SHARE, rich: 0.25 } as const;
export type Richness = keyof typeof SPAWN_SHARES;
/** Parts of bulk that one of spawn can be asked for, and vessels of spawn to each. Our choice. */
export const SPAWN_PARTS = { min: 0.5, max: 50 } as const;
export const SPAWN_VESSELS = { min: 0.01, max: 20 } as const;
const ML_PER_L = 1000;
/** Fuller than this a vessel leaves no room to mix in. Our choice. */
export const MOST_ROOM_TO_MIX = 0.9;

/** A dose of spawn said in every way in which people say it. */
export interface SpawnRate {
  readonly eachG: number;
  /** Of what the bulk weighs wet, 0 to 1. */
  readonly share: number;
  /** Parts of bulk to one of spawn. */
  readonly partsByMass: number;
  readonly partsByVolume: number;
  /** Full vessels of this spawn to each. */
  readonly vesselsEach: number;
  /** What bulk and spawn together take of the vessel's room, as they lie. */
  readonly roomShare: number;
  /** Days until it has run full; undefined where the species is not known. */
  readonly days?: { readonly low: number; readonly high: number };
  /** What the spawn in each costs with its cook and its culture, in the household's money; undefined where no price is known. */
  readonly cost?: number;
}

/** What is spawned and with what. */
export interface Spawning {
  readonly target: VesselView;
  readonly source: VesselView;
  readonly house: PricedHouse;
}

/** @param eachG spawn for each vessel, g. @throws CoreError `out-of-range` */
export function spawnRate(eachG: number, { target, source, house }: Spawning): SpawnRate {
  requireWithin(eachG, { field: 'amount', min: 1, max: MOST_HELD, unit: ' g' });
  const bulkG = heldAtFirst(target.batch).amount;
  const share = eachG / bulkG;
  const figure = source.species?.blockFullDay;
  const quicker = quickerByDose(share / USUAL_SPAWN_SHARE);
  const spent = moneySpentOn(source, house);
  const heldG = heldAtFirst(source.batch).amount;
  return {
    eachG,
    share,
    partsByMass: bulkG / eachG,
    partsByVolume: bulkMl(target) / spawnMl(eachG, source),
    vesselsEach: eachG / heldG,
    roomShare: (bulkMl(target) + spawnMl(eachG, source)) / target.batch.vessel.capacityMl,
    ...(figure && { days: { low: figure.low / quicker, high: figure.high / quicker } }),
    ...(spent && heldG > 0 && { cost: (spent.amount * eachG) / heldG }),
  };
}

/** The dose that a share of the wet mass comes to, g; whole tens, as it is weighed out. */
export function spawnOfShare(share: number, { target }: Pick<Spawning, 'target'>): number {
  return toTens(heldAtFirst(target.batch).amount * share);
}

/** The dose of one part of spawn to so many of bulk, by volume, g. */
export function spawnOfParts(parts: number, { target, source }: Pick<Spawning, 'target' | 'source'>): number {
  requireWithin(parts, { field: 'parts', ...SPAWN_PARTS });
  return toTens(((bulkMl(target) / parts) * settledGPerL(source.batch.formula, GRAIN_G_PER_L)) / ML_PER_L);
}

/** The dose of so many full vessels of spawn, g. */
export function spawnOfVessels(vessels: number, { source }: Pick<Spawning, 'source'>): number {
  requireWithin(vessels, { field: 'count', ...SPAWN_VESSELS });
  return toTens(heldAtFirst(source.batch).amount * vessels);
}

function toTens(massG: number): number {
  return Math.max(1, massG < 100 ? Math.round(massG) : Math.round(massG / 10) * 10);
}

function bulkMl({ batch }: VesselView): number {
  return (heldAtFirst(batch).amount / settledGPerL(batch.formula, BULK_G_PER_L)) * ML_PER_L;
}

function spawnMl(massG: number, { batch }: VesselView): number {
  return (massG / settledGPerL(batch.formula, GRAIN_G_PER_L)) * ML_PER_L;
}

function settledGPerL(formula: ResolvedFormula | undefined, usual: number): number {
  return formula === undefined || formula.basis === 'perLiter' ? usual : formula.settledGPerL.value;
}
