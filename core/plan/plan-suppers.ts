import { CoreError, isRefusal, unlessRefused } from '../base/errors.js';
import { DAY_MS } from '../base/time.js';
import { compareText } from '../record/order.js';
import { seededRandom } from '../record/new-id.js';
import type { Species } from '../record/definitions.js';
import { bindingsOf, type Binding } from '../schedule/binding.js';
import { networkTimes } from '../schedule/network.js';
import type { Limits, Taken } from '../schedule/limits.js';
import { putByHand, type ByHand, type ScheduleByHand } from '../schedule/by-hand.js';
import { scheduleTasks } from '../schedule/schedule.js';
import { lengthMs, type Slot, type Task } from '../schedule/task.js';
import { USUAL_SPAWN_SHARE } from '../growth/dose-rate.js';
import { runDaysHere } from '../house/derive/own-runs.js';
import type { House } from '../house/derive/house.js';
import type { Kitchen, Supper } from './kitchen.js';
import { MOST_BLOCKS, openingsFor, type Openings, type OpeningsWish } from './openings.js';
import { blockOutlook } from './outlook.js';
import { soonerOf, withOtherCookers } from './other-cookers.js';
import { recipeOf, type Recipe } from './recipe.js';
import { runGiven } from './run-late.js';
import { stepsOfSupper, type NotPlanned, type PlannedStep } from './steps-of-supper.js';
import { WhatIsThere } from './what-is-there.js';

/** A step with its time. */
export interface StepInPlan extends PlannedStep {
  readonly key: string;
  readonly slot: Slot;
  /** Not sooner, if all that it waits for is as quick as it can be; ms. */
  readonly earliestMs: number;
  /** Begun later than this it is likely late, ms. */
  readonly latestMs: number;
  /** The step that it is done together with. */
  readonly with?: string;
  /** It lies where somebody put it. */
  readonly isByHand?: true;
}

/** What became of a wish. */
export interface SupperPlan {
  readonly supper: Supper;
  readonly species: Species;
  readonly recipe: Recipe;
  readonly openings: Openings;
  /** In order of time. */
  readonly steps: readonly StepInPlan[];
  /** By how many days it is later than it was wanted; 0 for in time, infinite where no time was found for it. */
  readonly lateDays: number;
  /** What it waits for, where it is late. */
  readonly binding?: Binding;
}

/** A wish that nothing can be planned for, with the reason. */
export interface SupperRefused {
  readonly supper: Supper;
  readonly why: NotPlanned | { readonly kind: 'refused'; readonly error: CoreError };
}

/** All wishes of a house, planned against what it has. */
export interface SuppersPlan {
  readonly suppers: readonly SupperPlan[];
  readonly refused: readonly SupperRefused[];
  readonly schedule: ScheduleByHand;
  readonly limits: Limits;
}

/** A step may be put so much before its last moment to share a cook or keep a day off free. Our choice. */
export const EASE_MS = 4 * DAY_MS;
/** Of the draws that chances are told from. */
export const SEED = 20261114;

/** What is to be done for a wish, before it has its times. */
export interface SupperDraft extends Omit<SupperPlan, 'steps' | 'lateDays' | 'binding'> {
  readonly steps: readonly PlannedStep[];
}

/** Wishes with all their steps, without times: what is scheduled, and those for which nothing can be planned. */
export interface SupperDrafts {
  readonly drafts: readonly SupperDraft[];
  readonly refused: readonly SupperRefused[];
  readonly tasks: readonly Task[];
  /** What is left for others. */
  readonly there: WhatIsThere;
}

/**
 * Plans backward from what is wanted and when: blocks, spawn, culture and cooks beyond what is there, each as late as its
 * date allows, against hands, cookers and places. What is wanted first has the first choice of what is there; what would be
 * late for a cooker is tried in the others.
 *
 * @param taken what is taken otherwise: a cooker that is out of order, a shelf that is full
 * @param chosen steps that were put on their times by hand
 */
export function planSuppers(
  suppers: readonly Supper[],
  kitchen: Kitchen,
  spans: Limits['spans'],
  taken: readonly Taken[] = [],
  chosen: readonly ByHand[] = [],
): SuppersPlan {
  const openings = suppers.map((supper) =>
    unlessRefused(() => openingsOf(openingsWishOf(supper, kitchen.house)), undefined),
  );
  const { nowMs, horizonMs } = kitchen;
  const limits: Limits = { nowMs, horizonMs, spans, taken, easeMs: EASE_MS };
  const planned = (wanted: readonly Supper[]): SuppersPlan => {
    const drafts = draftSuppers(wanted, openings, kitchen);
    const free = scheduleTasks(drafts.tasks, limits);
    const schedule = putByHand(drafts.tasks, limits, free, chosen);
    return plannedSuppers(drafts, schedule, limits, bindingsOf(drafts.tasks, limits, free));
  };
  const first = planned(suppers);
  const others = withOtherCookers(suppers, first);
  return others === undefined ? first : soonerOf(first, planned(others));
}

/** What the number of blocks is reckoned from. @throws CoreError where species, formula or vessel are missing */
export function openingsWishOf(supper: Supper, house: House): OpeningsWish {
  const { massG, coldDays, certainty } = supper;
  const { bulk, grain } = recipeOf(supper, house);
  const species = speciesOf(supper, house);
  const outlook = blockOutlook(house, species);
  // So many as weigh enough in the middle: how slow the slowest jar is hardly depends on how many there are.
  const blocks = Math.ceil(
    massG / (bulk.each.dryMatterG * outlook.firstFlush.middle * (1 - outlook.lostShare)),
  );
  const spawnG = Math.min(blocks, MOST_BLOCKS) * bulk.each.vesselWetG * USUAL_SPAWN_SHARE;
  return {
    massG,
    coldDays,
    certainty,
    outlook,
    dryG: bulk.each.dryMatterG,
    making: {
      grain: runGiven(runDaysHere(house, species, 'grain')),
      bulk: runGiven(runDaysHere(house, species, 'bulk')),
      jars: Math.ceil(spawnG / grain.each.vesselWetG),
    },
  };
}

