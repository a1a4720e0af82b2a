import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { plannedPurchases, type House, type SupperPlan } from '../../../../core/index';
import { amountWords } from '../../../data/words/measure-words';
import { dayOf } from '../../../data/work/plan-words';

/** What all plans take of each ingredient, and by when it should be here. */
@Component({
  selector: 'nw-to-buy-ahead',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (lines().length > 0) {
      <section class="card" aria-labelledby="to-buy-title">
        <h2 id="to-buy-title">To buy</h2>
        <ul>
          @for (line of lines(); track line.name) {
            <li>
              <span>{{ line.name }}</span>
              <span class="number">{{ line.missing }}</span>
              <span class="soft">by {{ line.by }}{{ line.have }}</span>
            </li>
          }
        </ul>
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
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      font-size: 16px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 220px) 88px minmax(0, 1fr);
      gap: 4px 12px;
      padding: 5px 0;
      border-top: 1px solid var(--line);
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class ToBuyAhead {
  readonly plans = input.required<readonly SupperPlan[]>();
  readonly house = input.required<House>();

  protected readonly lines = computed(() =>
    plannedPurchases(this.plans(), this.house())
      .filter((p) => p.missingG > 0)
      .map(({ name, missingG, byMs, haveG, needG }) => ({
        name,
        missing: amountWords(missingG),
        by: dayOf(byMs),
        have:
          haveG === undefined
            ? ', the shelf was never counted'
            : haveG > 0
              ? `, ${amountWords(haveG)} of ${amountWords(needG)} are here`
              : '',
      })),
  );
}
