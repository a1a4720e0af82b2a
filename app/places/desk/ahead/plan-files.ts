import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { format } from 'date-fns';
import { calendarOf, linesCsv, type House, type SupperPlan } from '../../../../core/index';
import { dateOf } from '../../../data/clock/local-days';
import { Time } from '../../../data/clock/time';
import { AllowReminders } from '../../../pieces/allow-reminders';
import { download } from '../../../data/store/download';
import { ToldCalendar } from '../../../data/work/told-calendar';
import { marginWords, stepWords, titleOf } from '../../../data/work/plan-words';

/** The plan for other programs: a calendar with reminders, and a table. */
@Component({
  selector: 'nw-plan-files',
  imports: [AllowReminders, MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a matButton="outlined" routerLink="/desk/day">Day list</a>
    <button type="button" matButton="outlined" (click)="saveCalendar()">Calendar file</button>
    <button type="button" matButton="outlined" (click)="saveTable()">Table (CSV)</button>
    <nw-allow-reminders />
    <span class="soft small">
      A later calendar file takes the place of an earlier one: what is said differently moves, what fell away
      is cancelled.
    </span>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: center;
    }
    a,
    button {
      min-height: 44px;
      padding: 0 18px;
      font-size: 16px;
    }
  `,
})
export class PlanFiles {
  readonly plans = input.required<readonly SupperPlan[]>();
  readonly house = input.required<House>();
  private readonly time = inject(Time);
  private readonly calendar = inject(ToldCalendar);

  protected saveCalendar(): void {
    const house = this.house();
    const entries = this.plans().flatMap((plan) =>
      plan.steps.map((step) => ({
        key: step.key,
        startMs: step.slot.startMs,
        endMs: step.slot.endMs,
        words: stepWords(step, plan, house),
        detail: [`For ${titleOf(plan.supper, house)}.`, marginWords(step)].filter(Boolean).join('\n'),
      })),
    );
    const name = house.household?.name ?? 'Nailwort';
    const gone = this.calendar.gone(entries, this.time.now());
    this.save(calendarOf([...entries, ...gone], name, this.time.now()), 'ics', 'text/calendar');
    this.calendar.told(entries);
  }

  protected saveTable(): void {
    const house = this.house();
    const lines = this.plans().flatMap((plan) =>
      plan.steps.map((step) => [
        titleOf(plan.supper, house),
        dateOf(step.slot.startMs),
        format(step.slot.startMs, 'HH:mm'),
        format(step.slot.endMs, 'HH:mm'),
        stepWords(step, plan, house),
        dateOf(step.earliestMs),
        dateOf(Math.max(step.latestMs, step.slot.startMs)),
      ]),
    );
    const heading = ['for', 'day', 'from', 'to', 'step', 'at best from', 'at the latest'];
    this.save(linesCsv([heading, ...lines]), 'csv', 'text/csv');
  }

  private save(text: string, ending: string, mime: string): void {
    download(new TextEncoder().encode(text), `plan-${dateOf(this.time.now())}.${ending}`, mime);
  }
}
