import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { VesselKind } from '../../core/index';
import { stipple, type StippleBox } from './stipple';

interface Drawing {
  readonly box: string;
  readonly outline: string;
  readonly lid: string;
  readonly body: StippleBox;
  readonly dots: number;
  readonly tag: { readonly x: number; readonly y: number };
}

/** Our own line drawings, one for each kind of vessel. */
const DRAWINGS: Readonly<Record<VesselKind, Drawing>> = {
  jar: {
    box: '0 0 44 58',
    outline: 'M12 10v2c0 4-9 4-9 11v26a6 6 0 0 0 6 6h26a6 6 0 0 0 6-6V23c0-7-9-7-9-11v-2z',
    lid: 'M9.5 3.5h25a1.5 1.5 0 0 1 1.5 1.5v3a1.5 1.5 0 0 1-1.5 1.5h-25A1.5 1.5 0 0 1 8 8V5a1.5 1.5 0 0 1 1.5-1.5z',
    body: { left: 5.5, right: 38.5, top: 22, bottom: 53 },
    dots: 190,
    tag: { x: 22, y: 36 },
  },
  bag: {
    box: '0 0 64 58',
    outline: 'M5 20c8 3 46 3 54 0 2 10 2 24 0 33a3 3 0 0 1-3 2.5H8A3 3 0 0 1 5 53c-2-9-2-23 0-33z',
    lid: 'M5 20 24 7h16l19 13M29 12.5h6',
    body: { left: 7, right: 57, top: 23, bottom: 53 },
    dots: 230,
    tag: { x: 32, y: 38 },
  },
  bottle: {
    box: '0 0 44 58',
    outline: 'M17 10v9c0 4-9 6-9 13v17a6 6 0 0 0 6 6h16a6 6 0 0 0 6-6V32c0-7-9-9-9-13v-9z',
    lid: 'M15.5 3.5h13v6.5h-13z',
    body: { left: 10.5, right: 33.5, top: 30, bottom: 53 },
    dots: 110,
    tag: { x: 22, y: 40 },
  },
  dish: {
    box: '0 0 58 58',
    outline: 'M29 3a26 26 0 1 0 0 52 26 26 0 1 0 0-52z',
    lid: 'M29 6.5a22.5 22.5 0 1 0 0 45 22.5 22.5 0 1 0 0-45z',
    body: { left: 18, right: 40, top: 18, bottom: 40 },
    dots: 90,
    tag: { x: 29, y: 29 },
  },
  slant: {
    box: '0 0 30 58',
    outline: 'M10 11v38a5 5 0 0 0 10 0V11z',
    lid: 'M8 3.500h14v7.500H8zM10.500 46 19.500 24',
    body: { left: 11.5, right: 18.5, top: 26, bottom: 51 },
    dots: 50,
    tag: { x: 15, y: 36 },
  },
  print: {
    box: '0 0 58 58',
    outline: 'M5 8h48v42H5z',
    lid: 'M29 16a13 13 0 1 0 0 26 13 13 0 1 0 0-26zM29 22v14M22 29h14M24 24l10 10M34 24 24 34',
    body: { left: 20, right: 38, top: 20, bottom: 38 },
    dots: 60,
    tag: { x: 29, y: 29 },
  },
  mushroom: {
    box: '0 0 58 58',
    outline: 'M5 27C5 12 16 4 29 4s24 8 24 23c0 4-48 4-48 0z',
    lid: 'M22 30v18a7 6 0 0 0 14 0V30',
    body: { left: 12, right: 46, top: 9, bottom: 26 },
    dots: 80,
    tag: { x: 29, y: 18 },
  },
  tray: {
    box: '0 0 66 58',
    outline: 'M4 24h58l-4 26a4 4 0 0 1-4 3.500H12a4 4 0 0 1-4-3.500z',
    lid: 'M2 20h62',
    body: { left: 10, right: 56, top: 28, bottom: 51 },
    dots: 190,
    tag: { x: 33, y: 39 },
  },
  tub: {
    box: '0 0 66 58',
    outline: 'M5 12h56l-3 40a4 4 0 0 1-4 3.500H12a4 4 0 0 1-4-3.500z',
    lid: 'M3 5.500h60v6.500H3z',
    body: { left: 9, right: 57, top: 17, bottom: 53 },
    dots: 260,
    tag: { x: 33, y: 36 },
  },
  syringe: {
    box: '0 0 30 58',
    outline: 'M9 14h12v30H9z',
    lid: 'M15 44v12M7 14h16M15 14V4M10 4h10',
    body: { left: 11, right: 19, top: 16, bottom: 42 },
    dots: 50,
    tag: { x: 15, y: 29 },
  },
};

