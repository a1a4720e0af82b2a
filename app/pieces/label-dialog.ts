import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatCheckbox } from '@angular/material/checkbox';
import { format } from 'date-fns';
import { labelContent, type BatchView } from '../../core/index';
import { messageOf } from '../data/words/message-of';
import { download } from '../data/store/download';
import { HouseStore } from '../data/store/house-store';
import { WHICH_HOUSE } from '../data/store/which-house';
import { LABEL_SHEETS } from '../workers/label-sheets';
import { LabelsWorker } from '../workers/labels-client';
import { ChoiceField, type Choice } from './form/choice-field';

/** Labels for the vessels of a batch, as a PDF. Print them before the work, so that nothing leaves unnamed. */
@Component({
  selector: 'nw-label-dialog',
  imports: [ChoiceField, MatButton, MatCheckbox, MatDialogContent, MatDialogTitle, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Labels for {{ batch.code }}</h2>
    <mat-dialog-content>
      <nw-choice-field name="Paper" [control]="form.controls.sheet" [options]="sheets" />
      <mat-checkbox [formControl]="form.controls.byHand">to write on by hand, without QR</mat-checkbox>
      <p class="soft">
        {{ batch.vessels.length }} labels: code, species, date, source, formula and a QR that opens the vessel
        on this machine.
      </p>
      @if (problem(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      }
      <button type="button" matButton="elevated" class="deed" [disabled]="busy()" (click)="save()">
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
  protected readonly batch = inject<BatchView>(MAT_DIALOG_DATA);
  private readonly store = inject(HouseStore);
  private readonly worker = inject(LabelsWorker);
  private readonly which = inject(WHICH_HOUSE);
  protected readonly sheets: readonly Choice[] = LABEL_SHEETS.map(({ id, words }) => ({ value: id, words }));
  protected readonly form = new FormGroup({
    sheet: new FormControl(LABEL_SHEETS[0]!.id, { nonNullable: true }),
    byHand: new FormControl(false, { nonNullable: true }),
  });
  protected readonly busy = signal(false);
  protected readonly problem = signal('');

  protected async save(): Promise<void> {
    this.busy.set(true);
    this.problem.set('');
    try {
      const house = this.store.house();
      const base = location.origin + (this.which.madeUp ? '/demo' : '');
      const labels = this.batch.vessels.map((vessel) => {
        const sources = vessel.state.sourceVesselIds.flatMap((id) => house?.vesselById.get(id) ?? []);
        return labelContent(vessel, sources, {
          base,
          formatDate: (iso) => format(Date.parse(iso), 'd MMM yyyy'),
        });
      });
      const { sheet: wanted, byHand } = this.form.getRawValue();
      const sheet = LABEL_SHEETS.find((s) => s.id === wanted) ?? LABEL_SHEETS[0]!;
      download(
        await this.worker.draw(labels, sheet, byHand),
        `labels-${this.batch.code}.pdf`,
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
