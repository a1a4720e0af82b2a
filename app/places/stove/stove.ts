import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import {
  MINUTE_MS,
  HOUR_MS,
  cookedInVain,
  dueItems,
  glassInOven,
  keptShut,
  pourClock,
  toPour,
  unloadedFrom,
  isOn,
  type BatchId,
  type BatchView,
  type CookedInVain,
  type CookView,
  type DryHeatRun,
  type House,
  type Pouring,
  isFilled,
  isInPreparation,
} from '../../../core/index';
import { deedWords } from '../../data/words/due-words';
import { HouseStore } from '../../data/store/house-store';
import { Time } from '../../data/clock/time';
import { Wake } from '../../data/devices/wake';
import { verdictWord } from '../../data/words/verdict-word';
import { GLASS_WORDS, shortTime, vesselCount } from '../../data/words/words';
import { Plaque } from '../../pieces/plaque';
import { openedIn } from '../../data/views/opened';
import { codesOf } from '../../data/views/codes-of';
import { CookKeeps } from '../../pieces/cook-keeps';
import { CookScreen } from './cook/cook-screen';
import { cookClock } from './cook/cook-clock';
import { freeCookers } from './cook/free-cookers';
import { HydrationScreen } from './hydrate/hydration-screen';
import { hydrationClock } from './hydrate/hydration-clock';
import { Unloading } from './cook/unloading';
import { DayPlanView } from './cook/day-plan';
import { LoadCook } from './cook/load-cook';
import { KeptAgar } from './pour/kept-agar';
import { PourScreen } from './pour/pour-screen';
import { GlassScreen } from './glass/glass-screen';
import { glassClock } from './glass/glass-clock';
import { MoreClocks } from './timers/more-clocks';

type Task =
  | { readonly key: string; readonly cook: CookView }
  | { readonly key: string; readonly batch: BatchView }
  | { readonly key: string; readonly glass: DryHeatRun }
  | { readonly key: string; readonly pour: Pouring };

/** An open cooker is warm for about so long. Common practice, no source. */
const WARM_MS = 2 * HOUR_MS;

/** So long after it was opened a cooker may still be emptied, and what came out is looked over. Our choice. */
const UNLOADING_MS = 12 * HOUR_MS;

