import { ChangeDetectionStrategy, Component, input, linkedSignal, output, signal } from '@angular/core';
import { convert, parseNumber, requirePrintedPressure, type PressureMeaning } from '../../../core/index';
import { unitsShown } from '../../data/words/measure-words';
import { checkedBy, typed } from '../../pieces/form/checked-by';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { keptChoice, shownControl } from '../../pieces/form/form-state';
import { TextField } from '../../pieces/form/text-field';
import { PressureMeanings } from '../../pieces/pressure-meanings';

const UNITS = ['psi', 'bar', 'kPa'] as const;
type Unit = (typeof UNITS)[number];

/**
 * A printed pressure. "2 bar" may be above the air outside or from nothing, which is only half of it: where both make
 * sense it is asked, with what either would mean.
 */
@Component({
  selector: 'nw-pressure-field',
  imports: [ChoiceField, PressureMeanings, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="row">
      <nw-text-field
        keys="decimal"
        [name]="'Printed pressure, ' + unit()"
        [id]="inputId()"
        [control]="typed"
        (kept)="take($event)"
      />
      <nw-choice-field
        name="Unit of the printed pressure"
        [isNameHidden]="true"
        [control]="unitChoice"
        [options]="units"
      />
    </span>
    @if (meanings().length > 1) {
      <nw-pressure-meanings [meanings]="meanings()" (chosen)="keep($event)" />
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
    }
    .row {
      display: flex;
      gap: 8px;
    }
    nw-text-field {
      flex: 1;
    }
    nw-choice-field {
      flex: none;
      align-self: end;
      width: 108px;
    }
  `,
})
export class PressureField {
  readonly inputId = input.required<string>();
  readonly gaugeKPa = input.required<number>();
  readonly atmosphereKPa = input.required<number>();
  readonly kept = output<PressureMeaning>();

  protected readonly units: readonly Choice<Unit>[] = UNITS.map((value) => ({ value, words: value }));
  protected readonly unit = linkedSignal<Unit>(() => unitsShown().pressure);
  protected readonly unitChoice = keptChoice<Unit>('psi', this.unit, (unit) => {
    this.unit.set(unit);
    this.meanings.set([]);
    this.typed.updateValueAndValidity();
  });
  protected readonly meanings = signal<readonly PressureMeaning[]>([]);
  protected readonly typed = shownControl('', () =>
    String(Math.round(convert(this.gaugeKPa(), 'kPa', this.unit()) * 100) / 100),
  );

  constructor() {
    this.typed.addValidators(checkedBy(() => typed((text) => this.read(text))));
  }

  protected take(text: string): void {
    this.typed.markAsPristine();
    const found = this.read(text);
    const [only] = found;
    this.meanings.set(found.length > 1 ? found : []);
    if (only !== undefined && found.length === 1) {
      this.kept.emit(only);
    }
  }

  protected keep(meaning: PressureMeaning): void {
    this.meanings.set([]);
    this.kept.emit(meaning);
  }

  private read(text: string): readonly PressureMeaning[] {
    const field = { label: 'Printed pressure' };
    return requirePrintedPressure(parseNumber(text, field), this.unit(), this.atmosphereKPa(), field);
  }
}
