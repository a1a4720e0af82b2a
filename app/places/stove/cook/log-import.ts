import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { subjectOfCook, type CookView } from '../../../../core/index';
import { ReadingsImport } from '../../../pieces/readings-import';

/** Brings in a logger's file of time and temperature. */
@Component({
  selector: 'nw-log-import',
  imports: [ReadingsImport],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label
      >The logger was in
      <select #where class="field" (change)="inChamber.set(where.value === 'chamberC')">
        <option value="coreC">the middle of a vessel</option>
        <option value="chamberC">the steam of the chamber</option>
      </select></label
    >
    <nw-readings-import
      label="CSV of time and temperature"
      [subject]="subject()"
      [channel]="inChamber() ? 'chamberC' : 'coreC'"
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
    label {
      display: grid;
      gap: 4px;
      font-size: 17px;
    }
    .field {
      min-height: 52px;
      font-size: 17px;
    }
    nw-readings-import,
    p {
      flex-basis: 100%;
    }
  `,
})
export class LogImport {
  readonly view = input.required<CookView>();
  protected readonly inChamber = signal(false);
  protected readonly subject = computed(() => subjectOfCook(this.view().cook.id));
}
