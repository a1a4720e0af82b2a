import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import {
  MINUTE_MS,
  MOST_CSV_BYTES,
  parseReadingsCsv,
  type Channel,
  type CookView,
  type LoggedCurve,
} from '../../../core/index';
import { messageOf } from '../../data/message-of';
import { Journal, type Said } from '../../data/journal/journal';

const MOST_TO_AN_ENTRY = 1000;
/** An entry counts its readings in seconds from its own beginning; its schema allows two days. */
const MOST_MINUTES_TO_AN_ENTRY = 2 * 24 * 60;

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
      const saids = stretchesOf(curve.points).map((part): Said => {
        const first = part[0]!.minutes;
        return {
          kind: 'logged',
          cookId: this.view().cook.id,
          channel,
          source: file.name.slice(0, 60),
          at: new Date(atMs + first * MINUTE_MS).toISOString(),
          readings: part.map((p) => [Math.round((p.minutes - first) * 60), Math.round(p.celsius * 10) / 10]),
        };
      });
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

/** The file in pieces that an entry may hold: so many readings, over so long. */
function stretchesOf(points: LoggedCurve['points']): LoggedCurve['points'][] {
  const parts: LoggedCurve['points'][number][][] = [];
  for (const point of points) {
    const last = parts[parts.length - 1];
    const isFull =
      last === undefined ||
      last.length >= MOST_TO_AN_ENTRY ||
      point.minutes - last[0]!.minutes > MOST_MINUTES_TO_AN_ENTRY;
    if (isFull) {
      parts.push([point]);
    } else {
      last.push(point);
    }
  }
  return parts;
}
