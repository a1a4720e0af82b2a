// Specific heats, kJ/(kg K), from memory of handbook tables.
const WATER = 4.19;
const ALUMINIUM = 0.9;
const GLASS = 0.84;
/** Dry grain or wood, between 1.5 and 1.9 in the literature; from memory. */
const DRY_MATTER = 1.7;

export interface LoadMasses {
  readonly waterKg: number;
  readonly potKg: number;
  readonly glassKg: number;
  readonly mediumWaterKg: number;
  readonly mediumDryKg: number;
}

/** Energy to heat a whole load, kJ. */
export function heatingEnergyKJ(load: LoadMasses, fromC: number, toC: number): number {
  const perKelvin =
    (load.waterKg + load.mediumWaterKg) * WATER +
    load.potKg * ALUMINIUM +
    load.glassKg * GLASS +
    load.mediumDryKg * DRY_MATTER;
  return perKelvin * (toC - fromC);
}

/** Minutes to pressure at a net heat; an estimate until this cooker has been timed. */
export function comeUpMinutes(load: LoadMasses, fromC: number, toC: number, netKW: number): number {
  return heatingEnergyKJ(load, fromC, toC) / netKW / 60;
}
