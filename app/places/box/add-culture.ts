import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import type { Isolate } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Journal } from '../../data/journal/journal';
import { checkedBy, typedLine, typedNumber } from '../../pieces/form/checked-by';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { isSound, valueOf } from '../../pieces/form/form-state';
import { PickField } from '../../pieces/form/pick-field';
import { TextField } from '../../pieces/form/text-field';

const ISOLATE = typedLine({ label: 'Isolate' });
/** Where the vessel is not known, which cannot be chosen. */
const MOST_ML = 1000;

/** A culture that comes into the house: what it is, in what, how much. */
@Component({
  selector: 'nw-add-culture',
  imports: [ChoiceField, MatButton, MatDialogContent, MatDialogTitle, PickField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Add a culture</h2>
    <mat-dialog-content>
      <form (submit)="$event.preventDefault(); save()">
        <nw-pick-field
          name="Species"
          [options]="kinds()"
          [value]="speciesId()"
          (chosen)="speciesId.set($event)"
        />
        <nw-text-field
          name="Isolate, as its keeper calls it"
          [longest]="80"
          [control]="form.controls.isolate"
        />
        <nw-choice-field name="In a" [control]="form.controls.vessel" [options]="containers()" />
        <nw-text-field
          keys="decimal"
          name="Milliliters in each"
          unit="ml"
          [unitStays]="true"
          [longest]="12"
          [control]="form.controls.volume"
        />
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
  `,
})
export class AddCulture {
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly dialog = inject<MatDialogRef<AddCulture>>(MatDialogRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly kinds = computed<readonly Choice[]>(() =>
    (this.store.house()?.records.species ?? []).map(({ id, name, latin }) => ({
      value: id,
      words: `${name} (${latin})`,
    })),
  );
  private readonly vessels = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter(
      (v) => v.id.startsWith('culture-') && v.kind !== 'dish',
    ),
  );
  protected readonly containers = computed<readonly Choice[]>(() =>
    this.vessels().map(({ id, name }) => ({ value: id, words: name })),
  );
  protected readonly speciesId = signal('black-poplar');
  private readonly held = new FormControl('culture-syringe', { nonNullable: true });
  private readonly heldId = valueOf(this.held);
  private readonly vessel = computed(() => this.vessels().find((v) => v.id === this.heldId()));
  private readonly volumeRule = computed(() =>
    typedNumber({
      field: { label: 'Milliliters' },
      min: 0.5,
      max: this.vessel()?.capacityMl ?? MOST_ML,
      unit: ' ml',
      unitStays: true,
    }),
  );
  protected readonly form = new FormGroup({
    isolate: new FormControl('', { nonNullable: true, validators: checkedBy(() => ISOLATE) }),
    vessel: this.held,
    volume: new FormControl('10', { nonNullable: true, validators: checkedBy(() => this.volumeRule()) }),
  });

  constructor() {
    this.held.valueChanges.pipe(takeUntilDestroyed()).subscribe((id) => {
      this.form.controls.volume.setValue(id === 'culture-jar' ? '300' : '10');
    });
  }

  protected async save(): Promise<void> {
    const vessel = this.vessel();
    if (!isSound(this.form, this.host) || vessel === undefined) {
      return;
    }
    const { isolate, volume } = this.form.getRawValue();
    const received = await this.journal.receiveCulture({
      vessel,
      isolate: this.isolateNamed(ISOLATE.parse(isolate)),
      contentsMl: this.volumeRule().parse(volume),
      count: 1,
    });
    if (received) {
      this.dialog.close();
    }
  }

  private isolateNamed(name: string): Isolate {
    const known = this.store
      .house()
      ?.records.isolates.find((i) => i.name === name && i.speciesId === this.speciesId());
    return (
      known ?? {
        id: `i-${Date.now().toString(36)}`,
        schemaVersion: 1,
        updatedAt: new Date().toISOString(),
        speciesId: this.speciesId(),
        name,
      }
    );
  }
}
