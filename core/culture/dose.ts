/** Usual doses. Common practice, no source. */
export const DOSE_ML_PER_LITER_OF_JAR = 2.1; // 2 ml a quart, 1 to 4 seen
/** 1.4 kg of grain to four blocks of 2.3 kg: 350 g each, 15 % by wet mass. */
export const SPAWN_SHARE_OF_WET = 0.15;

/** Dose of liquid culture for a jar, in whole milliliters. */
export function usualDoseMl(capacityMl: number): number {
  return Math.max(1, Math.round((capacityMl / 1000) * DOSE_ML_PER_LITER_OF_JAR));
}

/** Spawn for a block, grams to the next ten. */
export function usualSpawnG(blockWetG: number): number {
  return Math.round((blockWetG * SPAWN_SHARE_OF_WET) / 10) * 10;
}
