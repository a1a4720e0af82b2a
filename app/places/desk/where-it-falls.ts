import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { addDays, format, startOfDay } from 'date-fns';
import { DAY_MS, MINUTE_MS, isOn } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { runLineOf, type RunLineModel } from '../../data/views/run-line-model';
import { isUnderWay, underWayWords } from '../../data/views/under-way';
import { Time } from '../../data/clock/time';
import { shortTime } from '../../data/words/words';
import { Plaque } from '../../pieces/plaque';
import { RunLine } from '../../pieces/run-line';
import { scaleOf, type Seen } from '../../pieces/seen-time';
import { DeskPlan } from './desk-plan';

const SHOWN_BEFORE_DAYS = 9;
const SHOWN_AFTER_DAYS = 27;
const MOST_LINES = 7;

/** Everything under way on one scale of days, newest first, and when the cooker is free. */
@Component({
  selector: 'nw-where-it-falls',
  imports: [Plaque, RouterLink, RunLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './where-it-falls.html',
  styleUrl: './where-it-falls.scss',
})
export class WhereItFalls {
  private readonly plan = inject(DeskPlan);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);

  protected readonly nowMs = this.time.minute;
  protected readonly seen = computed<Seen>(() => {
    const todayMs = startOfDay(this.nowMs()).getTime();
    return { fromMs: todayMs - SHOWN_BEFORE_DAYS * DAY_MS, toMs: todayMs + SHOWN_AFTER_DAYS * DAY_MS };
  });
  private readonly scale = computed(() => scaleOf(this.seen()));
  protected readonly ticks = computed(() =>
    [-7, 7, 14, 21].map((days) => {
      const day = addDays(startOfDay(this.nowMs()), days);
      return { words: format(day, 'd MMM'), at: this.scale()(day) };
    }),
  );
  protected readonly nowAt = computed(() => this.scale()(this.nowMs()));
  protected readonly lines = computed<readonly { code: string; words: string; model: RunLineModel }[]>(() => {
    const house = this.store.house();
    if (house === undefined) {
      return [];
    }
    const running = house.inHand.filter(isUnderWay).reverse().slice(0, MOST_LINES);
    return running.map((view) => ({
      code: view.code,
      words: underWayWords(view),
      model: runLineOf(view, house, this.nowMs()),
    }));
  });
  protected readonly canner = computed(() => {
    const on = this.store.house()?.cooks.find(isOn);
    const appliance = this.plan.appliance()?.name ?? 'cooker';
    if (on === undefined) {
      return `The ${appliance.toLowerCase()} is free now.`;
    }
    const freeMs =
      (on.state.heatOffMs ?? this.nowMs() + on.cook.holdMinutes * MINUTE_MS) +
      on.cook.openAfterMinutes * MINUTE_MS;
    return `The ${appliance.toLowerCase()} is free from about ${shortTime(freeMs, this.nowMs())}.`;
  });
}
