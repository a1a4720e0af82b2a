import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import {
  convert,
  formatNumber,
  parseNumber,
  pressureMeanings,
  type PressureMeaning,
} from '../../../core/index';
import { messageOf } from '../../data/words/message-of';

const UNITS = ['psi', 'bar', 'kPa'] as const;
type Unit = (typeof UNITS)[number];

/**
 * A printed pressure. "2 bar" may be above the air outside or from nothing, which is only half of it: where both make
 * sense it is asked, with what either would mean.
 */
@Component({
  selector: 'nw-pressure-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="named" [for]="inputId()">Printed pressure, {{ unit() }}</label>
    <span class="row">
      <input
        #box
        class="field"
        inputmode="decimal"
        autocomplete="off"
        maxlength="16"
        [id]="inputId()"
        [value]="shown()"
        (change)="take(box.value)"
      />
      <select #units class="field" aria-label="Unit of the printed pressure" (change)="setUnit(units.value)">
        @for (u of all; track u) {
          <option [value]="u" [selected]="u === unit()">{{ u }}</option>
        }
      </select>
    </span>
    @if (meanings().length > 1) {
      <div class="ask" role="group" aria-label="Which pressure is meant">
        <p class="strong">Which is meant?</p>
        @for (m of meanings(); track m.kind) {
          <button type="button" class="deed" (click)="keep(m)">
            {{ m.kind === 'gauge' ? 'Above the air outside' : 'From nothing (absolute)'
            }}<small>{{ words(m) }}</small>
          </button>
        }
      </div>
    }
    @if (problem(); as text) {
      <p class="error" role="alert">{{ text }}</p>
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
    input {
      flex: 1;
      min-width: 90px;
    }
    select {
      flex: none;
      width: 90px;
    }
    .ask {
      display: grid;
      gap: 8px;
      padding: 8px 0;
    }
    .deed {
      min-height: 60px;
      font-size: 18px;
    }
  `,
})
export class PressureField {
  readonly inputId = input.required<string>();
  readonly gaugeKPa = input.required<number>();
  readonly atmosphereKPa = input.required<number>();
  readonly kept = output<PressureMeaning>();

  protected readonly all = UNITS;
  protected readonly unit = signal<Unit>('psi');
  protected readonly meanings = signal<readonly PressureMeaning[]>([]);
  protected readonly problem = signal('');
  protected readonly shown = computed(() =>
    String(Math.round(convert(this.gaugeKPa(), 'kPa', this.unit()) * 100) / 100),
  );

  protected setUnit(text: string): void {
    this.unit.set(UNITS.find((u) => u === text) ?? 'psi');
    this.meanings.set([]);
  }

  protected take(text: string): void {
    this.meanings.set([]);
    this.problem.set('');
    try {
      const found = pressureMeanings(
        parseNumber(text, { label: 'Printed pressure' }),
        this.unit(),
        this.atmosphereKPa(),
      );
      const [only] = found;
      if (only === undefined) {
        this.problem.set(
          `Printed pressure must be between ${this.limit(20)} and ${this.limit(230)} ${this.unit()}. You typed ${text.slice(0, 16)}. Nothing was changed.`,
        );
      } else if (found.length === 1) {
        this.kept.emit(only);
      } else {
        this.meanings.set(found);
      }
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }

  protected keep(meaning: PressureMeaning): void {
    this.meanings.set([]);
    this.kept.emit(meaning);
  }

  protected words(m: PressureMeaning): string {
    const psi = formatNumber(convert(m.gaugeKPa, 'kPa', 'psi'), 1);
    return `${psi} psi on a gauge, ${formatNumber(m.chamberC, 1)} °C inside`;
  }

  private limit(kPa: number): string {
    return formatNumber(convert(kPa, 'kPa', this.unit()), 1);
  }
}
