import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { APPLIANCE_STARTS, ApplianceKind, isCookedHere, newAppliance, newId } from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { HouseStore } from '../../data/store/house-store';
import { ChoiceField, type Choice } from '../form/choice-field';
import { TextField } from '../form/text-field';

const MOST_NAME = 60;

/** A cooker of one's own, with the figures of common sizes until those that are printed on it are typed. */
@Component({
  selector: 'nw-appliance-form',
  imports: [ChoiceField, MatButton, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="add()">
      <div class="fields">
        <nw-choice-field name="What is it" [control]="form.controls.kind" [options]="kinds" />
        <nw-text-field name="Its name" [longest]="mostName" [control]="form.controls.name" />
      </div>
      <button type="submit" matButton="outlined" class="deed">Add it</button>
      <p class="soft small">
        Volume, rated pressure and how many fit are those of common sizes: put them right under Settings, in
        the Ledger, before it is heated.
      </p>
    </form>
  `,
  styleUrl: './own-things.scss',
})
export class ApplianceForm {
  /** Id of the one that was added. */
  readonly added = output<string>();

  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);

  protected readonly mostName = MOST_NAME;
  protected readonly kinds: readonly Choice<ApplianceKind>[] = ApplianceKind.options.map((value) => ({
    value,
    words: APPLIANCE_STARTS[value].name,
  }));
  protected readonly form = new FormGroup({
    kind: new FormControl<ApplianceKind>('canner', { nonNullable: true }),
    name: new FormControl('', { nonNullable: true }),
  });

  protected async add(): Promise<void> {
    const { kind, name } = this.form.getRawValue();
    const words = name.trim() || APPLIANCE_STARTS[kind].name;
    const id = `appliance-${newId(Date.now(), Math.random)}`;
    const vessels = (this.store.house()?.records.vesselTypes ?? []).filter(isCookedHere);
    const appliance = newAppliance(kind, id, words, new Date().toISOString(), vessels);
    if (await this.settings.add('appliances', appliance)) {
      this.form.controls.name.reset();
      this.added.emit(id);
    }
  }
}
