import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { MatButton } from '@angular/material/button';
import type { BatchView, House } from '../../../../core/index';
import { runLineOf } from '../../../data/views/run-line-model';
import { isUnderWay, underWayWords } from '../../../data/views/under-way';
import { Plaque } from '../../../pieces/plaque';
import { RunLine } from '../../../pieces/run-line';

/** As many as leave room for what is wanted. Our choice. */
const MOST_AT_FIRST = 5;
/** More are scrolled through: a house may have hundreds, and only those in sight are drawn. Our choice. */
const MOST_IN_SIGHT = 14;
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
        [style.height.px]="linePx() * inSight()"
      >
        <ul>
          <li *cdkVirtualFor="let view of shown(); trackBy: idOf" class="line" [style.height.px]="linePx()">
            <span class="who"><nw-plaque [code]="view.code" /> {{ wordsOf(view) }}</span>
            <nw-run-line
              [model]="lineOf(view)"
              [fromMs]="fromMs()"
              [toMs]="toMs()"
              [nowMs]="nowMs()"
              [labels]="!isNarrow()"
            />
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
  readonly fromMs = input.required<number>();
  readonly toMs = input.required<number>();
  readonly nowMs = input.required<number>();
  readonly isNarrow = input(false);

  protected readonly most = MOST_AT_FIRST;
  protected readonly isWhole = signal(false);
  protected readonly linePx = computed(() => LINE_PX[this.isNarrow() ? 'narrow' : 'wide']);
  protected readonly running = computed(() => this.house().inHand.filter(isUnderWay).reverse());
  protected readonly shown = computed(() =>
    this.isWhole() ? this.running() : this.running().slice(0, MOST_AT_FIRST),
  );
  protected readonly inSight = computed(() => Math.min(MOST_IN_SIGHT, this.shown().length));
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

  protected lineOf(view: BatchView): ReturnType<typeof runLineOf> {
    return this.lines()(view);
  }

  protected wordsOf(view: BatchView): string {
    return underWayWords(view);
  }

  protected readonly idOf = (_index: number, { batch }: BatchView): string => batch.id;
}
