import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { format } from 'date-fns';
import type { EChartsCoreOption } from 'echarts/core';
import {
  MINUTE_MS,
  chamberProfile,
  f0,
  holdLeftMinutes,
  profileUntil,
  readingsOf,
  stretches,
  type CookView,
  type HeatBand,
} from '../../core/index';
import { figureOf, temperatureWords } from '../data/words/measure-words';
import { COOK_WORDS, cookStepWords } from '../data/words/words';
import { Chart } from './chart';
import { colorsOf, type ChartColors } from './chart-colors';

const BASE_C = 20;
const TOP_C = 125;
const MARK_ROWS = 4;
const EARNED_PX = 52;
const GRID_LEFT_PX = 52;
const GRID_RIGHT_PX = 16;

type Point = readonly [number, number | null];

/** Chamber and coldest point of a cook before and after now, with what instruments saw, and the steps as marks. */
@Component({
  selector: 'nw-cook-curve',
  imports: [Chart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="curve" [nwChart]="options()" role="img" [attr.aria-label]="words()"></div>
    @if (!compact()) {
      @for (mark of marks(); track mark.words) {
        <span
          class="mark"
          aria-hidden="true"
          [class.ahead]="mark.ahead"
          [style.top.px]="mark.row * 22"
          [style.left]="mark.left"
          >{{ mark.words }}</span
        >
      }
    }
    <p class="legend soft" aria-hidden="true" [class.compact]="compact()">
      <span class="key chamber"></span>chamber
      @if (band()) {
        <span class="key core"></span>coldest point, likely
      }
      @if (probed()) {
        <span class="key probe"></span>probe
      }
    </p>
    @if (band() && !compact()) {
      <span class="earned soft" aria-hidden="true">F0 min that a middling vessel has earned</span>
    }
  `,
  styles: `
    :host,
    .curve {
      display: block;
      position: relative;
      width: 100%;
      height: 100%;
    }
    .earned {
      position: absolute;
      left: 58px;
      bottom: 62px;
      font-size: 15px;
    }
    .mark {
      position: absolute;
      bottom: 112px;
      padding-left: 6px;
      border-left: 2px solid var(--rim);
      font-size: 15px;
      line-height: 18px;
      white-space: nowrap;
      pointer-events: none;
    }
    .mark.ahead {
      border-left-style: dotted;
    }
    .legend {
      position: absolute;
      right: 18px;
      bottom: 114px;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 8px;
      padding: 0 6px;
      border-radius: 6px;
      background: var(--ware);
      font-size: 15px;
    }
    .legend.compact {
      top: 0;
      right: 0;
      bottom: auto;
      left: 0;
    }
    .key {
      width: 20px;
      border-top: 4px solid var(--rim);
    }
    .key.core {
      height: 12px;
      border: 0;
      border-radius: 4px;
      background: var(--grain);
    }
    .key.probe {
      border-top-color: var(--rye);
    }
  `,
})
export class CookCurve {
  readonly view = input.required<CookView>();
  readonly nowMs = input.required<number>();
  /** Likely temperature of the coldest point; drawn where it is known. */
  readonly band = input<HeatBand>();
  /** A phone has room for the lines, not for the names of all steps. */
  readonly compact = input(false);

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly profile = computed(() =>
    chamberProfile(this.view().cook, this.view().steps, this.nowMs(), this.view().logs),
  );

  protected readonly probed = computed(() => readingsOf(this.view().logs, 'coreC').length > 0);
  protected readonly words = computed(() => {
    const { cook, steps } = this.view();
    const done = steps
      .map((s) => `${cookStepWords(s.step, cook)} ${format(Date.parse(s.at), 'HH:mm')}`)
      .join(', ');
    return `Chamber ${temperatureWords(cook.chamberC, 1)}. ${done}.`;
  });

  protected readonly options = computed<EChartsCoreOption>(() => {
    const colors = colorsOf(this.host);
    const { ink, soft, line, font } = colors;
    const { points } = this.profile();
    const startMs = this.startMs();
    const text = { color: soft, fontSize: 15, fontFamily: font };
    const axis = {
      type: 'time',
      min: startMs,
      max: startMs + (points[points.length - 1]?.minutes ?? 1) * MINUTE_MS,
      axisLine: { lineStyle: { color: ink, width: 1.5 } },
      splitLine: { show: false },
      axisLabel: { ...text, hideOverlap: true, formatter: '{HH}:{mm}' },
    };
    return {
      animation: false,
      textStyle: text,
      grid: [
        {
          left: GRID_LEFT_PX,
          right: GRID_RIGHT_PX,
          // Under the legend, or under the marks.
          top: this.compact() ? 50 : 98,
          bottom: this.compact() ? 28 : EARNED_PX + 56,
        },
        { left: GRID_LEFT_PX, right: GRID_RIGHT_PX, bottom: 28, height: this.compact() ? 0 : EARNED_PX },
      ],
      xAxis: [
        {
          ...axis,
          gridIndex: 0,
          axisLabel: { ...axis.axisLabel, show: this.compact() },
          axisTick: { show: this.compact() },
        },
        { ...axis, gridIndex: 1, show: !this.compact() },
      ],
      yAxis: [
        {
          gridIndex: 0,
          min: BASE_C,
          max: TOP_C,
          interval: 20,
          axisLabel: { ...text, formatter: (v: number) => (v > 120 ? '' : figureOf(v, 'C').figure) },
          splitLine: { lineStyle: { color: line } },
        },
        {
          gridIndex: 1,
          show: !this.compact(),
          min: 0,
          splitNumber: 2,
          axisLabel: text,
          splitLine: { lineStyle: { color: line } },
        },
      ],
      series: [
        ...this.bandSeries(colors),
        ...this.chamberSeries(colors),
        ...this.probeSeries(colors),
        ...(this.compact() ? [] : this.earnedSeries(colors)),
      ],
    };
  });

  private bandSeries({ grain, ink }: ChartColors): object[] {
    const band = this.band();
    if (band === undefined) {
      return [];
    }
    const startMs = this.startMs();
    const at = (values: readonly number[]): Point[] =>
      values.map((v, i) => [startMs + band.minutes[i]! * MINUTE_MS, v]);
    const quiet = {
      type: 'line',
      symbol: 'none',
      silent: true,
      animation: false,
      stack: 'band',
      stackStrategy: 'all',
    };
    return [
      { ...quiet, data: at(band.low), lineStyle: { width: 0 } },
      {
        ...quiet,
        data: at(band.high.map((h, i) => h - band.low[i]!)),
        lineStyle: { width: 0 },
        areaStyle: { color: grain, opacity: 0.75 },
      },
      {
        ...quiet,
        stack: undefined,
        data: at(band.middle),
        lineStyle: { color: ink, width: 1.5, opacity: 0.7 },
      },
    ];
  }

  private chamberSeries({ ink, rye }: ChartColors): object[] {
    const { points, nowMinutes } = this.profile();
    const toTime = (minutes: number) => this.startMs() + minutes * MINUTE_MS;
    const been = profileUntil(points, nowMinutes).map((p): Point => [toTime(p.minutes), p.celsius]);
    const lastBeen = been[been.length - 1];
    const rest = [
      ...(lastBeen ? [lastBeen] : []),
      ...points.filter((p) => p.minutes > nowMinutes).map((p): Point => [toTime(p.minutes), p.celsius]),
    ];
    const seen = this.seen('chamberC');
    const line3 = { type: 'line', symbol: 'none', silent: true, animation: false };
    return [
      {
        ...line3,
        // Where an instrument speaks, its own line with its own gaps; else what the steps tell.
        data: seen.length > 1 ? seen : been,
        connectNulls: false,
        lineStyle: { color: ink, width: 3.5 },
        markLine: {
          symbol: 'none',
          silent: true,
          animation: false,
          data: [
            {
              xAxis: toTime(nowMinutes),
              lineStyle: { color: rye, width: 2, type: 'solid' },
              label: { show: false },
            },
          ],
        },
        markArea: { silent: true, itemStyle: { color: 'rgba(128,128,128,0.25)' }, data: this.gaps() },
      },
      { ...line3, data: rest, lineStyle: { color: ink, width: 3.5, type: [0.1, 7], cap: 'round' } },
    ];
  }

  private probeSeries({ rye }: ChartColors): object[] {
    const seen = this.seen('coreC');
    return seen.length === 0
      ? []
      : [
          {
            type: 'line',
            symbol: seen.length > 30 ? 'none' : 'circle',
            symbolSize: 7,
            silent: true,
            animation: false,
            data: seen,
            connectNulls: false,
            itemStyle: { color: rye },
            lineStyle: { color: rye, width: 3 },
          },
        ];
  }

  /** F0 that the middle of the band has earned, and will. */
  private earnedSeries({ done }: ChartColors): object[] {
    const band = this.band();
    if (band === undefined) {
      return [];
    }
    const startMs = this.startMs();
    let sum = 0;
    const earned = band.minutes.map((minute, i): Point => {
      sum +=
        i === 0
          ? 0
          : f0([
              { minutes: band.minutes[i - 1]!, celsius: band.middle[i - 1]! },
              { minutes: minute, celsius: band.middle[i]! },
            ]);
      return [startMs + minute * MINUTE_MS, sum];
    });
    const nowMs = startMs + this.profile().nowMinutes * MINUTE_MS;
    const line3 = {
      type: 'line',
      symbol: 'none',
      silent: true,
      animation: false,
      xAxisIndex: 1,
      yAxisIndex: 1,
    };
    return [
      { ...line3, data: earned.filter((p) => p[0] <= nowMs), lineStyle: { color: done, width: 3 } },
      {
        ...line3,
        data: earned.filter((p) => p[0] >= nowMs),
        lineStyle: { color: done, width: 3, type: [0.1, 7], cap: 'round' },
      },
    ];
  }

  /** Readings with an empty point where the instrument was silent. */
  private seen(channel: 'chamberC' | 'coreC'): Point[] {
    return stretches(readingsOf(this.view().logs, channel)).flatMap((part) => [
      ...part.map((r): Point => [r.atMs, r.value]),
      [(part[part.length - 1]?.atMs ?? 0) + 1, null] as Point,
    ]);
  }

  /** Times in which the chamber's instrument was silent, as grey areas. */
  private gaps(): object[][] {
    const parts = stretches(readingsOf(this.view().logs, 'chamberC'));
    return parts.slice(1).flatMap((part, i) => {
      const before = parts[i]!;
      return [[{ xAxis: before[before.length - 1]!.atMs }, { xAxis: part[0]!.atMs }]];
    });
  }

  /** The steps, those expected among them; each name stands in a row of its own so that none lies on another. */
  protected readonly marks = computed(() => {
    const { points } = this.profile();
    const startMs = this.startMs();
    const span = (points[points.length - 1]?.minutes ?? 1) * MINUTE_MS;
    return this.steps().map((step, i) => ({
      words: step.words,
      ahead: step.ahead,
      row: i % MARK_ROWS,
      left: `calc(${GRID_LEFT_PX}px + ${(step.ms - startMs) / span} * (100% - ${GRID_LEFT_PX + GRID_RIGHT_PX}px))`,
    }));
  });

  private readonly startMs = computed(() =>
    Date.parse(this.view().steps[0]?.at ?? new Date(this.nowMs()).toISOString()),
  );

  private readonly steps = computed(() => {
    const { steps, cook, state } = this.view();
    const { points } = this.profile();
    const endMs = this.startMs() + (points[points.length - 1]?.minutes ?? 0) * MINUTE_MS;
    const marks = steps.map((s) => ({
      ms: Date.parse(s.at),
      words: `${format(Date.parse(s.at), 'HH:mm')} ${cookStepWords(s.step, cook)}`,
      ahead: false,
    }));
    if (state.phase === 'holding') {
      const heatOff = this.nowMs() + holdLeftMinutes(state, cook, this.nowMs()) * MINUTE_MS;
      const open = heatOff + cook.openAfterMinutes * MINUTE_MS;
      marks.push(
        { ms: heatOff, words: `${format(heatOff, 'HH:mm')} ${COOK_WORDS.heatOff}`, ahead: true },
        { ms: open, words: `about ${format(open, 'HH:mm')} ${COOK_WORDS.open}`, ahead: true },
      );
    }
    return marks.filter((m) => m.ms <= endMs);
  });
}
