import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { PressureKind, PressureMeaning } from '../../core/index';
import { pressureWords, temperatureWords } from '../data/words/measure-words';

/** Asks which pressure is meant, where a printed one can be above the air outside or from nothing: what either would mean. */
@Component({
  selector: 'nw-pressure-meanings',
  imports: [MatButton],
  host: { role: 'group', 'aria-label': 'Which pressure is meant' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="strong">Which is meant?</p>
    @for (m of meanings(); track m.kind) {
      <button
        type="button"
        [matButton]="said() === m.kind ? 'elevated' : 'outlined'"
        class="deed"
        [attr.aria-pressed]="said() && said() === m.kind"
        (click)="chosen.emit(m)"
      >
        {{ m.kind === 'gauge' ? 'Above the air outside' : 'From nothing (absolute)'
        }}<small>{{ words(m) }}</small>
      </button>
    }
  `,
  styles: `
    :host {
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
export class PressureMeanings {
  readonly meanings = input.required<readonly PressureMeaning[]>();
  /** Which was said; undefined until then. */
  readonly said = input<PressureKind>();
  readonly chosen = output<PressureMeaning>();

  protected words(m: PressureMeaning): string {
    return `${pressureWords(m.gaugeKPa)} on a gauge, ${temperatureWords(m.chamberC, 1)} inside`;
  }
}
