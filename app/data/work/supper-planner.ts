import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  DAY_MS,
  EASE_MS,
  MINUTE_MS,
  awakeSpans,
  draftSuppers,
  freeSpans,
  openingsWishOf,
  plannedSuppers,
  takenNow,
  unlessRefused,
  type House,
  type Limits,
  type Supper,
  type SuppersPlan,
} from '../../../core/index';
import { PlanWorker } from '../../workers/plan-client';
import { localDays } from '../clock/local-days';
import { Time } from '../clock/time';
import { HouseStore } from '../store/house-store';
import { Notices } from '../store/notices';
import { messageOf } from '../words/message-of';
import { CookPlanner } from './cook-planner';
import { Wishes, suppersOf } from './wishes';

/** Half a year is planned. */
const PLANNED_DAYS = 183;
/** The plan is made anew as time passes, every so often. */
const EVERY_MS = 15 * MINUTE_MS;
/** The matter of notices about plans. */
const PLANS = 'what is wanted';

/** The plan for all that is wanted, made again whenever the house, the wishes or the time that there is change. */
@Injectable()
export class SupperPlanner {
  private readonly store = inject(HouseStore);
  private readonly wishes = inject(Wishes);
  private readonly cooks = inject(CookPlanner);
  private readonly time = inject(Time);
  private readonly worker = inject(PlanWorker);
  private readonly notices = inject(Notices);
  private asked = 0;

  private readonly current = signal<SuppersPlan | undefined>(undefined);
  readonly plan = this.current.asReadonly();
  readonly isPlanning = signal(false);
  private readonly nowMs = computed(() => Math.ceil(this.time.minute() / EVERY_MS) * EVERY_MS);
  /** Single times at which something is wanted. */
  readonly suppers = computed(() => {
    const nowMs = this.nowMs();
    return this.wishes.rows().flatMap((w) => suppersOf(w, nowMs, nowMs + PLANNED_DAYS * DAY_MS));
  });

  constructor() {
    effect(() => {
      const [house, suppers, nowMs, week] = [
        this.store.house(),
        this.suppers(),
        this.nowMs(),
        this.wishes.week(),
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
          void this.make(house, suppers, limits);
        });
      }
    });
  }

  /** Only the last that was asked for is shown. */
  private async make(house: House, suppers: readonly Supper[], limits: Limits): Promise<void> {
    const mine = ++this.asked;
    const { nowMs, horizonMs } = limits;
    this.isPlanning.set(true);
    try {
      const openings = await this.worker.openings(
        suppers.map((s) => unlessRefused(() => openingsWishOf(s, house), undefined)),
      );
      if (mine === this.asked) {
        const kitchen = { house, nowMs, horizonMs, plan: this.cooks.plan.bind(this.cooks) };
        const drafts = draftSuppers(suppers, openings, kitchen);
        const { schedule, bindings } = await this.worker.schedule(drafts.tasks, limits);
        if (mine === this.asked) {
          this.current.set(plannedSuppers(drafts, schedule, limits, bindings));
          this.notices.settled(PLANS);
        }
      }
    } catch (error) {
      this.notices.show({ text: messageOf(error), isKept: false, about: PLANS });
    } finally {
      if (mine === this.asked) {
        this.isPlanning.set(false);
      }
    }
  }
}
