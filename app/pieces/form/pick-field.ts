import { ChangeDetectionStrategy, Component, computed, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import {
  MatAutocomplete,
  MatAutocompleteTrigger,
  type MatAutocompleteSelectedEvent,
} from '@angular/material/autocomplete';
import { MatOption } from '@angular/material/core';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Choice } from './choice-field';
import { FIELD_DEFAULTS } from './field-defaults';
import { valueOf } from './form-state';

/** So many are offered at once; a letter more narrows them. */
const MOST_OFFERED = 60;

/** One of many, found by typing a part of its name. */
@Component({
  selector: 'nw-pick-field',
  imports: [MatAutocomplete, MatAutocompleteTrigger, MatFormField, MatInput, MatOption, ReactiveFormsModule],
  providers: [...FIELD_DEFAULTS],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (!isNameHidden()) {
      <label [for]="id">{{ name() }}</label>
    }
    <mat-form-field>
      <input
        #box
        matInput
        maxlength="80"
        autocomplete="off"
        [id]="id"
        [attr.aria-label]="isNameHidden() ? name() : null"
        [placeholder]="example()"
        [formControl]="text"
        [matAutocomplete]="offer"
        (focus)="box.select()"
        (blur)="settle()"
      />
      <mat-autocomplete
        #offer
        class="house-panel"
        [aria-label]="name()"
        [autoActiveFirstOption]="true"
        (optionSelected)="take($event)"
      >
        @for (option of offered(); track option.value) {
          <mat-option [value]="option.words" [id]="id + '-' + option.value">{{ option.words }}</mat-option>
        }
      </mat-autocomplete>
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class PickField {
  private static made = 0;

  readonly name = input.required<string>();
  readonly options = input.required<readonly Choice[]>();
  /** The one that is chosen; empty while none is. */
  readonly value = input('');
  readonly example = input('');
  readonly isNameHidden = input(false);
  readonly chosen = output<string>();

  protected readonly id = `nw-pick-${PickField.made++}`;
  protected readonly text = new FormControl('', { nonNullable: true });
  private readonly typed = valueOf(this.text);
  private readonly shown = computed(() => this.options().find((o) => o.value === this.value())?.words ?? '');
  protected readonly offered = computed(() => {
    const wanted = this.typed().trim().toLowerCase();
    const isAsChosen = wanted === this.shown().toLowerCase();
    return this.options()
      .filter((o) => isAsChosen || o.words.toLowerCase().includes(wanted))
      .slice(0, MOST_OFFERED);
  });

  constructor() {
    effect(() => {
      this.text.setValue(this.shown());
    });
  }

  protected take({ option }: MatAutocompleteSelectedEvent): void {
    this.choose(this.options().find((o) => `${this.id}-${o.value}` === option.id));
  }

  /** What was typed and not taken is let go; a whole name counts as taken. */
  protected settle(): void {
    const typed = this.text.value.trim().toLowerCase();
    this.choose(this.options().find((o) => o.words.toLowerCase() === typed));
  }

  private choose(found: Choice | undefined): void {
    if (found !== undefined && found.value !== this.value()) {
      this.chosen.emit(found.value);
    }
    // The one that is chosen now, which may not be this one.
    setTimeout(() => {
      this.text.setValue(this.shown());
    });
  }
}
