import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  input,
  output,
  viewChild,
} from '@angular/core';
import type { Reason } from '../../core/index';

/** Why a number is what it is. Opens beside it; focus moves in, and the opener takes it back on close. */
@Component({
  selector: 'nw-reason-slip',
  host: { '(keydown.escape)': 'closed.emit()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card needs" aria-labelledby="reason-title">
      <header>
        <h2 id="reason-title">{{ reason().title }}</h2>
        <button #close type="button" class="word" (click)="closed.emit()">Close</button>
      </header>
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
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 10px;
      padding: 14px 18px 16px;
      font-size: 16px;
    }
    header {
      display: flex;
      align-items: baseline;
      justify-content: space-between;
      gap: 12px;
    }
    h2 {
      font-size: 20px;
    }
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
  private readonly close = viewChild.required<ElementRef<HTMLButtonElement>>('close');

  constructor() {
    afterNextRender(() => {
      this.close().nativeElement.focus();
    });
  }
}
