import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { format, isSameDay } from 'date-fns';
import {
  stepNameOf,
  whyNotSooner,
  type House,
  type StepInPlan,
  type SupperPlan,
  type SupperRefused,
} from '../../../../core/index';
import {
  bindingWords,
  dayOf,
  marginWords,
  meetWords,
  refusedWords,
  stepWords,
  tooSmallWords,
  verdictOf,
  titleOf,
  whyWords,
} from '../../../data/work/plan-words';
import { AgreedPlans } from '../../../data/work/agreed-plans';
import { dateOf } from '../../../data/clock/local-days';
import { wishAndDayOf } from '../../../data/work/wishes';
import { PlanTrial } from './plan-trial';

interface Row {
  readonly key: string;
  /** The day, where it is another than that of the row before. */
  readonly day: string;
  /** The same, year first. */
  readonly date: string;
  readonly time: string;
  readonly words: string;
  readonly margin: string;
  /** Its name within the plan. */
  readonly step: string;
  readonly isByHand: boolean;
  /** With what of another wish it may come together. */
  readonly meets: string;
  /** Why it lies when it does; empty where nobody asked. */
  readonly why: string;
}

/** So many steps of a wish are shown at first: the others are far off. Our choice. */
const MOST_STEPS = 6;

/** One wish: whether it holds, and its steps day by day. */
@Component({
  selector: 'nw-supper-card',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" [class.late]="isLate()" [attr.aria-label]="title()">
      <div class="title">
        <h2>{{ title() }}</h2>
        <button
          type="button"
          matButton
          class="word"
          [attr.aria-label]="'Take off ' + title()"
          (click)="takenOff.emit(wishId())"
        >
          take off
        </button>
      </div>
      <p class="verdict">{{ verdict() }}</p>
      @if (waitsFor(); as words) {
        <p>{{ words }}</p>
      }
      @for (words of tooSmall(); track words) {
        <p>{{ words }}</p>
      }
      @if (rows().length > 0) {
        <ol>
          @for (row of shownRows(); track row.key) {
            <li [class.first]="row.day !== ''">
              @if (row.day !== '') {
                <a class="day" routerLink="/desk/day" [queryParams]="{ on: row.date }">{{ row.day }}</a>
              } @else {
                <span></span>
              }
              <span class="time">{{ row.time }}</span>
              <span
                >{{ row.words }} <span class="soft small">{{ row.margin }}</span>
                @if (row.meets !== '') {
                  <span class="why soft small">{{ row.meets }}</span>
                }
                @if (row.why !== '') {
                  <span class="why soft">{{ row.why }}</span>
                }
                @if (row.isByHand) {
                  <span class="soft small">put there by hand</span>
                  <button
                    type="button"
                    matButton
                    class="word small"
                    [attr.aria-label]="'Let it fall where it may: ' + row.words"
                    (click)="letFall(row.step)"
                  >
                    let it fall
                  </button>
                }
              </span>
            </li>
          }
        </ol>
        <div class="more">
          @if (rows().length > most) {
            <button
              type="button"
              matButton
              class="word"
              [attr.aria-expanded]="isWhole()"
              (click)="isWhole.set(!isWhole())"
            >
              {{ isWhole() ? 'only the first steps' : 'all ' + rows().length + ' steps' }}
            </button>
          }
          <button
            type="button"
            matButton
            class="word"
            [attr.aria-expanded]="isExplained()"
            (click)="isExplained.set(!isExplained())"
          >
            {{ isExplained() ? 'without the reasons' : 'why these days?' }}
          </button>
        </div>
      }
    </section>
  `,
  styles: `
    .card {
      display: grid;
      gap: 8px;
      padding: 16px 20px;
    }
    .card.late {
      --rim: var(--rye);
    }
    .title {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 16px;
      align-items: baseline;
      justify-content: space-between;
    }
    h2 {
      font-size: 22px;
    }
    .verdict {
      font-size: 18px;
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
      font-size: 16px;
    }
    li {
      display: grid;
      grid-template-columns: 104px 108px minmax(0, 1fr);
      gap: 4px 12px;
      padding: 5px 0;
    }
    li.first {
      border-top: 1px solid var(--line);
    }
    .day {
      font-weight: 700;
      color: inherit;
    }
    .more {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 24px;
    }
    .why {
      display: block;
    }
    .time {
      font-variant-numeric: tabular-nums;
    }
    @media (max-width: 560px) {
      li {
        grid-template-columns: 96px minmax(0, 1fr);
      }
      li > :last-child {
        grid-column: 1 / -1;
      }
    }
  `,
})
export class SupperCard {
  readonly house = input.required<House>();
  readonly plan = input<SupperPlan>();
  readonly refused = input<SupperRefused>();
  readonly takenOff = output<string>();

  private readonly trial = inject(PlanTrial);
  private readonly agreed = inject(AgreedPlans);
  private readonly supper = computed(() => (this.plan() ?? this.refused())!.supper);
  protected readonly wishId = computed(() => wishAndDayOf(this.supper()).wishId);
  protected readonly title = computed(() => titleOf(this.supper(), this.house()));
  protected readonly verdict = computed(() => {
    const [plan, refused] = [this.plan(), this.refused()];
    return plan !== undefined ? verdictOf(plan) : refused !== undefined ? refusedWords(refused) : '';
  });
  protected readonly waitsFor = computed(() => {
    const plan = this.plan();
    return plan === undefined ? '' : bindingWords(plan, this.house());
  });
  protected readonly tooSmall = computed(() => {
    const plan = this.plan();
    return plan === undefined ? [] : tooSmallWords(plan, this.house());
  });
  protected readonly isLate = computed(() => (this.plan()?.lateDays ?? Infinity) > 0);
  protected readonly most = MOST_STEPS;
  protected readonly isWhole = signal(false);
  protected readonly isExplained = signal(false);
  protected readonly shownRows = computed(() =>
    this.isWhole() ? this.rows() : this.rows().slice(0, MOST_STEPS),
  );
  protected readonly rows = computed<readonly Row[]>(() => {
    const plan = this.plan();
    const steps = plan?.steps ?? [];
    return steps.map((step, i) => ({
      key: step.key,
      day: isSameDay(step.slot.startMs, steps[i - 1]?.slot.startMs ?? 0) ? '' : dayOf(step.slot.startMs),
      date: dateOf(step.slot.startMs),
      time: timeWords(step),
      words: stepWords(step, plan!, this.house()),
      margin: steps.findIndex((s) => s.kind === step.kind) === i ? marginWords(step) : '',
      meets: meetWords(
        this.trial.meets().get(step.key) ?? [],
        this.trial.plan()?.suppers ?? [],
        this.house(),
      ),
      step: stepNameOf(step),
      isByHand: step.isByHand === true,
      why: this.isExplained() ? this.whyOf(step) : '',
    }));
  });

  private whyOf({ key }: StepInPlan): string {
    const made = this.trial.plan();
    const why = made && whyNotSooner(made.drafts.tasks, made.limits, made.schedule, key);
    return why === undefined ? '' : whyWords(why, made!.suppers, this.house());
  }

  protected letFall(step: string): void {
    void this.agreed.putBack(this.plan()!, step);
  }
}

function timeWords({ slot }: StepInPlan): string {
  return `${format(slot.startMs, 'HH:mm')}–${format(slot.endMs, 'HH:mm')}`;
}
