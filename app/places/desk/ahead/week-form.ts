import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { format, parseISO } from 'date-fns';
import { USUAL_WEEK, type FreeHours, type WeekPattern } from '../../../../core/index';
import { dateOf } from '../../../data/clock/local-days';
import { Wishes } from '../../../data/work/wishes';
import { Chips } from '../../../pieces/form/chips';
import { DateField } from '../../../pieces/form/date-field';
import type { Choice } from '../../../pieces/form/choice-field';

type DayKind = 'none' | 'evening' | 'whole' | 'off';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const [EVENING, WHOLE] = [USUAL_WEEK.weekdays[0]!, USUAL_WEEK.weekdays[6]!];
const KINDS: readonly Choice<DayKind>[] = [
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
const HOURS: Readonly<Record<DayKind, FreeHours[]>> = {
  none: [],
  evening: EVENING,
  whole: WHOLE,
  off: WHOLE,
};

/** On which evenings and days there is time, and on which single days it is otherwise. */
@Component({
  selector: 'nw-week-form',
  imports: [Chips, DateField, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (day of days(); track day.name) {
      <div class="day">
        <span>{{ day.name }}</span>
        <nw-chips [name]="day.name" [options]="kinds" [value]="day.kind" (chosen)="set(day.at, $event)" />
      </div>
    }
    <div class="day">
      <span>Quiet from</span>
      <nw-chips name="Quiet from" [options]="quiet" [value]="quietFrom()" (chosen)="setQuiet($event)" />
    </div>
    <p class="soft small">Until then a cooker is watched; hands are at work only in the times above.</p>
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
  protected readonly on = new FormControl<Date | null>(null);

  protected readonly days = computed(() =>
    WEEKDAYS.map((name, at) => ({ name, at, kind: kindOf(this.wishes.week(), at) })),
  );
  protected readonly quietFrom = computed(() => String(this.wishes.week().quietFromMinute));
  protected readonly dates = computed(() =>
    Object.entries(this.wishes.week().dates)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([date, hours]) => ({
        date,
        words: `${format(parseISO(date), 'EEE d MMM yyyy')}: ${KINDS.find((k) => k.value === kindOfHours(hours))?.words ?? ''}`,
      })),
  );

  protected set(at: number, kind: DayKind): void {
    const week = this.wishes.week();
    const others = week.daysOff.filter((d) => d !== at);
    this.keep({
      ...week,
      weekdays: week.weekdays.map((hours, i) => (i === at ? HOURS[kind] : hours)),
      daysOff: kind === 'off' ? [...others, at] : others,
    });
  }

  protected setQuiet(minutes: string): void {
    this.keep({ ...this.wishes.week(), quietFromMinute: Number(minutes) });
  }

  protected setDate(kind: DayKind): void {
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
  const [first] = hours;
  return first === undefined ? 'none' : first.fromMinute >= EVENING[0]!.fromMinute ? 'evening' : 'whole';
}
