import { ChangeDetectionStrategy, Component, ElementRef, computed, inject } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { formOf, type BatchId } from '../../core/index';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { isSound } from './form/form-state';
import { ToldAmount, ToldAmountFields } from './told-amount';
import { ToldOriginFields, originForm, originIn } from './told-origin';

/** What came into the house, told anew where it was told wrongly. What was taken of it since stays taken. */
@Component({
  selector: 'nw-correct-culture',
  imports: [MatButton, MatDialogContent, MatDialogTitle, ToldAmountFields, ToldOriginFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ code() }}, as it came</h2>
    <mat-dialog-content>
      <form (submit)="$event.preventDefault(); save()">
        <nw-told-amount [of]="amount" />
        @if (cameFromOutside()) {
          <nw-told-origin [form]="form.controls.origin" [of]="cultureForm()" />
        }
        <button type="submit" matButton="elevated" class="deed">That is what came</button>
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
export class CorrectCulture {
  private readonly id = inject<BatchId>(MAT_DIALOG_DATA);
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly dialog = inject<MatDialogRef<CorrectCulture>>(MatDialogRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  private readonly view = computed(() => this.store.house()?.batchById.get(this.id));
  protected readonly code = computed(() => this.view()?.code ?? '');
  private readonly vessel = computed(() => this.view()?.batch.vessel);
  protected readonly cultureForm = computed(() => {
    const view = this.view();
    return view === undefined ? 'broth' : formOf(view.batch);
  });
  private readonly held = computed(() => this.view()?.batch.holds?.amount);
  /** What was drawn or grown here has its origin here. */
  protected readonly cameFromOutside = computed(() => this.view()?.batch.isolateId !== undefined);
  protected readonly amount = new ToldAmount(this.vessel, this.cultureForm, this.held);
  protected readonly form = new FormGroup({
    amount: this.amount.controls,
    origin: originForm({ how: 'unknown', ...this.view()?.batch.origin }),
  });

  protected async save(): Promise<void> {
    if (!isSound(this.form, this.host)) {
      return;
    }
    const kept = await this.journal.say({
      kind: 'cultureTold',
      batchId: this.id,
      holds: this.amount.read(),
      origin: this.cameFromOutside() ? originIn(this.form.controls.origin, this.cultureForm()) : {},
    });
    if (kept) {
      this.dialog.close();
    }
  }
}
