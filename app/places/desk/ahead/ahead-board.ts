import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { CdkDrag, type CdkDragMove } from '@angular/cdk/drag-drop';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { format, startOfDay } from 'date-fns';
import { scaleTime } from 'd3-scale';
import {
  DAY_MS,
  HANDS_OF,
  HOUR_MS,
  POWER_OF,
  loadsOf,
  takenIn,
  type Load,
  type StepInPlan,
} from '../../../../core/index';
import { Time } from '../../../data/clock/time';
import { brokenWords, dayOf, lateWords, limitWords, stepWords, titleOf } from '../../../data/work/plan-words';
import type { MadePlan } from '../../../data/work/supper-planner';
import { narrowScreen } from '../../../pieces/narrow';
import { RunLine } from '../../../pieces/run-line';
import { boardHandles, type BoardHandle } from './board-handles';
import { PlanTrial } from './plan-trial';
import { RunningLines } from './running-lines';
import { supperLine } from './supper-line';

/** How much is to be seen at once. */
const SPANS = [
  { words: 'half a year', days: 183, tick: 'd MMM' },
  { words: 'a month', days: 31, tick: 'd MMM' },
  { words: 'a week', days: 7, tick: 'EEE d' },
] as const;
/** Left free before now, as a share of what is seen. */
const BEFORE_SHARE = 0.03;
/** Left free behind the last, for the word that stands there. */
const WORDS_SHARE = 0.26;
/** Handles need about this share of a line each. */
const HANDLE_SHARE = { narrow: 0.11, wide: 0.032 } as const;
const TICKS = 7;
/** A word that begins behind this has no room on the line, per cent. */
const LAST_TICK_AT = 95;
/** Moved by the day where one sees weeks, by the half hour where one sees one. */
const SNAP_MS = { day: DAY_MS, halfHour: HOUR_MS / 2 } as const;

interface Line {
  readonly key: string;
  readonly title: string;
  readonly model: ReturnType<typeof supperLine>;
  readonly handles: readonly (BoardHandle & {
    readonly at: number;
    readonly words: string;
    readonly isMoved: boolean;
  })[];
  /** Where moved steps lay before. */
  readonly ghosts: readonly number[];
}

