import { hydrationProgress, stepsOf } from '../formula/hydration.js';
import { FULL, dayOfFraction, expectedFraction } from '../growth/fit-colonization.js';
import type { BatchView, CookView, House, VesselView } from '../house/house.js';
import { holdLeftMinutes } from '../cook/cook-state.js';
import type { BatchId } from '../record/ids.js';

export type PlaceName = 'desk' | 'stove' | 'box' | 'shelf' | 'tent' | 'ledger';

/** Something to do, at a place, from a moment on. */
export interface DueItem {
  readonly place: PlaceName;
  readonly atMs: number;
  readonly text: string;
  /** Due at the minute (a clock) and not just on the day. */
  readonly exact: boolean;
  readonly batchId?: BatchId;
}

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/** Shake once at about a third. Common practice, no source. */
export const SHAKE_AT = 1 / 3;
/** Look at running vessels at least this often. Common practice, no source. */
const LOOK_EVERY_DAYS = 4;
const FIRST_LOOK_DAY = 5;

/** Everything that is due now or later, soonest first. */
export function dueItems(house: House, nowMs: number): readonly DueItem[] {
  const items = [
    ...house.batches.flatMap((b) => [...preparationDue(b, house), ...growthDue(b, nowMs), ...blockDue(b)]),
    ...house.cooks.flatMap((c) => cookDue(c, house, nowMs)),
  ].filter((item) => Number.isFinite(item.atMs));
  return items.sort((a, b) => a.atMs - b.atMs || (a.text < b.text ? -1 : 1));
}

/** Late: a clock that is over by five minutes, or a day's work that was due on an earlier day. */
export function isLate(item: DueItem, nowMs: number, startOfTodayMs: number): boolean {
  return item.exact ? item.atMs < nowMs - 5 * MINUTE_MS : item.atMs < startOfTodayMs;
}

function preparationDue(view: BatchView, house: House): DueItem[] {
  const { formula } = view.batch;
  if (formula === undefined || !view.vessels.some((v) => v.state.phase === 'planned')) {
    return [];
  }
  const { current, following, dueMs } = hydrationProgress(
    stepsOf(view.batch),
    view.lastStep,
    view.lastStepMs,
  );
  const sinceMs = view.lastStepMs ?? view.madeAtMs;
  if (following === undefined) {
    const pot = house.cooks.some((c) => isOn(c)) ? 'Next cook' : 'Load a cook';
    return [due('stove', sinceMs, `${pot}: ${view.code}`, false, view.batch.id)];
  }
  const isClock = current?.minutes !== undefined;
  return [due('stove', dueMs ?? sinceMs, `${following.deed}, ${view.code}`, isClock, view.batch.id)];
}

/** A cook that is on its way: the lid is on and it is not open yet. */
export function isOn(view: CookView): boolean {
  return view.state.phase !== 'opened' && view.state.phase !== 'ended';
}

function cookDue(view: CookView, house: House, nowMs: number): DueItem[] {
  const { cook, state } = view;
  const name = `cook ${view.name}`;
  switch (state.phase) {
    case 'loaded':
      return [due('stove', Date.parse(cook.plannedAt), `Lid on, ${name}`, false)];
    case 'venting':
      return [
        due('stove', (state.sinceMs ?? nowMs) + cook.ventMinutes * MINUTE_MS, `Weight on, ${name}`, true),
      ];
    case 'holding':
      return [
        due('stove', nowMs + holdLeftMinutes(state, cook, nowMs) * MINUTE_MS, `Heat off, ${name}`, true),
      ];
    case 'lost':
      return [due('stove', state.sinceMs ?? nowMs, `Pressure is lost, ${name}`, true)];
    case 'cooling':
      return [
        due('stove', (state.heatOffMs ?? nowMs) + cook.openAfterMinutes * MINUTE_MS, `Open ${name}`, false),
      ];
    case 'opened':
      return inoculationDue(view, house);
    default:
      return [];
  }
}

