import { DAY_MS, MINUTE_MS } from '../base/time.js';
import { groupBy } from '../base/collections.js';
import { usualDose } from '../culture/transfers.js';
import { keepsDays } from '../culture/keeping.js';
import type { WeekPattern } from '../record/free-time.js';
import { awakeSpans, freeSpans, type LocalDay } from '../schedule/free-time.js';
import { howOften } from '../schedule/how-often.js';
import type { Task } from '../schedule/task.js';
import type { Kitchen, Supper } from './kitchen.js';
import { blocksOf } from './openings.js';
import { openingsOf, openingsWishOf, speciesOf } from './plan-suppers.js';
import { sumsOf, type PlanSums } from './plan-sums.js';
import { recipeOf, type Recipe } from './recipe.js';
import { stepsOfSupper, type NotPlanned, type PlannedStep } from './steps-of-supper.js';
import { WhatIsThere } from './what-is-there.js';
import { HANDS_OF, POWER_OF } from './work-times.js';

/** So much that is wanted again and again. */
export interface SteadyWish {
  readonly supper: Supper;
  readonly everyDays: number;
}

/** How much of something is taken by a supply that goes on and on; 1 is all of it. */
export interface SteadyUse {
  readonly of: string;
  readonly share: number;
}

/** What a supply takes week by week, made from nothing that stands there. */
export interface Steady {
  readonly massGPerWeek: number;
  readonly blocksPerWeek: number;
  /** All of a week. */
  readonly sums: PlanSums;
  /** Hours that there are in a week. */
  readonly freeHours: number;
  /** The fullest first: hands, cookers, places. */
  readonly uses: readonly SteadyUse[];
  /** So much a week the fullest carries, and so much the next would if there were more of that. */
  readonly mostG: number;
  readonly liftedG: number;
  readonly culture: SteadyCulture;
}

/** What is kept so that a supply goes on. */
export interface SteadyCulture {
  /** Kinds that are grown; each needs an isolate of its own. */
  readonly isolates: number;
  /** A slant and its back-up of each, in the fridge, and renewed after so many days. */
  readonly slants: number;
  readonly renewDays: number;
  /** A bottle of broth of each lasts so many weeks: until it is empty or stale. */
  readonly bottleWeeks: number;
}

const WEEK_DAYS = 7;
const WEEK_MS = WEEK_DAYS * DAY_MS;
/** A slant, and another in case it dies. Common practice, no source. */
const SLANTS_EACH = 2;

/** @returns what stands in the way where one of the wishes cannot be planned at all @throws CoreError as `recipeOf` */
export function steadySupply(
  wishes: readonly SteadyWish[],
  kitchen: Kitchen,
  week: WeekPattern,
): Steady | NotPlanned | undefined {
  const { house, nowMs } = kitchen;
  if (wishes.length === 0) {
    return undefined;
  }
  const nothing = new WhatIsThere({ ...house, inHand: [] }, nowMs);
  const rounds = [];
  for (const { supper, everyDays } of wishes) {
    const species = speciesOf(supper, house);
    const recipe = recipeOf(supper, house);
    const openings = openingsOf(openingsWishOf(supper, house));
    const steps = stepsOfSupper(supper, species, recipe, openings, kitchen, nothing);
    if ('kind' in steps) {
      return steps;
    }
    // Cultures are kept going beside it.
    const own = steps.filter((s) => s.kind !== 'getCulture');
    rounds.push({ supper, recipe, blocks: blocksOf(openings), steps: own, perWeek: WEEK_DAYS / everyDays });
  }
  const sums = addedUp(rounds.map((r) => scaled(sumsOf(r.steps, house), r.perWeek)));
  const days = weekDays();
  const spans = { free: freeSpans(days, week), awake: awakeSpans(days, week) };
  const freeHours = spans.free.reduce((sum, s) => sum + (s.endMs - s.startMs), 0) / 60 / MINUTE_MS;
  const uses = [
    { of: HANDS_OF, share: freeHours === 0 ? Infinity : sums.handHours / freeHours },
    ...cookerUses(rounds, spans, week.oneCooker === true),
    ...placeUses(rounds),
  ].sort((a, b) => b.share - a.share);
  const massGPerWeek = rounds.reduce((sum, r) => sum + r.supper.massG * r.perWeek, 0);
  return {
    massGPerWeek,
    blocksPerWeek: rounds.reduce((sum, r) => sum + r.blocks * r.perWeek, 0),
    sums,
    freeHours,
    uses,
    mostG: massGPerWeek / uses[0]!.share,
    liftedG: massGPerWeek / (uses[1]?.share ?? 0),
    culture: cultureFor(rounds),
  };
}

