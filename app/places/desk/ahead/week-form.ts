import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { format, parseISO } from 'date-fns';
import {
  USUAL_WEEK,
  freeHoursOf,
  freeHoursText,
  type FreeHours,
  type WeekPattern,
} from '../../../../core/index';
import { dateOf } from '../../../data/clock/local-days';
import { Wishes } from '../../../data/work/wishes';
import { Chips } from '../../../pieces/form/chips';
import { DateField } from '../../../pieces/form/date-field';
import { ChoiceField, type Choice } from '../../../pieces/form/choice-field';
import { TextField } from '../../../pieces/form/text-field';

type DayKind = 'none' | 'evening' | 'whole' | 'off' | 'other';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const [EVENING, WHOLE] = [USUAL_WEEK.weekdays[0]!, USUAL_WEEK.weekdays[6]!];
const KINDS: readonly Choice<Exclude<DayKind, 'other'>>[] = [
  { value: 'none', words: 'no time' },
  { value: 'evening', words: 'evening, 18 to 22' },
  { value: 'whole', words: '9 to 21' },
  { value: 'off', words: '9 to 21, only if need be' },
];
const DATE_KINDS = KINDS.filter((k) => k.value !== 'off');
const QUIET: readonly Choice[] = [22, 23, 24, 25].map((hour) => ({
  value: String(hour * 60),
  words: `${String(hour % 24).padStart(2, '0')}:00`,
}));
const AT_ONCE: readonly Choice<'any' | 'one'>[] = [
  { value: 'any', words: 'several at once' },
  { value: 'one', words: 'one at a time' },
];
const HOURS: Readonly<Record<Exclude<DayKind, 'other'>, FreeHours[]>> = {
  none: [],
  evening: EVENING,
  whole: WHOLE,
  off: WHOLE,
};

