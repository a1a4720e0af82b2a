import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  DAY_MS,
  EASE_MS,
  MINUTE_MS,
  awakeSpans,
  byHandOf,
  couldBe,
  draftSuppers,
  freeSpans,
  kitchenIf,
  openingsWishOf,
  placesInUse,
  plannedSuppers,
  soonerOf,
  steadySupply,
  takenIn,
  takenNow,
  tasksIf,
  tasksOf,
  unlessRefused,
  withOtherCookers,
  type ByHand,
  type CouldBe,
  type House,
  type Kitchen,
  type Limits,
  type NotPlanned,
  type Steady,
  type Supper,
  type SupperDrafts,
  type SuppersPlan,
  type WhatIf,
  type Wish,
} from '../../../core/index';
import { PlanWorker } from '../../workers/plan-client';
import { localDays } from '../clock/local-days';
import { Time } from '../clock/time';
import { HouseStore } from '../store/house-store';
import { Notices } from '../store/notices';
import { messageOf } from '../words/message-of';
import { CookPlanner } from './cook-planner';
import { Wishes, suppersOf, wishAndDayOf } from './wishes';

/** Half a year is planned. */
const PLANNED_DAYS = 183;
/** The plan is made anew as time passes, every so often. */
const EVERY_MS = 15 * MINUTE_MS;
/** Entries that follow each other so soon are planned for together. Our choice. */
const TOGETHER_MS = 150;
/** The matter of notices about plans. */
const PLANS = 'what is wanted';

/** What could be grown, and when it could be on the table. */
export interface Possible {
  readonly could: CouldBe;
  readonly readyMs: number;
  readonly beginsMs: number;
}

/** A plan with what it was made from. */
export interface MadePlan extends SuppersPlan {
  readonly drafts: SupperDrafts;
  /** The house that it was made for. */
  readonly house: House;
}

/** The plan for all that is wanted, made again whenever the house, the wishes or the time that there is change. */
@Injectable({ providedIn: 'root' })
export class SupperPlanner {
  private readonly store = inject(HouseStore);
  private readonly wishes = inject(Wishes);
  private readonly cooks = inject(CookPlanner);
  private readonly time = inject(Time);
  private readonly worker = inject(PlanWorker);
  private readonly notices = inject(Notices);
  private asked = 0;

  private readonly current = signal<MadePlan | undefined>(undefined);
  readonly plan = this.current.asReadonly();
  readonly isPlanning = signal(false);
  private readonly nowMs = computed(() => Math.ceil(this.time.minute() / EVERY_MS) * EVERY_MS);
  /** Single times at which something is wanted. */
  readonly suppers = computed(() => {
    const nowMs = this.nowMs();
    return this.wishes.rows().flatMap((w) => suppersOf(w, nowMs, nowMs + PLANNED_DAYS * DAY_MS));
  });

  constructor() {
    effect((onCleanup) => {
      const [house, suppers, nowMs, week, rows] = [
        this.store.house(),
        this.suppers(),
        this.nowMs(),
        this.wishes.week(),
        this.wishes.rows(),
      ];
      if (house !== undefined) {
        untracked(() => {
          const days = localDays(nowMs, PLANNED_DAYS + 1);
          const limits: Limits = {
            nowMs,
            horizonMs: nowMs + PLANNED_DAYS * DAY_MS,
            spans: { free: freeSpans(days, week), awake: awakeSpans(days, week) },
            taken: takenNow(house, nowMs),
            easeMs: EASE_MS,
          };
          const wait = this.current() === undefined ? 0 : TOGETHER_MS;
          const timer = setTimeout(
            () => void this.make(house, suppers, limits, chosenIn(suppers, rows)),
            wait,
          );
          onCleanup(() => {
            clearTimeout(timer);
          });
        });
      }
    });
  }

  /** The same with one thing changed, beside the plan as it is. @throws CoreError */
  async planIf(whatIf: WhatIf): Promise<MadePlan | undefined> {
    const made = this.current();
    return made && this.planned(made.house, this.suppers(), made.limits, [], whatIf);
  }

