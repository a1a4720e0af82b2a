import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { isRefusal, type House } from '../../../../core/index';
import { dateOf } from '../../../data/clock/local-days';
import { messageOf } from '../../../data/words/message-of';
import { vesselCount, vesselWords } from '../../../data/words/words';
import { dayOf, massWords } from '../../../data/work/plan-words';
import { SupperPlanner, type Possible } from '../../../data/work/supper-planner';
import { Wishes } from '../../../data/work/wishes';

/** What is likely there is told to so many grams. */
const TOLD_TO_G = 10;

/** Forward: what could be grown from blocks, spawn and cultures that are there and that no plan takes. */
@Component({
  selector: 'nw-forward-card',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
    <ul>
      @for (line of lines(); track line.key) {
        <li>
          <span
            ><strong>{{ line.species }}</strong
            >: {{ line.words }} <span class="soft small">{{ line.detail }}</span></span
          >
          <button
            type="button"
            matButton
            class="word"
            [attr.aria-label]="'Plan ' + line.species"
            (click)="plan(line)"
          >
            plan it
          </button>
        </li>
      } @empty {
        <li class="soft">
          Nothing is here that is free: no block, no spawn and no culture that no plan takes.
        </li>
      }
    </ul>
  `,
  styles: `
    .error {
      color: var(--beet);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      font-size: 16px;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 16px;
      align-items: baseline;
      justify-content: space-between;
      padding: 6px 0;
      border-top: 1px solid var(--line);
    }
  `,
})
export class ForwardCard {
  readonly house = input.required<House>();
  private readonly planner = inject(SupperPlanner);
  private readonly wishes = inject(Wishes);
  protected readonly problem = signal('');
  protected readonly lines = signal<readonly ReturnType<typeof lineOf>[]>([]);

  constructor() {
    effect(() => {
      const plan = this.planner.plan();
      const house = this.house();
      if (plan !== undefined) {
        untracked(() => {
          void this.look(house);
        });
      }
    });
  }

  protected plan({ could, readyMs }: Possible): void {
    void this.wishes.add({
      speciesId: could.species.id,
      massG: Math.max(TOLD_TO_G, Math.floor(could.middleG / TOLD_TO_G) * TOLD_TO_G),
      on: dateOf(readyMs),
      certainty: 'even',
    });
  }

  private async look(house: House): Promise<void> {
    try {
      this.lines.set((await this.planner.forward()).map((p) => lineOf(p, house)));
      this.problem.set('');
    } catch (error) {
      if (!isRefusal(error)) {
        throw error;
      }
      this.problem.set(messageOf(error));
    }
  }
}

function lineOf(possible: Possible, house: House) {
  const { could, readyMs, beginsMs } = possible;
  const from = [...new Set(could.steps.flatMap((s) => s.from.map((f) => f.view.vessel.id)))];
  return {
    ...possible,
    key: could.species.id,
    species: could.species.name,
    words: `${vesselCount(could.blocks, could.recipe.bulk.vessel)}, about ${massWords(Math.round(could.middleG / TOLD_TO_G) * TOLD_TO_G)} by ${dayOf(readyMs)}.`,
    detail: `From ${vesselWords(from, house)}; begins ${dayOf(beginsMs)}.`,
  };
}