/** On which evenings and days there is time, and on which single days it is otherwise. */
@Component({
  selector: 'nw-week-form',
  imports: [ChoiceField, Chips, DateField, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (day of days(); track day.name) {
      <div class="day">
        <span>{{ day.name }}</span>
        <nw-chips [name]="day.name" [options]="day.kinds" [value]="day.kind" (chosen)="set(day.at, $event)" />
      </div>
    }
    <div class="row">
      <nw-choice-field name="Other hours on" [control]="otherDay" [options]="weekdays" />
      <nw-text-field name="From and to" example="6:30-7:30, 19-22" [longest]="60" [control]="otherHours" />
      <button type="button" matButton class="word" (click)="setHours()">Set these hours</button>
    </div>
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
    <div class="day">
      <span>Quiet from</span>
      <nw-chips name="Quiet from" [options]="quiet" [value]="quietFrom()" (chosen)="setQuiet($event)" />
    </div>
    <p class="soft small">Until then a cooker is watched; hands are at work only in the times above.</p>
    <div class="day">
      <span>Cookers on</span>
      <nw-chips name="Cookers on" [options]="atOnce" [value]="cookersOn()" (chosen)="setCookers($event)" />
    </div>
    <div class="row">
      <nw-date-field name="Otherwise on" [control]="on" />
      @for (kind of dateKinds; track kind.value) {
        <button type="button" matButton class="word" (click)="setDate(kind.value)">{{ kind.words }}</button>
      }
    </div>
    @for (date of dates(); track date.date) {
      <p>
        {{ date.words }}
        <button
          type="button"
          matButton
          class="word"
          [attr.aria-label]="'As usual on ' + date.date"
          (click)="clear(date.date)"
        >
          as usual again
        </button>
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .day {
      display: grid;
      grid-template-columns: 120px minmax(0, 1fr);
      gap: 4px 12px;
      align-items: center;
    }
    .error {
      color: var(--beet);
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      align-items: end;
    }
    @media (max-width: 560px) {
      .day {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class WeekForm {
  private readonly wishes = inject(Wishes);
  protected readonly kinds = KINDS;
  protected readonly dateKinds = DATE_KINDS;
  protected readonly quiet = QUIET;
  protected readonly atOnce = AT_ONCE;
  protected readonly on = new FormControl<Date | null>(null);
  protected readonly weekdays: readonly Choice[] = WEEKDAYS.map((words, at) => ({
    value: String(at),
    words,
  }));
  protected readonly otherDay = new FormControl('0', { nonNullable: true });
  protected readonly otherHours = new FormControl('', { nonNullable: true });
  protected readonly problem = signal('');

  protected readonly days = computed(() =>
    WEEKDAYS.map((name, at) => {
      const week = this.wishes.week();
      const kind = kindOf(week, at);
      const words = freeHoursText(week.weekdays[at] ?? []);
      return {
        name,
        at,
        kind,
        kinds: kind === 'other' ? [...KINDS, { value: 'other' as const, words }] : KINDS,
      };
    }),
  );
  protected readonly quietFrom = computed(() => String(this.wishes.week().quietFromMinute));
  protected readonly cookersOn = computed(() => (this.wishes.week().oneCooker === true ? 'one' : 'any'));
  protected readonly dates = computed(() =>
    Object.entries(this.wishes.week().dates)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([date, hours]) => ({
        date,
        words: `${format(parseISO(date), 'EEE d MMM yyyy')}: ${KINDS.find((k) => k.value === kindOfHours(hours))?.words ?? freeHoursText(hours)}`,
      })),
  );

  protected set(at: number, kind: DayKind): void {
    if (kind === 'other') {
      return;
    }
    const week = this.wishes.week();
    const others = week.daysOff.filter((d) => d !== at);
    this.keep({
      ...week,
      weekdays: week.weekdays.map((hours, i) => (i === at ? HOURS[kind] : hours)),
      daysOff: kind === 'off' ? [...others, at] : others,
    });
  }

  protected setHours(): void {
    const hours = freeHoursOf(this.otherHours.value);
    if (hours === undefined) {
      this.problem.set(
        'From and to must be up to four times of day, each like 18-22 or 6:30-7:30. Nothing was changed.',
      );
      return;
    }
    this.problem.set('');
    const [week, at] = [this.wishes.week(), Number(this.otherDay.value)];
    this.keep({ ...week, weekdays: week.weekdays.map((h, i) => (i === at ? [...hours] : h)) });
    this.otherHours.reset();
  }

  protected setQuiet(minutes: string): void {
    this.keep({ ...this.wishes.week(), quietFromMinute: Number(minutes) });
  }

  protected setCookers(on: 'any' | 'one'): void {
    const { oneCooker: _, ...week } = this.wishes.week();
    this.keep(on === 'one' ? { ...week, oneCooker: true } : week);
  }

  protected setDate(kind: Exclude<DayKind, 'other'>): void {
    const on = this.on.value;
    if (on === null) {
      this.on.markAsTouched();
      return;
    }
    const week = this.wishes.week();
    this.keep({ ...week, dates: { ...week.dates, [dateOf(on.getTime())]: HOURS[kind] } });
    this.on.reset();
  }

  protected clear(date: string): void {
    const week = this.wishes.week();
    const dates = Object.fromEntries(Object.entries(week.dates).filter(([d]) => d !== date));
    this.keep({ ...week, dates });
  }

  private keep(week: WeekPattern): void {
    void this.wishes.setWeek(week);
  }
}

function kindOf({ weekdays, daysOff }: WeekPattern, at: number): DayKind {
  return daysOff.includes(at) ? 'off' : kindOfHours(weekdays[at] ?? []);
}

function kindOfHours(hours: readonly FreeHours[]): DayKind {
  const is = (other: readonly FreeHours[]) => freeHoursText(hours) === freeHoursText(other);
  return hours.length === 0 ? 'none' : is(EVENING) ? 'evening' : is(WHOLE) ? 'whole' : 'other';
}
