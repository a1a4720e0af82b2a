import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { EChartsCoreOption } from 'echarts/core';
import type { UptakePoint } from '../../../core/index';
import { Chart } from '../../pieces/chart';
import { colorsOf } from '../../pieces/chart-colors';

/** Moisture against the share of time, one stretch a stage: an hour of simmering would be lost beside a night of soaking. */
@Component({
  selector: 'nw-uptake-chart',
  imports: [Chart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="chart" [nwChart]="options()" role="img" [attr.aria-label]="words()"></div>
    <p class="stages small soft" aria-hidden="true">
      @for (stage of stages(); track $index) {
        <span>{{ stage }}</span>
      }
    </p>`,
  styles: `
    .stages {
      display: flex;
      margin: -22px 14px 0 40px;
    }
    .stages span {
      flex: 1;
      text-align: center;
    }
    .chart {
      height: 190px;
    }
  `,
})
export class UptakeChart {
  readonly curve = input.required<{
    readonly points: readonly UptakePoint[];
    readonly ends: readonly UptakePoint[];
  }>();
  readonly low = input.required<number>();
  readonly high = input.required<number>();
  readonly words = input.required<string>();
  /** What is done in each stretch. */
  readonly stages = input.required<readonly string[]>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly options = computed<EChartsCoreOption>(() => {
    const colors = colorsOf(this.host);
    const { points, ends } = this.curve();
    const stretch = stretcher(ends.map((e) => e.minutes));
    const at = points.map((p) => [stretch(p.minutes), p.moisture * 100]);
    return {
      animation: false,
      grid: { left: 40, right: 14, top: 12, bottom: 26 },
      xAxis: {
        type: 'value',
        min: 0,
        max: ends.length,
        interval: 1,
        axisLabel: { show: false },
        splitLine: { lineStyle: { color: colors.line } },
      },
      yAxis: {
        type: 'value',
        min: 10,
        max: 70,
        interval: 10,
        axisLabel: { color: colors.soft, fontFamily: colors.font, fontSize: 14, formatter: '{value} %' },
        splitLine: { lineStyle: { color: colors.line } },
      },
      series: [
        {
          type: 'line',
          data: at,
          symbol: 'none',
          lineStyle: { color: colors.ink, width: 3 },
          markArea: {
            silent: true,
            itemStyle: { color: colors.good, opacity: 0.5 },
            data: [[{ yAxis: this.low() * 100 }, { yAxis: this.high() * 100 }]],
          },
          markPoint: {
            symbol: 'circle',
            symbolSize: 9,
            itemStyle: { color: colors.ink },
            label: {
              position: 'top',
              distance: 6,
              color: colors.ink,
              fontFamily: colors.font,
              fontSize: 14,
              formatter: (p: { value: number }) => `${Math.round(p.value)} %`,
            },
            data: ends.map((e, i) => ({
              coord: [i + 1, e.moisture * 100],
              value: e.moisture * 100,
              label: { position: i === ends.length - 1 ? 'left' : 'top' },
            })),
          },
        },
      ],
    };
  });
}

/** Minutes → place on an axis where every stage is one unit long. */
function stretcher(ends: readonly number[]): (minutes: number) => number {
  return scaleLinear(
    [0, ...ends],
    [0, ...ends].map((_, stage) => stage),
  ).clamp(true);
}
