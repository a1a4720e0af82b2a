import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A code as an enamel house number. */
@Component({
  selector: 'nw-plaque',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span class="code" [class]="tone()">{{ code() }}</span>`,
  styles: `
    .code {
      display: inline-block;
      padding: 0.12em 0.5em;
      border: 2px solid var(--rim);
      border-radius: var(--plaque-corner);
      background: var(--rim);
      color: var(--on-rim);
      box-shadow: inset 0 0 0 1px var(--on-rim);
      font-weight: 700;
      line-height: 1.25;
      white-space: nowrap;
    }
    .vessel,
    .planned {
      background: var(--ware);
      color: var(--text);
      box-shadow: none;
    }
    .planned {
      border-style: dashed;
    }
    .trouble {
      border-color: var(--beet);
      background: var(--beet);
      color: var(--on-beet);
      box-shadow: inset 0 0 0 1px var(--on-beet);
    }
  `,
})
export class Plaque {
  readonly code = input.required<string>();
  readonly tone = input<'batch' | 'vessel' | 'planned' | 'trouble'>('batch');
}
