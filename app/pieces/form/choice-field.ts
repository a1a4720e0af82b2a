import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MatError, MatFormField } from '@angular/material/form-field';
import { MatOption, MatSelect } from '@angular/material/select';
import { FIELD_DEFAULTS } from './field-defaults';
import { WORDS } from './checked-by';
import { recheckWith } from './form-state';

/** One of a few that can be chosen. */
export interface Choice<T extends string = string> {
  readonly value: T;
  readonly words: string;
}

/** A choice of a few: its name above it, what is wrong beneath. */
@Component({
  selector: 'nw-choice-field',
  imports: [MatError, MatFormField, MatOption, MatSelect, ReactiveFormsModule],
  providers: [...FIELD_DEFAULTS],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (!isNameHidden()) {
      <span class="name" [id]="id">{{ name() }}</span>
    }
    <mat-form-field>
      <mat-select
        panelClass="house-panel"
        [formControl]="control()"
        [aria-label]="isNameHidden() ? name() : ''"
        [aria-labelledby]="isNameHidden() ? '' : id"
        [placeholder]="example()"
      >
        @for (option of options(); track option.value) {
          <mat-option [value]="option.value">{{ option.words }}</mat-option>
        }
      </mat-select>
      <mat-error>{{ control().getError(words) }}</mat-error>
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class ChoiceField<T extends string> {
  private static made = 0;

  readonly name = input.required<string>();
  readonly control = input.required<FormControl<T>>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly example = input('');
  readonly isNameHidden = input(false);

  protected readonly id = `nw-choice-${ChoiceField.made++}`;
  protected readonly words = WORDS;

  constructor() {
    recheckWith(this.control);
  }
}
