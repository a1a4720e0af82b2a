import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { addDays, endOfDay, startOfDay } from 'date-fns';
import { isPressureCooker } from '../../../../core/index';
import { Time } from '../../../data/clock/time';
import { Definitions } from '../../../data/journal/definitions';
import { HouseStore } from '../../../data/store/house-store';
import { dayOf } from '../../../data/work/plan-words';
import { ChoiceField, type Choice } from '../../../pieces/form/choice-field';
import { DateField } from '../../../pieces/form/date-field';

const USUAL_DAYS = 7;

/** Cookers that cannot be used for some days: plans go round them. */
@Component({
  selector: 'nw-out-of-order',
  imports: [ChoiceField, DateField, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <nw-choice-field name="Out of order" [control]="which" [options]="cookers()" example="which cooker" />
      <nw-date-field name="From" [control]="from" />
      <nw-date-field name="Until and with" [control]="until" />
      <button type="button" matButton class="word" (click)="keep()">Plan without it</button>
    </div>
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
    @for (cooker of out(); track cooker.id) {
      <p>
        {{ cooker.words }}
        <button
          type="button"
          matButton
          class="word"
          [attr.aria-label]="'It works again: ' + cooker.words"
          (click)="works(cooker.id)"
        >
          it works again
        </button>
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      align-items: end;
    }
    .error {
      color: var(--beet);
    }
  `,
})
export class OutOfOrder {
  private readonly store = inject(HouseStore);
  private readonly definitions = inject(Definitions);
  private readonly time = inject(Time);

  protected readonly which = new FormControl('', { nonNullable: true });
  protected readonly from = new FormControl<Date | null>(startOfDay(this.time.now()));
  protected readonly until = new FormControl<Date | null>(addDays(startOfDay(this.time.now()), USUAL_DAYS));
  protected readonly problem = signal('');

  private readonly appliances = computed(() =>
    (this.store.house()?.records.appliances ?? []).filter((a) => a.isGone !== true && isPressureCooker(a)),
  );
  protected readonly cookers = computed<readonly Choice[]>(() =>
    this.appliances().map(({ id, name }) => ({ value: id, words: name.toLowerCase() })),
  );
  protected readonly out = computed(() =>
    this.appliances().flatMap(({ id, name, outOfOrder }) =>
      outOfOrder !== undefined && Date.parse(outOfOrder.until) > this.time.minute()
        ? [
            {
              id,
              words: `${name}: ${dayOf(Date.parse(outOfOrder.from))} to ${dayOf(Date.parse(outOfOrder.until))}.`,
            },
          ]
        : [],
    ),
  );

  protected keep(): void {
    const [from, until, id] = [this.from.value, this.until.value, this.which.value];
    if (id === '') {
      this.problem.set('Which cooker is out of order must be chosen. Nothing was changed.');
    } else if (from === null || until === null || until < from) {
      this.problem.set('From and until must be days, the second not before the first. Nothing was changed.');
    } else {
      this.problem.set('');
      const outOfOrder = { from: startOfDay(from).toISOString(), until: endOfDay(until).toISOString() };
      void this.definitions.change('appliances', id, { outOfOrder });
    }
  }

  protected works(id: string): void {
    void this.definitions.change('appliances', id, { outOfOrder: undefined });
  }
}
