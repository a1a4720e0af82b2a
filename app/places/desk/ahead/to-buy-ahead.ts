import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addDays, getDay, startOfDay } from 'date-fns';
import { shoppingByDay, type House, type Purchase, type SupperPlan } from '../../../../core/index';
import { amountWords } from '../../../data/words/measure-words';
import { moneyWords } from '../../../data/words/words';
import { dayOf, massWords } from '../../../data/work/plan-words';
import { Wishes } from '../../../data/work/wishes';
import { BlankChoice } from '../../../pieces/blank';
import type { Choice } from '../../../pieces/form/choice-field';

/** Most people shop at the end of the week. Our choice. */
const USUAL_SHOP_DAY = 5;
const WEEKDAYS: readonly Choice[] = [
  'Mondays',
  'Tuesdays',
  'Wednesdays',
  'Thursdays',
  'Fridays',
  'Saturdays',
  'Sundays',
].map((words, at) => ({ value: String(at), words }));

/** What all plans take of each ingredient, by the days on which one shops, in packages as they were bought last. */
@Component({
  selector: 'nw-to-buy-ahead',
  imports: [BlankChoice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (days().length > 0) {
      <section class="card" aria-labelledby="to-buy-title">
        <h2 id="to-buy-title">To buy</h2>
        <p class="sentence">
          I shop on
          <nw-blank-choice
            name="Shop on"
            [options]="weekdays"
            [value]="shopDay()"
            (valueChange)="setShopDay($event)"
          />.
        </p>
        @for (day of days(); track day.words) {
          <h3>{{ day.words }}</h3>
          <ul>
            @for (line of day.lines; track line.name) {
              <li>
                <span>{{ line.name }}</span>
                <span class="number">{{ line.amount }}</span>
                <span class="soft">{{ line.more }}</span>
              </li>
            }
          </ul>
        }
      </section>
    }
  `,
  styles: `
    .card {
      display: grid;
      gap: 8px;
      padding: 16px 20px;
    }
    h2 {
      font-size: 20px;
    }
    h3 {
      margin: 6px 0 0;
      font-size: 17px;
    }
    .sentence {
      font-size: 18px;
      line-height: 1.7;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      font-size: 16px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 220px) 120px minmax(0, 1fr);
      gap: 4px 12px;
      padding: 5px 0;
      border-top: 1px solid var(--line);
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    @media (max-width: 560px) {
      li {
        grid-template-columns: minmax(0, 1fr) max-content;
      }
      li .soft {
        grid-column: 1 / -1;
      }
    }
  `,
})
export class ToBuyAhead {
  readonly plans = input.required<readonly SupperPlan[]>();
  readonly house = input.required<House>();
  private readonly wishes = inject(Wishes);
  protected readonly weekdays = WEEKDAYS;

  protected readonly shopDay = computed(() => String(this.wishes.week().shopDay ?? USUAL_SHOP_DAY));
  protected readonly days = computed(() =>
    shoppingByDay(this.plans(), this.house(), (byMs) => dayBy(byMs, Number(this.shopDay()))).map(
      ({ dayMs, purchases }) => ({
        words: dayOf(dayMs),
        lines: purchases.map((p) => this.lineOf(p)),
      }),
    ),
  );

  protected setShopDay(day: string): void {
    void this.wishes.setWeek({ ...this.wishes.week(), shopDay: Number(day) });
  }

  private lineOf({ name, massG, packages, leftG, isUncounted }: Purchase) {
    const currency = this.house().household?.currency ?? '';
    return {
      name,
      amount:
        packages === undefined ? amountWords(massG) : `${packages.count} × ${massWords(packages.eachG)}`,
      more: [
        ...(packages === undefined ? [] : [moneyWords(packages.price, currency)]),
        ...(leftG >= 1 ? [`${massWords(leftG)} left after`] : []),
        ...(isUncounted ? ['the shelf was never counted'] : []),
      ].join(', '),
    };
  }
}

/** The last day of a weekday, 0 is Monday, that is not after a moment. */
function dayBy(byMs: number, weekday: number): number {
  const back = (getDay(byMs) + 6 - weekday + 7) % 7;
  return startOfDay(addDays(byMs, -back)).getTime();
}