/** All that is wanted on one scale, by wish and by place; a step is moved there, and shows at once what that moves. */
@Component({
  selector: 'nw-ahead-board',
  imports: [CdkDrag, MatButton, MatButtonToggle, MatButtonToggleGroup, MatIconButton, RunLine, RunningLines],
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
  /** The handle that is dragged stays under the pointer, whatever comes of it. */
  private readonly held = signal<
    { readonly key: string; readonly at: number; readonly startMs: number } | undefined
  >(undefined);

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
  protected readonly fromMs = computed(
    () => this.turnedToMs() ?? this.nowMs() - BEFORE_SHARE * this.lengthMs(),
  );
  protected readonly toMs = computed(() => this.fromMs() + this.lengthMs());
  private readonly scale = computed(() =>
    scaleTime([new Date(this.fromMs()), new Date(this.toMs())], [0, 100]).clamp(true),
  );
  protected readonly ticks = computed(() =>
    this.scale()
      .ticks(TICKS)
      .map((day) => ({ words: format(day, this.span().tick), at: this.scale()(day) }))
      .filter((t, i, all) => t.words !== all[i - 1]?.words && t.at < LAST_TICK_AT),
  );

  protected readonly lines = computed<readonly Line[]>(() => {
    const handleMs = HANDLE_SHARE[this.isNarrow() ? 'narrow' : 'wide'] * this.lengthMs();
    return this.plan()
      .suppers.filter((p) => p.steps.length > 0)
      .map((plan) => {
        const title = titleOf(plan.supper, this.house());
        const model = supperLine(plan, title);
        const moved = new Set(this.trial.moved()?.moved);
        const handles = boardHandles(plan, this.fromMs(), this.toMs(), handleMs);
        const before = this.made().suppers.find((s) => s.supper.key === plan.supper.key)?.steps ?? [];
        return {
          key: plan.supper.key,
          title,
          model: {
            ...model,
            dots: [],
            bands: model.bands.filter((b) => b.toMs > this.fromMs() && b.fromMs < this.toMs()),
          },
          handles: handles.map((handle) => ({
            ...handle,
            at: this.placeOf(handle.step),
            words: this.handleWords(handle, title),
            isMoved: moved.has(handle.step.key),
          })),
          ghosts: before
            .filter(
              (s) => moved.has(s.key) && s.slot.startMs >= this.fromMs() && s.slot.startMs <= this.toMs(),
            )
            .map((s) => this.scale()(s.slot.startMs)),
        };
      });
  });
  /** How much is taken of cookers, box and places that plans take something of; the same however much one sees. */
  private readonly loads = computed(() => {
    const { drafts, limits, schedule } = this.plan();
    const own = new Set(
      drafts.tasks.flatMap((t) => [
        ...t.parts.flatMap((p) => p.uses.map((u) => u.of)),
        ...t.after.flatMap((w) => (w.stands ?? []).map((u) => u.of)),
      ]),
    );
    const loads = loadsOf(takenIn(drafts.tasks, limits, schedule));
    return [...loads].filter(([of]) => of !== HANDS_OF && of !== POWER_OF && own.has(of));
  });
  protected readonly places = computed(() =>
    this.loads()
      .map(([of, all]) => this.placeLine(of, all))
      .sort((a, b) => a.order - b.order || a.title.localeCompare(b.title)),
  );
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
      from: momentOf(step.was),
      to: momentOf(step.is),
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
    this.turnedToMs.set(startOfDay(this.fromMs() + pages * this.lengthMs()).getTime());
  }

  protected toNow(): void {
    this.turnedToMs.set(undefined);
  }

  protected hold({ step, at }: { readonly step: StepInPlan; readonly at: number }): void {
    this.held.set({ key: step.key, at, startMs: step.slot.startMs });
  }

  protected drag({ distance, source }: CdkDragMove, { step }: BoardHandle): void {
    const held = this.held();
    const widthPx = source.element.nativeElement.parentElement?.clientWidth ?? 0;
    if (held === undefined || widthPx === 0) {
      return;
    }
    const snapMs = this.snapMs();
    const byMs = Math.round(((distance.x / widthPx) * this.lengthMs()) / snapMs) * snapMs;
    if (byMs === 0) {
      this.trial.putBack();
    } else {
      this.trial.try(step.key, held.startMs + byMs);
    }
  }

  protected release({ source }: { readonly source: CdkDrag }): void {
    source.reset();
    this.held.set(undefined);
  }

  protected onKey(event: KeyboardEvent, { step }: BoardHandle): void {
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (way !== undefined) {
      event.preventDefault();
      this.trial.nudge(step.key, way * (event.shiftKey ? SNAP_MS.halfHour : SNAP_MS.day));
    } else if (event.key === 'Escape' && this.trial.isTrying()) {
      event.preventDefault();
      this.trial.putBack();
    } else if (event.key === 'Enter' && this.trial.isTrying()) {
      event.preventDefault();
      void this.trial.keep();
    }
  }

  private snapMs(): number {
    return this.span().days <= 7 ? SNAP_MS.halfHour : SNAP_MS.day;
  }

  private placeOf(step: StepInPlan): number {
    const held = this.held();
    return held?.key === step.key ? held.at : this.scale()(step.slot.startMs);
  }

  private handleWords({ step, others }: BoardHandle, title: string): string {
    const plan = this.plan().suppers.find((p) => p.steps.includes(step))!;
    const more =
      others.length === 0
        ? ''
        : `, with ${others.length === 1 ? 'another step' : `${others.length} other steps`}`;
    return `${momentOf(step)}: ${stepWords(step, plan, this.house())}${more}; for ${title}`;
  }

  private placeLine(of: string, all: readonly Load[]) {
    const seen = all.filter((l) => l.endMs > this.fromMs() && l.startMs < this.toMs());
    const most = Math.max(0, ...seen.map((l) => l.share));
    const isPlace = of.startsWith('place ');
    const title = limitWords(of, this.house()).replace(/^(Room in the|The) /, '');
    return {
      of,
      title: title.charAt(0).toUpperCase() + title.slice(1),
      /** What only ever is full or free says nothing by its share. */
      most: isPlace && most > 0 ? `at most ${Math.round(most * 100)} %` : '',
      order: isPlace ? 1 : 0,
      isFullest: isPlace && most > NEARLY_FULL,
      loads: seen.map((l) => ({
        at: this.scale()(l.startMs),
        width: this.scale()(l.endMs) - this.scale()(l.startMs),
        share: isPlace ? Math.min(1, l.share) * 100 : 100,
      })),
    };
  }
}

/** A place with less room left than this takes nothing more that is planned. */
const NEARLY_FULL = 0.95;

function momentOf({ slot }: StepInPlan): string {
  return `${dayOf(slot.startMs)}, ${format(slot.startMs, 'HH:mm')}`;
}
