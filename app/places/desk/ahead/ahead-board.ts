import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { format, startOfDay } from 'date-fns';
import { DAY_MS, HANDS_OF, POWER_OF, loadsOf, takenIn, usedBy, type Load } from '../../../../core/index';
import { Time } from '../../../data/clock/time';
import {
  brokenWords,
  dayOf,
  lateWords,
  limitWords,
  momentOf,
  stepWords,
  titleOf,
} from '../../../data/work/plan-words';
import type { MadePlan } from '../../../data/work/supper-planner';
import { inTurn } from '../../../pieces/in-turn';
import { narrowScreen } from '../../../pieces/narrow';
import { isSeen, scaleOf, type Seen } from '../../../pieces/seen-time';
import { HandleDrag } from './handle-drag';
import { PlanTrial } from './plan-trial';
import { RunningLines } from './running-lines';
import { WishLine } from './wish-line';

/** How much is to be seen at once. */
const SPANS = [
  { words: 'half a year', days: 183, tick: 'd MMM' },
  { words: 'a month', days: 31, tick: 'd MMM' },
  { words: 'a week', days: 7, tick: 'EEE d' },
  { words: 'a day', days: 1, tick: 'HH:mm' },
] as const;
/** Left free before now, as a share of what is seen. */
const BEFORE_SHARE = 0.03;
/** Left free behind the last, for the word that stands there. */
const WORDS_SHARE = 0.26;
const TICKS = 7;
/** Wishes that take a new time in one frame, with all their handles. By measurement on a machine slowed down four times. */
const AT_ONCE = 1;
/** A word that begins behind this has no room on the line, per cent. */
const LAST_TICK_AT = 95;

/** All that is wanted on one scale, by wish and by place; a step is moved there, and shows at once what that moves. */
@Component({
  selector: 'nw-ahead-board',
  imports: [MatButton, MatButtonToggle, MatButtonToggleGroup, RunningLines, WishLine],
  providers: [HandleDrag],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ahead-board.html',
  styleUrls: ['./board-lines.scss', './ahead-board.scss'],
})
export class AheadBoard {
  readonly made = input.required<MadePlan>();
  protected readonly trial = inject(PlanTrial);
  private readonly time = inject(Time);
  protected readonly nowMs = this.time.minute;
  protected readonly isNarrow = narrowScreen();
  protected readonly spans = SPANS;
  protected readonly span = signal<(typeof SPANS)[number]>(SPANS[0]);
  /** Where the time that is seen begins, where somebody turned to it. */
  private readonly turnedToMs = signal<number | undefined>(undefined);

  private readonly plan = computed(() => this.trial.plan() ?? this.made());
  protected readonly house = computed(() => this.made().house);
  private readonly lengthMs = computed(() => {
    const { days } = this.span();
    if (days !== SPANS[0].days || this.turnedToMs() !== undefined) {
      return days * DAY_MS;
    }
    // At first as much as there is, and no more, with room behind it for its last word.
    const lastMs = Math.max(
      this.nowMs() + 20 * DAY_MS,
      ...this.made().suppers.flatMap((p) => p.steps.map((s) => s.slot.endMs)),
    );
    return (lastMs - this.nowMs()) * (1 + WORDS_SHARE);
  });
  private readonly seen = computed<Seen>(() => {
    const fromMs = this.turnedToMs() ?? this.nowMs() - BEFORE_SHARE * this.lengthMs();
    return { fromMs, toMs: fromMs + this.lengthMs() };
  });
  /** "Tue 1 Dec", "30 Nov to 30 Dec" */
  protected readonly seenWords = computed(() => {
    const { fromMs, toMs } = this.seen();
    const day = (ms: number) => format(ms, 'd MMM');
    return this.span().days === 1 && this.turnedToMs() !== undefined
      ? dayOf(fromMs)
      : `${day(fromMs)} to ${day(toMs)}`;
  });
  protected readonly ticks = computed(() => {
    const scale = scaleOf(this.seen());
    return scale
      .ticks(TICKS)
      .map((day) => ({ words: format(day, this.span().tick), at: scale(day) }))
      .filter((t, i, all) => t.words !== all[i - 1]?.words && t.at < LAST_TICK_AT);
  });

