import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  agreedPlanOf,
  isOtherThan,
  keptUpToDate,
  newsOf,
  plannedDue,
  type AgreedPlan,
  type PlanNews,
  type SupperPlan,
  type Wish,
} from '../../../core/index';
import { HouseStore } from '../store/house-store';
import { PlannedDue } from '../store/planned-due';
import { SupperPlanner, type MadePlan } from './supper-planner';
import { Wishes, wishAndDayOf } from './wishes';

/**
 * What was agreed to, beside what the plan is now. A plan that is new is agreed to as it is; of one that was agreed to every
 * change that matters is told, and taken only when somebody says so.
 */
@Injectable({ providedIn: 'root' })
export class AgreedPlans {
  private readonly planner = inject(SupperPlanner);
  private readonly wishes = inject(Wishes);
  private readonly store = inject(HouseStore);
  private readonly due = inject(PlannedDue);
  /** Suppers whose next plan is agreed to whatever it is: somebody has just changed it. */
  private readonly takenAsItComes = signal<ReadonlySet<string>>(new Set());
  /** Those that are being written: what is told of them stays until they are kept. */
  private readonly beingKept = signal<ReadonlySet<string>>(new Set());
  /** What was written last, so that a row that cannot be kept is not tried for ever. */
  private written = '';
  /** What of the plan was seen, and is left as it is for now. */
  private readonly left = signal<ReadonlySet<string>>(new Set());

  /** Each plan with what was agreed to for it, and what has changed since. */
  private readonly compared = computed(() => {
    const made = this.planner.plan();
    return (made?.suppers ?? []).map((plan) => {
      const agreed = this.agreedOf(plan);
      return { plan, agreed, news: agreed && newsOf(agreed, plan, made!.house, made!.limits.nowMs) };
    });
  });
  readonly news = computed<readonly PlanNews[]>(() =>
    this.compared().flatMap(({ plan: { supper }, news }) => {
      const isAgreed = this.takenAsItComes().has(supper.key) && !this.beingKept().has(supper.key);
      const isTold = !this.left().has(supper.key) && !isAgreed;
      return news !== undefined && isTold ? [news] : [];
    }),
  );

  constructor() {
    effect(() => {
      const made = this.planner.plan();
      untracked(() => {
        this.due.items.set(made === undefined ? [] : plannedDue(made.suppers, made.limits.nowMs));
      });
      // Where something was told since, another plan is on its way.
      if (made !== undefined && made.house === this.store.house()) {
        untracked(() => {
          this.keepQuietly(made);
        });
      }
    });
  }

  private agreedOf({ supper }: Pick<SupperPlan, 'supper'>): AgreedPlan | undefined {
    const { wishId, on } = wishAndDayOf(supper);
    return this.wishOf(wishId)?.agreed?.find((a) => a.on === on);
  }

  /** Agrees to plans as they are now. @returns whether that was kept */
  agree(plans: readonly SupperPlan[], { house }: MadePlan): Promise<boolean> {
    // Made anew it may lie a little otherwise.
    return this.changedBy(
      plans.map((p) => p.supper.key),
      () =>
        this.keep(
          plans.map((plan) => agreedPlanOf(plan, wishAndDayOf(plan.supper).on, house)),
          plans,
        ),
    );
  }

  /** Settles for less on one day: what is there in time. */
  settleFor({ supper }: SupperPlan, massG: number): Promise<boolean> {
    return this.changeAgreed(supper.key, (agreed) => ({ ...agreed, massG }));
  }

  /** Lets a step lie where it falls again. */
  putBack({ supper }: SupperPlan, step: string): Promise<boolean> {
    return this.changeAgreed(supper.key, (agreed) => ({
      ...agreed,
      steps: agreed.steps.map(({ byHand, ...s }) =>
        s.step === step || byHand === undefined ? s : { ...s, byHand },
      ),
    }));
  }

  /** Not now: it is told again when the page is. */
  leave({ supper }: SupperPlan): void {
    this.left.update((all) => new Set([...all, supper.key]));
  }

  private async changeAgreed(key: string, change: (agreed: AgreedPlan) => AgreedPlan): Promise<boolean> {
    const { wishId, on } = wishAndDayOf({ key });
    const wish = this.wishOf(wishId);
    const agreed = wish?.agreed?.find((a) => a.on === on);
    if (wish === undefined || agreed === undefined) {
      return false;
    }
    return this.changedBy([key], () => this.wishes.agree(wish, [change(agreed)]));
  }

  /** Takes the next plan of suppers as it comes, once that somebody changed it is kept; not where it cannot be. */
  private async changedBy(keys: readonly string[], keep: () => Promise<boolean>): Promise<boolean> {
    const without = (all: ReadonlySet<string>) => new Set([...all].filter((key) => !keys.includes(key)));
    const withThem = (all: ReadonlySet<string>) => new Set([...all, ...keys]);
    // At once: the next plan may come before it is told that this was kept.
    this.takenAsItComes.update(withThem);
    this.beingKept.update(withThem);
    const isKept = await keep();
    this.beingKept.update(without);
    if (!isKept) {
      this.takenAsItComes.update(without);
    }
    return isKept;
  }

  private keepQuietly(made: MadePlan): void {
    const changed = this.compared().flatMap(({ plan, agreed, news }) => {
      const { on } = wishAndDayOf(plan.supper);
      if (agreed === undefined || this.takenAsItComes().has(plan.supper.key)) {
        return [{ plan, next: agreedPlanOf(plan, on, made.house) }];
      }
      const next = keptUpToDate(agreed, plan, made.house);
      return news === undefined && isOtherThan(agreed, next) ? [{ plan, next }] : [];
    });
    const text = JSON.stringify(changed.map((c) => c.next));
    const isNew = changed.length > 0 && text !== this.written;
    this.written = isNew ? text : this.written;
    const came = new Set(made.suppers.map((p) => p.supper.key));
    void (
      isNew
        ? this.keep(
            changed.map((c) => c.next),
            changed.map((c) => c.plan),
          )
        : Promise.resolve(true)
    ).then(() => {
      this.takenAsItComes.update((all) =>
        all.size === 0 ? all : new Set([...all].filter((key) => !came.has(key))),
      );
    });
  }

  /** Writes what was agreed to, wish by wish; plans in the order of what was agreed to for them. */
  private async keep(agreed: readonly AgreedPlan[], plans: readonly SupperPlan[]): Promise<boolean> {
    const wishIds = plans.map((p) => wishAndDayOf(p.supper).wishId);
    let isKept = true;
    for (const wishId of new Set(wishIds)) {
      const wish = this.wishOf(wishId);
      const own = agreed.filter((_, i) => wishIds[i] === wishId);
      isKept = (wish === undefined || (await this.wishes.agree(wish, own))) && isKept;
    }
    return isKept;
  }

  private wishOf(id: string): Wish | undefined {
    return this.wishes.rows().find((w) => w.id === id);
  }
}
