import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  signal,
} from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { startOfDay } from 'date-fns';
import {
  RECEIVED_IN,
  formOf as cultureFormOf,
  receivedAs,
  type CultureForm,
  type Isolate,
  EMPTY_HOUSE,
  placesInUse,
  type Species,
} from '../../core/index';
import { Time } from '../data/clock/time';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { checkedBy, typedLine, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { DateField } from './form/date-field';
import { isSound, valueOf } from './form/form-state';
import { PickField } from './form/pick-field';
import { TextField } from './form/text-field';
import { ownSpecies } from './own-species';
import { speciesChoices } from './species-choices';
import { ToldAmount, ToldAmountFields } from './told-amount';
import { ToldOriginFields, originForm, originIn } from './told-origin';

const ISOLATE = typedLine({ label: 'Isolate' });
const SPECIES = typedLine({ label: 'Species' });
const COUNT = typedNumber({ field: { label: 'How many' }, min: 1, max: 500, whole: true });
const ANOTHER = 'another-species';

/** A culture that comes into the house, on this day or an earlier one: what it is, in what, how much, and where from. */
@Component({
  selector: 'nw-add-culture',
  imports: [
    ChoiceField,
    DateField,
    MatButton,
    MatDialogContent,
    MatDialogTitle,
    PickField,
    TextField,
    ToldAmountFields,
    ToldOriginFields,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Add a culture</h2>
    <mat-dialog-content>
      <form (submit)="$event.preventDefault(); save()">
        <nw-choice-field name="What came" [control]="form.controls.vessel" [options]="containers()" />
        <nw-pick-field
          name="Species"
          [options]="kinds()"
          [value]="speciesId()"
          (chosen)="speciesId.set($event)"
        />
        @if (isAnother()) {
          <nw-text-field name="Its name" [longest]="80" [control]="form.controls.species" />
          <nw-text-field name="In Latin, if known" [longest]="80" [control]="latin" />
        }
        <nw-text-field
          name="Isolate, as its keeper calls it"
          [longest]="80"
          [control]="form.controls.isolate"
        />
        <nw-text-field keys="numeric" name="How many" [longest]="4" [control]="form.controls.count" />
        <nw-told-amount [of]="amount" />
        <div class="two">
          <nw-date-field name="Came on" [control]="form.controls.came" [latest]="today()" />
          <nw-choice-field name="Where it is kept" [control]="form.controls.place" [options]="places()" />
        </div>
        <nw-told-origin [form]="form.controls.origin" [of]="cultureForm()" />
        <nw-text-field name="Note" [rows]="2" [longest]="2000" [control]="form.controls.note" />
        @if (isWild()) {
          <p class="caution">
            A wild mushroom is cloned to be eaten only after an expert has identified it: what grows is as
            safe or unsafe as its parent.
          </p>
        }
        <p class="soft">
          Follow the law where you live: some species and spores are controlled in some places.
        </p>
        <button type="submit" matButton="elevated" class="deed">It is in the house</button>
      </form>
    </mat-dialog-content>
  `,
  styles: `
    form {
      display: grid;
      gap: 14px;
    }
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
      gap: 14px;
      align-items: start;
    }
    .caution {
      padding: 10px 14px;
      border-radius: var(--plaque-corner);
      background: var(--beet-wash);
    }
  `,
})
export class AddCulture {
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly dialog = inject<MatDialogRef<AddCulture>>(MatDialogRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly kinds = computed<readonly Choice[]>(() => [
    ...speciesChoices(this.store.house()),
    { value: ANOTHER, words: 'Another species' },
  ]);
  private readonly vessels = computed(() => {
    const types = this.store.house()?.records.vesselTypes ?? [];
    return RECEIVED_IN.flatMap((id) => types.find((t) => t.id === id) ?? []);
  });
  protected readonly containers = computed<readonly Choice[]>(() =>
    this.vessels().map(({ id, name }) => ({ value: id, words: name })),
  );
  /** Cold first: most cultures are kept so. */
  protected readonly places = computed<readonly Choice[]>(() => {
    const house = this.store.house() ?? EMPTY_HOUSE;
    return [...placesInUse(house, 'cold'), ...placesInUse(house, 'run')].map(({ id, name }) => ({
      value: id,
      words: name,
    }));
  });
  protected readonly speciesId = signal('black-poplar');
  protected readonly isAnother = computed(() => this.speciesId() === ANOTHER);
  protected readonly today = computed(() => startOfDay(this.time.minute()));

  private readonly held = new FormControl('culture-syringe', { nonNullable: true });
  private readonly heldId = valueOf(this.held);
  private readonly vessel = computed(() => this.vessels().find((v) => v.id === this.heldId()));
  protected readonly cultureForm = computed((): CultureForm => {
    const vessel = this.vessel();
    return vessel === undefined ? 'broth' : cultureFormOf({ stage: receivedAs(vessel.id), vessel });
  });
  protected readonly amount = new ToldAmount(this.vessel, this.cultureForm);
  private readonly speciesRule = checkedBy(() => SPECIES);
  protected readonly latin = new FormControl('', { nonNullable: true });
  protected readonly form = new FormGroup({
    vessel: this.held,
    species: new FormControl('', { nonNullable: true }),
    isolate: new FormControl('', { nonNullable: true, validators: checkedBy(() => ISOLATE) }),
    count: new FormControl('1', { nonNullable: true, validators: checkedBy(() => COUNT) }),
    amount: this.amount.controls,
    came: new FormControl<Date | null>(this.today()),
    place: new FormControl<string>('fridge', { nonNullable: true }),
    origin: originForm(),
    note: new FormControl('', { nonNullable: true }),
  });
  private readonly how = valueOf(this.form.controls.origin.controls.how);
  protected readonly isWild = computed(() => this.how() === 'wild');

  constructor() {
    effect(() => {
      const { species } = this.form.controls;
      species[this.isAnother() ? 'addValidators' : 'removeValidators'](this.speciesRule);
      species.updateValueAndValidity();
    });
  }

  protected async save(): Promise<void> {
    const vessel = this.vessel();
    if (!isSound(this.form, this.host) || vessel === undefined) {
      return;
    }
    const typed = this.form.getRawValue();
    const species = this.isAnother()
      ? ownSpecies(SPECIES.parse(typed.species), this.latin.value, this.time.now())
      : undefined;
    const received = await this.journal.receiveCulture({
      stage: receivedAs(vessel.id),
      vessel,
      isolate: this.isolateNamed(ISOLATE.parse(typed.isolate), species),
      ...(species !== undefined && { species }),
      holds: this.amount.read(),
      count: COUNT.parse(typed.count),
      origin: originIn(this.form.controls.origin, this.cultureForm()),
      arrivedMs: this.arrivedMs(typed.came),
      place: typed.place,
      note: typed.note.trim(),
      isWild: this.isWild(),
    });
    if (received) {
      this.dialog.close();
    }
  }

  /** Today is now; an earlier day counts from its noon. */
  private arrivedMs(came: Date | null): number {
    const NOON_HOURS = 12;
    return came === null || came.getTime() >= this.today().getTime()
      ? this.time.now()
      : new Date(came).setHours(NOON_HOURS, 0, 0, 0);
  }

  private isolateNamed(name: string, species: Species | undefined): Isolate {
    const speciesId = species?.id ?? this.speciesId();
    const known = this.store
      .house()
      ?.records.isolates.find((i) => i.name === name && i.speciesId === speciesId);
    return (
      known ?? {
        id: `i-${this.time.now().toString(36)}`,
        schemaVersion: 1,
        updatedAt: new Date(this.time.now()).toISOString(),
        speciesId,
        name,
      }
    );
  }
}
