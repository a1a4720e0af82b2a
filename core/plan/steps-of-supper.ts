import { adviseTreatment } from '../formula/treatment.js';
import { usualDose } from '../culture/transfers.js';
import { keepsDays } from '../culture/keeping.js';
import { formOf } from '../culture/form.js';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';
import { USUAL_SPAWN_SHARE, quickerByDose } from '../growth/dose-rate.js';
import { firmDayAfter } from '../growth/milestones.js';
import { runDaysHere } from '../house/derive/own-runs.js';
import type { Species, Stage } from '../record/definitions.js';
import type { STEP_KINDS } from '../record/wish.js';
import type { Task, Use, Wait } from '../schedule/task.js';
import { cookLoads, type CookLoad } from './cook-loads.js';
import type { Kitchen, Supper } from './kitchen.js';
import { blocksOf, type Openings } from './openings.js';
import type { MediumChoice, Recipe } from './recipe.js';
import { standingOf, type StandingUse } from './standing.js';
import type { OnHand, WhatIsThere } from './what-is-there.js';
import {
  COOKED_KEEPS_MS,
  FILLED_KEEPS_MS,
  HANDS,
  HANDS_OF,
  ORDERED_MS,
  PASTEURIZING,
  POWER_OF,
  SOAK,
  handMinutes,
  roundedUp,
  type HandTime,
} from './work-times.js';

export type StepKind = (typeof STEP_KINDS)[number];

/** A wait that is known to a range, ms: `high` is what is planned with. */
export interface Range {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** One step of a plan, before it has its time. */
export interface PlannedStep {
  readonly kind: StepKind;
  readonly task: Task;
  /** Vessels that it is about. */
  readonly count: number;
  /** Waits by the step that is waited for, where they are known to a range. */
  readonly ranges: ReadonlyMap<string, Range>;
  readonly load?: CookLoad;
  readonly medium?: MediumChoice;
  /** What of the house it takes. */
  readonly from: readonly OnHand[];
}

/** Why a supper cannot be planned at all. */
export type NotPlanned = { readonly kind: 'noCooker'; readonly stage: 'grain' | 'bulk' | 'liquid' };

const FILL_OF: Readonly<Record<Exclude<Stage, 'agar'>, StepKind>> = {
  liquid: 'mixBroth',
  grain: 'fillGrain',
  bulk: 'mixBlocks',
};
/**
 * A block is opened in the evening of its day, or so much before: what is placed as late as it may be would all be opened late
 * otherwise, and fewer would bear in time. Our choice.
 */
const OPEN_WITHIN = { beforeMs: 2.5 * DAY_MS, afterMs: DAY_MS / 2 } as const;
const HANDS_USE: Use = { of: HANDS_OF, share: 1 };

/** Everything that has to be done for a supper, beyond what is there. */
export function stepsOfSupper(
  supper: Supper,
  species: Species,
  recipe: Recipe,
  { openings }: Openings,
  kitchen: Kitchen,
  there: WhatIsThere,
): readonly PlannedStep[] | NotPlanned {
  const chain = new Chain(supper, species, recipe, kitchen, there);
  return chain.steps(openings);
}

class Chain {
  private readonly made: PlannedStep[] = [];
  private noCooker: NotPlanned | undefined;

  constructor(
    private readonly supper: Supper,
    private readonly species: Species,
    private readonly recipe: Recipe,
    private readonly kitchen: Kitchen,
    private readonly there: WhatIsThere,
  ) {}

