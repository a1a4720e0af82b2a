import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addMonths, format, startOfMonth } from 'date-fns';
import { DAY_MS, type House, type SupperPlan } from '../../../../core/index';
import { Time } from '../../../data/clock/time';
import { RunLine } from '../../../pieces/run-line';
import { titleOf } from '../../../data/work/plan-words';
import { supperLine } from './supper-line';

/** Left free before now, days. */
const MARGIN_DAYS = 4;
/** Left free behind the last, for the word that stands there. */
const WORDS_SHARE = 0.2;
const MOST_TICKS = 8;

/** All that is wanted on one scale of months: what runs when, and when it is there. */
@Component({
  selector: 'nw-ahead-board',
  imports: [RunLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" aria-label="All of it">
      <div class="line" aria-hidden="true">
        <span></span>
        <div class="rule">
          @for (tick of ticks(); track tick.words) {
            <span class="tick" [style.left.%]="tick.at">{{ tick.words }}</span>
          }
        </div>
      </div>
      <ul>
        @for (line of lines(); track line.key) {
          <li class="line">
            <span>{{ line.title }}</span>
            <nw-run-line
              [model]="line.model"
              [fromMs]="fromMs()"
              [toMs]="toMs()"
              [nowMs]="nowMs()"
              [labels]="!isNarrow"
            />
          </li>
        }
      </ul>
      @if (isNarrow) {
        <p class="soft small">Bands: spawn runs, blocks run, blocks bear. Dots: something is to be done.</p>
      }
    </section>
  `,
  styles: `
    .card {
      padding: 12px 20px 14px;
      font-size: 15px;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .line {
      display: grid;
      grid-template-columns: 248px minmax(0, 1fr);
      gap: 8px;
      align-items: center;
      min-height: 31px;
    }
    .rule {
      position: relative;
      height: 22px;
    }
    .tick {
      position: absolute;
      padding-left: 5px;
      border-left: 1px solid var(--line);
      color: var(--soft);
      white-space: nowrap;
    }
    @media (max-width: 820px) {
      .line {
        grid-template-columns: minmax(0, 1fr);
        gap: 2px;
      }
    }
  `,
})
export class AheadBoard {
  readonly plans = input.required<readonly SupperPlan[]>();
  readonly house = input.required<House>();
  protected readonly nowMs = inject(Time).minute;
  protected readonly isNarrow = matchMedia('(max-width: 820px)').matches;

  protected readonly fromMs = computed(() => this.nowMs() - MARGIN_DAYS * DAY_MS);
  protected readonly toMs = computed(() => {
    const lastMs = Math.max(
      this.nowMs() + 4 * MARGIN_DAYS * DAY_MS,
      ...this.plans().flatMap((p) => p.steps.map((s) => s.slot.endMs)),
    );
    return lastMs + WORDS_SHARE * (lastMs - this.fromMs());
  });
  protected readonly ticks = computed(() => {
    const [from, to] = [this.fromMs(), this.toMs()];
    return Array.from({ length: MOST_TICKS }, (_, i) => addMonths(startOfMonth(this.nowMs()), i + 1))
      .filter((month) => month.getTime() < to)
      .map((month) => ({
        words: format(month, 'd MMM'),
        at: ((month.getTime() - from) / (to - from)) * 100,
      }));
  });
  protected readonly lines = computed(() =>
    this.plans()
      .filter((p) => p.steps.length > 0)
      .map((plan) => {
        const title = titleOf(plan.supper, this.house());
        return { key: plan.supper.key, title, model: supperLine(plan, title) };
      }),
  );
}
