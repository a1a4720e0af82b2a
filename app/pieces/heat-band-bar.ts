import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLog } from 'd3-scale';
import type { Likely } from '../../core/index';
import { likelyWords } from '../data/words/heat-words';

/** The bar runs from a tenth of a minute to two hundred, each tenfold as wide. */
const LEAST = 0.1;
const MOST = 200;
const TICKS = [0.1, 1, 10, 100] as const;

const toPercent = scaleLog([LEAST, MOST], [0, 100]).clamp(true);

/** Likely F0 of the coldest point on a logarithmic scale, with the target as a mark. */
@Component({
  selector: 'nw-heat-band-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="track" role="img" [attr.aria-label]="words()">
      @if (band(); as b) {
        <span class="band" [style.left.%]="at(b.low)" [style.right.%]="100 - at(b.high)"></span>
      }
      @if (middle() !== undefined) {
        <span class="middle" [style.left.%]="at(middle() ?? 0)"></span>
      }
      <span class="target" [style.left.%]="at(target())"></span>
      @for (tick of ticks; track tick) {
        <span class="tick" [style.left.%]="at(tick)">{{ tick }}</span>
      }
      <span class="needs" [style.left.%]="at(target())">{{ target() }}</span>
    </div>
  `,
  styles: `
    :host {
      display: block;
      padding: 24px 10px 24px;
    }
    .track {
      position: relative;
      height: 14px;
      border-radius: 7px;
      background: var(--mist);
    }
    .band {
      position: absolute;
      top: 0;
      bottom: 0;
      border-radius: 7px;
      background: var(--grain);
    }
    .middle {
      position: absolute;
      top: -5px;
      bottom: -5px;
      width: 4px;
      margin-left: -2px;
      border-radius: 2px;
      background: var(--rim);
    }
    .target {
      position: absolute;
      top: -8px;
      bottom: -8px;
      border-left: 3px solid var(--done);
      margin-left: -1.5px;
    }
    .tick,
    .needs {
      position: absolute;
      font-size: 15px;
      line-height: 18px;
      transform: translateX(-50%);
      color: var(--soft);
    }
    .tick {
      top: 18px;
    }
    .needs {
      bottom: 22px;
      color: var(--done);
      font-weight: 700;
    }
  `,
})
export class HeatBandBar {
  /** Absent while it is being reckoned. */
  readonly band = input<Likely>();
  /** Drawn at once, in the frame of the change. */
  readonly middle = input<number>();
  readonly target = input.required<number>();

  protected readonly ticks = TICKS;
  protected readonly words = computed(() => {
    const band = this.band();
    const likely = band === undefined ? '' : `likely ${likelyWords(band)}, `;
    return `F0 of the coldest point: ${likely}target ${this.target()} minutes`;
  });

  protected at(f0: number): number {
    return toPercent(f0);
  }
}