  steps(openings: Openings['openings']): readonly PlannedStep[] | NotPlanned {
    const { supper } = this;
    const dayOf = (daysBefore: number) => supper.byMs - daysBefore * DAY_MS;
    const count = blocksOf({ openings });
    const firstMs = dayOf(Math.max(...openings.map((o) => o.daysBefore)));
    // What is ready before anything new could be is taken, however late it all is.
    const blocksByMs = Math.max(firstMs, this.kitchen.nowMs + this.blockDays().low);
    const blocks = this.there.takeBlocks(supper, count, blocksByMs);
    const fresh = count - blocks.length;
    const spawned = fresh === 0 ? undefined : this.spawnBlocks(fresh, firstMs - this.blockDays().likely);
    // What is there is opened first, and waits for nothing new.
    const left = [...blocks];
    openings.forEach(({ daysBefore, blocks: opened }, i) => {
      const atMs = dayOf(daysBefore);
      const there = left.splice(0, opened);
      const made = opened - there.length;
      const open = this.add('open', opened, HANDS.open, {
        key: `open ${i + 1}`,
        due: { fromMs: atMs - OPEN_WITHIN.beforeMs, byMs: atMs + OPEN_WITHIN.afterMs },
        fromMs: Math.max(0, ...there.map((b) => b.fromMs)),
        after: spawned === undefined || made === 0 ? [] : [this.blockRun(spawned, made, fresh)],
        from: there,
      });
      const cut = { fromMs: supper.byMs - Math.max(1, supper.coldDays) * DAY_MS, byMs: supper.byMs };
      this.add('cut', opened, HANDS.cut, {
        key: `cut ${i + 1}`,
        due: cut,
        after: [{ key: open, ms: HOUR_MS, stands: this.stands('fruit', this.recipe.bulk, opened, count) }],
      });
    });
    return this.noCooker ?? this.made;
  }

  /** From spawning until a block is firm enough to open, ms. */
  private blockDays(): Range {
    const days = runDaysHere(this.kitchen.house, this.species, 'bulk');
    const quicker = this.pace * quickerByDose(this.spawnShare / USUAL_SPAWN_SHARE);
    return {
      low: firmDayAfter(days.low / quicker) * DAY_MS,
      likely: firmDayAfter(days.fullDay / quicker) * DAY_MS,
      high: firmDayAfter(days.high / quicker) * DAY_MS,
    };
  }

  /** From sowing until a jar has run full, ms. */
  private grainDays(): Range {
    const days = runDaysHere(this.kitchen.house, this.species, 'grain');
    const msOf = (day: number) => (day / this.pace) * DAY_MS;
    return { low: msOf(days.low), likely: msOf(days.fullDay), high: msOf(days.high) };
  }

  private get pace(): number {
    return this.kitchen.pace ?? 1;
  }

  private get spawnShare(): number {
    return this.kitchen.spawnShare ?? USUAL_SPAWN_SHARE;
  }

  private blockRun(key: string, count: number, all: number): Wait & { range: Range } {
    const range = this.blockDays();
    const keepsMs = keepsDays('bulk', 'room').low * DAY_MS;
    return {
      key,
      ms: range.high,
      mostMs: range.high + keepsMs,
      range,
      stands: this.stands('run', this.recipe.bulk, count, all),
    };
  }

  /** @param byMs until when they must be spawned, likely */
  private spawnBlocks(count: number, byMs: number): string {
    const { bulk, grain } = this.recipe;
    const cooked = this.cooked('bulk', bulk, 'cookBlocks', HANDS.mixBlocks, count);
    const spawnG = count * bulk.each.vesselWetG * this.spawnShare;
    const range = this.grainDays();
    const newSpawnMs = this.kitchen.nowMs + range.low;
    const spawn = this.there.takeSpawn(this.supper, spawnG, Math.max(byMs, newSpawnMs));
    const jars = Math.ceil((spawnG - spawn.massG) / grain.each.vesselWetG - 1e-6);
    const sown = jars > 0 ? this.sowGrain(jars) : undefined;
    const keepsMs = keepsDays('grain', 'cold').low * DAY_MS;
    return this.add('spawnBlocks', count, HANDS.spawnBlocks, {
      key: 'spawnBlocks',
      fromMs: Math.max(0, ...[...cooked.there, ...spawn.from].map((v) => v.fromMs)),
      from: [...cooked.there, ...spawn.from],
      after: [
        ...cooked.after,
        ...(sown === undefined
          ? []
          : [
              {
                key: sown,
                ms: range.high,
                mostMs: range.high + keepsMs,
                range,
                stands: this.stands('run', grain, jars),
              },
            ]),
      ],
      box: true,
    });
  }

