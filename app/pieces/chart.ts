import {
  Directive,
  ElementRef,
  afterNextRender,
  effect,
  inject,
  input,
  DestroyRef,
  signal,
} from '@angular/core';
import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent, MarkPointComponent } from 'echarts/components';
import { init, use, type EChartsCoreOption, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

use([
  BarChart,
  LineChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  CanvasRenderer,
]);

/** Draws chart options into its host and follows the host's size. */
@Directive({ selector: '[nwChart]' })
export class Chart {
  readonly nwChart = input.required<EChartsCoreOption>();
  private readonly chart = signal<EChartsType | undefined>(undefined);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const watcher = new ResizeObserver(() => this.chart()?.resize());
    afterNextRender(() => {
      this.chart.set(init(host));
      watcher.observe(host);
    });
    effect(() => {
      this.chart()?.setOption(this.nwChart(), { notMerge: true });
    });
    inject(DestroyRef).onDestroy(() => {
      watcher.disconnect();
      this.chart()?.dispose();
    });
  }
}
