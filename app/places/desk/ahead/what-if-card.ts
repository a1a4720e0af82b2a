import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { MatProgressBar } from '@angular/material/progress-bar';
import { COLDER_C, MUCH_SPAWN, isRefusal, sumsOf, type House, type WhatIf } from '../../../../core/index';
import { messageOf } from '../../../data/words/message-of';
import { dayOf, lateWords, titleOf } from '../../../data/work/plan-words';
import { SupperPlanner, type MadePlan } from '../../../data/work/supper-planner';
import { BlankChoice } from '../../../pieces/blank';
import type { Choice } from '../../../pieces/form/choice-field';
import { sumsWords } from './steady-card';

const CHANGES: readonly Choice[] = [
  { value: '', words: 'everything stayed as it is' },
  { value: 'moreSpawn', words: `${MUCH_SPAWN * 100} % of each block were spawn` },
  { value: 'colderRoom', words: `it were ${COLDER_C} °C colder where things run` },
  { value: 'secondCooker', words: 'there were two of each cooker' },
  { value: 'moreTent', words: 'there were half as much room again to fruit in' },
];
const SPECIES = 'species ';

/** The plan with one thing changed, beside the plan as it is. */
@Component({
  selector: 'nw-what-if-card',
  imports: [BlankChoice, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="sentence">
      What if
      <nw-blank-choice
        name="What changes"
        [options]="changes()"
        [value]="chosen()"
        (valueChange)="chosen.set($event)"
      />?
    </p>
    @if (isPlanning()) {
      <mat-progress-bar mode="indeterminate" aria-label="Planning what would be" />
    }
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
    @if (rows(); as both) {
      <table>
        <caption class="out-of-sight">
          The plan as it is, and as it would be
        </caption>
        <thead>
          <tr>
            <th scope="col"></th>
            <th scope="col">As it is</th>
            <th scope="col">As it would be</th>
          </tr>
        </thead>
        <tbody>
          @for (row of both; track row.name) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td>{{ row.is }}</td>
              <td [class.other]="row.is !== row.wouldBe">{{ row.wouldBe }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="soft small">Nothing of this is kept: it is only to be looked at.</p>
    }
  `,
  styles: `
    .sentence {
      font-size: 20px;
      line-height: 1.7;
    }
    .error {
      color: var(--beet);
    }
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 16px;
    }
    th,
    td {
      padding: 6px 12px 6px 0;
      border-bottom: 1px solid var(--line);
      text-align: left;
      vertical-align: top;
    }
    .other {
      font-weight: 700;
    }
  `,
})
export class WhatIfCard {
  readonly house = input.required<House>();
  private readonly planner = inject(SupperPlanner);
  protected readonly chosen = signal('');
  protected readonly isPlanning = signal(false);
  protected readonly problem = signal('');
  private readonly wouldBe = signal<
    { readonly value: string; readonly against: MadePlan; readonly plan: MadePlan } | undefined
  >(undefined);

  protected readonly changes = computed<readonly Choice[]>(() => [
    ...CHANGES,
    ...[...this.house().records.species]
      .sort((a, b) => a.name.localeCompare(b.name))
      .map(({ id, name }) => ({ value: `${SPECIES}${id}`, words: `all of it were ${name.toLowerCase()}` })),
  ]);
  /** Undefined where nothing is tried; what was tried against the plan before stands until it is worked out anew. */
  protected readonly rows = computed(() => {
    const tried = this.wouldBe();
    return tried !== undefined && tried.value === this.chosen()
      ? rowsOf(tried.against, tried.plan, this.house())
      : undefined;
  });

  constructor() {
    // Also when the plan as it is becomes another.
    effect(() => {
      const [value, against] = [this.chosen(), this.planner.plan()];
      untracked(() => {
        void this.plan(value, against);
      });
    });
  }

  private async plan(value: string, against: MadePlan | undefined): Promise<void> {
    this.problem.set('');
    if (value === '' || against === undefined) {
      this.wouldBe.set(undefined);
      return;
    }
    this.isPlanning.set(true);
    const isAskedStill = () => this.chosen() === value && this.planner.plan() === against;
    try {
      const plan = await this.planner.planIf(whatIfOf(value));
      if (plan !== undefined && isAskedStill()) {
        this.wouldBe.set({ value, against, plan });
      }
    } catch (error) {
      if (!isRefusal(error)) {
        throw error;
      }
      this.problem.set(messageOf(error));
    } finally {
      if (isAskedStill()) {
        this.isPlanning.set(false);
      }
    }
  }
}

function whatIfOf(value: string): WhatIf {
  return value.startsWith(SPECIES)
    ? { kind: 'species', speciesId: value.slice(SPECIES.length) }
    : { kind: value as Exclude<WhatIf['kind'], 'species'> };
}

function rowsOf(is: MadePlan, wouldBe: MadePlan, house: House) {
  const keys = [...new Set([...is.suppers, ...wouldBe.suppers].map((s) => s.supper.key))];
  const find = (plan: MadePlan, key: string) => plan.suppers.find((s) => s.supper.key === key);
  const told = (plan: MadePlan, key: string) => {
    const found = find(plan, key);
    const first = found?.steps[0];
    return found === undefined
      ? 'cannot be planned'
      : `${lateWords(found)}${first === undefined ? '' : `; begins ${dayOf(first.slot.startMs)}`}`;
  };
  const sums = (plan: MadePlan) =>
    sumsWords(
      sumsOf(
        plan.suppers.flatMap((s) => s.steps),
        house,
      ),
      house,
    );
  return [
    ...keys.map((key) => ({
      name: titleOf((find(is, key) ?? find(wouldBe, key))!.supper, house),
      is: told(is, key),
      wouldBe: told(wouldBe, key),
    })),
    { name: 'All of it takes', is: sums(is), wouldBe: sums(wouldBe) },
  ];
}
