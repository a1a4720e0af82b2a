import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { provideDateFnsAdapter } from '@angular/material-date-fns-adapter';
import { MAT_DATE_LOCALE } from '@angular/material/core';
import { MatIconButton } from '@angular/material/button';
import { MatDatepicker, MatDatepickerInput } from '@angular/material/datepicker';
import { MatIcon } from '@angular/material/icon';
import { MatTimepicker, MatTimepickerInput } from '@angular/material/timepicker';
import { enGB } from 'date-fns/locale';
import { WORDS } from './checked-by';
import { recheckWith } from './form-state';
import { MonthHead } from './month-head';

/** A day, typed or taken from a calendar. What is no day is null, and said. */
@Component({
  selector: 'nw-date-field',
  imports: [
    MatDatepicker,
    MatDatepickerInput,
    MatIcon,
    MatIconButton,
    MatTimepicker,
    MatTimepickerInput,
    ReactiveFormsModule,
  ],
  providers: [
    { provide: MAT_DATE_LOCALE, useValue: enGB },
    provideDateFnsAdapter({
      parse: { dateInput: ['d MMM yyyy', 'd.M.yyyy', 'd/M/yyyy', 'yyyy-MM-dd'], timeInput: 'HH:mm' },
      display: {
        dateInput: 'd MMM yyyy',
        timeInput: 'HH:mm',
        monthYearLabel: 'MMMM yyyy',
        dateA11yLabel: 'd MMMM yyyy',
        monthYearA11yLabel: 'MMMM yyyy',
        timeOptionLabel: 'HH:mm',
      },
    }),
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [for]="id" [id]="id + '-name'">{{ name() }}</label>
    <span class="row">
      <!-- Material takes the calendar's name from a label inside its own field, where ours does not stand. -->
      <input
        class="field"
        autocomplete="off"
        maxlength="24"
        [id]="id"
        [attr.aria-labelledby]="id + '-name'"
        [attr.aria-invalid]="control().invalid && control().touched ? true : null"
        [matDatepicker]="picker"
        [max]="latest()"
        [formControl]="control()"
      />
      <button type="button" matIconButton [attr.aria-label]="'Calendar, ' + name()" (click)="picker.open()">
        <mat-icon svgIcon="calendar_month" aria-hidden="true" />
      </button>
      <mat-datepicker #picker [dateClass]="asPlate" [calendarHeaderComponent]="head" />
      @if (hasTime()) {
        <input
          class="field time"
          autocomplete="off"
          maxlength="8"
          [attr.aria-label]="name() + ', time'"
          [matTimepicker]="times"
          [formControl]="control()"
        />
        <mat-timepicker #times interval="15m" />
      }
    </span>
    @if (control().invalid && control().touched) {
      <p class="error small" role="alert">{{ wrong() }}</p>
    }
  `,
  styleUrl: './field.scss',
})
export class DateField {
  private static made = 0;

  readonly name = input.required<string>();
  readonly control = input.required<FormControl<Date | null>>();
  readonly latest = input<Date | null>(null);
  /** Whether the time of day counts too. */
  readonly hasTime = input(false);

  protected readonly id = `nw-date-${DateField.made++}`;

  constructor() {
    recheckWith(this.control);
  }

  protected readonly asPlate = () => 'day';
  protected readonly head = MonthHead;

  protected wrong(): string {
    const control = this.control();
    if (control.hasError('matDatepickerParse')) {
      return `${this.name()} is a day, like 24 Oct 2026.`;
    }
    return control.hasError('matDatepickerMax')
      ? `${this.name()} cannot lie after today.`
      : String(control.getError(WORDS) ?? '');
  }
}
