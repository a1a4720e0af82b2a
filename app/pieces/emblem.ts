import { ChangeDetectionStrategy, Component } from '@angular/core';

/** Our mark: four petals of the nailwort. */
@Component({
  selector: 'nw-emblem',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 30 30" width="30" height="30" aria-hidden="true">
      <ellipse cx="15" cy="7.6" rx="3.9" ry="5.6" />
      <ellipse cx="15" cy="22.4" rx="3.9" ry="5.6" />
      <ellipse cx="7.6" cy="15" rx="5.6" ry="3.9" />
      <ellipse cx="22.4" cy="15" rx="5.6" ry="3.9" />
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
    }
    ellipse {
      fill: none;
      stroke: var(--rim);
      stroke-width: 2.4;
    }
  `,
})
export class Emblem {}
