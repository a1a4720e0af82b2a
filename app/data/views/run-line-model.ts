import {
  DAY_MS,
  isRunFull,
  hydrationOf,
  isOn,
  nextCutMs,
  type BatchView,
  type House,
  readyToInoculate,
  toShake,
} from '../../../core/index';
import { inDegrees } from '../words/in-degrees';
import { rangeWords, shortTime } from '../words/words';

/** One batch on one line. */
export interface RunLineModel {
  readonly dots: readonly { readonly atMs: number }[];
  readonly bands: readonly {
    readonly fromMs: number;
    readonly toMs: number;
    readonly label: string;
    readonly due: boolean;
  }[];
  readonly next?: { readonly words: string; readonly afterMs: number; readonly due: boolean };
  /** The whole line in words, for those who cannot see it. */
  readonly words: string;
}

/** What happened to a batch and what is expected of it. */
export function runLineOf(view: BatchView, house: House, nowMs: number): RunLineModel {
  const dots = dotsOf(view, house);
  const bands = view.forecast === undefined ? [] : growthBands(view, house, nowMs);
  const next = bands.length === 0 ? nextStep(view, house, nowMs) : undefined;
  const words = [view.code, view.species?.name, ...bands.map((b) => b.label), next?.words]
    .filter(Boolean)
    .join(', ');
  return { dots, bands, next, words };
}

function dotsOf(view: BatchView, house: House): { atMs: number }[] {
  const cooks = house.cooksOf.get(view.batch.id) ?? [];
  const moments = [
    view.madeAtMs,
    ...cooks.flatMap((c) => c.state.heatOffMs ?? c.state.lidOnMs ?? []),
    ...(view.inoculatedAtMs === undefined ? [] : [view.inoculatedAtMs]),
    ...view.vessels.flatMap((v) =>
      [v.state.shakenAt, v.state.openedAt].flatMap((at) => (at === undefined ? [] : [Date.parse(at)])),
    ),
  ];
  return [...new Set(moments)].sort((a, b) => a - b).map((atMs) => ({ atMs }));
}

function growthBands(view: BatchView, house: House, nowMs: number): RunLineModel['bands'][number][] {
  const { forecast, inoculatedAtMs: start } = view;
  if (forecast === undefined || start === undefined) {
    return [];
  }
  const opened = view.vessels.filter((v) => v.state.phase === 'opened');
  if (opened.length > 0) {
    const cuts = opened.flatMap((v) => nextCutMs(v, house) ?? []).sort((a, b) => a - b);
    const [first, last] = [cuts[0], cuts[cuts.length - 1]];
    return first === undefined || last === undefined ? [] : [band(first, last + DAY_MS, 'harvest', nowMs)];
  }
  const bands: RunLineModel['bands'][number][] = [];
  const shake = toShake(view, house, nowMs);
  if (shake !== undefined) {
    bands.push(band(shake.fromMs, shake.toMs, 'shake', nowMs));
  }
  const full = view.vessels.every((v) => v.state.phase === 'gone' || isRunFull(v));
  if (!full) {
    const [low, high] = [start + forecast.low * DAY_MS, start + forecast.high * DAY_MS];
    bands.push({ fromMs: low, toMs: high, label: `full ${rangeWords(low, high)}`, due: false });
  }
  return bands;
}

function band(fromMs: number, toMs: number, label: string, nowMs: number): RunLineModel['bands'][number] {
  return { fromMs, toMs, label, due: fromMs <= nowMs };
}

function nextStep(view: BatchView, house: House, nowMs: number): RunLineModel['next'] {
  const cook = house.cooksOf.get(view.batch.id)?.find(isOn);
  if (cook !== undefined) {
    return {
      words: `in the ${cook.cook.applianceName.toLowerCase()}, then inoculate`,
      afterMs: nowMs,
      due: false,
    };
  }
  const ready = readyToInoculate(view, house);
  if (ready !== undefined && view.inoculatedAtMs === undefined) {
    if (view.batch.stage === 'agar' && ready.coolMs <= nowMs) {
      return { words: 'kept for when it is wanted', afterMs: nowMs, due: false };
    }
    const isCool = ready.coolMs <= nowMs;
    return {
      words: isCool ? 'inoculate now' : `inoculate from ${shortTime(ready.coolMs, nowMs)}`,
      afterMs: nowMs,
      due: isCool,
    };
  }
  const progress = hydrationOf(view);
  const next = progress?.following;
  if (next === undefined) {
    const full = view.inoculatedAtMs !== undefined;
    return { words: full ? 'ready' : 'load a cook', afterMs: nowMs, due: !full };
  }
  const dueMs = progress?.dueMs ?? view.lastStepMs ?? view.madeAtMs;
  return {
    words: `${inDegrees(next.deed.toLowerCase())} ${dueMs > nowMs ? `at ${shortTime(dueMs, nowMs)}` : 'now'}`,
    afterMs: nowMs,
    due: dueMs <= nowMs,
  };
}
