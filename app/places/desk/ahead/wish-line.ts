import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { DAY_MS, HOUR_MS, type House, type StepInPlan, type SupperPlan } from '../../../../core/index';
import { momentOf, otherSteps, stepWords } from '../../../data/work/plan-words';
import { RunLine } from '../../../pieces/run-line';
import { boardHandles, type BoardHandle } from './board-handles';
import { isSeen, scaleOf, type Seen } from '../../../pieces/seen-time';
import { HandleDrag } from './handle-drag';
import { PlanTrial } from './plan-trial';
import { supperLine } from './supper-line';

/** Handles need about this share of a line each. */
const HANDLE_SHARE = { narrow: 0.11, wide: 0.032 } as const;
/** Moved by the day where one sees weeks, by the half hour where one sees one. */
const SNAP_MS = { day: DAY_MS, halfHour: HOUR_MS / 2 } as const;

/** A wish on the board's time, with handles by which its steps are moved. */
@Component({
  selector: 'nw-wish-line',
  imports: [MatIconButton, RunLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-run-line [model]="model()" [seen]="seen()" [nowMs]="nowMs()" [labels]="!isNarrow()" />
    @for (ghost of ghosts(); track $index) {
      <span class="ghost" [style.left.%]="ghost"></span>
    }
    @for (handle of handles(); track handle.step.key) {
      <button
        type="button"
        matIconButton
        class="handle"
        [class.moved]="handle.isMoved"
        [class.by-hand]="handle.step.isByHand === true"
        [style.left.%]="handle.at"
        [attr.aria-label]="handle.words"
        [title]="handle.words"
        aria-describedby="board-keys"
        (pointerdown)="ready($event, handle)"
        (keydown)="onKey($event, handle)"
      >
        <span class="dot"></span>
      </button>
    }
  `,
  styleUrl: './wish-line.scss',
})
export class WishLine {
  private readonly trial = inject(PlanTrial);
  private readonly handleDrag = inject(HandleDrag);
  readonly plan = input.required<SupperPlan>();
  /** The plan before anything was tried. */
  readonly was = input<SupperPlan>();
  readonly title = input.required<string>();
  readonly house = input.required<House>();
  readonly seen = input.required<Seen>();
  readonly nowMs = input.required<number>();
  readonly isNarrow = input(false);

  /** The handle that is dragged stays under the pointer, whatever comes of it. */
  private readonly held = signal<{ readonly key: string; readonly at: number } | undefined>(undefined);
  private readonly lengthMs = computed(() => this.seen().toMs - this.seen().fromMs);
  private readonly scale = computed(() => scaleOf(this.seen()));
  private readonly moved = computed(() => new Set(this.trial.moved()?.moved));

  protected readonly model = computed(() => supperLine(this.plan(), this.title()));
  protected readonly handles = computed(() => {
    const gapMs = HANDLE_SHARE[this.isNarrow() ? 'narrow' : 'wide'] * this.lengthMs();
    return boardHandles(this.plan(), this.seen(), gapMs).map((handle) => ({
      ...handle,
      at: this.placeOf(handle.step),
      words: this.wordsOf(handle),
      isMoved: this.moved().has(handle.step.key),
    }));
  });
  /** Where moved steps lay before. */
  protected readonly ghosts = computed(() =>
    (this.was()?.steps ?? [])
      .filter((s) => this.moved().has(s.key) && isSeen(this.seen(), s.slot.startMs))
      .map((s) => this.scale()(s.slot.startMs)),
  );

  /** Of a handle that a pointer was put on. */
  protected ready(event: Event, { step, at }: { readonly step: StepInPlan; readonly at: number }): void {
    const handle = event.currentTarget as HTMLElement;
    const widthPx = handle.parentElement?.clientWidth ?? 0;
    this.handleDrag.ready(handle, {
      held: () => {
        this.held.set({ key: step.key, at });
      },
      moved: (byPx) => {
        if (widthPx > 0) {
          this.drag(step, byPx / widthPx);
        }
      },
      let: () => {
        this.held.set(undefined);
      },
    });
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

  /** By a share of the line from where the step lay when it was taken hold of. */
  private drag(step: StepInPlan, byShare: number): void {
    const snapMs = this.lengthMs() <= 7 * DAY_MS ? SNAP_MS.halfHour : SNAP_MS.day;
    const byMs = Math.round((byShare * this.lengthMs()) / snapMs) * snapMs;
    if (byMs === 0) {
      this.trial.putBack();
    } else {
      this.trial.try(step.key, step.slot.startMs + byMs);
    }
  }

  private placeOf(step: StepInPlan): number {
    const held = this.held();
    return held?.key === step.key ? held.at : this.scale()(step.slot.startMs);
  }

  private wordsOf({ step, others }: BoardHandle): string {
    const more = others.length === 0 ? '' : `, with ${otherSteps(others.length)}`;
    return `${momentOf(step.slot.startMs)}: ${stepWords(step, this.plan(), this.house())}${more}; for ${this.title()}`;
  }
}
