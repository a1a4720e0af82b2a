import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Reason } from '../../core/index';
import { Slip } from './slip';

/** Why a number is what it is. */
@Component({
  selector: 'nw-reason-slip',
  imports: [Slip],
  host: { '(keydown.escape)': 'closed.emit()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-slip [title]="reason().title" (closed)="closed.emit()">
      <dl>
        @for (step of reason().steps; track step.text; let last = $last) {
          <dt [class.strong]="last">{{ step.text }}</dt>
          <dd>{{ step.result }}</dd>
        }
      </dl>
      @if (reason().likely; as likely) {
        <p class="strong">{{ likely }}</p>
      }
      @if (reason().instead; as instead) {
        <p>{{ instead }}</p>
      }
      <p class="soft">{{ reason().source }}</p>
      @if (reason().narrow; as narrow) {
        <p>
          <strong>{{ narrow }}</strong> <span class="soft">to narrow it.</span>
        </p>
      }
    </nw-slip>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 1fr auto;
      margin: 0;
    }
    dt,
    dd {
      margin: 0;
      padding: 5px 0;
      border-top: 1px solid var(--line);
    }
    dt {
      padding-right: 12px;
      color: var(--soft);
    }
    dt.strong {
      color: var(--text);
    }
    dd {
      font-weight: 700;
      text-align: right;
    }
  `,
})
export class ReasonSlip {
  readonly reason = input.required<Reason>();
  readonly closed = output();
}