/** A vessel as a line drawing. Dots show how far it has run; a hatch and a letter show trouble. */
@Component({
  selector: 'nw-vessel-glyph',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="drawing().box"
      role="img"
      [attr.aria-label]="label() || null"
      [attr.aria-hidden]="label() ? null : true"
      [class]="tone()"
    >
      @if (letter()) {
        <clipPath [attr.id]="clipId"><path [attr.d]="drawing().outline" /></clipPath>
        <path class="hatch" [attr.clip-path]="'url(#' + clipId + ')'" [attr.d]="hatch" />
      } @else {
        <path class="dots" [attr.d]="dots()" />
      }
      <path class="line" [attr.d]="drawing().outline" />
      <path class="line" [attr.d]="drawing().lid" />
      @if (shaken()) {
        <path class="line" d="M2 1l4 6M8 1l4 6" />
      }
      @if (letter(); as letter) {
        <circle class="tag" [attr.cx]="drawing().tag.x" [attr.cy]="drawing().tag.y" r="9.5" />
        <text [attr.x]="drawing().tag.x" [attr.y]="drawing().tag.y + 5" text-anchor="middle">
          {{ letter }}
        </text>
      }
      @if (ticked()) {
        <path class="tick" d="M13 37l6 7 12-14" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
    }
    svg {
      display: block;
      height: var(--glyph-height, 58px);
      max-width: 100%;
      overflow: visible;
    }
    .line {
      fill: none;
      stroke: var(--rim);
      stroke-width: 2;
      stroke-linejoin: round;
      stroke-linecap: round;
    }
    .dots {
      fill: none;
      stroke: var(--rim);
      stroke-width: 1.5;
      stroke-linecap: round;
    }
    .faint .line {
      stroke: var(--edge);
    }
    .due .line {
      stroke: var(--rye);
      stroke-width: 2.6;
    }
    .trouble .line,
    .hatch {
      stroke: var(--beet);
    }
    .hatch {
      fill: none;
      stroke-width: 1.4;
    }
    .trouble .line:first-of-type {
      fill: none;
    }
    .tag {
      fill: var(--ware);
      stroke: var(--beet);
      stroke-width: 1.4;
    }
    text {
      fill: var(--beet);
      font: 700 14px var(--text-face);
    }
    .tick {
      fill: none;
      stroke: var(--done);
      stroke-width: 4;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
  `,
})
export class VesselGlyph {
  private static made = 0;

  readonly kind = input.required<VesselKind>();
  /** 0 to 1. */
  readonly fraction = input(0);
  /** One-letter tag of a contaminant; its word must stand beside the drawing or in the label. */
  readonly letter = input('');
  readonly shaken = input(false);
  readonly ticked = input(false);
  readonly tone = input<'plain' | 'faint' | 'due' | 'trouble'>('plain');
  readonly label = input('');

  protected readonly clipId = `nw-glyph-${VesselGlyph.made++}`;
  protected readonly hatch = Array.from({ length: 26 }, (_, i) => `M${i * 5 - 62} 60L${i * 5} -2`).join('');
  protected readonly drawing = computed(() => DRAWINGS[this.kind()]);
  protected readonly dots = computed(() =>
    stipple(this.drawing().body, this.fraction(), this.drawing().dots),
  );
}
