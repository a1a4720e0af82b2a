import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MOST_POURED, sterileDishes, type PourTold, type Pouring } from '../../../../core/index';
import { Time } from '../../../data/clock/time';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { volumeWords } from '../../../data/words/measure-words';
import { bottleWords } from '../../../data/words/words';
import { countWords } from '../../../data/words/due-words';
import { checkedBy, rangeOf, typedNumberOrNothing } from '../../../pieces/form/checked-by';
import { Chips } from '../../../pieces/form/chips';
import { CountStepper } from '../../../pieces/form/count-stepper';
import { TextField } from '../../../pieces/form/text-field';
import type { Choice } from '../../../pieces/form/choice-field';

const REST: readonly Choice<PourTold['rest']>[] = [
  { value: 'empty', words: 'stay empty' },
  { value: 'waits', words: 'wait for agar' },
];

/** What became of the dishes of one batch: poured, dropped, not set, left empty; or the bottle is kept shut. */
@Component({
  selector: 'nw-pour-counts',
  imports: [Chips, CountStepper, MatButton, MatCheckbox, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card note" aria-label="What was poured">
      <p class="row">
        <span>Dishes poured</span>
        <nw-count-stepper
          name="dish poured"
          [value]="poured()"
          [most]="mostPoured"
          (valueChange)="poured.set($event)"
        />
      </p>
      <p class="soft small">{{ planned() }}</p>
      <p class="row">
        <span>dropped</span>
        <nw-count-stepper
          name="dish dropped"
          [value]="dropped()"
          [most]="poured() - notSet()"
          (valueChange)="dropped.set($event)"
        />
      </p>
      <p class="row">
        <span>not set</span>
        <nw-count-stepper
          name="dish not set"
          [value]="notSet()"
          [most]="poured() - dropped()"
          (valueChange)="notSet.set($event)"
        />
      </p>
      @if (without() > 0) {
        <p class="row">
          <span>{{ without() === 1 ? '1 dish got none:' : without() + ' dishes got none:' }}</span>
          <nw-chips
            name="Dishes that got none"
            [options]="rests"
            [value]="rest()"
            (chosen)="rest.set($event)"
          />
        </p>
      }
      @if (glass() > 0) {
        <mat-checkbox [checked]="inGlass()" (change)="inGlass.set($event.checked)"
          >into glass from the oven: {{ glass() }} sterile dishes</mat-checkbox
        >
      }
      <nw-text-field keys="decimal" name="Left over in the bottle" unit="ml" [control]="leftOver" />
    </section>
    <button
      type="button"
      [matButton]="isOpen() ? 'elevated' : 'outlined'"
      class="deed"
      [disabled]="poured() === 0"
      (click)="pour()"
    >
      Poured<small>{{ countOf(poured()) }}{{ isOpen() ? '' : ', before its window' }}</small>
    </button>
    <button type="button" matButton="outlined" class="deed quiet" (click)="keep()">
      Keep {{ bottles() }} shut<small>for another day; melt it again then</small>
    </button>
    <p class="soft small">
      Overnight to set, level and shut; then wrap them. Wrapped plates keep for weeks, and are never late.
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px;
    }
    section {
      display: grid;
      gap: 10px;
      padding: 14px 16px;
      font-size: 20px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      align-items: center;
      justify-content: space-between;
    }
    .deed {
      min-height: 72px;
      font-size: 26px;
    }
    .quiet {
      min-height: 60px;
      font-size: 20px;
    }
    .deed small {
      font-size: 18px;
    }
  `,
})
export class PourCounts {
  readonly pouring = input.required<Pouring>();
  /** It is at pouring heat. */
  readonly isOpen = input.required<boolean>();

  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  protected readonly mostPoured = MOST_POURED;
  protected readonly rests = REST;
  private readonly waiting = computed(() => this.pouring().toPour.length);
  /** All of them, until fewer are told; another number once some were poured. */
  protected readonly poured = linkedSignal(() => this.waiting());
  protected readonly dropped = signal(0);
  protected readonly notSet = signal(0);
  protected readonly rest = signal<PourTold['rest']>('empty');
  /** Sterile glass dishes that are there. */
  protected readonly glass = computed(() => {
    const house = this.store.house();
    return house === undefined ? 0 : sterileDishes(house, this.time.minute());
  });
  protected readonly inGlass = signal(false);
  protected readonly without = computed(() => Math.max(0, this.waiting() - this.poured()));
  protected readonly bottles = computed(() => bottleWords(this.pouring().hot));
  private readonly leftOverSchema = typedNumberOrNothing(
    rangeOf({ name: 'Left over', min: 0, max: 100_000, unit: 'ml' }),
  );
  protected readonly leftOver = new FormControl('', {
    nonNullable: true,
    validators: checkedBy(() => this.leftOverSchema),
  });
  /** "planned for 14 dishes of three parts, 7 ml in each, from 2 bottles". */
  protected readonly planned = computed(() => {
    const { view, hot } = this.pouring();
    const { vessel, plan } = view.batch;
    const parts = vessel.compartments;
    const ml = plan?.vesselMl;
    const each = ml === undefined ? '' : `, ${volumeWords(parts === undefined ? ml : ml / parts)} in each`;
    return `Planned: ${dishes(this.waiting())}${parts === undefined ? '' : ` of ${parts} parts, ${parts * this.waiting()} parts in all`}${each}, from ${bottleWords(hot)}.`;
  });

  protected countOf(count: number): string {
    return countWords(count, 'dish');
  }

  protected async pour(): Promise<void> {
    if (this.leftOver.invalid) {
      this.leftOver.markAsTouched();
      return;
    }
    const leftOverMl = this.leftOverSchema.parse(this.leftOver.value);
    const done = await this.journal.pour(this.pouring().view.batch.id, {
      poured: this.poured(),
      dropped: this.dropped(),
      notSet: this.notSet(),
      rest: this.rest(),
      inGlass: this.inGlass() && this.glass() > 0,
      ...(leftOverMl !== undefined && { leftOverMl }),
    });
    if (done) {
      this.dropped.set(0);
      this.notSet.set(0);
      this.leftOver.reset();
    }
  }

  protected keep(): void {
    const { view, cook, hot } = this.pouring();
    void this.journal.say({
      kind: 'bottlesKept',
      cookId: cook.cook.id,
      batchId: view.batch.id,
      bottles: hot,
    });
  }
}

function dishes(count: number): string {
  return `${count} ${count === 1 ? 'dish' : 'dishes'}`;
}