  private sowGrain(jars: number): string {
    const { grain } = this.recipe;
    const cooked = this.cooked('grain', grain, 'cookGrain', HANDS.fillGrain, jars);
    const culture = this.there.cultureFor(this.supper, this.kitchen.nowMs);
    const form = culture && formOf(culture.view.batch);
    const dose = form && usualDose(form, { form: 'grain', vessel: grain.vessel, plan: grain.each });
    const isEnough = culture !== undefined && dose !== undefined && culture.left >= dose.low * jars;
    if (isEnough) {
      culture.left -= Math.min(culture.left, dose.value * jars);
    }
    const before = isEnough ? [] : [this.culture(culture)];
    return this.add('sowGrain', jars, HANDS.sowGrain, {
      key: 'sowGrain',
      fromMs: Math.max(0, ...cooked.there.map((v) => v.fromMs), isEnough ? culture.fromMs : 0),
      from: [...cooked.there, ...(isEnough ? [culture] : [])],
      after: [...cooked.after, ...before],
      box: true,
    });
  }

  /** Broth from what there is; a culture that is bought goes into the grain as it comes. */
  private culture(from: OnHand | undefined): Wait & { range?: Range } {
    if (from === undefined) {
      const key = this.add('getCulture', 1, HANDS.shop, { key: 'getCulture' });
      return { key, ms: ORDERED_MS };
    }
    const cooked = this.cooked('liquid', this.recipe.broth, 'cookBroth', HANDS.mixBroth, 1);
    const key = this.add('sowBroth', 1, HANDS.sowBroth, {
      key: 'sowBroth',
      fromMs: Math.max(from.fromMs, ...cooked.there.map((v) => v.fromMs)),
      from: [...cooked.there, from],
      after: cooked.after,
      box: true,
    });
    const days = this.species.brothReadyDay ?? UNKNOWN_BROTH;
    const msOf = (day: number) => (day / this.pace) * DAY_MS;
    const range = { low: msOf(days.low), likely: msOf(days.value), high: msOf(days.high) };
    return { key, ms: range.high, mostMs: range.high + keepsDays('broth', 'cold').low * DAY_MS, range };
  }

  /** Vessels of a medium, filled and cooked; what stands there cooked already is taken first. */
  private cooked(
    stage: 'grain' | 'bulk' | 'liquid',
    medium: MediumChoice,
    kind: StepKind,
    hands: HandTime,
    count: number,
  ): { readonly after: readonly Wait[]; readonly there: readonly OnHand[] } {
    const there = this.there.takeCooked(stage, count);
    const missing = count - there.length;
    if (stage === 'bulk' && missing > 0 && isPasteurized(medium)) {
      return { after: [this.pasteurize(medium, missing)], there };
    }
    const loads = cookLoads(medium, missing, this.kitchen, this.supper.notIn);
    if (missing > 0 && loads.length === 0) {
      this.noCooker ??= { kind: 'noCooker', stage };
    }
    const isSoaked = stage === 'grain' && medium.formula.hydration !== 'measured-jar';
    const after = loads.map((load, i) => {
      const soak = isSoaked ? [this.soak(i + 1, load.count)] : [];
      const key = this.addCook(`${kind} ${i + 1}`, kind, stage, medium, load, hands, soak);
      const waitMin = Math.max(0, load.coolMinutes - load.cook.openAfterMinutes);
      return { key, ms: waitMin * MINUTE_MS, mostMs: waitMin * MINUTE_MS + COOKED_KEEPS_MS };
    });
    return { after, there };
  }

  /** Warmed through in a bath or with hot water, and cooled: no cooker is taken. */
  private pasteurize(medium: MediumChoice, count: number): Wait {
    const key = `${this.supper.key} pasteurizeBlocks`;
    this.made.push({
      kind: 'pasteurizeBlocks',
      count,
      medium,
      from: [],
      ranges: new Map(),
      task: {
        key,
        goal: this.supper.key,
        parts: [
          { minutes: handMinutes(HANDS.mixBlocks, count), within: 'free', uses: [HANDS_USE] },
          { minutes: PASTEURIZING.warmMinutes, within: 'awake', uses: [{ of: 'bath', share: 1 }] },
          { minutes: PASTEURIZING.coolMinutes, uses: [] },
        ],
        after: [],
      },
    });
    return { key, ms: 0, mostMs: PASTEURIZING.keepsMs };
  }

