import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  resource,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import type { EChartsCoreOption } from 'echarts/core';
import { switchMap } from 'rxjs';
import {
  DAY_MS,
  EMPTY_HOUSE,
  SILENCE_MS,
  HOUR_MS,
  formatNumber,
  placesInUse,
  subjectOfPlace,
  typedReads,
  fruitingAt,
  fruitingBand,
  sideOf,
  sideOfShown,
  type Band,
  type Summary,
  type Bin,
  type Channel,
  type Reading,
  type Window,
} from '../../../core/index';
import { shownUnit } from '../../data/words/measure-words';
import { Time } from '../../data/clock/time';
import { Night } from '../../data/devices/night';
import { HouseStore } from '../../data/store/house-store';
import { ReadingStore, type ReadSeries } from '../../data/store/reading-store';
import { lastKnown } from '../../data/views/last-known';
import { CHANNEL_WORDS, channelFigure, channelWords, placeWords, shortTime } from '../../data/words/words';
import { Chart } from '../../pieces/chart';
import { colorsOf } from '../../pieces/chart-colors';
import { LoggerFold } from '../../pieces/logger-fold';

const SPANS = [
  { word: 'Day', days: 1 },
  { word: 'Week', days: 7 },
  { word: 'Month', days: 30 },
  { word: 'Year', days: 365 },
  { word: 'All', days: Infinity },
] as const;
/** Bins over the width of the chart: about two pixels each. */
const BINS = 480;

/** What loggers and people read of a place: one channel at a time, its least and most of each moment, silences left empty. */
@Component({
  selector: 'nw-climate',
  imports: [Chart, LoggerFold, MatButtonToggle, MatButtonToggleGroup],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './climate.html',
  styleUrl: './climate.scss',
})
export class Climate {
  private readonly store = inject(ReadingStore);
  private readonly house = inject(HouseStore);
  private readonly night = inject(Night);
  private readonly time = inject(Time);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  readonly placeId = input.required<string>();

