import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { format } from 'date-fns';
import type { EChartsCoreOption } from 'echarts/core';
import { chamberProfile, f0, holdLeftMinutes, profileUntil, type CookView } from '../../core/index';
import { COOK_WORDS } from '../data/words';
import { Chart } from './chart';
import { colorsOf } from './chart-colors';

const MINUTE_MS = 60_000;
/** The heat that a chamber earns is summed at this many moments. */
const F0_POINTS = 60;
const BASE_C = 20;
const TOP_C = 125;
const MARK_ROWS = 4;
const GRID_LEFT_PX = 52;
const GRID_RIGHT_PX = 16;

/** Chamber temperature before and after now, the steps as marks, and the heat that the chamber has given. */
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
      <span class="heat soft" aria-hidden="true">F0 min that the chamber has given</span>
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
    .heat {
      position: absolute;
      left: 58px;
      bottom: 62px;
      font-size: 15px;
    }
  `,
})
export class CookCurve {
  readonly view = input.required<CookView>();
  readonly nowMs = input.required<number>();
  /** A phone has room for the lines, not for the names of all steps. */
  readonly compact = input(false);

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly profile = computed(() =>
    chamberProfile(this.view().cook, this.view().steps, this.nowMs()),
  );

  protected readonly words = computed(() => {
    const { cook, steps } = this.view();
    const done = steps.map((s) => `${COOK_WORDS[s.step]} ${format(Date.parse(s.at), 'HH:mm')}`).join(', ');
    return `Chamber ${cook.chamberC.toFixed(1)} °C. ${done}.`;
  });

  protected readonly options = computed<EChartsCoreOption>(() => {
    const { ink, soft, line, rye, done, font } = colorsOf(this.host);
    const { points, nowMinutes } = this.profile();
    const startMs = this.startMs();
    const toTime = (minutes: number) => startMs + minutes * MINUTE_MS;
    const been = profileUntil(points, nowMinutes).map((p) => [toTime(p.minutes), p.celsius]);
    const lastBeen = been[been.length - 1];
    const rest = [
      ...(lastBeen ? [lastBeen] : []),
      ...points.filter((p) => p.minutes > nowMinutes).map((p) => [toTime(p.minutes), p.celsius]),
    ];
    const heat = heatCurve(points).map(([m, v]) => [toTime(m), v]);
    const nowTime = toTime(nowMinutes);
    const text = { color: soft, fontSize: 15, fontFamily: font };
    const axis = {
      type: 'time',
      min: startMs,
      max: toTime(points[points.length - 1]?.minutes ?? 1),
      axisLine: { lineStyle: { color: ink, width: 1.5 } },
      axisTick: { show: true },
      splitLine: { show: false },
    };
    const line3 = { type: 'line', symbol: 'none', silent: true, animation: false };
    return {
      animation: false,
      textStyle: text,
      grid: [
        {
          left: GRID_LEFT_PX,
          right: GRID_RIGHT_PX,
          top: this.compact() ? 8 : 98,
          bottom: this.compact() ? 74 : 112,
        },
        { left: GRID_LEFT_PX, right: GRID_RIGHT_PX, bottom: 26, height: this.compact() ? 36 : 56 },
      ],
      xAxis: [
        {
          ...axis,
          gridIndex: 0,
          axisLabel: { show: false },
          axisTick: { show: false },
          axisLine: { show: false },
        },
        { ...axis, gridIndex: 1, axisLabel: { ...text, hideOverlap: true, formatter: '{HH}:{mm}' } },
      ],
      yAxis: [
        {
          gridIndex: 0,
          min: BASE_C,
          max: TOP_C,
          interval: 20,
          axisLabel: { ...text, formatter: (v: number) => (v > 120 ? '' : String(v)) },
          splitLine: { lineStyle: { color: line } },
        },
        { gridIndex: 1, min: 0, splitNumber: 2, axisLabel: text, splitLine: { lineStyle: { color: line } } },
      ],
      series: [
        {
          ...line3,
          data: been,
          lineStyle: { color: ink, width: 3.5 },
          markLine: {
            symbol: 'none',
            silent: true,
            animation: false,
            data: [
              { xAxis: nowTime, lineStyle: { color: rye, width: 2, type: 'solid' }, label: { show: false } },
            ],
          },
        },
        { ...line3, data: rest, lineStyle: { color: ink, width: 3.5, type: [0.1, 7], cap: 'round' } },
        {
          ...line3,
          xAxisIndex: 1,
          yAxisIndex: 1,
          data: heat.filter((p) => p[0]! <= nowTime),
          lineStyle: { color: done, width: 3 },
        },
        {
          ...line3,
          xAxisIndex: 1,
          yAxisIndex: 1,
          data: heat.filter((p) => p[0]! >= nowTime),
          lineStyle: { color: done, width: 3, type: [0.1, 7], cap: 'round' },
        },
      ],
    };
  });

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
    const marks = steps.map((s) => ({
      ms: Date.parse(s.at),
      words: `${format(Date.parse(s.at), 'HH:mm')} ${COOK_WORDS[s.step]}`,
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
    return marks;
  });
}

function heatCurve(points: readonly { minutes: number; celsius: number }[]): [number, number][] {
  const end = points[points.length - 1]?.minutes ?? 0;
  return Array.from({ length: F0_POINTS + 1 }, (_, i) => {
    const minutes = (end * i) / F0_POINTS;
    return [minutes, f0(profileUntil(points, minutes))];
  });
}
