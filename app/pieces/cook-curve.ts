import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { format } from 'date-fns';
import type { EChartsCoreOption } from 'echarts/core';
import { chamberProfile, f0, profileUntil, type CookView } from '../../core/index';
import { COOK_WORDS } from '../data/words';
import { Chart } from './chart';

const MINUTE_MS = 60_000;
/** The heat that a chamber earns is summed at this many moments. */
const F0_POINTS = 60;

/** Chamber temperature before and after now, the steps as marks, and the heat that the chamber has given. */
@Component({
  selector: 'nw-cook-curve',
  imports: [Chart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="curve" [nwChart]="options()" role="img" [attr.aria-label]="words()"></div>`,
  styles: `
    :host,
    .curve {
      display: block;
      width: 100%;
      height: 100%;
    }
  `,
})
export class CookCurve {
  readonly view = input.required<CookView>();
  readonly nowMs = input.required<number>();
  /** A phone has room for the lines, not for the names of all steps. */
  readonly compact = input(false);

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly profile = computed(() => chamberProfile(this.view().cook, this.view().steps, this.nowMs()));

  protected readonly words = computed(() => {
    const { cook, steps } = this.view();
    const done = steps.map((s) => `${COOK_WORDS[s.step]} ${format(Date.parse(s.at), 'HH:mm')}`).join(', ');
    return `Chamber ${cook.chamberC.toFixed(1)} °C. ${done}.`;
  });

  protected readonly options = computed<EChartsCoreOption>(() => {
    // ECharts draws on a canvas, which cannot read light-dark(): resolve the colors here.
    const ink = resolved(this.host, '--rim');
    const soft = resolved(this.host, '--soft');
    const line = resolved(this.host, '--line');
    const rye = resolved(this.host, '--rye');
    const done = resolved(this.host, '--done');
    const { points, nowMinutes } = this.profile();
    const startMs = Date.parse(this.view().steps[0]?.at ?? new Date(this.nowMs()).toISOString());
    const toTime = (minutes: number) => startMs + minutes * MINUTE_MS;
    const been = profileUntil(points, nowMinutes).map((p) => [toTime(p.minutes), p.celsius]);
    const lastBeen = been[been.length - 1];
    const rest = [...(lastBeen ? [lastBeen] : []), ...points.filter((p) => p.minutes > nowMinutes).map((p) => [toTime(p.minutes), p.celsius])];
    const heat = heatCurve(points).map(([m, v]) => [toTime(m), v]);
    const nowTime = toTime(nowMinutes);
    const text = { color: soft, fontSize: 15, fontFamily: 'Atkinson Hyperlegible Next Variable' };
    const axis = { type: 'time', min: startMs, max: toTime(points[points.length - 1]?.minutes ?? 1), axisLine: { lineStyle: { color: ink, width: 1.5 } }, axisTick: { show: true }, splitLine: { show: false } };
    const marks = this.compact() ? [] : this.stepMarks(startMs);
    const line3 = { type: 'line', symbol: 'none', silent: true, animation: false };
    return {
      animation: false,
      textStyle: text,
      grid: [
        { left: 52, right: 16, top: this.compact() ? 10 : 112, height: this.compact() ? '55%' : '48%' },
        { left: 52, right: 16, bottom: 28, height: '20%' },
      ],
      xAxis: [
        { ...axis, gridIndex: 0, axisLabel: { show: false }, axisTick: { show: false }, axisLine: { show: false } },
        { ...axis, gridIndex: 1, axisLabel: { ...text, hideOverlap: true, formatter: '{HH}:{mm}' } },
      ],
      yAxis: [
        { gridIndex: 0, min: 20, max: 125, interval: 20, axisLabel: { ...text, formatter: (v: number) => (v > 120 ? '' : String(v)) }, splitLine: { lineStyle: { color: line } } },
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
              { xAxis: nowTime, lineStyle: { color: rye, width: 2, type: 'solid' }, label: { show: !this.compact(), formatter: 'now', position: 'start', color: rye, fontWeight: 'bold', fontSize: 15 } },
              ...marks.map((m, i) => ({
                xAxis: m.ms,
                lineStyle: { color: ink, width: 1.5, type: m.ahead ? 'dotted' : 'solid' },
                label: { formatter: m.words, position: 'end', align: 'left', offset: [6, 18 + (i % 4) * 22], color: ink, fontSize: 15, fontFamily: text.fontFamily },
              })),
            ],
          },
        },
        { ...line3, data: rest, lineStyle: { color: ink, width: 3.5, type: [0.1, 7], cap: 'round' } },
        { ...line3, xAxisIndex: 1, yAxisIndex: 1, data: heat.filter((p) => p[0]! <= nowTime), lineStyle: { color: done, width: 3 } },
        { ...line3, xAxisIndex: 1, yAxisIndex: 1, data: heat.filter((p) => p[0]! >= nowTime), lineStyle: { color: done, width: 3, type: [0.1, 7], cap: 'round' } },
      ],
    };
  });

  private stepMarks(startMs: number): { ms: number; words: string; ahead: boolean }[] {
    const { steps, cook, state } = this.view();
    const marks = steps.map((s) => ({ ms: Date.parse(s.at), words: `${format(Date.parse(s.at), 'HH:mm')} ${COOK_WORDS[s.step]}`, ahead: false }));
    if (state.phase === 'holding') {
      const heatOff = this.nowMs() + cook.holdMinutes * MINUTE_MS - (state.heldBeforeMs + (this.nowMs() - (state.atPressureMs ?? startMs)));
      const open = heatOff + cook.openAfterMinutes * MINUTE_MS;
      marks.push({ ms: heatOff, words: `${format(heatOff, 'HH:mm')} Heat off`, ahead: true }, { ms: open, words: `about ${format(open, 'HH:mm')} Open`, ahead: true });
    }
    return marks;
  }
}

function heatCurve(points: readonly { minutes: number; celsius: number }[]): [number, number][] {
  const end = points[points.length - 1]?.minutes ?? 0;
  return Array.from({ length: F0_POINTS + 1 }, (_, i) => {
    const minutes = (end * i) / F0_POINTS;
    return [minutes, f0(profileUntil(points, minutes))];
  });
}

/** A custom property as the browser paints it. */
function resolved(host: HTMLElement, name: string): string {
  const probe = document.createElement('span');
  probe.style.color = `var(${name})`;
  host.append(probe);
  const painted = getComputedStyle(probe).color;
  probe.remove();
  return painted;
}
