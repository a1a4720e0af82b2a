import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import type { Isolate } from '../../core/index';
import { Definitions } from '../data/journal/definitions';
import { HouseStore } from '../data/store/house-store';
import { checkedBy, typedLine } from './form/checked-by';
import { isSound } from './form/form-state';
import { PickField } from './form/pick-field';
import { TextField } from './form/text-field';
import { speciesChoices } from './species-choices';

const NAME = typedLine({ label: 'Isolate' });

/** What an isolate is called, of which species it is, and what is said of it. */
@Component({
  selector: 'nw-edit-isolate',
  imports: [MatButton, MatDialogContent, MatDialogTitle, PickField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ isolate.name }}</h2>
    <mat-dialog-content>
      <form (submit)="$event.preventDefault(); save()">
        <nw-text-field name="Isolate, as its keeper calls it" [longest]="80" [control]="form.controls.name" />
        <nw-pick-field
          name="Species"
          [options]="species()"
          [value]="speciesId()"
          (chosen)="speciesId.set($event)"
        />
        <nw-text-field name="Note" [rows]="3" [longest]="2000" [control]="form.controls.note" />
        <p class="soft">Everything that comes from it is called so, too.</p>
        <button type="submit" matButton="elevated" class="deed">Keep it so</button>
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
export class EditIsolate {
  protected readonly isolate = inject<Isolate>(MAT_DIALOG_DATA);
  private readonly definitions = inject(Definitions);
  private readonly store = inject(HouseStore);
  private readonly dialog = inject<MatDialogRef<EditIsolate>>(MatDialogRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly species = computed(() => speciesChoices(this.store.house()));
  protected readonly speciesId = signal(this.isolate.speciesId);
  protected readonly form = new FormGroup({
    name: new FormControl(this.isolate.name, { nonNullable: true, validators: checkedBy(() => NAME) }),
    note: new FormControl(this.isolate.note ?? '', { nonNullable: true }),
  });

  protected async save(): Promise<void> {
    if (!isSound(this.form, this.host)) {
      return;
    }
    const { name, note } = this.form.getRawValue();
    const kept = await this.definitions.change('isolates', this.isolate.id, {
      name: NAME.parse(name),
      speciesId: this.speciesId(),
      note: note.trim() || undefined,
    });
    if (kept) {
      this.dialog.close();
    }
  }
}