  private soak(number: number, count: number): Wait {
    return { key: this.add('soak', count, HANDS.soak, { key: `soak ${number}` }), ...SOAK };
  }

  /** Filled, and cooked before it sours. What goes into the same cooker in the same way may share it. */
  private addCook(
    name: string,
    kind: StepKind,
    stage: Exclude<Stage, 'agar'>,
    medium: MediumChoice,
    load: CookLoad,
    hands: HandTime,
    after: readonly Wait[],
  ): string {
    const { cook, appliance, count, share } = load;
    const fill = this.add(FILL_OF[stage], count, hands, { key: `fill ${name}`, after, medium });
    const inCooker: Use = { of: `cooker ${appliance.id}`, share: 1 };
    const isOneAtATime = this.kitchen.house.household?.freeTime?.oneCooker === true;
    const whileOn = isOneAtATime ? [inCooker, { of: POWER_OF, share: 1 }] : [inCooker];
    const attendedMin = roundedUp(cook.comeUpMinutes + cook.ventMinutes + cook.holdMinutes);
    const key = `${this.supper.key} ${name}`;
    this.made.push({
      kind,
      count,
      medium,
      load,
      from: [],
      ranges: new Map(),
      task: {
        key,
        goal: this.supper.key,
        parts: [
          { minutes: HANDS.load.once, within: 'free', uses: [HANDS_USE, inCooker] },
          { minutes: attendedMin, within: 'awake', uses: whileOn },
          { minutes: roundedUp(cook.openAfterMinutes), uses: [inCooker] },
        ],
        after: [{ key: fill, ms: 0, mostMs: FILLED_KEEPS_MS }],
        together: { kind: `${appliance.id} ${medium.vessel.id} ${medium.stage} ${attendedMin}`, share },
      },
    });
    return key;
  }

  private add(
    kind: StepKind,
    count: number,
    hands: HandTime,
    step: {
      readonly key: string;
      readonly due?: Task['due'];
      readonly fromMs?: number;
      readonly after?: readonly (Wait & { readonly range?: Range })[];
      readonly from?: readonly OnHand[];
      readonly box?: boolean;
      readonly medium?: MediumChoice;
    },
  ): string {
    const key = `${this.supper.key} ${step.key}`;
    const { after = [], from = [], due, fromMs = 0, medium } = step;
    const uses = step.box === true ? [HANDS_USE, { of: 'box', share: 1 }] : [HANDS_USE];
    this.made.push({
      kind,
      count,
      from,
      ...(medium !== undefined && { medium }),
      ranges: new Map(after.flatMap((w) => (w.range === undefined ? [] : [[w.key, w.range] as const]))),
      task: {
        key,
        goal: this.supper.key,
        parts: [{ minutes: handMinutes(hands, count), within: 'free', uses }],
        after: after.map(({ key: of, ms, mostMs, stands }) => ({
          key: of,
          ms,
          ...(mostMs !== undefined && { mostMs }),
          ...(stands !== undefined && { stands }),
        })),
        fromMs,
        ...(due !== undefined && { due }),
      },
    });
    return key;
  }

  /**
   * The share of a place that so many take; nothing where nobody said how much stands there.
   *
   * @param all how many there are of the supper: more than a place holds fill it, and `placesTooSmall` tells so
   */
  private stands(use: StandingUse, medium: MediumChoice, count: number, all = count): readonly Use[] {
    const standing = standingOf(this.kitchen.house, use, medium.vessel, all);
    return standing === undefined
      ? []
      : [{ of: `place ${standing.place.id}`, share: (Math.min(1, standing.share) * count) / all }];
  }
}

/** What is only warmed through, by what else could live on it. */
function isPasteurized({ formula, each }: MediumChoice): boolean {
  return adviseTreatment(formula.stage, each.parts).treatment === 'pasteurize';
}

/** Broth of a species of which nothing is known: most take two to four weeks. Common practice, no source. */
const UNKNOWN_BROTH = { low: 10, value: 14, high: 28 };
