import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { parseWithin } from '../../../core/index';
import { messageOf } from '../../data/words/message-of';

/** A figure of the house or of a cooker: what it is called, what it may be, and how it is kept. */
export interface NumberField {
  readonly id: string;
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly shown: number | undefined;
  readonly keep: (value: number) => Promise<boolean>;
}

/** Keeps what was typed into one. @returns what is wrong with it, empty when nothing is */
export async function keepTyped(field: NumberField, text: string): Promise<string> {
  try {
    const unit = field.unit && ` ${field.unit}`;
    await field.keep(
      parseWithin(text, { field: { label: field.label }, min: field.min, max: field.max, unit }),
    );
    return '';
  } catch (error) {
    return `${messageOf(error)} Nothing was changed.`;
  }
}

/** One such figure, to be typed over. */
@Component({
  selector: 'nw-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="named" [for]="field().id"
      >{{ field().label }}{{ field().unit ? ', ' + field().unit : '' }}
      <input
        #box
        class="field"
        inputmode="decimal"
        autocomplete="off"
        maxlength="16"
        [id]="field().id"
        [value]="field().shown ?? ''"
        (change)="typed.emit(box.value)"
      />
    </label>
  `,
})
export class NumberFieldBox {
  readonly field = input.required<NumberField>();
  readonly typed = output<string>();
}