function inoculationDue(view: CookView, house: House): DueItem[] {
  const waiting = view.vesselIds
    .flatMap((id) => house.vesselById.get(id) ?? [])
    .filter((v) => v.state.phase === 'sterile');
  const codes = new Map(waiting.map((v) => [v.batch.id, v.batchCode]));
  return [...codes].map(([id, code]) => due('box', view.coreCoolMs ?? 0, `Inoculate ${code}`, false, id));
}

function growthDue(view: BatchView, nowMs: number): DueItem[] {
  const running = view.vessels.filter(
    (v) =>
      v.state.phase === 'running' &&
      v.state.suspect === undefined &&
      view.batch.plan !== undefined &&
      v.state.place !== 'fridge',
  );
  if (running.length === 0 || view.forecast === undefined || view.inoculatedAtMs === undefined) {
    return [];
  }
  const start = view.inoculatedAtMs;
  const { forecast } = view;
  const items: DueItem[] = [];
  const toShake = view.batch.stage === 'grain' ? running.filter((v) => v.state.shakenAt === undefined) : [];
  if (toShake.length > 0 && expectedFraction(forecast, (nowMs - start) / DAY_MS) < 0.9) {
    const shakeDay = dayOfFraction(forecast, SHAKE_AT);
    items.push(
      due(
        'shelf',
        start + Math.max(shakeDay, 1) * DAY_MS,
        `Shake ${view.code}, ${count(toShake.length, view)}`,
        false,
        view.batch.id,
      ),
    );
  }
  const fullMs = start + forecast.fullDay * DAY_MS;
  const lookMs = nextLook(running, start);
  if (!running.every(isRunFull)) {
    items.push(
      due(
        'shelf',
        Math.min(lookMs, Math.max(fullMs, lookMs - LOOK_EVERY_DAYS * DAY_MS)),
        `Look at ${view.code}`,
        false,
        view.batch.id,
      ),
    );
  } else if (view.batch.stage === 'bulk') {
    items.push(due('tent', fullMs, `Open ${view.code}`, false, view.batch.id));
  }
  return items;
}

function nextLook(running: readonly VesselView[], startMs: number): number {
  const looks = running.map((v) =>
    v.state.lastLookAt === undefined
      ? startMs + FIRST_LOOK_DAY * DAY_MS
      : Date.parse(v.state.lastLookAt) + LOOK_EVERY_DAYS * DAY_MS,
  );
  return Math.min(...looks);
}

/** The last fraction noted of a vessel; 0 before the first look. */
export function lastFraction(view: VesselView): number {
  return view.state.marks[view.state.marks.length - 1]?.fraction ?? 0;
}

/** Whether it was seen to have run full. */
export function isRunFull(view: VesselView): boolean {
  return lastFraction(view) >= FULL;
}

function count(n: number, view: BatchView): string {
  const noun = view.batch.vessel.kind === 'bag' ? 'block' : view.batch.vessel.kind;
  return `${n} ${noun}${n === 1 ? '' : noun.endsWith('sh') ? 'es' : 's'}`;
}

function blockDue(view: BatchView): DueItem[] {
  const opened = view.vessels.filter((v) => v.state.phase === 'opened');
  return opened.flatMap((v) => {
    const cutMs = nextCutMs(v);
    return cutMs === undefined ? [] : [due('tent', cutMs, `Harvest ${v.code}`, false, view.batch.id)];
  });
}

/** Rest between flushes. Common practice, no source. */
const REST_DAYS = 14;
/** From pins to harvest. Common practice, no source. */
const PINS_TO_CUT_DAYS = 6;

/** When the next cut of an opened block is expected. */
export function nextCutMs(view: VesselView): number | undefined {
  const { state, species } = view;
  if (state.openedAt === undefined) {
    return undefined;
  }
  if (state.pinnedAt !== undefined) {
    return Date.parse(state.pinnedAt) + PINS_TO_CUT_DAYS * DAY_MS;
  }
  const last = state.harvests[state.harvests.length - 1];
  return last === undefined
    ? Date.parse(state.openedAt) + (species?.harvestDay.value ?? REST_DAYS) * DAY_MS
    : Date.parse(last.at) + REST_DAYS * DAY_MS;
}

function due(place: PlaceName, atMs: number, text: string, exact: boolean, batchId?: BatchId): DueItem {
  return { place, atMs, text, exact, batchId };
}
