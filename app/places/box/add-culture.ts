import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { CoreError, MOST_LINE_LETTERS, parseWithin, requireText, type Isolate } from '../../../core/index';
import { messageOf } from '../../data/words/message-of';
import { HouseStore } from '../../data/store/house-store';
import { Journal } from '../../data/journal/journal';

/** A culture that comes into the house: what it is, in what, how much. */
@Component({
  selector: 'nw-add-culture',
  imports: [MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Add a culture</h2>
    <mat-dialog-content>
      <form (submit)="$event.preventDefault(); save()">
        <label class="named"
          >Species
          <select #kind class="field" (change)="speciesId.set(kind.value)">
            @for (species of species(); track species.id) {
              <option [value]="species.id" [selected]="species.id === speciesId()">
                {{ species.name }} ({{ species.latin }})
              </option>
            }
          </select>
        </label>
        <label class="named"
          >Isolate, as its keeper calls it
          <input
            #isolate
            class="field"
            maxlength="80"
            autocomplete="off"
            [value]="isolateName()"
            (input)="isolateName.set(isolate.value)"
          />
        </label>
        <label class="named"
          >In a
          <select #vessel class="field" (change)="chooseVessel(vessel.value)">
            @for (type of vessels(); track type.id) {
              <option [value]="type.id" [selected]="type.id === vesselId()">{{ type.name }}</option>
            }
          </select>
        </label>
        <label class="named"
          >Millilitres in each
          <input
            #volume
            class="field"
            inputmode="decimal"
            maxlength="12"
            autocomplete="off"
            [value]="volumeText()"
            (input)="volumeText.set(volume.value)"
          />
        </label>
        <p class="soft">
          Follow the law where you live: some species and spores are controlled in some places.
        </p>
        @if (problem(); as words) {
          <p class="error" role="alert">{{ words }}</p>
        }
        <button type="submit" class="deed main">It is in the house</button>
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
  protected readonly species = computed(() => this.store.house()?.records.species ?? []);
  protected readonly vessels = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter(
      (v) => v.id.startsWith('culture-') && v.kind !== 'dish',
    ),
  );
  protected readonly speciesId = signal('black-poplar');
  protected readonly isolateName = signal('');
  protected readonly vesselId = signal('culture-syringe');
  protected readonly volumeText = signal('10');
  protected readonly problem = signal('');

  protected chooseVessel(id: string): void {
    this.vesselId.set(id);
    this.volumeText.set(id === 'culture-jar' ? '300' : '10');
  }

  protected async save(): Promise<void> {
    try {
      const vessel = this.vessels().find((v) => v.id === this.vesselId());
      const name = requireText(this.isolateName(), { label: 'Isolate' }, MOST_LINE_LETTERS);
      if (vessel === undefined) {
        throw new CoreError('not-found', { what: 'definition', id: this.vesselId() });
      }
      const contentsMl = parseWithin(this.volumeText(), {
        field: { label: 'Millilitres' },
        min: 0.5,
        max: vessel.capacityMl,
        unit: ' ml',
      });
      if (
        await this.journal.receiveCulture({
          vessel,
          isolate: this.isolateNamed(name),
          contentsMl,
          count: 1,
        })
      ) {
        this.dialog.close();
      }
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
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
