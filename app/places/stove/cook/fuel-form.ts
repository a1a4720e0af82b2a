import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { fuelUnit, gasOfMeterG, reckonedFuelOf, type CookView, type FuelBy } from '../../../../core/index';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { burnedWords, fuelWords } from '../../../data/words/measure-words';
import { checkedBy, rangeOf, typedNumber } from '../../../pieces/form/checked-by';
import { Chips } from '../../../pieces/form/chips';
import type { Choice } from '../../../pieces/form/choice-field';
import { isSound } from '../../../pieces/form/form-state';
import { TextField } from '../../../pieces/form/text-field';

type Way = {
  readonly by: FuelBy;
  readonly words: string;
  readonly unit: string;
  readonly names: readonly string[];
};

const GAS: readonly Way[] = [
  { by: 'cylinder', words: 'Cylinder weighed', unit: 'kg', names: ['Cylinder before', 'Cylinder after'] },
  { by: 'meter', words: 'Gas meter', unit: 'm³', names: ['Meter before', 'Meter after'] },
];
const POWER: readonly Way[] = [
  { by: 'meter', words: 'Power meter', unit: 'kWh', names: ['Meter before', 'Meter after'] },
  { by: 'power', words: 'kW × minutes', unit: 'kW', names: ['Power it takes', 'Minutes on'] },
];

/** No meter of a house has more digits. Our choice. */
const MOST_SHOWN = 1e7;

/** What a cook really burned, beside what was reckoned: the next plans of this cooker know. */
@Component({
  selector: 'nw-fuel-form',
  imports: [Chips, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view().fuelUsed; as used) {
      <p>
        <strong>{{ burnedWords(used) }} burned</strong><span class="soft">; {{ reckoned() }} reckoned.</span>
      </p>
    } @else {
      <p class="soft">{{ reckoned() }} reckoned from its heat and its minutes.</p>
      <nw-chips name="How it is known" [options]="ways()" [value]="way().by" (chosen)="chosen.set($event)" />
      <form (submit)="$event.preventDefault(); keep()">
        <nw-text-field
          keys="decimal"
          [name]="way().names[0]!"
          [unit]="way().unit"
          [unitStays]="true"
          [control]="first"
        />
        <nw-text-field
          keys="decimal"
          [name]="way().names[1]!"
          [unit]="way().by === 'power' ? 'min' : way().unit"
          [unitStays]="true"
          [control]="second"
        />
        <button type="submit" matButton="outlined" class="deed">Note it</button>
      </form>
      @if (problem(); as words) {
        <p class="rye" role="alert">{{ words }}</p>
      }
    }
  `,
  styles: `
    :host,
    form {
      display: grid;
      gap: 10px;
    }
  `,
})
export class FuelForm {
  readonly view = input.required<CookView>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  protected readonly burnedWords = burnedWords;
  protected readonly chosen = signal<FuelBy | undefined>(undefined);
  protected readonly problem = signal('');
  private readonly appliance = computed(() =>
    this.store.house()?.records.appliances.find((a) => a.id === this.view().cook.applianceId),
  );
  private readonly all = computed(() => (this.appliance()?.heat === 'gas' ? GAS : POWER));
  protected readonly ways = computed((): readonly Choice<FuelBy>[] =>
    this.all().map(({ by, words }) => ({ value: by, words })),
  );
  protected readonly way = computed(() => this.all().find((w) => w.by === this.chosen()) ?? this.all()[0]!);
  protected readonly reckoned = computed(() => {
    const appliance = this.appliance();
    return appliance === undefined
      ? 'Nothing'
      : `About ${fuelWords(reckonedFuelOf(appliance, this.view()), appliance.heat)}`;
  });
  private readonly number = typedNumber(
    rangeOf({ name: 'The reading', unit: '', min: 0, max: MOST_SHOWN, unitStays: true }),
  );
  protected readonly first = this.control();
  protected readonly second = this.control();

  protected async keep(): Promise<void> {
    this.problem.set('');
    if (!isSound(this.first, this.host) || !isSound(this.second, this.host)) {
      return;
    }
    const [before, after] = [this.number.parse(this.first.value), this.number.parse(this.second.value)];
    const appliance = this.appliance();
    if (appliance === undefined) {
      return;
    }
    const { by } = this.way();
    const amount = amountOf(by, appliance.heat === 'gas', before, after);
    if (!(amount > 0)) {
      this.problem.set(
        by === 'cylinder'
          ? 'A cylinder must weigh less after than before.'
          : by === 'meter'
            ? 'A meter must show more after than before.'
            : 'Power and minutes must be above 0.',
      );
      return;
    }
    const unit = fuelUnit(appliance);
    await this.journal.say({ kind: 'fuelUsed', cookId: this.view().cook.id, amount, unit, by });
  }

  private control(): FormControl<string> {
    return new FormControl('', { nonNullable: true, validators: checkedBy(() => this.number) });
  }
}

/** In g of gas or in kWh. */
function amountOf(by: FuelBy, isGas: boolean, first: number, second: number): number {
  switch (by) {
    case 'cylinder':
      return (first - second) * 1000;
    case 'meter':
      return isGas ? gasOfMeterG(second - first) : second - first;
    case 'power':
      return (first * second) / 60;
  }
}
