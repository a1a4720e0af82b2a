import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { EChartsCoreOption } from 'echarts/core';
import {
  blendOf,
  durationWords,
  formatNumber,
  hydrationSteps,
  resolveFormula,
  scaleFormula,
  SCHOOLS,
  uptakeCurve,
  uptakeStages,
  vesselsFor,
  type Formula,
} from '../../../core/index';
import { figureOf, measureWords, shownUnit } from '../../data/words/measure-words';
import { HouseStore } from '../../data/store/house-store';
import { Chart } from '../../pieces/chart';
import { colorsOf } from '../../pieces/chart-colors';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { keptChoice } from '../../pieces/form/form-state';

/** What a kilogram of the finished medium holds, g. */
interface Contents {
  readonly name: string;
  readonly water: number;
  readonly dry: number;
  readonly sugar: number;
  readonly nitrogen: number;
  readonly carbonToNitrogen?: number;
  readonly use: string;
}

const MEASURES = [
  { key: 'water', words: 'Water', digits: 0 },
  { key: 'dry', words: 'Dry matter', digits: 0 },
  { key: 'sugar', words: 'Sugar and malt', digits: 1 },
  { key: 'nitrogen', words: 'Nitrogen', digits: 2 },
] as const;

/** Two formulas side by side, by the kilogram; and the ways of hydrating a grain with what each is good and bad for. */
@Component({
  selector: 'nw-compare',
  imports: [Chart, ChoiceField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './compare.html',
  styleUrls: ['./desk-page.scss'],
  styles: `
    .bars {
      height: 132px;
    }
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 240px), 1fr));
      gap: 8px 20px;
    }
    .swatch {
      display: inline-block;
      width: 14px;
      height: 14px;
      margin-right: 8px;
      border: 1px solid var(--edge);
      background: var(--rim);
    }
    .swatch.other {
      background: var(--grain);
    }
  `,
})
export class Compare {
  /** Ids of the two, from the address. */
  readonly a = input<string>();
  readonly b = input<string>();

  private readonly store = inject(HouseStore);
  private readonly router = inject(Router);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly measures = MEASURES;
  protected readonly sign = computed(() => shownUnit('g').sign);
  private readonly records = computed(() => this.store.house()?.records);
  private readonly formulas = computed(() =>
    [...(this.records()?.formulas ?? [])].sort(
      (x, y) => x.stage.localeCompare(y.stage) || x.name.localeCompare(y.name),
    ),
  );
  protected readonly first = computed(() => this.find(this.a()) ?? this.formulas()[0]);
  protected readonly second = computed(() => {
    const first = this.first();
    const alike = this.formulas().filter((f) => f.stage === first?.stage && f.id !== first.id);
    return this.find(this.b()) ?? alike[0] ?? first;
  });
  protected readonly choices = computed<readonly Choice[]>(() =>
    this.formulas().map(({ id, name }) => ({ value: id, words: name })),
  );
  protected readonly one = keptChoice(
    '',
    () => this.first()?.id,
    (id) => {
      this.pick('a', id);
    },
  );
  protected readonly other = keptChoice(
    '',
    () => this.second()?.id,
    (id) => {
      this.pick('b', id);
    },
  );
  protected readonly contents = computed(() =>
    [this.first(), this.second()].flatMap((f) => (f === undefined ? [] : [this.contentsOf(f)])),
  );

  protected figure(massG: number, digits: number): string {
    return figureOf(massG, 'g', digits).figure;
  }

  protected readonly charts = computed(() => {
    const contents = this.contents();
    const colors = colorsOf(this.host);
    return MEASURES.filter((m) => contents.some((c) => c[m.key] > 0)).map((measure) => ({
      ...measure,
      label: `${measure.words}: ${contents.map((c) => `${c.name} ${measureWords(c[measure.key], 'g', measure.digits)}`).join(', ')}`,
      options: {
        animation: false,
        grid: { left: 6, right: 74, top: 4, bottom: 4, containLabel: false },
        xAxis: {
          type: 'value',
          show: false,
          min: 0,
          max: Math.max(...contents.map((c) => c[measure.key]), 1e-6),
        },
        yAxis: {
          type: 'category',
          inverse: true,
          data: contents.map((c) => c.name),
          axisLabel: { show: false },
          axisTick: { show: false },
          axisLine: { lineStyle: { color: colors.edge } },
        },
        series: [
          {
            type: 'bar',
            barWidth: 38,
            silent: true,
            data: contents.map((c, i) => ({
              value: c[measure.key],
              itemStyle: {
                color: i === 0 ? colors.ink : colors.grain,
                borderColor: colors.edge,
                borderWidth: 1,
              },
            })),
            label: {
              show: true,
              position: 'right',
              color: colors.soft,
              fontFamily: colors.font,
              fontSize: 15,
              formatter: (p: { value: number }) => measureWords(p.value, 'g', measure.digits),
            },
          },
        ],
      } satisfies EChartsCoreOption,
    }));
  });

  /** The seven schools for the grain that is looked at, or for wheat. */
  protected readonly grain = computed(() => {
    const first = this.first();
    const wanted = first?.stage === 'grain' ? first : this.find('wheat-spawn');
    return wanted && resolveFormula(wanted, this.records()?.materials ?? []);
  });
  protected readonly schools = computed(() => {
    const grain = this.grain();
    const roomC = this.store.household()?.roomC ?? 20;
    return SCHOOLS.map((school) => {
      const stages = uptakeStages(school.method, roomC);
      const ends =
        grain === undefined || stages.length === 0
          ? undefined
          : uptakeCurve(grain.parts[0]!.material, stages, roomC).ends.at(-1);
      const timed = hydrationSteps(school.method).filter((s) => s.minutes !== undefined);
      return {
        ...school,
        steps:
          timed
            .map((s) => `${s.deed.toLowerCase().replace(/^start /, '')} ${durationWords(s.minutes!.usual)}`)
            .join(', ') || 'straight into the jars',
        moisture: ends === undefined ? 'as measured' : `${formatNumber(ends.moisture * 100)} %`,
      };
    });
  });

  private pick(which: 'a' | 'b', id: string): void {
    void this.router.navigate([], { queryParams: { [which]: id }, queryParamsHandling: 'merge' });
  }

  private find(id: string | undefined): Formula | undefined {
    return this.formulas().find((f) => f.id === id);
  }

  private contentsOf(formula: Formula): Contents {
    const resolved = resolveFormula(formula, this.records()?.materials ?? []);
    const vessel = vesselsFor(formula.stage, this.records()?.vesselTypes ?? [])[0]!;
    const scaled = scaleFormula(resolved, { vessel, count: 1, scaleStepG: 0.01 });
    const blend = blendOf([...scaled.parts, { massG: Math.max(0, scaled.waterG) }]);
    const perKg = (massG: number) => (massG / blend.grams) * 1000;
    return {
      name: formula.name,
      water: perKg(blend.waterG),
      dry: perKg(blend.dryMatterG),
      sugar: perKg(blend.sugarG),
      nitrogen: perKg(blend.nitrogenG),
      ...(blend.carbonToNitrogen !== undefined && { carbonToNitrogen: blend.carbonToNitrogen }),
      use: formula.use ?? '',
    };
  }
}
