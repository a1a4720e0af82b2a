import { ChangeDetectionStrategy, Component } from '@angular/core';
import { VesselGlyph } from './vessel-glyph';

/** A pressure canner, cut open: gauge, weight, jars on their rack, water below, flame. */
@Component({
  selector: 'nw-canner-drawing',
  imports: [VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 330 310" aria-hidden="true">
      <path
        class="water"
        d="M32 252q10-6 20 0t20 0 20 0 20 0 20 0 20 0 20 0 20 0 20 0 20 0 20 0 20 0 20 0v44H40q-8 0-8-8z"
      />
      <path class="pot" d="M25 100v182q0 16 16 16h248q16 0 16-16V100" />
      <path class="rim" d="M12 98h306" />
      <path class="thin" d="M34 92q30-32 80-32h102q50 0 80 32" />
      <circle class="thin" cx="100" cy="24" r="22" />
      <path class="thin" d="M100 46v14M204 60V44" />
      <rect class="weight" x="193" y="28" width="22" height="16" rx="2" />
      <path class="needle" d="M100 24l10-13" />
      <path class="thin" d="M25 132H6v30h19M305 132h19v30h-19" />
      <path class="rack" d="M42 246h246M58 246v44M165 246v44M272 246v44" />
      <path class="flame" d="M60 308q6-7 12 0M118 308q6-7 12 0M176 308q6-7 12 0M234 308q6-7 12 0" />
    </svg>
    <div class="jars">
      @for (jar of [1, 2, 3]; track jar) {
        <nw-vessel-glyph kind="jar" [fraction]="0.62" />
      }
    </div>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      container-type: inline-size;
    }
    svg {
      display: block;
      width: 100%;
    }
    .jars {
      position: absolute;
      left: 12%;
      right: 12%;
      bottom: 21%;
      display: flex;
      justify-content: space-between;
      --glyph-height: 33cqw;
    }
    .pot {
      fill: none;
      stroke: var(--rim);
      stroke-width: 7;
    }
    .rim {
      stroke: var(--rim);
      stroke-width: 8;
      stroke-linecap: round;
    }
    .thin {
      fill: none;
      stroke: var(--rim);
      stroke-width: 4;
    }
    .weight {
      fill: var(--rim);
    }
    .needle {
      stroke: var(--beet);
      stroke-width: 3;
    }
    .rack {
      fill: none;
      stroke: var(--rim);
      stroke-width: 2;
    }
    .water {
      fill: var(--mist);
      stroke: var(--rim);
      stroke-width: 1.5;
    }
    .flame {
      fill: none;
      stroke: var(--rye);
      stroke-width: 3;
    }
  `,
})
export class CannerDrawing {}
