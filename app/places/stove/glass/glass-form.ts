import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { DRY_HEAT, GlassKind, KITCHEN_DRY_HEAT, newId, sterileDishes } from '../../../../core/index';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { temperatureWords } from '../../../data/words/measure-words';
import { GLASS_WORDS } from '../../../data/words/words';
import { ChoiceField, type Choice } from '../../../pieces/form/choice-field';
import { Chips } from '../../../pieces/form/chips';
import { CountStepper } from '../../../pieces/form/count-stepper';

const PAIRS = [...DRY_HEAT, KITCHEN_DRY_HEAT];
const MOST_PIECES = 100;

/** Empty glass, and how it is to be made sterile in an oven. */
@Component({
  selector: 'nw-glass-form',
  imports: [ChoiceField, Chips, CountStepper, MatButton, MatCheckbox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="row">
      <nw-count-stepper name="piece" [value]="count()" [most]="most" (valueChange)="count.set($event)" />
      <nw-choice-field name="What glass" [control]="what" [options]="kinds" [isNameHidden]="true" />
    </p>
    <mat-checkbox [checked]="wrapped()" (change)="wrapped.set($event.checked)"
      >wrapped in foil or paper: it stays sterile until that is opened</mat-checkbox
    >
    <nw-chips name="Heat and time" [options]="pairs()" [value]="pair()" (chosen)="pair.set($event)" />
    <p class="soft small">
      Counted once the glass itself is that hot (pharmacopoeias, from memory;
      {{ kitchenWords() }} is a kitchen school, no source). Dry, open, into a cold oven.
    </p>
    <button type="button" matButton="outlined" class="deed" [disabled]="count() === 0" (click)="begin()">
      Into the oven
    </button>
    @if (ready(); as dishes) {
      <p>
        <strong>{{ dishes }} sterile glass dishes</strong> are ready to be poured.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      font-size: 19px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: center;
    }
  `,
})
export class GlassForm {
  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  protected readonly most = MOST_PIECES;
  protected readonly kinds: readonly Choice<GlassKind>[] = GlassKind.options.map((value) => ({
    value,
    words: GLASS_WORDS[value],
  }));
  protected readonly what = new FormControl<GlassKind>('dishes', { nonNullable: true });
  protected readonly count = signal(10);
  protected readonly wrapped = signal(true);
  protected readonly pairs = computed(() =>
    PAIRS.map(({ celsius, minutes }, i) => ({
      value: String(i),
      words: `${temperatureWords(celsius)}, ${minutes} min`,
    })),
  );
  protected readonly pair = signal('0');
  protected readonly kitchenWords = computed(
    () => `${temperatureWords(KITCHEN_DRY_HEAT.celsius)} for ${KITCHEN_DRY_HEAT.minutes} min`,
  );
  protected readonly ready = computed(() => {
    const house = this.store.house();
    return house === undefined ? 0 : sterileDishes(house, this.time.minute());
  });

  protected begin(): void {
    const { celsius, minutes } = PAIRS[Number(this.pair())]!;
    void this.journal.say({
      kind: 'glassIn',
      runId: newId(this.time.now(), Math.random),
      what: this.what.value,
      count: this.count(),
      celsius,
      minutes,
      wrapped: this.wrapped(),
    });
  }
}
