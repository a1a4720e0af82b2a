import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Layer, VesselKind } from '../../core/index';
import { layerPaths } from './layer-paths';
import { stipple, type StippleBox } from './stipple';

export type BlockLook = 'running' | 'resting' | 'pins' | 'ripe';

interface Body {
  readonly outline: string;
  /** Folds, a rim: what tells it from the others. */
  readonly marks: string;
  readonly box: StippleBox;
  /** How far down its open edge lies, against that of a bag. */
  readonly drop: number;
}

const BAG: Body = {
  outline: 'M10 60c30 4 100 4 130 0l-1 86a5 5 0 0 1-5 5H16a5 5 0 0 1-5-5z',
  marks: 'M11 84c7 5 7 17 1 24M139 84c-7 5-7 17-1 24',
  box: { left: 15, right: 135, top: 66, bottom: 146 },
  drop: 0,
};
/** What things fruit from, each drawn as what it is; all else as a bag. */
const BODIES: Partial<Readonly<Record<VesselKind, Body>>> = {
  bag: BAG,
  jar: {
    outline: 'M44 62v5c0 8-16 9-16 22v54a8 8 0 0 0 8 8h78a8 8 0 0 0 8-8V89c0-13-16-14-16-22v-5',
    marks: 'M40 62h70',
    box: { left: 33, right: 117, top: 86, bottom: 146 },
    drop: 2,
  },
  bottle: {
    outline: 'M56 62v14c0 9-15 14-15 28v39a8 8 0 0 0 8 8h52a8 8 0 0 0 8-8v-39c0-14-15-19-15-28V62',
    marks: 'M52 62h46',
    box: { left: 46, right: 104, top: 98, bottom: 146 },
    drop: 2,
  },
  tub: {
    outline: 'M8 66h134l-7 79a6 6 0 0 1-6 6H21a6 6 0 0 1-6-6z',
    marks: 'M4 60h142v6H4z',
    box: { left: 16, right: 134, top: 74, bottom: 146 },
    drop: 0,
  },
  tray: {
    outline: 'M6 98h138l-9 47a6 6 0 0 1-6 6H21a6 6 0 0 1-6-6z',
    marks: 'M2 92h146v6H2z',
    box: { left: 16, right: 134, top: 104, bottom: 146 },
    drop: 32,
  },
};

/** A fruiting vessel, drawn as what it is, with what grows on it; a hatch and a letter show trouble. */
@Component({
  selector: 'nw-block-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 150 154" role="img" [attr.aria-label]="label()" [class.trouble]="letter()">
      @if (letter()) {
        <clipPath [attr.id]="clipId"><path [attr.d]="body().outline" /></clipPath>
        <path class="hatch" [attr.clip-path]="'url(#' + clipId + ')'" [attr.d]="hatch" />
      } @else {
        <path class="dots" [attr.d]="dots()" />
        @if (layered(); as l) {
          <path class="line thin" [attr.d]="l.edges" />
          <path class="line grain" [attr.d]="l.grains + l.crumbs" />
        }
      }
      <path class="line" [attr.d]="body().outline" />
      <path class="line thin" [attr.d]="body().marks" />
      @if (letter(); as letter) {
        <circle class="tag" cx="75" cy="112" r="17" />
        <text x="75" y="121" text-anchor="middle">{{ letter }}</text>
      }
      <g [attr.transform]="'translate(0 ' + body().drop + ')'">
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
      </g>
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
    .trouble .line,
    .hatch {
      stroke: var(--beet);
    }
    .hatch {
      fill: none;
      stroke-width: 2;
    }
    .tag {
      fill: var(--ware);
      stroke: var(--beet);
      stroke-width: 2;
    }
    text {
      fill: var(--beet);
      font: 700 25px var(--text-face);
    }
    .line.grain {
      stroke-width: 1.4;
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
  private static made = 0;

  readonly look = input.required<BlockLook>();
  readonly kind = input<VesselKind>('bag');
  /** One-letter tag of a contaminant; its word must stand in the label. */
  readonly letter = input('');
  readonly fraction = input(1);
  readonly label = input.required<string>();
  protected readonly pins = [46, 55, 63, 72, 80, 89, 97, 105];
  protected readonly clipId = `nw-block-${BlockDrawing.made++}`;
  protected readonly hatch = Array.from({ length: 30 }, (_, i) => `M${i * 10 - 100} 152L${i * 10} 52`).join(
    '',
  );
  protected readonly body = computed(() => BODIES[this.kind()] ?? BAG);
  /** What lies in it, from the bottom up, where that was told. */
  readonly layers = input<readonly Layer[]>([]);
  protected readonly layered = computed(() =>
    this.layers().length === 0 ? undefined : layerPaths(this.body().box, this.layers()),
  );
  protected readonly dots = computed(() =>
    stipple(this.layered()?.running ?? this.body().box, this.fraction(), 620),
  );
}
