import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  groupBy,
  packTogether,
  potOf,
  type Appliance,
  type Footprint,
  type PlacedVessel,
} from '../../core/index';

/** What is drawn in the pot: some vessels with one mark. */
export interface DrawnVessels {
  readonly footprints: readonly Footprint[];
  /** Stands on each: a code, or a word of a few letters. */
  readonly mark: string;
}

const MM3_PER_ML = 1000;
/** Between two layers side by side, mm. */
const GAP_MM = 30;
/** A bag's rack stands so far above the water where it can. Our choice. */
const ABOVE_WATER_MM = 12;
const MARK_MM = { least: 11, most: 26 };

/** A pot as it is loaded: each layer from above, and all of it from the side, with its water. */
@Component({
  selector: 'nw-load-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="words()">
      @for (layer of layers(); track $index) {
        <g [attr.transform]="'translate(' + layer.xMm + ' 0)'">
          <circle class="pot" [attr.r]="radiusMm()" />
          @for (v of layer.vessels; track v.index) {
            @if (v.kind === 'circle') {
              <circle class="vessel" [attr.cx]="v.xMm" [attr.cy]="v.yMm" [attr.r]="v.radiusMm - 1.5" />
            } @else {
              <rect
                class="vessel bag"
                rx="9"
                [attr.x]="v.xMm - v.halfXMm + 1.5"
                [attr.y]="v.yMm - v.halfYMm + 1.5"
                [attr.width]="2 * v.halfXMm - 3"
                [attr.height]="2 * v.halfYMm - 3"
              />
            }
            <text [attr.x]="v.xMm" [attr.y]="v.yMm" [style.font-size.px]="v.markMm">{{ v.mark }}</text>
          }
          <text class="name" [attr.y]="radiusMm() + 27">{{ layer.name }}</text>
        </g>
      }
      <g [attr.transform]="'translate(' + side().xMm + ' ' + side().yMm + ')'">
        <rect
          class="water"
          [attr.x]="-radiusMm()"
          [attr.width]="2 * radiusMm()"
          [attr.y]="-side().waterMm"
          [attr.height]="side().waterMm"
        />
        @for (v of side().vessels; track v.index) {
          <rect
            class="vessel"
            [attr.rx]="v.kind === 'circle' ? 5 : 14"
            [attr.x]="v.leftMm"
            [attr.y]="-v.footMm - v.heightMm"
            [attr.width]="v.widthMm"
            [attr.height]="v.heightMm"
          />
        }
        @for (rackMm of side().racksMm; track rackMm) {
          <path class="rack" [attr.d]="'M' + -radiusMm() + ' ' + -rackMm + 'h' + 2 * radiusMm()" />
        }
        <path
          class="pot"
          [attr.d]="'M' + -radiusMm() + ' ' + -pot().heightMm + 'V0H' + radiusMm() + 'V' + -pot().heightMm"
        />
        <path
          class="rim"
          [attr.d]="'M' + -(radiusMm() + 12) + ' ' + -pot().heightMm + 'h' + 2 * (radiusMm() + 12)"
        />
        <text class="name" y="27">from the side</text>
      </g>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 260px;
    }
    .pot {
      fill: none;
      stroke: var(--rim);
      stroke-width: 5;
    }
    .rim {
      stroke: var(--rim);
      stroke-width: 7;
      stroke-linecap: round;
    }
    .vessel {
      fill: var(--ware);
      stroke: var(--rim);
      stroke-width: 2;
    }
    .water {
      fill: var(--grain);
    }
    .rack {
      stroke: var(--rim);
      stroke-width: 3;
      stroke-dasharray: 5 6;
    }
    text {
      font-weight: 700;
      text-anchor: middle;
      dominant-baseline: central;
      fill: var(--ink);
    }
    .name {
      font-size: 20px;
      font-weight: 400;
      fill: var(--soft);
    }
  `,
})
export class LoadDrawing {
  readonly appliance = input.required<Appliance>();
  readonly load = input.required<readonly DrawnVessels[]>();
  readonly waterMl = input.required<number>();

  protected readonly pot = computed(() => potOf(this.appliance()));
  protected readonly radiusMm = computed(() => this.pot().diameterMm / 2);
  private readonly each = computed(() => this.load().flatMap((l) => l.footprints.map(() => l.mark)));
  private readonly placed = computed(
    () =>
      packTogether(
        this.pot(),
        this.load().flatMap((l) => l.footprints),
      ).placed,
  );
  private readonly apart = computed(() => this.pot().diameterMm + GAP_MM);
  protected readonly layers = computed(() => {
    const layers = [...groupBy(this.placed(), (v) => v.layer).values()];
    return layers.map((vessels, i) => ({
      xMm: i * this.apart(),
      name: layers.length === 1 ? 'from above' : `layer ${i + 1}, from above`,
      vessels: vessels.map((v) => ({ ...v, mark: this.each()[v.index] ?? '', markMm: markMm(v) })),
    }));
  });
  protected readonly side = computed(() => {
    const { heightMm, diameterMm } = this.pot();
    const vessels = [...this.placed()]
      // What is behind is drawn first.
      .sort((a, b) => a.yMm - b.yMm)
      .map((v) => {
        const halfMm = v.kind === 'circle' ? v.radiusMm : v.halfXMm;
        return { ...v, leftMm: v.xMm - halfMm + 1.5, widthMm: 2 * halfMm - 3 };
      });
    const waterMm = Math.min(heightMm, (this.waterMl() * MM3_PER_ML) / (Math.PI * (diameterMm / 2) ** 2));
    // Water never comes up to a bag: its rack stands higher, as far as the pot allows.
    const lowestMm = Math.min(...vessels.map((v) => v.footMm));
    const roomMm = heightMm - Math.max(...vessels.map((v) => v.footMm + v.heightMm));
    const wantedMm = vessels.some((v) => v.kind === 'brick') ? waterMm + ABOVE_WATER_MM - lowestMm : 0;
    const liftMm = vessels.length === 0 ? 0 : Math.max(0, Math.min(wantedMm, roomMm));
    return {
      xMm: Math.max(1, this.layers().length) * this.apart(),
      yMm: heightMm - this.radiusMm(),
      waterMm,
      racksMm: [...new Set(vessels.map((v) => v.footMm + liftMm))],
      vessels: vessels.map((v) => ({ ...v, footMm: v.footMm + liftMm })),
    };
  });
  protected readonly box = computed(() => {
    const { heightMm } = this.pot();
    const [radius, edge, label] = [this.radiusMm(), 14, 42];
    const height = Math.max(2 * radius, heightMm) + edge + label;
    return `${-radius - edge} ${-radius - edge} ${this.side().xMm + 2 * radius + 2 * edge} ${height}`;
  });
  protected readonly words = computed(() => {
    const counts = this.layers().map((l) => l.vessels.length);
    return counts.length === 0
      ? 'An empty cooker'
      : `The load from above and from the side: ${counts.map((n, i) => `${n} in layer ${i + 1}`).join(', ')}`;
  });
}

function markMm(vessel: PlacedVessel): number {
  const halfMm = vessel.kind === 'circle' ? vessel.radiusMm : Math.min(vessel.halfXMm, vessel.halfYMm);
  return Math.min(MARK_MM.most, Math.max(MARK_MM.least, halfMm * 0.6));
}
