import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { PlanNews } from '../../core/index';
import { AgreedPlans } from '../data/work/agreed-plans';
import { newsWords } from '../data/work/news-words';
import { massWords } from '../data/work/plan-words';
import { SupperPlanner } from '../data/work/supper-planner';

/** More are told where all of them are. Our choice. */
const MOST_TOLD = 2;
/** What one settles for is told to so many grams. */
const SETTLED_TO_G = 10;

/** What has changed of the plans since they were agreed to, each in one line with what can be done about it. */
@Component({
  selector: 'nw-plan-watch',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (line of told(); track line.key) {
      <p class="banner" role="status">
        <span class="words"><strong>Plan.</strong> {{ line.words }}</span>
        <button type="button" matButton="outlined" class="agree" (click)="agree(line.news)">Agree</button>
        @if (line.settleG > 0) {
          <button type="button" matButton class="word" (click)="settle(line)">{{ line.settleWords }}</button>
        }
        <a class="word" routerLink="/desk/ahead">Look</a>
        <button type="button" matButton class="word" (click)="agreed.leave(line.news.plan)">Not now</button>
      </p>
    }
    @if (more() > 0) {
      <p class="banner">
        <a class="word" routerLink="/desk/ahead"
          >{{ more() === 1 ? 'One plan more' : more() + ' plans more' }} changed</a
        >
      </p>
    }
  `,
  styles: `
    .banner {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 20px;
      margin: 0;
      padding: 7px 24px;
      border-bottom: 1px solid var(--line);
      background: var(--rye-wash);
      font-size: 16px;
    }
    .agree {
      min-height: 44px;
      padding: 0 18px;
      font-size: inherit;
    }
    .words {
      flex: 1 1 420px;
    }
    @media (max-width: 820px) {
      .banner {
        padding: 7px 16px;
      }
    }
  `,
})
export class PlanWatch {
  protected readonly agreed = inject(AgreedPlans);
  private readonly planner = inject(SupperPlanner);

  private readonly lines = computed(() => {
    const house = this.planner.plan()?.house;
    return house === undefined
      ? []
      : this.agreed.news().map((news) => {
          const settleG = Math.floor((news.inTimeG ?? 0) / SETTLED_TO_G) * SETTLED_TO_G;
          return {
            key: news.plan.supper.key,
            news,
            words: newsWords(news, house),
            settleG,
            settleWords: `Settle for ${massWords(settleG)}`,
          };
        });
  });
  protected readonly told = computed(() => this.lines().slice(0, MOST_TOLD));
  protected readonly more = computed(() => this.lines().length - this.told().length);

  protected agree({ plan }: PlanNews): void {
    const made = this.planner.plan();
    if (made !== undefined) {
      void this.agreed.agree([plan], made);
    }
  }

  protected settle({ news, settleG }: { readonly news: PlanNews; readonly settleG: number }): void {
    void this.agreed.settleFor(news.plan, settleG);
  }
}
