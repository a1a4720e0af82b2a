import { unlessRefused } from '../base/errors.js';
import { DAY_MS } from '../base/time.js';
import { USUAL_SPAWN_SHARE } from '../growth/dose-rate.js';
import type { Species } from '../record/definitions.js';
import { cookLoads } from './cook-loads.js';
import type { Kitchen, Supper } from './kitchen.js';
import type { Openings } from './openings.js';
import { openingsWishOf } from './plan-suppers.js';
import { recipeOf, type Recipe } from './recipe.js';
import { stepsOfSupper, type PlannedStep } from './steps-of-supper.js';
import type { WhatIsThere } from './what-is-there.js';

/** What could be grown of a species from what no plan takes. */
export interface CouldBe {
  readonly species: Species;
  readonly recipe: Recipe;
  readonly blocks: number;
  /** What so many blocks bring in the middle, g. */
  readonly middleG: number;
  readonly steps: readonly PlannedStep[];
  readonly supper: Supper;
}

/** More blocks than one wants to be told of at once. Our choice. */
const MOST_BLOCKS = 12;
/** Cut by then 9 times in 10: standard deviations. */
const SURELY = 1.2816;
const COLD_DAYS = 7;

/**
 * Forward: what blocks, spawn and cultures that are there and free would make, as wishes for tomorrow: how late such a wish is
 * tells when it can be had. What is taken for one species is not there for the next.
 */
export function couldBe(there: WhatIsThere, kitchen: Kitchen): readonly CouldBe[] {
  const { house, nowMs } = kitchen;
  return house.records.species.flatMap((species): CouldBe[] => {
    const left = there.leftOf(species.id);
    if (left.blocks + left.spawnG + left.cultures === 0) {
      return [];
    }
    const supper: Supper = {
      key: `could ${species.id}`,
      speciesId: species.id,
      massG: 1,
      byMs: nowMs + DAY_MS,
      coldDays: COLD_DAYS,
      certainty: 0.5,
    };
    const made = (): CouldBe[] => {
      const recipe = recipeOf(supper, house);
      const { bulk } = recipe;
      const fromSpawn = Math.floor(left.spawnG / (bulk.each.vesselWetG * USUAL_SPAWN_SHARE));
      // From a culture alone: as many as go into a cooker at once.
      const ofCulture = () => cookLoads(bulk, 1, kitchen).map((l) => Math.round(l.count / l.share))[0] ?? 1;
      const blocks = Math.min(MOST_BLOCKS, left.blocks + fromSpawn || ofCulture());
      const { outlook, dryG } = openingsWishOf(supper, house);
      const { middle, batchSigma, vesselSigma } = outlook.harvestDay;
      const daysBefore = Math.ceil(middle * Math.exp(SURELY * Math.hypot(batchSigma, vesselSigma)));
      const openings: Openings = { openings: [{ daysBefore, blocks }], likelyG: 0, chance: 1 };
      const steps = stepsOfSupper(supper, species, recipe, openings, kitchen, there);
      const middleG = blocks * dryG * outlook.firstFlush.middle * (1 - outlook.lostShare);
      return 'kind' in steps
        ? []
        : [{ species, recipe, blocks, middleG, steps, supper: { ...supper, massG: middleG } }];
    };
    return unlessRefused(made, []);
  });
}