  private readonly subject = computed(() => subjectOfPlace(this.placeId()));
  private readonly inHouse = computed(() => this.house.house() ?? EMPTY_HOUSE);
  /** Readings come from a store of their own, perhaps first; before the house is there nobody knows its units. */
  protected readonly isKnown = computed(() => this.house.house() !== undefined);
  /** Whose it is, where there are several. */
  protected readonly named = computed(() =>
    placesInUse(this.inHouse(), 'fruit').length > 1 ? `: ${placeWords(this.placeId(), this.inHouse())}` : '',
  );
  protected readonly spans = SPANS;
  protected readonly days = signal<number>(7);
  private readonly chosen = signal<Channel | undefined>(undefined);
  private readonly logged = toSignal(
    toObservable(this.subject).pipe(switchMap((subject) => this.store.seriesOf(subject))),
    { initialValue: [] as readonly ReadSeries[] },
  );
  private readonly typed = computed(() => typedReads(this.inHouse(), this.placeId()));
  /** What was logged, with what was typed of the same; and what was typed alone. */
  private readonly all = computed((): readonly ReadSeries[] => {
    if (!this.isKnown()) {
      return [];
    }
    const logged = new Map(this.logged().map((s) => [s.channel, s]));
    const channels = [...new Set([...logged.keys(), ...this.typed().keys()])];
    return channels.flatMap(
      (channel) => withTyped(channel, logged.get(channel), this.typed().get(channel)) ?? [],
    );
  });
  protected readonly series = computed(() =>
    this.all().map((s) => {
      const { name } = CHANNEL_WORDS[s.channel];
      return {
        ...s,
        name,
        last: channelWords(s.channel, s.last),
        at: shortTime(s.toMs, this.time.minute()),
      };
    }),
  );
  protected readonly shown = computed(
    () => this.all().find((s) => s.channel === this.chosen()) ?? this.all()[0],
  );
  private readonly fruiting = computed(() => fruitingAt(this.inHouse(), this.placeId()));
  /** What suits all that fruits there. */
  private readonly band = computed(
    () => {
      const shown = this.shown();
      return shown && fruitingBand(shown.channel, this.fruiting());
    },
    { equal: (a, b) => a?.low === b?.low && a?.high === b?.high },
  );
  /** What is out of its band just now, as far as a logger that still speaks tells. */
  protected readonly alarms = computed((): readonly string[] => {
    const views = this.fruiting();
    return this.all().flatMap(({ channel, last, toMs }) => {
      const band = fruitingBand(channel, views);
      const side = band && sideOfShown(channel, last, band);
      return side === undefined || views.length === 0 || this.time.minute() - toMs > FRESH_MS
        ? []
        : [
            `${CHANNEL_WORDS[channel].name} ${channelWords(channel, last)}: ${side} ${bandWords(channel, band!)}.`,
          ];
    });
  });
  private readonly window = computed<Window | undefined>(() => {
    const shown = this.shown();
    return (
      shown && {
        fromMs: Math.max(shown.toMs - this.days() * DAY_MS, shown.fromMs),
        toMs: Math.max(shown.toMs, shown.fromMs + 1),
        pixels: BINS,
      }
    );
  });
  private readonly thinned = resource({
    params: () => {
      const [shown, window] = [this.shown(), this.window()];
      return shown === undefined || window === undefined
        ? undefined
        : { subject: this.subject(), channel: shown.channel, window, band: this.band() };
    },
    loader: async ({ params: { subject, channel, window, band } }): Promise<Drawn> => {
      const isOutside = (value: number) => band !== undefined && sideOf(value, band) !== undefined;
      const thinner = await this.store.thinned(subject, channel, window);
      // Between two bins lie as many minutes as a bin is wide.
      const gapMs = Math.max((2 * (window.toMs - window.fromMs)) / window.pixels, SILENCE_MS);
      return { channel, window, band, ...thinner.summary(isOutside), parts: thinner.stretches(gapMs) };
    },
  });
  /** What is drawn: it stays until the next is there, so that nothing jumps. */
  private readonly drawn = lastKnown(() => (this.thinned.hasValue() ? this.thinned.value() : undefined));
  protected readonly words = computed(() => {
    const value = this.drawn();
    const bins = value?.parts.flat() ?? [];
    const typed = this.typedIn(value).length;
    const typedWords = typed === 0 ? '' : `${formatNumber(typed)} typed, as dots`;
    if (value === undefined || bins.length === 0) {
      return typedWords;
    }
    const count = bins.reduce((sum, b) => sum + b.count, 0);
    const mean = bins.reduce((sum, b) => sum + b.mean * b.count, 0) / count;
    const least = channelFigure(value.channel, Math.min(...bins.map((b) => b.least)));
    const most = channelFigure(value.channel, Math.max(...bins.map((b) => b.most)));
    const { silences, outsideMs, band } = value;
    const hours = Math.round(outsideMs / HOUR_MS);
    const outside =
      band === undefined || hours === 0 ? '' : `; outside ${bandWords(value.channel, band)} for ${hours} h`;
    const cuts = silences === 0 ? '' : `, ${silences === 1 ? 'one silence' : `${silences} silences`}`;
    return `${least.figure} to ${most.figure} ${most.sign}, on average ${channelFigure(value.channel, mean).figure}; ${formatNumber(count)} readings${cuts}${outside}${typedWords === '' ? '' : `; ${typedWords}`}`;
  });
  protected readonly options = computed<EChartsCoreOption | undefined>(() => {
    this.night.light();
    const value = this.drawn();
    return value && this.optionsOf(value);
  });

  protected show(channel: Channel): void {
    this.chosen.set(channel);
  }

  /** What was typed of the channel and the window that are drawn. */
  private typedIn(value: Drawn | undefined): readonly Reading[] {
    const reads = (value && this.typed().get(value.channel)) ?? [];
    return reads.filter(
      ({ atMs }) => value !== undefined && atMs >= value.window.fromMs && atMs <= value.window.toMs,
    );
  }

