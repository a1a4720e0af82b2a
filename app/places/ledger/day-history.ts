import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { addDays, format, isSameDay, parseISO, startOfDay } from 'date-fns';
import type { HistorySubject } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Time } from '../../data/clock/time';
import { HistoryList } from '../../pieces/history/history-list';
import { NoteForm, type NoteSubject } from '../../pieces/note-form';
import { DateField } from '../../pieces/form/date-field';
import { keptChoice } from '../../pieces/form/form-state';

/** One day of the house: all that was noted of it, with a remark of one's own. */
@Component({
  selector: 'nw-day-history',
  imports: [DateField, HistoryList, MatButton, NoteForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" aria-labelledby="day-title">
      <div class="days">
        <button type="button" matButton="outlined" class="deed quiet" (click)="step(-1)">Before</button>
        <nw-date-field name="Day" [control]="chosenDay" [latest]="latest()" />
        <button
          type="button"
          matButton="outlined"
          class="deed quiet"
          [disabled]="day() >= today()"
          (click)="step(1)"
        >
          The day after
        </button>
      </div>
      <h2 id="day-title">{{ title() }}</h2>
      @for (note of notes(); track note.id) {
        <p class="note">“{{ note.note }}”</p>
      }
      <p class="soft small">Press an entry to give it another time or value, or to strike it.</p>
      <nw-history-list [subject]="subject()" />
      <nw-note-form [about]="about()" label="Note on this day" />
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 12px;
      padding: 18px 20px;
    }
    .days {
      display: grid;
      grid-template-columns: auto minmax(0, 240px) auto;
      justify-content: start;
      align-items: end;
      gap: 12px;
    }
    .days .deed {
      padding-inline: 14px;
    }
    @media (max-width: 620px) {
      .days {
        grid-template-columns: 1fr 1fr;
      }
      nw-date-field {
        order: -1;
        grid-column: 1 / -1;
      }
    }
    h2,
    p {
      margin: 0;
    }
    .note {
      overflow-wrap: anywhere;
    }
  `,
})
export class DayHistory {
  private readonly time = inject(Time);
  private readonly store = inject(HouseStore);
  protected readonly today = computed(() => isoDay(this.time.now()));
  private readonly chosen = signal<string | undefined>(undefined);
  protected readonly day = computed(() => this.chosen() ?? this.today());
  protected readonly title = computed(() => {
    const day = parseISO(this.day());
    return isSameDay(day, this.time.now()) ? 'Today so far' : format(day, 'EEEE d MMMM yyyy');
  });
  /** A calendar day: 23 or 25 hours where the clock changes. */
  protected readonly subject = computed<HistorySubject>(() => {
    const from = startOfDay(parseISO(this.day()));
    return { kind: 'span', fromMs: from.getTime(), toMs: addDays(from, 1).getTime() };
  });
  protected readonly about = computed<NoteSubject>(() => ({ kind: 'dayNoted', day: this.day() }));
  protected readonly notes = computed(() =>
    (this.store.house()?.facts ?? [])
      .filter((f) => f.kind === 'dayNoted')
      .filter((f) => f.day === this.day()),
  );

  protected readonly latest = computed(() => parseISO(this.today()));
  protected readonly chosenDay = keptChoice<Date | null>(
    null,
    () => this.shownDay(),
    (day) => {
      if (day !== null && this.chosenDay.valid) {
        this.choose(isoDay(day.getTime()));
      }
    },
  );
  private readonly shownDay = computed(() => parseISO(this.day()));

  protected step(days: number): void {
    this.choose(isoDay(addDays(parseISO(this.day()), days).getTime()));
  }

  private choose(day: string): void {
    this.chosen.set(day <= this.today() ? day : undefined);
  }
}

function isoDay(ms: number): string {
  return format(ms, 'yyyy-MM-dd');
}
