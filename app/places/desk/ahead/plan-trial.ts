import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  DAY_MS,
  afterMove,
  mayMeet,
  plannedSuppers,
  type Moved,
  type ScheduleByHand,
  type StepInPlan,
  type SupperPlan,
} from '../../../../core/index';
import { AgreedPlans } from '../../../data/work/agreed-plans';
import { SupperPlanner, type MadePlan } from '../../../data/work/supper-planner';

/** A step that is tried on another time, and what comes of it. */
interface Tried {
  readonly key: string;
  /** When it was asked to begin. */
  readonly toMs: number;
  /** What was tried before it, and is tried still. */
  readonly before?: Tried;
  readonly schedule: ScheduleByHand;
  readonly moved: Moved;
}

/** A step nobody has time for on one day is tried on the next, for so many days. Our choice. */
const MOST_TRIED_DAYS = 21;

/** The first first. */
function movesOf(tried: Tried | undefined): readonly Tried[] {
  return tried === undefined ? [] : [...movesOf(tried.before), tried];
}

/** Steps that are moved by hand and not kept yet: what that moves and breaks is to be seen before anybody agrees to it. */
@Injectable()
export class PlanTrial {
  private readonly planner = inject(SupperPlanner);
  private readonly agreed = inject(AgreedPlans);
  private readonly tried = signal<Tried | undefined>(undefined);
  /** What is tried was agreed to: the next plan holds it. */
  private isKeeping = false;

  /** The plan as it is tried; as it is where nothing is. */
  readonly plan = computed<MadePlan | undefined>(() => {
    const [made, tried] = [this.planner.plan(), this.tried()];
    return made === undefined || tried === undefined
      ? made
      : { ...made, ...plannedSuppers(made.drafts, tried.schedule, made.limits, new Map()) };
  });
  /** By step those of other wishes that may be ready on the same days. */
  readonly meets = computed(() => mayMeet(this.plan()?.suppers ?? []));
  readonly isTrying = computed(() => this.tried() !== undefined);
  readonly moved = computed(() => this.tried()?.moved);
  /** The step that is tried, as it was and as it would be. */
  readonly step = computed(() => {
    const tried = this.tried();
    const find = (plan: MadePlan | undefined) =>
      plan?.suppers.flatMap((s) => s.steps).find((s) => s.key === tried?.key);
    const [was, is] = [find(this.planner.plan()), find(this.plan())];
    return was === undefined || is === undefined ? undefined : { was, is };
  });
  /** Wishes whose days change by it, before and after. */
  readonly changed = computed(() => {
    const after = this.plan()?.suppers ?? [];
    return (this.planner.plan()?.suppers ?? []).flatMap((was) => {
      const is = after.find((s) => s.supper.key === was.supper.key);
      return is === undefined || is.lateDays === was.lateDays ? [] : [{ was, is }];
    });
  });

  constructor() {
    // What was tried is tried anew against a plan that was made since, until it is kept.
    effect(() => {
      this.planner.plan();
      untracked(() => {
        const moves = this.isKeeping ? [] : movesOf(this.tried());
        this.isKeeping = false;
        this.tried.set(undefined);
        moves.forEach(({ key, toMs }) => this.try(key, toMs));
      });
    });
  }

  /** Tries a step, with what it follows at once, on a time. @returns whether there is such a time */
  try(key: string, toMs: number): boolean {
    const made = this.planner.plan();
    const before = this.tried();
    if (made?.schedule.slots.has(key) !== true) {
      return false;
    }
    const others = before?.key === key ? before.before : before;
    const after = afterMove(made.drafts.tasks, made.limits, others?.schedule ?? made.schedule, key, toMs);
    if (after !== undefined) {
      this.tried.set({ key, toMs, ...(others !== undefined && { before: others }), ...after });
    }
    return after !== undefined;
  }

  /** Tries a step so much sooner or later than it is tried now: the first time that way at which somebody is there. */
  nudge(key: string, byMs: number): void {
    const startOf = () => (this.tried()?.schedule ?? this.planner.plan()?.schedule)?.slots.get(key)?.startMs;
    const fromMs = startOf();
    const days = Math.ceil(DAY_MS / Math.abs(byMs)) * MOST_TRIED_DAYS;
    for (let i = 1; fromMs !== undefined && i <= days; i += 1) {
      if (!this.try(key, fromMs + i * byMs)) {
        return;
      }
      const startMs = startOf() ?? fromMs;
      if (byMs < 0 ? startMs < fromMs : startMs > fromMs) {
        return;
      }
    }
  }

  /** Agrees to the plan as it is tried. @returns whether it was kept */
  async keep(): Promise<boolean> {
    const [plan, moved] = [this.plan(), this.moved()];
    if (plan === undefined || moved === undefined) {
      return true;
    }
    this.isKeeping = true;
    const touched = new Set(movesOf(this.tried()).flatMap((t) => t.moved.moved));
    const isTouched = (p: SupperPlan) => p.steps.some((s: StepInPlan) => touched.has(s.key) || s.isByHand);
    const isKept = await this.agreed.agree(plan.suppers.filter(isTouched), plan);
    this.isKeeping &&= isKept;
    return isKept;
  }

  putBack(): void {
    this.tried.set(undefined);
  }
}
