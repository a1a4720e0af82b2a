import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FormControl } from '@angular/forms';
import { subjectOfCook, type CookView } from '../../../../core/index';
import { ChoiceField, type Choice } from '../../../pieces/form/choice-field';
import { valueOf } from '../../../pieces/form/form-state';
import { ReadingsImport } from '../../../pieces/readings-import';

/** Brings in a logger's file of time and temperature. */
@Component({
  selector: 'nw-log-import',
  imports: [ChoiceField, ReadingsImport],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-choice-field name="The logger was in" [control]="where" [options]="wheres" />
    <nw-readings-import
      label="CSV of time and temperature"
      [subject]="subject()"
      [channel]="channel()"
      [startMs]="view().state.lidOnMs"
    />
    <p class="soft small">
      Times without a date are counted from the lid on. Fahrenheit and seconds where the first line says so.
    </p>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 16px;
    }
    nw-choice-field,
    nw-readings-import,
    p {
      flex-basis: 100%;
    }
  `,
})
export class LogImport {
  readonly view = input.required<CookView>();
  protected readonly wheres: readonly Choice<'coreC' | 'chamberC'>[] = [
    { value: 'coreC', words: 'the middle of a vessel' },
    { value: 'chamberC', words: 'the steam of the chamber' },
  ];
  protected readonly where = new FormControl<'coreC' | 'chamberC'>('coreC', { nonNullable: true });
  protected readonly channel = valueOf(this.where);
  protected readonly subject = computed(() => subjectOfCook(this.view().cook.id));
}
