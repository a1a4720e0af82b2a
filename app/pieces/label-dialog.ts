import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatChipListbox, MatChipOption } from '@angular/material/chips';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import { format } from 'date-fns';
import { labelContent, type VesselId, type VesselView } from '../../core/index';
import { download } from '../data/store/download';
import { HouseStore } from '../data/store/house-store';
import { WHICH_HOUSE } from '../data/store/which-house';
import { messageOf } from '../data/words/message-of';
import { LABEL_SHEETS, labelsPerPage } from '../workers/label-sheets';
import { LabelsWorker } from '../workers/labels-client';
import { checkedBy, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { isSound, valueOf } from './form/form-state';
import { TextField } from './form/text-field';

/** What labels are asked for: a batch, or any vessels. */
export interface LabelsWanted {
  readonly title: string;
  readonly vessels: readonly VesselView[];
}

/**
 * Labels for chosen vessels, as a PDF, before the work or after it, as often as one likes, from any place of a sheet that is
 * half used.
 */
@Component({
  selector: 'nw-label-dialog',
  imports: [
    ChoiceField,
    MatButton,
    MatCheckbox,
    MatChipListbox,
    MatChipOption,
    MatDialogContent,
    MatDialogTitle,
    ReactiveFormsModule,
    TextField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Labels for {{ wanted.title }}</h2>
    <mat-dialog-content>
      @if (wanted.vessels.length > 1) {
        <div>
          <mat-chip-listbox
            aria-label="Which vessels"
            [multiple]="true"
            [hideSingleSelectionIndicator]="true"
            [value]="chosen()"
            (change)="chosen.set($event.value ?? [])"
          >
            @for (vessel of wanted.vessels; track vessel.vessel.id) {
              <mat-chip-option [value]="vessel.vessel.id">{{ short(vessel) }}</mat-chip-option>
            }
          </mat-chip-listbox>
          <button type="button" matButton class="word" (click)="all()">
            {{ chosen().length === wanted.vessels.length ? 'None of them' : 'All of them' }}
          </button>
        </div>
      }
      <nw-choice-field name="Paper" [control]="form.controls.sheet" [options]="sheets" />
      <nw-text-field
        keys="numeric"
        name="First free label on the sheet"
        [longest]="3"
        [control]="form.controls.first"
      />
      <mat-checkbox [formControl]="form.controls.byHand">to write on by hand, without QR</mat-checkbox>
      <mat-checkbox [formControl]="form.controls.weeks">weeks in place of dates</mat-checkbox>
      <p class="soft">
        {{ chosen().length }} {{ chosen().length === 1 ? 'label' : 'labels' }}: code, species, date, source,
        formula and a QR that opens the vessel on this machine. What is not in yet is left to be written.
      </p>
      @if (problem(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      }
      <button
        type="button"
        matButton="elevated"
        class="deed"
        [disabled]="busy() || chosen().length === 0"
        (click)="save()"
      >
        {{ busy() ? 'Drawing …' : 'Save the PDF' }}
      </button>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 16px;
    }
  `,
})
export class LabelDialog {
  protected readonly wanted = inject<LabelsWanted>(MAT_DIALOG_DATA);
  private readonly store = inject(HouseStore);
  private readonly worker = inject(LabelsWorker);
  private readonly which = inject(WHICH_HOUSE);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly sheets: readonly Choice[] = LABEL_SHEETS.map(({ id, words }) => ({ value: id, words }));
  protected readonly chosen = signal<readonly VesselId[]>(this.wanted.vessels.map((v) => v.vessel.id));
  private readonly sheetId = new FormControl(LABEL_SHEETS[0]!.id, { nonNullable: true });
  private readonly chosenSheet = valueOf(this.sheetId);
  private readonly sheet = computed(
    () => LABEL_SHEETS.find((s) => s.id === this.chosenSheet()) ?? LABEL_SHEETS[0]!,
  );
  private readonly firstRule = computed(() =>
    typedNumber({ field: { label: 'First label' }, min: 1, max: labelsPerPage(this.sheet()), whole: true }),
  );
  protected readonly form = new FormGroup({
    sheet: this.sheetId,
    first: new FormControl('1', { nonNullable: true }),
    byHand: new FormControl(false, { nonNullable: true }),
    weeks: new FormControl(false, { nonNullable: true }),
  });
  protected readonly busy = signal(false);
  protected readonly problem = signal('');

  constructor() {
    this.form.controls.first.addValidators(checkedBy(() => this.firstRule()));
  }

  protected short(vessel: VesselView): string {
    const isOneBatch = this.wanted.vessels.every((v) => v.batch.id === vessel.batch.id);
    return isOneBatch ? String(vessel.vessel.number) : vessel.code;
  }

  protected all(): void {
    const ids = this.wanted.vessels.map((v) => v.vessel.id);
    this.chosen.set(this.chosen().length === ids.length ? [] : ids);
  }

  protected async save(): Promise<void> {
    if (!isSound(this.form, this.host)) {
      return;
    }
    this.busy.set(true);
    this.problem.set('');
    try {
      const { first, byHand, weeks } = this.form.getRawValue();
      const base = location.origin + (this.which.madeUp ? '/demo' : '');
      const formatDate = (iso: string) =>
        format(Date.parse(iso), weeks ? "'week' I, RRRR" : 'd MMM yyyy', {
          useAdditionalWeekYearTokens: true,
        });
      const chosen = new Set(this.chosen());
      // As they stand now: a dialog may be open while work goes on.
      const house = this.store.house();
      const labels = this.wanted.vessels
        .filter((v) => chosen.has(v.vessel.id))
        .map((v) => house?.vesselById.get(v.vessel.id) ?? v)
        .map((vessel) => {
          const sources = vessel.state.sourceVesselIds.flatMap((id) => house?.vesselById.get(id) ?? []);
          return labelContent(vessel, sources, { base, formatDate });
        });
      download(
        await this.worker.draw(labels, this.sheet(), { byHand, first: this.firstRule().parse(first) }),
        `labels-${this.wanted.title}.pdf`,
        'application/pdf',
      );
    } catch (error) {
      this.problem.set(
        `The labels could not be drawn: ${messageOf(error)}. Try again, or write them by hand.`,
      );
    } finally {
      this.busy.set(false);
    }
  }
}
