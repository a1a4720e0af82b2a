import { ChangeDetectionStrategy, Component, computed, effect, input } from '@angular/core';
import { FormControl } from '@angular/forms';
import { fieldText } from '../../data/words/measure-words';
import { checkedBy, rangeOf, typedNumber, typedNumberOrNothing } from './checked-by';
import { TextField } from './text-field';

/** A figure that is kept as soon as it is typed over. */
export interface KeptNumber {
  readonly id: string;
  readonly label: string;
  /** Of what is kept, as it stands behind a figure; empty for a count. */
  readonly unit: string;
  /** Read in that unit everywhere: milliliters of a syringe. */
  readonly unitStays?: boolean;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
  readonly shown: number | string | undefined;
  /** Keeps it; undefined where it may be emptied and was. */
  readonly keep: (value: number | undefined) => Promise<boolean>;
  readonly mayBeEmpty?: boolean;
}

/** One such figure. What is no figure stays as it was typed, with what is wrong with it, and nothing is changed. */
@Component({
  selector: 'nw-kept-number',
  imports: [TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<nw-text-field
    keys="decimal"
    [name]="field().label"
    [unit]="field().unit"
    [unitStays]="field().unitStays === true"
    [id]="field().id"
    [isNameHidden]="isNameHidden()"
    [control]="control"
    (kept)="keep()"
  />`,
})
export class KeptNumberField {
  readonly field = input.required<KeptNumber>();
  readonly isNameHidden = input(false);

  protected readonly control = new FormControl('', { nonNullable: true });
  private readonly schema = computed(() => {
    const { label, mayBeEmpty, ...limits } = this.field();
    const rule = rangeOf({ name: label, ...limits });
    return mayBeEmpty === true ? typedNumberOrNothing(rule) : typedNumber(rule);
  });

  constructor() {
    // Its range comes in later than the control is made, which would ask for it at once.
    this.control.addValidators(checkedBy(() => this.schema()));
    let shownOf = '';
    effect(() => {
      const { id, shown, unit, unitStays } = this.field();
      // What is being typed, or is wrong, stays; another figure in its place does not inherit it.
      if (this.control.pristine || id !== shownOf) {
        this.control.reset(typeof shown === 'number' ? fieldText(shown, unit, unitStays) : (shown ?? ''));
      }
      shownOf = id;
    });
  }

  protected async keep(): Promise<void> {
    const value = this.schema().parse(this.control.value);
    this.control.markAsPristine();
    await this.field().keep(value);
  }
}
