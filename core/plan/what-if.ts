import { cardinalOf, growthRateAt } from '../growth/temperature-response.js';
import type { Task, Use } from '../schedule/task.js';
import type { Kitchen, Supper } from './kitchen.js';
import { speciesOf } from './plan-suppers.js';

/** What a plan is tried with. */
export type WhatIf =
  | { readonly kind: 'moreSpawn' | 'colderRoom' | 'secondCooker' | 'moreTent' }
  | { readonly kind: 'species'; readonly speciesId: string };

/** Much spawn: a quarter of the wet block, where 15 % is usual. Common practice, no source. */
export const MUCH_SPAWN = 0.25;
/** A room that is so much colder, °C. Our choice. */
export const COLDER_C = 3;
/** Another shelf where two are. Our choice. */
export const MORE_ROOM = 1.5;
const COOKERS = 2;

/** What is wanted, and where, with one thing changed. Tasks are changed by `tasksIf`. @throws CoreError where the species is missing */
export function kitchenIf(
  whatIf: WhatIf,
  suppers: readonly Supper[],
  kitchen: Kitchen,
): { readonly suppers: readonly Supper[]; readonly kitchen: Kitchen } {
  switch (whatIf.kind) {
    case 'moreSpawn':
      return { suppers, kitchen: { ...kitchen, spawnShare: MUCH_SPAWN } };
    case 'colderRoom':
      return { suppers, kitchen: { ...kitchen, pace: colderPace(suppers, kitchen) } };
    case 'species':
      return {
        // An isolate is of one species.
        suppers: suppers.map(({ isolateId: _, ...s }) => ({ ...s, speciesId: whatIf.speciesId })),
        kitchen,
      };
    case 'secondCooker':
    case 'moreTent':
      return { suppers, kitchen };
  }
}

/** The slowest of what is wanted, against what it is where it runs as it does now. */
function colderPace(suppers: readonly Supper[], { house }: Kitchen): number {
  const rates = suppers.map((s) => {
    const { incubationC } = speciesOf(s, house);
    const cardinal = cardinalOf(incubationC);
    return growthRateAt(incubationC.value - COLDER_C, cardinal) / growthRateAt(incubationC.value, cardinal);
  });
  return Math.min(1, ...rates);
}

/** The tasks of a plan with one thing changed: two of each cooker, or more room where blocks fruit. */
export function tasksIf(
  whatIf: WhatIf,
  tasks: readonly Task[],
  fruitingPlaces: ReadonlySet<string>,
): readonly Task[] {
  const changed = (use: Use): Use => {
    if (whatIf.kind === 'secondCooker' && use.of.startsWith('cooker ')) {
      return { ...use, share: use.share / COOKERS };
    }
    return whatIf.kind === 'moreTent' && fruitingPlaces.has(use.of)
      ? { ...use, share: use.share / MORE_ROOM }
      : use;
  };
  return tasks.map((task) => ({
    ...task,
    parts: task.parts.map((part) => ({ ...part, uses: part.uses.map(changed) })),
    after: task.after.map((wait) => ({ ...wait, ...(wait.stands && { stands: wait.stands.map(changed) }) })),
  }));
}
