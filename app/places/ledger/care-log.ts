import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { careOf, capital, type Appliance, type CookerCare } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Journal } from '../../data/journal/journal';
import { Time } from '../../data/clock/time';
import { CARE_WORDS, shortTime } from '../../data/words/words';
import { KeptNumberField, type KeptNumber } from '../../pieces/form/kept-number';

const MOST_DAYS = 3650;

/** When a cooker was cleaned and looked over, and when that is due again. */
@Component({
  selector: 'nw-care-log',
  imports: [KeptNumberField, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of rows(); track row.what) {
      <section [attr.aria-label]="row.words">
        <p>
          <strong>{{ row.words }}</strong> {{ row.last }}<span [class.rye]="row.isDue">{{ row.due }}</span>
        </p>
        <div>
          <button type="button" matButton="outlined" class="deed quiet" (click)="done(row.what)">
            Done today
          </button>
          <nw-kept-number [field]="row.field" />
        </div>
      </section>
    }
    <p class="soft small">Usual spans, common practice, no source; its manual comes first.</p>
  `,
  styles: `
    :host,
    section {
      display: grid;
      gap: 10px;
    }
    div {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
      align-items: end;
    }
  `,
})
export class CareLog {
  readonly appliance = input.required<Appliance>();
  /** Another span for one of them. */
  readonly changed = output<Appliance['careEveryDays']>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  protected readonly rows = computed(() => {
    const [house, appliance, now] = [this.store.house(), this.appliance(), this.time.minute()];
    return house === undefined
      ? []
      : careOf(house, appliance).map(({ what, everyDays, lastMs, dueMs }) => ({
          what,
          words: capital(CARE_WORDS[what]),
          last: lastMs === undefined ? '' : `${shortTime(lastMs, now)}, `,
          isDue: dueMs !== undefined && dueMs <= now,
          due: dueMs === undefined ? 'due some time after its first cook' : `due ${shortTime(dueMs, now)}`,
          field: this.fieldOf(what, everyDays),
        }));
  });

  protected done(what: CookerCare): void {
    void this.journal.say({ kind: 'cookerCared', applianceId: this.appliance().id, what });
  }

  private fieldOf(what: CookerCare, everyDays: number): KeptNumber {
    return {
      id: `${this.appliance().id}-${what}`,
      label: 'Every so many days',
      unit: '',
      min: 1,
      max: MOST_DAYS,
      whole: true,
      shown: everyDays,
      keep: (days) => {
        this.changed.emit({ ...this.appliance().careEveryDays, [what]: days });
        return Promise.resolve(true);
      },
    };
  }
}
