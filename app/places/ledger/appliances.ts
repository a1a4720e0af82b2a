import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatRadioGroup } from '@angular/material/radio';
import { APPLIANCE_STARTS, ApplianceKind, isCookedHere, newAppliance, newId } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { keptChoice } from '../../pieces/form/form-state';
import { TextField } from '../../pieces/form/text-field';
import { ApplianceCard } from './appliance-card';

const MOST_NAME = 60;

/** What heats, each with its own figures; which of them plans use; and another one. */
@Component({
  selector: 'nw-appliances',
  imports: [ApplianceCard, ChoiceField, MatButton, MatRadioGroup, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-radio-group [formControl]="inUse" aria-label="Plans use">
      @for (appliance of appliances(); track appliance.id) {
        <nw-appliance-card class="card" [appliance]="appliance" />
      }
    </mat-radio-group>
    <form class="card" aria-labelledby="add-appliance" [formGroup]="another" (ngSubmit)="add()">
      <h2 id="add-appliance">Another one</h2>
      <nw-choice-field name="What is it" [control]="another.controls.kind" [options]="kinds" />
      <nw-text-field name="Its name" [longest]="mostName" [control]="another.controls.name" />
      <button type="submit" matButton="outlined" class="deed">Add it</button>
      @for (appliance of gone(); track appliance.id) {
        <p class="soft">
          {{ appliance.name }} is no longer here.
          <button type="button" matButton class="word" (click)="putBack(appliance.id)">Put it back</button>
        </p>
      }
    </form>
  `,
  styles: `
    :host,
    mat-radio-group {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
      gap: 16px;
      align-items: start;
    }
    mat-radio-group {
      grid-column: 1 / -1;
    }
    nw-appliance-card,
    form {
      display: grid;
      gap: 12px;
      padding: 16px 20px;
    }
  `,
})
export class Appliances {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);

  protected readonly mostName = MOST_NAME;
  protected readonly kinds: readonly Choice<ApplianceKind>[] = ApplianceKind.options.map((value) => ({
    value,
    words: APPLIANCE_STARTS[value].name,
  }));
  protected readonly another = new FormGroup({
    kind: new FormControl<ApplianceKind>('canner', { nonNullable: true }),
    name: new FormControl('', { nonNullable: true }),
  });
  private readonly all = computed(() => this.store.house()?.records.appliances ?? []);
  protected readonly appliances = computed(() => this.all().filter((a) => a.isGone !== true));
  protected readonly gone = computed(() => this.all().filter((a) => a.isGone === true));
  /** One cooker leads the plans; the other is still there to load. */
  protected readonly inUse = keptChoice(
    '',
    () => this.appliances().find((a) => a.inUse)?.id,
    (id) => this.use(id),
  );

  protected async add(): Promise<void> {
    const { kind, name } = this.another.getRawValue();
    const words = name.trim() || APPLIANCE_STARTS[kind].name;
    const id = `appliance-${newId(Date.now(), Math.random)}`;
    const vessels = (this.store.house()?.records.vesselTypes ?? []).filter(isCookedHere);
    const appliance = newAppliance(kind, id, words, new Date().toISOString(), vessels);
    if (await this.settings.add('appliances', appliance)) {
      this.another.controls.name.reset();
    }
  }

  protected putBack(id: string): void {
    void this.settings.change('appliances', id, { isGone: undefined });
  }

  private async use(id: string): Promise<void> {
    for (const other of this.appliances()) {
      if (other.inUse !== (other.id === id)) {
        await this.settings.change('appliances', other.id, { inUse: other.id === id });
      }
    }
  }
}
