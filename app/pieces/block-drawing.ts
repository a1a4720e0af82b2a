import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { stipple } from './stipple';

export type BlockLook = 'running' | 'resting' | 'pins' | 'ripe';

/** A fruiting block, drawn with what grows on it. */
@Component({
  selector: 'nw-block-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 150 154" role="img" [attr.aria-label]="label()">
      <path class="dots" [attr.d]="dots()" />
      <path class="line" d="M10 60c30 4 100 4 130 0l-1 86a5 5 0 0 1-5 5H16a5 5 0 0 1-5-5z" />
      <path class="line thin" d="M11 84c7 5 7 17 1 24M139 84c-7 5-7 17-1 24" />
      @switch (look()) {
        @case ('resting') {
          <path class="line dotted" d="M42 58c14-4 52-3 70 0" />
        }
        @case ('pins') {
          @for (pin of pins; track pin) {
            <path class="line thin" [attr.d]="'M' + pin + ' 60v-7'" />
            <circle class="cap" [attr.cx]="pin" [attr.cy]="50" r="4" />
          }
        }
        @case ('ripe') {
          <path
            class="stem"
            d="M58 60l-6-22h8l7 22zM73 60V30h9v30zM92 60l5-24h8l-5 24zM44 60l-10-16h7l12 16zM110 60l11-18h7l-10 18z"
          />
          <path
            class="cap"
            d="M38 39c0-14 32-14 34 0-8 4-26 4-34 0zM60 28c0-17 36-17 36 0-9 5-27 5-36 0zM86 37c2-14 32-14 34 0-8 4-26 4-34 0zM24 45c1-10 22-10 23 0-6 3-17 3-23 0zM112 43c1-10 24-10 25 0-6 3-19 3-25 0z"
          />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      max-width: 150px;
    }
    .line,
    .stem,
    .cap {
      fill: none;
      stroke: var(--rim);
      stroke-width: 2.6;
      stroke-linejoin: round;
    }
    .thin {
      stroke-width: 2;
    }
    .stem {
      fill: var(--ware);
      stroke-width: 2.2;
    }
    .cap {
      fill: var(--grain);
      stroke-width: 2.4;
    }
    .dotted {
      stroke-dasharray: 0.1 5;
      stroke-linecap: round;
    }
    .dots {
      fill: none;
      stroke: var(--rim);
      stroke-width: 1.8;
      stroke-linecap: round;
    }
  `,
})
export class BlockDrawing {
  readonly look = input.required<BlockLook>();
  readonly fraction = input(1);
  readonly label = input.required<string>();
  protected readonly pins = [46, 55, 63, 72, 80, 89, 97, 105];
  protected readonly dots = computed(() =>
    stipple({ left: 15, right: 135, top: 66, bottom: 146 }, this.fraction(), 620),
  );
}
