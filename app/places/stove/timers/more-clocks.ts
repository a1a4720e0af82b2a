import { ChangeDetectionStrategy, Component, ElementRef, computed, inject } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { MINUTE_MS, formatNumber } from '../../../../core/index';
import { Time } from '../../../data/clock/time';
import {
  KitchenClocks,
  LONGEST_CLOCK_MIN,
  MOST_NAME,
  dueMsOf,
  type KitchenClock,
} from '../../../data/devices/kitchen-clocks';
import { Journal } from '../../../data/journal/journal';
import { shortTime } from '../../../data/words/words';
import { Fold } from '../../../pieces/fold';
import { checkedBy, rangeOf, typedNumber } from '../../../pieces/form/checked-by';
import { isSound } from '../../../pieces/form/form-state';
import { TextField } from '../../../pieces/form/text-field';
import { GlassForm } from '../glass/glass-form';

const MINUTES = typedNumber(
  rangeOf({ name: 'Minutes', unit: 'min', min: 0.5, max: LONGEST_CLOCK_MIN, unitStays: true }),
);

/** Clocks beside the cooks: whatever is just to be timed, and empty glass in the oven. */
@Component({
  selector: 'nw-more-clocks',
  imports: [Fold, GlassForm, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of rows(); track row.id) {
      <section class="card" [class.needs]="row.isDue" [attr.aria-label]="'Clock ' + row.name">
        <p>
          <strong>{{ row.name }}</strong>
        </p>
        <p [class.rye]="row.isDue" [class.strong]="row.isDue">{{ row.words }}</p>
        <button type="button" matButton="outlined" class="deed quiet" (click)="clocks.stop(row.id)">
          Done
        </button>
        <button type="button" matButton class="word" (click)="note(row.clock)">
          Note it in the day’s history
        </button>
      </section>
    }
    <nw-fold title="Just time something">
      <form (submit)="$event.preventDefault(); start()">
        <nw-text-field name="What" [longest]="mostName" [control]="name" />
        <nw-text-field keys="decimal" name="Minutes" unit="min" [unitStays]="true" [control]="minutes" />
        <button type="submit" matButton="outlined" class="deed quiet">Start</button>
        <p class="soft small">
          It rings, also elsewhere in here, and is no fact of the house unless you say so.
        </p>
      </form>
    </nw-fold>
    <nw-fold title="Empty glass, by dry heat"><nw-glass-form /></nw-fold>
  `,
  styles: `
    :host {
      display: grid;
      gap: 16px;
    }
    section {
      display: grid;
      gap: 8px;
      padding: 14px 16px;
      font-size: 19px;
    }
    form {
      display: grid;
      gap: 12px;
    }
    .word {
      justify-self: start;
    }
  `,
})
export class MoreClocks {
  protected readonly clocks = inject(KitchenClocks);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  protected readonly mostName = MOST_NAME;
  protected readonly name = new FormControl('', { nonNullable: true });
  protected readonly minutes = new FormControl('', {
    nonNullable: true,
    validators: checkedBy(() => MINUTES),
  });
  protected readonly rows = computed(() =>
    this.clocks.clocks().map((clock) => {
      const now = this.time.now();
      const dueMs = dueMsOf(clock);
      const left = Math.ceil((dueMs - now) / MINUTE_MS);
      const isDue = dueMs <= now;
      return {
        id: clock.id,
        clock,
        name: clock.name,
        isDue,
        words: isDue
          ? `Over since ${shortTime(dueMs, now)}`
          : `${left} min left, until ${shortTime(dueMs, now)}`,
      };
    }),
  );

  protected start(): void {
    if (isSound(this.minutes, this.host)) {
      const minutes = MINUTES.parse(this.minutes.value);
      this.clocks.start(this.name.value.trim() || `${formatNumber(minutes)} minutes`, minutes);
      this.name.reset();
      this.minutes.reset();
    }
  }

  /** Asked for, it becomes a remark of its day. */
  protected async note(clock: KitchenClock): Promise<void> {
    const untilMs = Math.min(this.time.now(), dueMsOf(clock));
    const minutes = Math.round((untilMs - clock.startedMs) / MINUTE_MS);
    const note = `${clock.name}: ${minutes} min, from ${format(clock.startedMs, 'HH:mm')}`;
    if (await this.journal.say({ kind: 'dayNoted', day: format(clock.startedMs, 'yyyy-MM-dd'), note })) {
      this.clocks.stop(clock.id);
    }
  }
}