interface Round {
  readonly supper: Supper;
  readonly recipe: Recipe;
  readonly blocks: number;
  readonly steps: readonly PlannedStep[];
  readonly perWeek: number;
}

/** Any week, from a Monday on. */
function weekDays(): readonly LocalDay[] {
  return Array.from({ length: WEEK_DAYS }, (_, weekday) => ({
    date: '',
    noonMs: (weekday + 0.5) * DAY_MS,
    weekday,
  }));
}

/** Firings that are asked for against those that fit into a week, each with the work before it. */
function cookerUses(
  rounds: readonly Round[],
  spans: Parameters<typeof howOften>[1],
  isOneAtATime: boolean,
): SteadyUse[] {
  const fired = rounds.flatMap(({ steps, perWeek }) =>
    steps.flatMap((step) => {
      const fill = steps.find((s) => s.task.key === step.task.after[0]?.key);
      return step.load === undefined
        ? []
        : [
            {
              of: `cooker ${step.load.appliance.id}`,
              parts: [...(fill?.task.parts ?? []), ...step.task.parts],
              perWeek,
            },
          ];
    }),
  );
  const uses = [...groupBy(fired, (f) => f.of)].map(([of, all]) => ({
    of,
    share: all.reduce((sum, { parts, perWeek }) => {
      const task: Task = { key: of, goal: of, parts, after: [] };
      const fits = howOften(task, spans, 0, WEEK_MS + DAY_MS);
      return sum + (fits === 0 ? Infinity : perWeek / fits);
    }, 0),
  }));
  // Where only one is on at a time, each waits for the others.
  return isOneAtATime && uses.length > 1
    ? [...uses, { of: POWER_OF, share: uses.reduce((sum, u) => sum + u.share, 0) }]
    : uses;
}

/** What stands on average, since each round begins before the one before has left. */
function placeUses(rounds: readonly Round[]): SteadyUse[] {
  const stands = rounds.flatMap(({ steps, perWeek }) =>
    steps.flatMap((s) =>
      s.task.after.flatMap(({ key, ms, stands: uses = [] }) =>
        uses.map(({ of, share }) => {
          const days = (s.ranges.get(key)?.likely ?? ms) / DAY_MS;
          return { of, share: (share * days * perWeek) / WEEK_DAYS };
        }),
      ),
    ),
  );
  return [...groupBy(stands, (s) => s.of)].map(([of, all]) => ({
    of,
    share: all.reduce((sum, s) => sum + s.share, 0),
  }));
}

function cultureFor(rounds: readonly Round[]): SteadyCulture {
  const kinds = groupBy(rounds, ({ supper }) => supper.isolateId ?? supper.speciesId);
  const slant = keepsDays('slant', 'cold');
  const weeks = [...kinds.values()].map((own) => {
    const [first] = own;
    const { grain, broth } = first!.recipe;
    const dose = usualDose('broth', { form: 'grain', vessel: grain.vessel, plan: grain.each });
    const jars = own.reduce(
      (sum, r) =>
        sum + r.perWeek * r.steps.filter((s) => s.kind === 'sowGrain').reduce((n, s) => n + s.count, 0),
      0,
    );
    const bottleMl = broth.each.dissolved?.eachMl ?? broth.each.vesselFillMl;
    return dose === undefined || jars === 0 ? Infinity : bottleMl / (dose.value * jars);
  });
  return {
    isolates: kinds.size,
    slants: kinds.size * SLANTS_EACH,
    renewDays: slant.value,
    bottleWeeks: Math.min(keepsDays('broth', 'cold').low / WEEK_DAYS, ...weeks),
  };
}

function scaled(sums: PlanSums, by: number): PlanSums {
  return {
    handHours: sums.handHours * by,
    cooks: sums.cooks.map((c) => ({ ...c, count: c.count * by })),
    fuel: { g: sums.fuel.g * by, kWh: sums.fuel.kWh * by },
    grainG: sums.grainG * by,
    spend: { ...sums.spend, amount: sums.spend.amount * by },
  };
}

function addedUp(all: readonly PlanSums[]): PlanSums {
  const total = (of: (sums: PlanSums) => number) => all.reduce((sum, s) => sum + of(s), 0);
  const cooks = groupBy(
    all.flatMap((s) => s.cooks),
    (c) => c.name,
  );
  return {
    handHours: total((s) => s.handHours),
    cooks: [...cooks].map(([name, own]) => ({ name, count: own.reduce((n, c) => n + c.count, 0) })),
    fuel: { g: total((s) => s.fuel.g), kWh: total((s) => s.fuel.kWh) },
    grainG: total((s) => s.grainG),
    spend: {
      amount: total((s) => s.spend.amount),
      unpriced: [...new Set(all.flatMap((s) => s.spend.unpriced))],
    },
  };
}
