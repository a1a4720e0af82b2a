import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatCalendar } from '@angular/material/datepicker';
import { addMonths, endOfMonth, format, startOfMonth } from 'date-fns';

/** The head of a calendar: its month in words as they are spoken, the one before and the one after, and the years. */
@Component({
  selector: 'nw-month-head',
  imports: [MatButton, MatIconButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" matIconButton aria-label="Month before" (click)="step(-1)">‹</button>
    <button type="button" matButton class="month" aria-live="polite" (click)="years()">{{ words() }}</button>
    <button type="button" matIconButton aria-label="Month after" [disabled]="isLast()" (click)="step(1)">
      ›
    </button>
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      justify-content: space-between;
      padding: 8px 8px 0;
    }
    .month {
      font-size: 18px;
    }
  `,
})
export class MonthHead {
  private readonly calendar = inject<MatCalendar<Date>>(MatCalendar);
  private readonly shown = signal(this.calendar.activeDate);
  protected readonly words = computed(() => format(this.shown(), 'MMMM yyyy'));
  protected readonly isLast = computed(() => {
    const { maxDate } = this.calendar;
    return maxDate !== null && endOfMonth(this.shown()) >= maxDate;
  });

  constructor() {
    this.calendar.stateChanges.pipe(takeUntilDestroyed()).subscribe(() => {
      this.shown.set(this.calendar.activeDate);
    });
  }

  protected step(months: number): void {
    this.calendar.activeDate = addMonths(startOfMonth(this.calendar.activeDate), months);
  }

  protected years(): void {
    this.calendar.currentView = this.calendar.currentView === 'month' ? 'multi-year' : 'month';
  }
}
