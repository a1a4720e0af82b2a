import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatRadioGroup } from '@angular/material/radio';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { keptChoice } from '../../pieces/form/form-state';
import { ApplianceForm } from '../../pieces/own-things/appliance-form';
import { ApplianceCard } from './appliance-card';

/** What heats, each with its own figures; which of them plans use; and another one. */
@Component({
  selector: 'nw-appliances',
  imports: [ApplianceCard, ApplianceForm, MatButton, MatRadioGroup, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-radio-group [formControl]="inUse" aria-label="Plans use">
      @for (appliance of appliances(); track appliance.id) {
        <nw-appliance-card class="card" [appliance]="appliance" />
      }
    </mat-radio-group>
    <section class="card" aria-labelledby="add-appliance">
      <h2 id="add-appliance">Another one</h2>
      <nw-appliance-form />
      @for (appliance of gone(); track appliance.id) {
        <p class="soft">
          {{ appliance.name }} is not here.
          <button type="button" matButton class="word" (click)="putBack(appliance.id)">It is here</button>
        </p>
      }
    </section>
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
    section {
      display: grid;
      gap: 12px;
      padding: 16px 20px;
    }
  `,
})
export class Appliances {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);

  private readonly all = computed(() => this.store.house()?.records.appliances ?? []);
  protected readonly appliances = computed(() => this.all().filter((a) => a.isGone !== true));
  protected readonly gone = computed(() => this.all().filter((a) => a.isGone === true));
  /** One cooker leads the plans; the other is still there to load. */
  protected readonly inUse = keptChoice(
    '',
    () => this.appliances().find((a) => a.inUse)?.id,
    (id) => this.use(id),
  );

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
