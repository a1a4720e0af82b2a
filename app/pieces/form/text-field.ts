import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MatError, MatFormField, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { startWith, switchMap } from 'rxjs';
import { plainThousands } from '../../../core/index';
import { shownUnit } from '../../data/words/measure-words';
import { FIELD_DEFAULTS } from './field-defaults';
import { WORDS } from './checked-by';
import { recheckWith } from './form-state';

/** A line, or some, to write into: its name above it, its unit behind, what is wrong beneath. */
@Component({
  selector: 'nw-text-field',
  imports: [MatError, MatFormField, MatInput, MatSuffix, ReactiveFormsModule],
  providers: [...FIELD_DEFAULTS],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (!isNameHidden()) {
      <label [for]="id()">{{ name() }}</label>
    }
    <mat-form-field>
      @if (rows() > 1) {
        <textarea
          matInput
          [id]="id()"
          [formControl]="control()"
          [attr.aria-label]="isNameHidden() ? name() : null"
          [rows]="rows()"
          [placeholder]="example()"
          [attr.maxlength]="longest()"
        ></textarea>
      } @else {
        <input
          matInput
          [id]="id()"
          [formControl]="control()"
          [attr.aria-label]="isNameHidden() ? name() : null"
          [placeholder]="example()"
          [attr.inputmode]="keys()"
          [attr.maxlength]="longest()"
          autocomplete="off"
          (change)="settle()"
        />
      }
      <span matTextSuffix class="nowrap">{{ sign() }}</span>
      <mat-error>{{ control().getError(words) }}</mat-error>
    </mat-form-field>
    @if (takenAs(); as words) {
      <span class="soft small" aria-live="polite">{{ words }}</span>
    }
  `,
  styleUrl: './field.scss',
})
export class TextField {
  private static made = 0;

  readonly name = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  /** Of what is kept; shown is the sign of the unit that this household reads. */
  readonly unit = input('');
  /** Read in its own unit everywhere: milliliters of a syringe. */
  readonly unitStays = input(false);
  /** Which keys a phone shows: those of numbers, or letters. */
  readonly keys = input<'decimal' | 'numeric' | 'text'>('text');
  readonly longest = input(24);
  readonly rows = input(1);
  readonly example = input('');
  /** Where what stands around it names it already, the name is there for a screen reader alone. */
  readonly isNameHidden = input(false);
  readonly id = input(`nw-text-${TextField.made++}`);
  /** What was typed is done with, and fits. */
  readonly kept = output<string>();

  protected readonly words = WORDS;
  private readonly typed = toSignal(
    toObservable(this.control).pipe(
      switchMap((control) => control.valueChanges.pipe(startWith(control.value))),
    ),
    { initialValue: '' },
  );
  /** What a number was taken for that others write the other way round. */
  protected readonly takenAs = computed(() =>
    this.keys() === 'text' ? '' : (plainThousands(this.typed()).notes[0] ?? ''),
  );
  protected readonly sign = computed(() => shownUnit(this.unit(), this.unitStays()).sign);

  constructor() {
    recheckWith(this.control);
  }

  protected settle(): void {
    const control = this.control();
    control.markAsTouched();
    if (control.valid && control.dirty) {
      this.kept.emit(control.value);
    }
  }
}
