import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { parseIn } from '../../core/index';
import { messageOf } from '../data/words/message-of';

/** A word of a sentence that can be typed over: a number with its unit. What is no number is kept and explained. */
@Component({
  selector: 'nw-blank-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span class="blank" [class.wrong]="problem()"
    ><input
      #box
      [value]="text()"
      [attr.aria-label]="name()"
      [attr.aria-invalid]="problem() ? true : null"
      inputmode="decimal"
      autocomplete="off"
      maxlength="24"
      (input)="type(box.value)"
      (focus)="box.select()"
      (blur)="settle()"
    />
    @if (unit()) {
      <span class="of">{{ unit() }}</span>
    }
  </span>`,
  styleUrl: './blank.scss',
})
export class BlankNumber {
  readonly name = input.required<string>();
  readonly value = model.required<number>();
  readonly unit = input('');
  /** The shown number is the value times this: 100 for a fraction in per cent. */
  readonly times = input(1);
  readonly decimals = input(1);
  /** Words for the person when the text is no number; empty when it is one. */
  readonly problemChange = output<string>();

  protected readonly text = signal('');
  protected readonly problem = signal('');
  private readonly shown = computed(() =>
    String(Number((this.value() * this.times()).toFixed(this.decimals()))),
  );
  private typing = false;

  constructor() {
    effect(() => {
      const shown = this.shown();
      if (!this.typing) {
        this.text.set(shown);
      }
    });
  }

  protected type(text: string): void {
    this.typing = true;
    this.text.set(text);
    try {
      this.value.set(parseIn(text, { label: this.name() }, this.unit()) / this.times());
      this.report('');
    } catch (error) {
      this.report(messageOf(error));
    }
  }

  protected settle(): void {
    this.typing = false;
    if (this.problem() === '') {
      this.text.set(this.shown());
    }
  }

  private report(problem: string): void {
    this.problem.set(problem);
    this.problemChange.emit(problem);
  }
}

/** A word of a sentence that is one of a few. */
@Component({
  selector: 'nw-blank-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span class="blank"
    ><select #box [attr.aria-label]="name()" (change)="value.set(box.value)">
      @for (option of options(); track option.value) {
        <option [value]="option.value" [selected]="option.value === value()">{{ option.words }}</option>
      }
    </select></span
  >`,
  styleUrl: './blank.scss',
})
export class BlankChoice {
  readonly name = input.required<string>();
  readonly value = model.required<string>();
  readonly options = input.required<readonly { readonly value: string; readonly words: string }[]>();
}
