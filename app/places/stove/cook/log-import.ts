import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import {
  MINUTE_MS,
  MOST_CSV_BYTES,
  parseReadingsCsv,
  type Channel,
  type CookView,
} from '../../../../core/index';
import { messageOf } from '../../../data/words/message-of';
import { Journal } from '../../../data/journal/journal';
import { entriesOf } from '../../../data/devices/readings-to-keep';

/** Brings in a logger's file of time and temperature. */
@Component({
  selector: 'nw-log-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label
      >The logger was in
      <select #where class="field">
        <option value="coreC">the middle of a vessel</option>
        <option value="chamberC">the steam of the chamber</option>
      </select></label
    >
    <label class="file"
      >Its file, CSV of time and temperature
      <input #file type="file" accept=".csv,.txt,text/csv" (change)="take(file, where.value)"
    /></label>
    <p class="soft small" role="status">{{ done() }}</p>
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
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
    .field,
    input {
      min-height: 52px;
      font-size: 17px;
    }
    p {
      flex-basis: 100%;
    }
  `,
})
export class LogImport {
  readonly view = input.required<CookView>();

  private readonly journal = inject(Journal);
  protected readonly problem = signal('');
  protected readonly done = signal('');

  protected async take(box: HTMLInputElement, where: string): Promise<void> {
    const file = box.files?.[0];
    const startMs = this.view().state.lidOnMs;
    if (file === undefined || startMs === undefined) {
      return;
    }
    this.problem.set('');
    this.done.set('');
    try {
      if (file.size > MOST_CSV_BYTES) {
        throw new Error('The file has more than 5 MB. Export one cook at a time.');
      }
      const curve = parseReadingsCsv(await file.text());
      const atMs = curve.startMs ?? startMs;
      const channel: Channel = where === 'chamberC' ? 'chamberC' : 'coreC';
      const saids = entriesOf(
        curve.points.map((p) => ({
          atMs: atMs + p.minutes * MINUTE_MS,
          channel,
          value: Math.round(p.celsius * 10) / 10,
          cookId: this.view().cook.id,
          source: file.name.slice(0, 60),
        })),
      );
      // All of the file or none of it.
      if (!(await this.journal.sayAll(saids))) {
        return;
      }
      const skipped = curve.skipped > 0 ? `, ${curve.skipped} lines held none` : '';
      this.done.set(`${curve.points.length} readings kept${skipped}.`);
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
    box.value = '';
  }
}