/** Clocks for what is soaking, simmering, drying and cooking. One is large; the others are cards. */
@Component({
  selector: 'nw-stove',
  imports: [
    CookKeeps,
    CookScreen,
    DayPlanView,
    GlassScreen,
    HydrationScreen,
    KeptAgar,
    LoadCook,
    MoreClocks,
    MatButton,
    Plaque,
    PourScreen,
    RouterLink,
    Unloading,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stove.html',
  styleUrl: './stove.scss',
})
export class Stove {
  /** Code of a batch to put first, from the address. */
  readonly open = input<string>();
  /** 0 lets a pretended instrument send its cook ahead, for trials. */
  readonly pace = input<number | undefined, unknown>(undefined, {
    transform: (v) => (v === undefined ? undefined : Number(v)),
  });

  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly wake = inject(Wake);
  protected readonly first = signal<string | undefined>(undefined);
  protected readonly loading = signal(false);
  private readonly askedAgain = signal<BatchId | undefined>(undefined);
  protected readonly vesselCount = vesselCount;
  protected readonly verdictWord = verdictWord;

  private readonly minuteMs = this.time.minute;
  protected readonly planning = signal(false);

  protected readonly tasks = computed<readonly Task[]>(() => {
    const house = this.store.house();
    return house === undefined ? [] : tasksOf(house, this.minuteMs());
  });
  private readonly main = computed(() => {
    const tasks = this.tasks();
    const first = this.first();
    return (
      tasks.find((t) => t.key === first) ??
      // The agar that came out of what was large is what is looked at next.
      tasks.find((t) => 'pour' in t && t.pour.cook.cook.id === first) ??
      tasks.find((t) => this.isAsked(t)) ??
      tasks[0]
    );
  });
  /** As a list of one or none: each task has a screen of its own, and what is being told of one is not said of the next. */
  protected readonly large = computed(() => this.tasks().filter((t) => t === this.main()));
  protected readonly others = computed(() => this.tasks().filter((t) => t !== this.main()));
  protected readonly filled = computed(() => (this.store.house()?.batches ?? []).filter((b) => isFilled(b)));
  protected readonly inVain = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : cookedInVain(house);
  });
  protected readonly keptShut = computed(() => {
    const house = this.store.house();
    return house === undefined ? [] : keptShut(house);
  });
  /** What goes in once more, where that was asked for. */
  protected readonly again = computed(() =>
    this.inVain().filter((v) => v.view.batch.id === this.askedAgain()),
  );
  /** A cooker that is not on; the main deed of the screen only when nothing else is. */
  protected readonly free = computed(() => freeCookers(this.store.house()).length > 0);
  protected readonly idle = computed(() => this.tasks().length === 0);
  protected readonly hasCooked = computed(() => (this.store.house()?.cooks.length ?? 0) > 0);
  protected readonly lastCook = computed(() => this.store.house()?.cooks.findLast((c) => !isOn(c)));
  /** Cooks of which something may still be lifted out. */
  protected readonly justOpened = computed(() => {
    const house = this.store.house();
    return (house?.cooks ?? []).filter(
      (c) =>
        this.minuteMs() - (c.state.openedMs ?? -Infinity) < UNLOADING_MS &&
        house !== undefined &&
        unloadedFrom(c, house).length > 0,
    );
  });
  protected readonly isWarm = computed(() => {
    const cooks = this.store.house()?.cooks ?? [];
    const inUse = this.appliance()?.id;
    return cooks.some(
      ({ cook, state }) =>
        cook.applianceId === inUse && this.time.now() - (state.openedMs ?? -Infinity) < WARM_MS,
    );
  });
  protected readonly idleWords = computed(() => {
    const house = this.store.house();
    const next = house && dueItems(house, this.time.now()).find((d) => d.place === 'stove');
    return next === undefined
      ? 'Nothing is waiting for it. Plan a batch at the Desk.'
      : `Next: ${deedWords(next.deed)}.`;
  });
  private readonly appliance = computed(() => this.store.house()?.records.appliances.find((a) => a.inUse));
  protected readonly applianceName = computed(() => this.appliance()?.name ?? 'Cooker');

  constructor() {
    effect(() => {
      this.wake.keep(this.tasks().length > 0);
    });
    inject(DestroyRef).onDestroy(() => {
      this.wake.keep(false);
    });
  }

  protected card(task: Task): { name: string; code: string; words: string; due: boolean } {
    const clock = this.clockOf(task);
    const now = this.time.now();
    const left = clock.dueMs === undefined ? undefined : Math.ceil((clock.dueMs - now) / MINUTE_MS);
    const words =
      left === undefined
        ? clock.next
        : left <= 0
          ? `${clock.next} now`
          : `${clock.next} at ${shortTime(clock.dueMs ?? now, now)}, in ${left > 120 ? `${Math.round(left / 60)} h` : `${left} min`}`;
    const due = left !== undefined && left <= 0;
    if ('batch' in task) {
      return { name: task.batch.batch.formula?.name ?? '', code: task.batch.code, words, due };
    }
    if ('glass' in task) {
      const { count, what } = task.glass;
      return { name: `${count} ${GLASS_WORDS[what]}`, code: '', words, due };
    }
    if ('pour' in task) {
      const { view, cook } = task.pour;
      return { name: `Agar, cook ${cook.name}`, code: view.code, words, due };
    }
    const { cook } = task;
    return { name: `${cook.cook.applianceName}, cook ${cook.name}`, code: this.codes(cook), words, due };
  }

  protected putFirst(task: Task): void {
    this.first.set(task.key);
    this.loading.set(false);
  }

  protected cookAgain(vain: CookedInVain): void {
    this.askedAgain.set(vain.view.batch.id);
    this.loading.set(true);
  }

  /** What was large before stays so. */
  protected closeLoad(): void {
    this.loading.set(false);
    this.askedAgain.set(undefined);
  }

  protected loaded(): void {
    this.closeLoad();
    this.first.set(undefined);
  }

  private codes(cook: CookView): string {
    return codesOf(cook, this.store.house()).join(' ');
  }

  private clockOf(task: Task): { readonly next: string; readonly dueMs?: number } {
    if ('glass' in task) {
      return glassClock(task.glass, this.time.now());
    }
    if ('pour' in task) {
      const { cook, hotSinceMs } = task.pour;
      const { opensMs } = pourClock(cook.logs, cook.cook.roomC, hotSinceMs);
      return { next: opensMs === undefined ? 'How hot is the agar?' : 'Pour', dueMs: opensMs };
    }
    return 'cook' in task ? cookClock(task.cook, this.time.now()) : hydrationClock(task.batch);
  }

  private isAsked(task: Task): boolean {
    const id = openedIn(this.store.house(), this.open())?.batch.batch.id;
    return id !== undefined && batchesOf(task).includes(id);
  }
}

function batchesOf(task: Task): readonly BatchId[] {
  return 'batch' in task
    ? [task.batch.batch.id]
    : 'pour' in task
      ? [task.pour.view.batch.id]
      : 'cook' in task
        ? task.cook.batches
        : [];
}

function tasksOf(house: House, nowMs: number): readonly Task[] {
  const cooks = house.cooks.filter(isOn).map((cook) => ({ key: cook.cook.id, cook }));
  const wet = house.batches
    .filter((b) => hydrationClock(b).next !== '' && !isFilled(b) && isInPreparation(b))
    .map((batch) => ({ key: batch.batch.id, batch }));
  const pours = toPour(house, nowMs).map((pour) => ({ key: `pour ${pour.view.batch.id}`, pour }));
  const glass = glassInOven(house).map((run) => ({ key: `glass ${run.runId}`, glass: run }));
  return [...pours, ...cooks, ...glass, ...wet];
}