  /** What a supply takes week by week that goes on as it is wanted. */
  steady(house: House): Steady | NotPlanned | undefined {
    const wishes = this.wishes.rows().flatMap((wish) => {
      const supper = suppersOf({ ...wish, agreed: [] }, 0, Infinity)[0];
      return wish.everyDays === undefined || supper === undefined
        ? []
        : [{ supper, everyDays: wish.everyDays }];
    });
    const nowMs = this.nowMs();
    return steadySupply(
      wishes,
      this.kitchen(house, nowMs, nowMs + PLANNED_DAYS * DAY_MS),
      this.wishes.week(),
    );
  }

  /** What could be grown from what no plan takes, and when it could be had. @throws CoreError */
  async forward(): Promise<readonly Possible[]> {
    const made = this.current();
    if (made === undefined) {
      return [];
    }
    const { house, limits, drafts, schedule } = made;
    const kitchen = this.kitchen(house, limits.nowMs, limits.horizonMs);
    // Drawn up once more, since what is taken from it is gone.
    const { there } = draftSuppers(
      drafts.drafts.map((d) => d.supper),
      drafts.drafts.map((d) => d.openings),
      kitchen,
    );
    const all = couldBe(there, kitchen);
    const taken = takenIn(drafts.tasks, limits, schedule);
    const found = await this.worker.schedule(tasksOf(all), { ...limits, taken }, []);
    return all.flatMap((could) => {
      const lateMs = found.schedule.lateMs.get(could.supper.key) ?? Infinity;
      const starts = could.steps.flatMap((s) => found.schedule.slots.get(s.task.key)?.startMs ?? []);
      return lateMs === Infinity
        ? []
        : [{ could, readyMs: could.supper.byMs + lateMs, beginsMs: Math.min(...starts) }];
    });
  }

  private kitchen(house: House, nowMs: number, horizonMs: number): Kitchen {
    return { house, nowMs, horizonMs, plan: this.cooks.plan.bind(this.cooks) };
  }

  /** Only the last that was asked for is shown. */
  private async make(
    house: House,
    suppers: readonly Supper[],
    limits: Limits,
    chosen: readonly ByHand[],
  ): Promise<void> {
    const mine = ++this.asked;
    this.isPlanning.set(true);
    try {
      const made = await this.planned(house, suppers, limits, chosen);
      if (mine === this.asked) {
        this.current.set(made);
        this.notices.settled(PLANS);
      }
    } catch (error) {
      this.notices.show({ text: messageOf(error), isKept: false, about: PLANS });
    } finally {
      if (mine === this.asked) {
        this.isPlanning.set(false);
      }
    }
  }

  private async planned(
    house: House,
    suppers: readonly Supper[],
    limits: Limits,
    chosen: readonly ByHand[],
    whatIf?: WhatIf,
  ): Promise<MadePlan> {
    const kitchen = this.kitchen(house, limits.nowMs, limits.horizonMs);
    const asked = whatIf === undefined ? { suppers, kitchen } : kitchenIf(whatIf, suppers, kitchen);
    const openings = await this.worker.openings(
      asked.suppers.map((s) => unlessRefused(() => openingsWishOf(s, house), undefined)),
    );
    const fruiting = new Set(placesInUse(house, 'fruit').map((p) => `place ${p.id}`));
    const madeFor = async (wanted: readonly Supper[]): Promise<MadePlan> => {
      const drafted = draftSuppers(wanted, openings, asked.kitchen);
      const drafts =
        whatIf === undefined ? drafted : { ...drafted, tasks: tasksIf(whatIf, drafted.tasks, fruiting) };
      const { schedule, bindings } = await this.worker.schedule(drafts.tasks, limits, chosen);
      return { ...plannedSuppers(drafts, schedule, limits, bindings), drafts, house };
    };
    const first = await madeFor(asked.suppers);
    const others = withOtherCookers(asked.suppers, first);
    return others === undefined ? first : soonerOf(first, await madeFor(others));
  }
}

/** Steps that were put on their times by hand. */
function chosenIn(suppers: readonly Supper[], wishes: readonly Wish[]): readonly ByHand[] {
  const byId = new Map(wishes.map((w) => [w.id, w]));
  return suppers.flatMap((supper) => {
    const { wishId, on } = wishAndDayOf(supper);
    const agreed = byId.get(wishId)?.agreed?.find((a) => a.on === on);
    return agreed === undefined ? [] : byHandOf(agreed, supper.key);
  });
}
