import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { format } from 'date-fns';
import { HouseStore } from '../data/house-store';
import { Scribe } from '../data/scribe';
import { entryWords } from '../data/words';

const STEPS_MIN = [1, 2, 5] as const;

/** "When was it really?" People press late; the record keeps both times. */
@Component({
  selector: 'nw-correct',
  imports: [MatDialogContent, MatDialogTitle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>When was it really?</h2>
    <mat-dialog-content>
      @if (last(); as last) {
        <p>{{ words() }}, noted {{ noted() }}</p>
        <div class="steps">
          @for (step of steps; track step) {
            <button type="button" class="deed quiet" (click)="shift(step)">−{{ step }} min</button>
          }
        </div>
        <label class="named"
          >or type it
          <input #typed class="field" type="datetime-local" [value]="typedDefault()" />
        </label>
        @if (problem()) {
          <p class="error" role="alert">{{ problem() }}</p>
        }
        <button type="button" class="deed main" (click)="type(typed.value)">It was then</button>
      }
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 16px;
    }
    .steps {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 12px;
    }
  `,
})
export class Correct {
  protected readonly steps = STEPS_MIN;
  private readonly scribe = inject(Scribe);
  private readonly store = inject(HouseStore);
  private readonly dialog = inject<MatDialogRef<Correct>>(MatDialogRef);
  protected readonly problem = signal('');
  protected readonly last = this.scribe.last;
  private readonly standing = computed(() => {
    const id = this.last()?.entry.id;
    const at = this.store.house()?.facts.find((f) => f.id === id)?.at ?? this.last()?.entry.at;
    return at === undefined ? 0 : Date.parse(at);
  });
  protected readonly noted = computed(() => format(this.standing(), 'HH:mm'));
  protected readonly typedDefault = computed(() => format(this.standing(), "yyyy-MM-dd'T'HH:mm"));
  protected readonly words = computed(() => {
    const house = this.store.house();
    const last = this.last();
    return house && last ? entryWords(last.entry, house) : '';
  });

  protected shift(minutes: number): void {
    void this.save(this.standing() - minutes * 60_000);
  }

  protected type(text: string): void {
    const ms = new Date(text).getTime();
    if (Number.isNaN(ms)) {
      this.problem.set('When must be a date and a time. Nothing was changed.');
      return;
    }
    void this.save(ms);
  }

  private async save(ms: number): Promise<void> {
    const last = this.last();
    if (last !== undefined) {
      // A refusal stands in the notice line, with its reason.
      await this.scribe.retime(last.entry.id, new Date(ms).toISOString());
    }
    this.dialog.close();
  }
}