  protected readonly lines = computed(() =>
    this.plan()
      .suppers.filter((p) => p.steps.length > 0)
      .map((plan) => ({
        key: plan.supper.key,
        title: titleOf(plan.supper, this.house()),
        plan,
        was: this.made().suppers.find((s) => s.supper.key === plan.supper.key),
      })),
  );
  /** Wishes come first, then what is under way, then the places. */
  protected readonly turns = computed(() => {
    const wishes = this.lines().length;
    return { running: wishes, places: wishes + 1, all: wishes + 2 };
  });
  protected readonly seenBy = inTurn(
    this.seen,
    computed(() => this.turns().all),
    AT_ONCE,
  );
  /** How much is taken of cookers, box and places that plans take something of; the same however much one sees. */
  private readonly loads = computed(() => {
    const { drafts, limits, schedule } = this.plan();
    const own = usedBy(drafts.tasks);
    const loads = loadsOf(takenIn(drafts.tasks, limits, schedule));
    return [...loads].filter(([of]) => of !== HANDS_OF && of !== POWER_OF && own.has(of));
  });
  private readonly seenByPlaces = computed(() => this.seenBy(this.turns().places));
  protected readonly places = computed(() => {
    const seen = this.seenByPlaces();
    return this.loads()
      .map(([of, all]) => this.placeLine(of, all, seen))
      .sort((a, b) => a.order - b.order || a.title.localeCompare(b.title));
  });
  protected readonly tried = computed(() => {
    const step = this.trial.step();
    const moved = this.trial.moved();
    const plan = this.plan().suppers.find((p) => p.steps.some((s) => s.key === step?.is.key));
    if (step === undefined || moved === undefined || plan === undefined) {
      return undefined;
    }
    const others = moved.moved.filter((key) => key !== step.is.key).length;
    return {
      words: stepWords(step.is, plan, this.house()),
      from: momentOf(step.was.slot.startMs),
      to: momentOf(step.is.slot.startMs),
      others:
        others === 0
          ? 'Nothing else moves.'
          : others === 1
            ? 'One other step moves.'
            : `${others} other steps move.`,
      broken: brokenWords(moved.broken, this.plan().suppers, this.house()),
    };
  });
  protected readonly changed = computed(() =>
    this.trial.changed().map(({ was, is }) => ({
      key: is.supper.key,
      title: titleOf(is.supper, this.house()),
      was: lateWords(was),
      is: lateWords(is),
    })),
  );

  protected show(span: (typeof SPANS)[number]): void {
    this.span.set(span);
    this.turnedToMs.set(undefined);
  }

  protected turn(pages: number): void {
    this.turnedToMs.set(startOfDay(this.seen().fromMs + pages * this.lengthMs()).getTime());
  }

  protected toNow(): void {
    this.turnedToMs.set(undefined);
  }

  private placeLine(of: string, all: readonly Load[], seen: Seen) {
    const loads = all.filter((l) => isSeen(seen, l.startMs, l.endMs));
    const most = Math.max(0, ...loads.map((l) => l.share));
    const isPlace = of.startsWith('place ');
    const title = limitWords(of, this.house()).replace(/^(Room in the|The) /, '');
    return {
      of,
      title: title.charAt(0).toUpperCase() + title.slice(1),
      /** What only ever is full or free says nothing by its share. */
      most: isPlace && most > 0 ? `at most ${Math.round(most * 100)} %` : '',
      order: isPlace ? 1 : 0,
      isFullest: isPlace && most > NEARLY_FULL,
      path: loadsPath(loads, seen, isPlace),
    };
  }
}

/** A place with less room left than this takes nothing more that is planned. */
const NEARLY_FULL = 0.95;

/** A column for each load, as high as it takes of the place; one path for all of them, which may be hundreds. */
function loadsPath(loads: readonly Load[], seen: Seen, hasShares: boolean): string {
  const scale = scaleOf(seen);
  return loads
    .map(({ startMs, endMs, share }) => {
      const [from, to] = [scale(startMs), scale(endMs)];
      const free = hasShares ? (1 - Math.min(1, share)) * 100 : 0;
      return `M${from} ${free}H${to}V100H${from}Z`;
    })
    .join('');
}
