import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { outputFromObservable } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import type { TypedRule } from '../../../core/index';
import { checkedBy, rangeOf, typed, typedNumber } from './checked-by';
import { isSound } from './form-state';
import { TextField } from './text-field';

/** One number asked at arm's length: its name, its unit, what it would mean while it is typed, one deed. */
@Component({
  selector: 'nw-ask-number',
  imports: [MatButton, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); send()">
      <nw-text-field
        keys="decimal"
        [name]="name()"
        [unit]="unit()"
        [unitStays]="unitStays()"
        [control]="control"
      />
      <button type="submit" matButton="outlined" class="deed">{{ deed() }}</button>
      <p class="soft" aria-live="polite">{{ answer() }}</p>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(140px, 220px) auto;
      gap: 6px 10px;
      align-items: end;
      justify-content: start;
    }
    p {
      grid-column: 1 / -1;
      min-height: 1.4em;
      font-size: 19px;
    }
  `,
})
export class AskNumber {
  readonly name = input.required<string>();
  /** What a refusal calls it, where its name is a sentence. */
  readonly refusedAs = input('');
  readonly unit = input('');
  readonly unitStays = input(false);
  /** Where it usually lies: a bare number that would lie there in another unit alone is asked about. */
  readonly likely = input<TypedRule['likely']>();
  readonly deed = input.required<string>();
  readonly min = input(-Infinity);
  readonly max = input(Infinity);
  /** Reads what was typed, where more than a range decides whether it can be. @throws CoreError with what is wrong */
  readonly read = input<(text: string) => number>();
  readonly answer = input('');

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly schema = computed(() => {
    const read = this.read();
    return read === undefined
      ? typedNumber(
          rangeOf({
            name: this.refusedAs() || this.name(),
            unit: this.unit(),
            min: this.min(),
            max: this.max(),
            unitStays: this.unitStays(),
            likely: this.likely(),
          }),
        )
      : typed(read);
  });
  protected readonly control = new FormControl('', { nonNullable: true });
  readonly typed = outputFromObservable(this.control.valueChanges);
  /** Keeps it; what was typed goes once it is kept. */
  readonly keep = input.required<(value: number) => Promise<boolean>>();

  constructor() {
    // Its range comes in later than the control is made, which would ask for it at once.
    this.control.addValidators(checkedBy(() => this.schema()));
  }

  protected async send(): Promise<void> {
    if (isSound(this.control, this.host) && (await this.keep()(this.schema().parse(this.control.value)))) {
      this.control.reset();
    }
  }
}
