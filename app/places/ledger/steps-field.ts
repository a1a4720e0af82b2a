import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { convert, readPressureSteps, type Appliance } from '../../../core/index';
import { unitsShown } from '../../data/words/measure-words';
import { checkedBy, typed } from '../../pieces/form/checked-by';
import { shownControl } from '../../pieces/form/form-state';
import { TextField } from '../../pieces/form/text-field';

/** The pressures of a cooker that has fixed ones, typed as a list; empty where it has one only. */
@Component({
  selector: 'nw-steps-field',
  imports: [TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<nw-text-field
    [name]="'Pressures of its programmes, ' + unit()"
    [id]="appliance().id + '-steps'"
    [control]="typed"
    (kept)="take($event)"
  />`,
})
export class StepsField {
  readonly appliance = input.required<Appliance>();
  readonly kept = output<number[] | undefined>();

  protected readonly unit = () => unitsShown().pressure;
  protected readonly typed = shownControl('', () =>
    (this.appliance().gaugeStepsKPa ?? [])
      .map((kPa) => Math.round(convert(kPa, 'kPa', this.unit()) * 100) / 100)
      .join(', '),
  );

  constructor() {
    this.typed.addValidators(checkedBy(() => typed((text) => this.read(text))));
  }

  protected take(text: string): void {
    this.typed.markAsPristine();
    const steps = this.read(text);
    this.kept.emit(steps.length === 0 ? undefined : [...steps]);
  }

  private read(text: string): readonly number[] {
    return readPressureSteps(text, this.unit(), this.appliance().ratedGaugeKPa, {
      label: 'Pressures of its programmes',
    });
  }
}
