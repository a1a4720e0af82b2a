import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { seededRandom } from '../../core/index';

const TOP = 62;
const BOTTOM = 238;
const KERNELS = 330;

/** A large jar with its fill line, filled with kernels: what two thirds looks like. */
@Component({
  selector: 'nw-jar-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 140 250" aria-hidden="true">
      <clipPath id="nw-jar-body"><path [attr.d]="body" /></clipPath>
      <g clip-path="url(#nw-jar-body)">
        @for (kernel of kernels(); track $index) {
          <ellipse
            [attr.cx]="kernel.x"
            [attr.cy]="kernel.y"
            rx="4.4"
            ry="2.6"
            [attr.transform]="kernel.turn"
          />
        }
      </g>
      <path class="line" [attr.d]="body" />
      <rect class="line" x="30" y="4" width="80" height="26" rx="3" />
      <path class="limit" [attr.d]="'M4 ' + limitY() + 'H136'" />
      <path class="level" [attr.d]="'M2 ' + levelY() + 'H138'" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    ellipse {
      fill: var(--grain);
      stroke: var(--rim);
      stroke-width: 1.2;
    }
    .line {
      fill: none;
      stroke: var(--rim);
      stroke-width: 3;
    }
    .level {
      stroke: var(--rim);
      stroke-width: 2;
    }
    .limit {
      stroke: var(--rye);
      stroke-width: 2.5;
      stroke-dasharray: 5 4;
    }
  `,
})
export class JarDrawing {
  /** 0 to 1 of the jar's volume. */
  readonly fill = input.required<number>();
  readonly limit = input(0.75);

  protected readonly body =
    'M34 30v6c0 12-30 14-30 40v150c0 10 6 16 16 16h100c10 0 16-6 16-16V76c0-26-30-28-30-40v-6z';
  protected readonly levelY = computed(() => yOf(this.fill()));
  protected readonly limitY = computed(() => yOf(this.limit()));
  protected readonly kernels = computed(() => ALL.filter((k) => k.y > this.levelY() + 4));
}

/** The straight part of the body holds nearly all of the volume; the neck is left out of account. */
function yOf(fill: number): number {
  return BOTTOM - fill * (BOTTOM - TOP);
}

const ALL = strew();

function strew(): readonly { x: number; y: number; turn: string }[] {
  const random = seededRandom(8);
  return Array.from({ length: KERNELS }, (_, i) => {
    const row = Math.floor(i / 13);
    const x = 8 + (i % 13) * 10.2 + random() * 4;
    const y = BOTTOM - row * 7.2 - random() * 3;
    return { x, y, turn: `rotate(${Math.round(random() * 180)} ${x} ${y})` };
  });
}