  private optionsOf(drawn: Drawn): EChartsCoreOption {
    const { channel, parts, band, window } = drawn;
    const { fromMs, toMs } = window;
    const { toShown } = shownUnit(CHANNEL_WORDS[channel].unit);
    const { ink, soft, line, grain, done, font } = colorsOf(this.host);
    const text = { color: soft, fontSize: 15, fontFamily: font };
    const quiet = { type: 'line', symbol: 'none', silent: true, animation: false, connectNulls: false };
    // An empty point after each stretch keeps silences empty.
    const points = (value: (bin: Bin) => number) =>
      parts.flatMap((part) => [
        ...part.map((bin): Point => [(bin.fromMs + bin.toMs) / 2, value(bin)]),
        [(part[part.length - 1]?.toMs ?? 0) + 1, null] as Point,
      ]);
    const spread = { ...quiet, stack: 'band', stackStrategy: 'all', lineStyle: { width: 0 } };
    return {
      animation: false,
      textStyle: text,
      grid: { left: 56, right: 14, top: 10, bottom: 28 },
      xAxis: {
        type: 'time',
        min: fromMs,
        max: toMs,
        axisLine: { lineStyle: { color: ink, width: 1.5 } },
        splitLine: { show: false },
        axisLabel: { ...text, hideOverlap: true },
      },
      yAxis: { type: 'value', scale: true, axisLabel: text, splitLine: { lineStyle: { color: line } } },
      series: [
        { ...spread, data: points((b) => toShown(b.least)) },
        {
          ...spread,
          data: points((b) => toShown(b.most) - toShown(b.least)),
          areaStyle: { color: grain, opacity: 0.75 },
        },
        {
          ...quiet,
          data: points((b) => toShown(b.mean)),
          lineStyle: { color: ink, width: 2 },
          markLine: {
            silent: true,
            symbol: 'none',
            animation: false,
            label: { show: false },
            lineStyle: { color: done, width: 2, type: [0, 6], cap: 'round' },
            data: [band?.low, band?.high].flatMap((at) => (at === undefined ? [] : [{ yAxis: toShown(at) }])),
          },
        },
        {
          ...quiet,
          data: this.typedIn(drawn).map(({ atMs, value }): Point => [atMs, toShown(value)]),
          lineStyle: { width: 0 },
          symbol: 'circle',
          symbolSize: 11,
          itemStyle: { color: ink },
        },
      ],
    };
  }
}

/** One channel, from whoever read it; undefined where nobody did. */
function withTyped(
  channel: Channel,
  logged: ReadSeries | undefined,
  typed: readonly Reading[] = [],
): ReadSeries | undefined {
  const [first, last] = [typed[0], typed.at(-1)];
  if (first === undefined || last === undefined) {
    return logged;
  }
  const own = { channel, fromMs: first.atMs, toMs: last.atMs, last: last.value, source: '' };
  return logged === undefined
    ? own
    : {
        ...(logged.toMs >= own.toMs ? logged : own),
        fromMs: Math.min(logged.fromMs, own.fromMs),
        toMs: Math.max(logged.toMs, own.toMs),
      };
}

interface Drawn extends Summary {
  readonly band: Band | undefined;
  readonly channel: Channel;
  readonly window: Window;
  readonly parts: readonly (readonly Bin[])[];
}

type Point = [number, number | null];

/** What was read longer ago says nothing of now. Our choice. */
const FRESH_MS = 2 * HOUR_MS;

/** "85 to 95 %", "1 000 ppm" where one side is open. */
function bandWords(channel: Channel, { low, high }: Band): string {
  const { sign, toShown } = shownUnit(CHANNEL_WORDS[channel].unit);
  const figures = [low, high].flatMap((value) => (value === undefined ? [] : formatNumber(toShown(value))));
  return `${figures.join(' to ')} ${sign}`;
}