/** The same plan every time: its chances are told from the same draws. */
export function openingsOf(wish: OpeningsWish): Openings {
  return openingsFor(wish, seededRandom(SEED));
}

/** @param openings of each supper, in the same order; undefined where nothing could be reckoned */
export function draftSuppers(
  suppers: readonly Supper[],
  openings: readonly (Openings | undefined)[],
  kitchen: Kitchen,
): SupperDrafts {
  const there = new WhatIsThere(kitchen.house, kitchen.nowMs);
  const refused: SupperRefused[] = [];
  const drafts: SupperDraft[] = [];
  const inOrder = suppers
    .map((supper, i) => ({ supper, opened: openings[i] }))
    .sort((a, b) => a.supper.byMs - b.supper.byMs || compareText(a.supper.key, b.supper.key));
  for (const { supper, opened } of inOrder) {
    try {
      const draft = draftOf(supper, opened, kitchen, there);
      if ('kind' in draft) {
        refused.push({ supper, why: draft });
      } else {
        drafts.push(draft);
      }
    } catch (error) {
      if (!isRefusal(error)) {
        throw error;
      }
      refused.push({ supper, why: { kind: 'refused', error } });
    }
  }
  return { drafts, refused, there, tasks: tasksOf(drafts) };
}

/** All tasks of some drafts, in their order. */
export function tasksOf(drafts: readonly { readonly steps: readonly PlannedStep[] }[]): readonly Task[] {
  return drafts.flatMap((d) => d.steps.map((s) => s.task));
}

/** The wishes with the times that were found for their steps. */
export function plannedSuppers(
  { drafts, refused }: Pick<SupperDrafts, 'drafts' | 'refused'>,
  schedule: ScheduleByHand,
  limits: Limits,
  bindings: ReadonlyMap<string, Binding>,
): SuppersPlan {
  return {
    suppers: drafts.map((draft) => {
      const steps = stepsInPlan(draft.steps, schedule, limits.nowMs);
      // What was put on its time by hand may be what it waits for.
      const binding = steps.some((s) => s.isByHand) ? undefined : bindings.get(draft.supper.key);
      return {
        ...draft,
        steps,
        lateDays: (schedule.lateMs.get(draft.supper.key) ?? Infinity) / DAY_MS,
        ...(binding !== undefined && { binding }),
      };
    }),
    refused,
    schedule,
    limits,
  };
}

/** @throws CoreError where it is missing */
export function speciesOf({ speciesId }: Supper, house: House): Species {
  const species = house.records.species.find((s) => s.id === speciesId);
  if (species === undefined) {
    throw new CoreError('not-found', { what: 'definition', id: speciesId });
  }
  return species;
}

function draftOf(
  supper: Supper,
  opened: Openings | undefined,
  kitchen: Kitchen,
  there: WhatIsThere,
): SupperDraft | NotPlanned {
  const { house } = kitchen;
  const species = speciesOf(supper, house);
  const recipe = recipeOf(supper, house);
  const openings = opened ?? openingsOf(openingsWishOf(supper, house));
  const steps = stepsOfSupper(supper, species, recipe, openings, kitchen, there);
  return 'kind' in steps ? steps : { supper, species, recipe, openings, steps };
}

function stepsInPlan(
  steps: readonly PlannedStep[],
  schedule: ScheduleByHand,
  nowMs: number,
): readonly StepInPlan[] {
  const bounds = boundsOf(steps, schedule, nowMs);
  return steps
    .flatMap((step) => {
      const { key } = step.task;
      const slot = schedule.slots.get(key);
      const host = schedule.with.get(key);
      return slot === undefined
        ? []
        : [
            {
              ...step,
              key,
              slot,
              ...bounds(key),
              ...(host !== undefined && { with: host }),
              ...(schedule.byHand.has(key) && { isByHand: true as const }),
            },
          ];
    })
    .sort((a, b) => a.slot.startMs - b.slot.startMs || compareText(a.key, b.key));
}

/** How soon a step may be if all is quick, and how late if all is as is likely; by the network alone, without cookers and hands. */
function boundsOf(steps: readonly PlannedStep[], schedule: ScheduleByHand, nowMs: number) {
  const last = Math.max(...steps.map((s) => schedule.slots.get(s.task.key)?.endMs ?? nowMs));
  const times = (which: 'low' | 'likely') =>
    networkTimes(
      steps.flatMap(({ task, ranges }) => [
        { key: task.key, length: lengthMs(task), after: task.after.map((w) => waitKey(w.key, task.key)) },
        ...task.after.map((w) => ({
          key: waitKey(w.key, task.key),
          length: ranges.get(w.key)?.[which] ?? w.ms,
          after: [w.key],
        })),
      ]),
      last - nowMs,
    );
  const [quick, likely] = [times('low'), times('likely')];
  return (key: string) => ({
    earliestMs: nowMs + quick.get(key)!.earliestStart,
    latestMs: nowMs + likely.get(key)!.latestStart,
  });
}

function waitKey(from: string, to: string): string {
  return `${from} → ${to}`;
}
