import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { FormControl } from '@angular/forms';
import type { BatchId, CookId } from '../../core/index';
import { Journal, type Said } from '../data/journal/journal';
import { valueOf } from './form/form-state';
import { TextField } from './form/text-field';

/** What a note is about. */
export type NoteSubject =
  | { readonly kind: 'batchNoted'; readonly batchId: BatchId }
  | { readonly kind: 'cookNoted'; readonly cookId: CookId }
  | { readonly kind: 'cultureNoted'; readonly isolateId: string }
  | { readonly kind: 'dayNoted'; readonly day: string };

/** A remark on a batch, a cook, a culture or a day. */
@Component({
  selector: 'nw-note-form',
  imports: [MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); save()">
      <nw-text-field [name]="label()" [rows]="2" [longest]="2000" [control]="note" />
      <button type="submit" matButton="outlined" class="deed quiet" [disabled]="text().trim() === ''">
        Save the note
      </button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 10px;
    }
    .deed {
      justify-self: start;
    }
  `,
})
export class NoteForm {
  readonly about = input.required<NoteSubject>();
  readonly label = input('Note');

  private readonly journal = inject(Journal);
  protected readonly note = new FormControl('', { nonNullable: true });
  protected readonly text = valueOf(this.note);

  protected async save(): Promise<void> {
    const said = { ...this.about(), note: this.text().trim() } as Said;
    if (await this.journal.say(said)) {
      this.note.reset();
    }
  }
}
