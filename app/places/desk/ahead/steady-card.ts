import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { isRefusal, type House, type PlanSums, type Steady } from '../../../../core/index';
import { amountWords, fuelWords } from '../../../data/words/measure-words';
import { messageOf } from '../../../data/words/message-of';
import { moneyWords } from '../../../data/words/words';
import { limitWords, massWords, refusedWords } from '../../../data/work/plan-words';
import { SupperPlanner } from '../../../data/work/supper-planner';

const DAYS_PER_MONTH = 30;
/** Below, a place or a cooker is no limit worth a line. Our choice. */
const LEAST_SHARE = 0.005;

/** What a supply that goes on takes week by week, and what limits it. */
@Component({
  selector: 'nw-steady-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as words) {
      <p class="card soft">{{ words }}</p>
    }
    @if (steady(); as supply) {
      <section class="card" aria-labelledby="steady-title">
        <h2 id="steady-title">{{ massWords(supply.massGPerWeek) }} a week, on and on</h2>
        <p>{{ takes() }}</p>
        <ul>
          @for (use of uses(); track use.words) {
            <li>
              <span>{{ use.words }}</span>
              <span class="bar" aria-hidden="true"
                ><span [style.width.%]="use.width" [class.over]="use.isOver"></span
              ></span>
              <span class="number">{{ use.share }}</span>
            </li>
          }
        </ul>
        <p class="verdict">{{ verdict() }}</p>
        <p class="soft">{{ culture() }}</p>
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
      font-size: 22px;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      font-size: 16px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 220px) minmax(60px, 320px) 88px;
      gap: 4px 12px;
      align-items: center;
      padding: 5px 0;
    }
    .bar {
      height: 14px;
      border: 1px solid var(--edge);
      border-radius: 7px;
      overflow: hidden;
    }
    .bar > span {
      display: block;
      height: 100%;
      background: var(--rim);
    }
    .bar > .over {
      background: var(--beet);
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    .verdict {
      font-size: 18px;
    }
  `,
})
export class SteadyCard {
  readonly house = input.required<House>();
  private readonly planner = inject(SupperPlanner);
  protected readonly massWords = massWords;

  private readonly reckoned = computed(() => {
    try {
      return this.planner.steady(this.house());
    } catch (error) {
      if (!isRefusal(error)) {
        throw error;
      }
      return messageOf(error);
    }
  });
  protected readonly problem = computed(() => {
    const reckoned = this.reckoned();
    return typeof reckoned === 'string'
      ? reckoned
      : reckoned !== undefined && 'kind' in reckoned
        ? refusedWords({ why: reckoned })
        : '';
  });
  protected readonly steady = computed<Steady | undefined>(() => {
    const reckoned = this.reckoned();
    return typeof reckoned === 'object' && !('kind' in reckoned) ? reckoned : undefined;
  });
  protected readonly takes = computed(() => {
    const supply = this.steady();
    return supply === undefined
      ? ''
      : `Each week ${count(supply.blocksPerWeek, 'block', 'blocks')}, ${sumsWords(supply.sums, this.house())}.`;
  });
  protected readonly uses = computed(() =>
    (this.steady()?.uses ?? [])
      .filter((u) => u.share >= LEAST_SHARE)
      .map(({ of, share }) => ({
        words: limitWords(of, this.house()),
        width: Math.min(1, share) * 100,
        share: share === Infinity ? 'none there' : `${Math.round(share * 100)} %`,
        isOver: share > 1,
      })),
  );
  protected readonly verdict = computed(() => {
    const supply = this.steady();
    const [first, second] = supply?.uses ?? [];
    if (supply === undefined || first === undefined) {
      return '';
    }
    const limit = limitWords(first.of, this.house());
    if (first.share === Infinity) {
      return `${limit}: there is none in the week, so that nothing can be had.`;
    }
    const next = second === undefined ? undefined : limitWords(second.of, this.house());
    const lifted =
      next === undefined
        ? ''
        : ` With more of it, ${massWords(rounded(supply.liftedG))}: then ${lower(next)} runs short.`;
    return first.share > 1
      ? `Too much: ${lower(limit)} carries ${massWords(rounded(supply.mostG))} a week.${lifted}`
      : `${limit} runs short first, at ${massWords(rounded(supply.mostG))} a week.${lifted}`;
  });
  protected readonly culture = computed(() => {
    const culture = this.steady()?.culture;
    return culture === undefined
      ? ''
      : `${count(culture.isolates, 'isolate', 'isolates')}, kept as ${culture.slants} slants in the fridge: one of each is the back-up. Renew them every ${Math.round(culture.renewDays / DAYS_PER_MONTH)} months. A bottle of broth lasts about ${Math.max(1, Math.floor(culture.bottleWeeks))} weeks.`;
  });
}

/** "1.6 h of work, 420 g of grain, 1.2 cooks (98 g of gas), 4.20" */
export function sumsWords({ handHours, grainG, cooks, fuel, spend }: PlanSums, house: House): string {
  const fired = cooks.reduce((sum, c) => sum + c.count, 0);
  const burnt = [
    ...(fuel.g > 0 ? [fuelWords(fuel.g, 'gas', 0)] : []),
    ...(fuel.kWh > 0 ? [fuelWords(fuel.kWh, 'electric')] : []),
  ];
  const money = spend.amount > 0 ? [moneyWords(spend.amount, house.household?.currency ?? '')] : [];
  return [
    `${figure(handHours)} h of work`,
    ...(grainG > 0 ? [`${amountWords(Math.round(grainG))} of dry grain`] : []),
    `${count(fired, 'cook', 'cooks')}${burnt.length > 0 ? ` (${burnt.join(', ')})` : ''}`,
    ...money.map((m) => `costing ${m} as far as prices are known`),
  ].join(', ');
}

function count(value: number, one: string, several: string): string {
  const words = figure(value);
  return `${words} ${words === '1' ? one : several}`;
}

/** A tenth below ten: as much as is known. */
function figure(value: number): string {
  return value < 10 ? value.toFixed(1).replace(/\.0$/, '') : String(Math.round(value));
}

/** To two figures: more is not known. */
function rounded(massG: number): number {
  return Number(massG.toPrecision(2));
}

function lower(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}
