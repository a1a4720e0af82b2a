import { ChangeDetectionStrategy, Component, computed, input, signal, viewChild } from '@angular/core';
import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { MatButton } from '@angular/material/button';
import type { BatchView, House } from '../../../../core/index';
import { runLineOf } from '../../../data/views/run-line-model';
import { isUnderWay, underWayWords } from '../../../data/views/under-way';
import { Plaque } from '../../../pieces/plaque';
import { inTurn } from '../../../pieces/in-turn';
import { RunLine } from '../../../pieces/run-line';
import type { Seen } from '../../../pieces/seen-time';

/** As many as leave room for what is wanted. Our choice. */
const MOST_AT_FIRST = 5;
/** More are scrolled through: a house may have hundreds, and only those in sight are drawn. Our choice. */
const MOST_IN_SIGHT = 10;
/** Drawn beyond those in sight, since they are scrolled to next. Our choice. */
const MOST_BEYOND = 3;
const MOST_DRAWN = MOST_IN_SIGHT + MOST_BEYOND + 1;
/** By measurement on a machine slowed down four times. */
const AT_ONCE = 2;
/** Of a line, px; on a narrow screen its words stand above its time. */
const LINE_PX = { wide: 32, narrow: 54 } as const;

/** What is under way already, batch by batch, on the board's own time; the newest first. */
@Component({
  selector: 'nw-running-lines',
  imports: [CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport, MatButton, Plaque, RunLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (running().length > 0) {
      <cdk-virtual-scroll-viewport
        class="running"
        role="region"
        tabindex="0"
        aria-label="What is under way"
        [itemSize]="linePx()"
        [minBufferPx]="linePx()"
        [maxBufferPx]="linePx() * beyond"
        [style.height.px]="linePx() * inSight()"
      >
        <ul>
          <li
            *cdkVirtualFor="let view of shown(); trackBy: idOf; let row = index"
            class="line"
            [style.height.px]="linePx()"
          >
            @if (row < most || isWholeBy(row)) {
              <span class="who"><nw-plaque [code]="view.code" /> {{ wordsOf(view) }}</span>
              <nw-run-line
                [model]="lineOf(view)"
                [seen]="seenBy(row)"
                [nowMs]="nowMs()"
                [labels]="!isNarrow()"
              />
            }
          </li>
        </ul>
      </cdk-virtual-scroll-viewport>
      @if (running().length > most) {
        <button
          type="button"
          matButton
          class="word"
          [attr.aria-expanded]="isWhole()"
          (click)="isWhole.set(!isWhole())"
        >
          {{ isWhole() ? 'only the newest' : 'all ' + running().length + ' batches under way' }}
        </button>
      }
    }
  `,
  styleUrl: './board-lines.scss',
  styles: `
    .running {
      border-top: 1px solid var(--line);
      overflow-x: hidden;
    }
    .line {
      min-height: 0;
      font-size: 15px;
    }
    .who {
      overflow: hidden;
      white-space: nowrap;
      text-overflow: ellipsis;
    }
  `,
})
export class RunningLines {
  readonly house = input.required<House>();
  readonly seen = input.required<Seen>();
  readonly nowMs = input.required<number>();
  readonly isNarrow = input(false);

  protected readonly most = MOST_AT_FIRST;
  protected readonly beyond = MOST_BEYOND;
  protected readonly isWhole = signal(false);
  protected readonly linePx = computed(() => LINE_PX[this.isNarrow() ? 'narrow' : 'wide']);
  protected readonly running = computed(() => this.house().inHand.filter(isUnderWay).reverse());
  protected readonly isWholeBy = inTurn(this.isWhole, signal(MOST_DRAWN), AT_ONCE);
  // Not in the task of the press itself: the lines are made in the next frame, and filled in those after it.
  protected readonly shown = computed(() =>
    this.isWholeBy(0) ? this.running() : this.running().slice(0, MOST_AT_FIRST),
  );
  protected readonly inSight = computed(() => Math.min(MOST_IN_SIGHT, this.shown().length));
  private readonly viewport = viewChild(CdkVirtualScrollViewport);
  private readonly seenInTurn = inTurn(this.seen, signal(MOST_DRAWN), AT_ONCE);
  /** Lines that were asked for, of this house at this minute. */
  private readonly lines = computed(() => {
    const [house, nowMs] = [this.house(), this.nowMs()];
    const made = new Map<BatchView, ReturnType<typeof runLineOf>>();
    return (view: BatchView) => {
      const line = made.get(view) ?? runLineOf(view, house, nowMs);
      made.set(view, line);
      return line;
    };
  });

  /** The first line that is drawn, is the first to take its turn. */
  protected seenBy(row: number): Seen {
    return this.seenInTurn(row - (this.viewport()?.getRenderedRange().start ?? 0));
  }

  protected lineOf(view: BatchView): ReturnType<typeof runLineOf> {
    return this.lines()(view);
  }

  protected wordsOf(view: BatchView): string {
    return underWayWords(view);
  }

  protected readonly idOf = (_index: number, { batch }: BatchView): string => batch.id;
}
