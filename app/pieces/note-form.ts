import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { BatchId, CookId } from '../../core/index';
import { Journal, type Said } from '../data/journal/journal';

/** What a note is about. */
export type NoteSubject =
  | { readonly kind: 'batchNoted'; readonly batchId: BatchId }
  | { readonly kind: 'cookNoted'; readonly cookId: CookId }
  | { readonly kind: 'cultureNoted'; readonly isolateId: string }
  | { readonly kind: 'dayNoted'; readonly day: string };

/** A remark on a batch, a cook, a culture or a day. */
@Component({
  selector: 'nw-note-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); save()">
      <label class="named"
        >{{ label() }}
        <textarea
          #note
          class="field"
          rows="2"
          maxlength="2000"
          [value]="text()"
          (input)="text.set(note.value)"
        ></textarea>
      </label>
      <button type="submit" class="deed quiet" [disabled]="text().trim() === ''">Save the note</button>
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
  protected readonly text = signal('');

  protected async save(): Promise<void> {
    const said = { ...this.about(), note: this.text().trim() } as Said;
    if (await this.journal.say(said)) {
      this.text.set('');
    }
  }
}
