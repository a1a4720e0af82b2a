import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { parseWithin } from '../../../core/index';
import { messageOf } from '../../data/words/message-of';

/** One number asked at arm's length: its name, its unit, what it would mean while it is typed, one deed. */
@Component({
  selector: 'nw-ask-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); send(box.value)">
      <label [for]="id">{{ name() }}</label>
      <span class="row">
        <input
          #box
          class="field"
          [id]="id"
          inputmode="decimal"
          autocomplete="off"
          maxlength="24"
          (input)="typed.emit(box.value)"
        />
        <span>{{ unit() }}</span>
        <button type="submit" class="deed">{{ deed() }}</button>
      </span>
      @if (problem(); as words) {
        <p class="error" role="alert">{{ words }}</p>
      } @else {
        <p class="soft answer" aria-live="polite">{{ answer() }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 6px;
    }
    label {
      font-size: 20px;
      font-weight: 600;
    }
    .row {
      display: flex;
      gap: 10px;
      align-items: center;
      font-weight: 400;
    }
    input {
      width: 130px;
      min-height: 56px;
      font-size: 24px;
    }
    .answer {
      min-height: 1.4em;
      font-size: 19px;
    }
  `,
})
export class AskNumber {
  private static made = 0;

  readonly name = input.required<string>();
  readonly unit = input('');
  readonly deed = input.required<string>();
  readonly min = input.required<number>();
  readonly max = input.required<number>();
  readonly answer = input('');
  readonly typed = output<string>();
  readonly given = output<number>();

  protected readonly id = `nw-ask-${AskNumber.made++}`;
  protected readonly problem = signal('');

  protected send(text: string): void {
    try {
      const unit = this.unit() === '' ? '' : ` ${this.unit()}`;
      const value = parseWithin(text, {
        field: { label: this.name() },
        min: this.min(),
        max: this.max(),
        unit,
      });
      this.problem.set('');
      this.given.emit(value);
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }
}
