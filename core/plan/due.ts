import { isOpenSteam } from '../cook/pot.js';
import { pourClock } from '../cook/pour-clock.js';
import { careOf } from '../house/care.js';
import { glassInOven } from '../house/dry-heat.js';
import { toPour, toWrap } from '../house/pouring.js';
import { holdLeftMinutes } from '../cook/cook-state.js';
import { hydrationOf } from '../house/hydration-of.js';
import { airTroubles } from '../house/air-trouble.js';
import { cooksOn } from '../house/cooks-on.js';
import type { BatchView, CookView, House, VesselView } from '../house/derive/house.js';
import { placeOfVessel, useOf } from '../house/places.js';
import { firmMsOf, isRunFull, runningVessels } from '../house/running.js';
import { toShake } from '../house/shake.js';
import { tooHot } from '../warm-place/too-hot.js';
import { isInPreparation } from '../house/to-cook.js';
import { BEFORE_SPORES_MS, cutTimes } from '../house/cut-window.js';
import { tendingDue } from '../house/tending.js';
import { isFruiting, nextCutMs } from '../house/to-harvest.js';
import { readyToInoculate } from '../house/to-inoculate.js';
import { isDissolved, type CookerCare, type VesselType } from '../record/definitions.js';
import type { AirChannel, GlassKind, HydrationStep, Tending } from '../record/entry.js';
import type { BatchId } from '../record/ids.js';
import { compareText } from '../record/order.js';
import type { StepKind } from './steps-of-supper.js';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';

export type PlaceName = 'desk' | 'stove' | 'box' | 'shelf' | 'tent' | 'ledger';

/** What is to be done, as a fact; the interface words it. */
export type Deed =
  | { readonly kind: 'prepare'; readonly batch: string; readonly step: HydrationStep; readonly deed: string }
  | { readonly kind: 'load'; readonly batch: string; readonly isNext: boolean }
  | {
      readonly kind:
        'lidOn' | 'weightOn' | 'valveShut' | 'heatOff' | 'pressureLost' | 'steamLost' | 'openCook';
      /** Name of the cook. */
      readonly cook: string;
    }
  | {
      readonly kind: 'shake';
      readonly batch: string;
      readonly count: number;
      readonly vessel: VesselType['kind'];
    }
  /** Agar that cools to pouring heat; its minute is foretold, or its heat is to be read first. */
  | { readonly kind: 'pour'; readonly batch: string; readonly isForetold: boolean }
  /** Glass that has been hot for long enough. */
  | { readonly kind: 'glassOut'; readonly what: GlassKind }
  /** A cooker is to be cleaned or looked over. */
  | { readonly kind: 'care'; readonly appliance: string; readonly what: CookerCare }
  /** Blank plates that have set overnight. */
  | { readonly kind: 'wrap'; readonly batch: string; readonly count: number }
  /** Broth that grows, all of it in one go. */
  | { readonly kind: 'swirl'; readonly count: number; readonly batches: readonly string[] }
  | { readonly kind: 'inoculate' | 'look' | 'openBlocks'; readonly batch: string }
  /** Cut it; `spores`: before they fall. */
  | { readonly kind: 'harvest' | 'spores'; readonly vessel: string }
  /** A place asks for mist or fresh air. */
  | { readonly kind: 'tend'; readonly spot: string; readonly how: Tending }
  /** The air of a place does not suit what fruits there. */
  | {
      readonly kind: 'air';
      readonly spot: string;
      readonly channel: AirChannel;
      readonly value: number;
      readonly answer: Tending;
    }
  /** A plan begins something of which nothing is there yet. */
  | {
      readonly kind: 'planned';
      readonly step: StepKind;
      readonly count: number;
      readonly vessel: VesselType['kind'];
      readonly species: string;
    }
  /** A place is too warm for what lives there. */
  | { readonly kind: 'cool'; readonly spot: string; readonly celsius: number };

/** Something to do, at a place, from a moment on. */
export interface DueItem {
  readonly deed: Deed;
  readonly place: PlaceName;
  readonly atMs: number;
  /** Due at the minute (a clock) and not just on the day. */
  readonly exact: boolean;
  readonly batchId?: BatchId;
}

/** Look at running vessels at least this often. Common practice, no source. */
const LOOK_EVERY_DAYS = 4;
/** A doubt is looked at every day. Our choice. */
const WATCH_EVERY_DAYS = 1;
const FIRST_LOOK_DAY = 5;

/**
 * Everything that is due now or later: what is wrong just now before all, then soonest first.
 * @param planned what plans ask for besides
 */
export function dueItems(house: House, nowMs: number, planned: readonly DueItem[] = []): readonly DueItem[] {
  const items = [
    ...planned,
    ...house.inHand.flatMap((view) => nextFor(view, house, nowMs)),
    ...cooksOn(house).flatMap((view) => nextForCook(view, nowMs) ?? []),
    ...pouring(house, nowMs),
    ...glassInOven(house).flatMap(({ hotMs, minutes, what }) =>
      hotMs === undefined ? [] : due('stove', hotMs + minutes * MINUTE_MS, { kind: 'glassOut', what }, true),
    ),
    ...caring(house, nowMs),
    ...swirling(house),
    ...tendingDue(house, nowMs).map(({ name, how, atMs }) =>
      due('tent', atMs, { kind: 'tend', spot: name, how }, false),
    ),
    ...airTroubles(house, nowMs).map(({ name, channel, value, answer, atMs }) =>
      due('tent', atMs, { kind: 'air', spot: name, channel, value, answer }, true),
    ),
    ...tooHot(house, nowMs).map(({ placeId, name, celsius, atMs }) =>
      due(
        useOf(house, placeId) === 'fruit' ? 'tent' : 'shelf',
        atMs,
        { kind: 'cool', spot: name, celsius },
        true,
      ),
    ),
  ].filter((item) => Number.isFinite(item.atMs));
  return items.sort(
    (a, b) =>
      Number(isAlarm(b)) - Number(isAlarm(a)) ||
      a.atMs - b.atMs ||
      compareText(subjectOf(a.deed), subjectOf(b.deed)),
  );
}

/** A place that is wrong for what lives there: not a time that came, but something that lasts until it is answered. */
function isAlarm({ deed }: DueItem): boolean {
  return deed.kind === 'cool' || deed.kind === 'air';
}

/** Late: a clock that is over by five minutes, or a day's work that was due on an earlier day. */
export function isLate(item: DueItem, nowMs: number, startOfTodayMs: number): boolean {
  return !isAlarm(item) && (item.exact ? item.atMs < nowMs - 5 * MINUTE_MS : item.atMs < startOfTodayMs);
}

/** A clock that rings so soon belongs to this day, also when that is after midnight. Our choice. */
const SOON_MS = 6 * HOUR_MS;

/** Whether something is for today: late, later on this day, or at a clock that rings in the night that begins. */
export function isForToday(item: DueItem, nowMs: number, endOfTodayMs: number): boolean {
  return item.atMs <= (item.exact ? Math.max(endOfTodayMs, nowMs + SOON_MS) : endOfTodayMs);
}

/** All that one batch asks for next. */
export function nextFor(view: BatchView, house: House, nowMs: number): readonly DueItem[] {
  return [
    ...preparation(view, house),
    ...inoculation(view, house),
    ...wrapping(view, nowMs),
    ...growth(view, house, nowMs),
    ...cultureLook(view, house),
    ...view.vessels.flatMap((v) => harvest(v, house, nowMs) ?? []),
  ];
}

function preparation(view: BatchView, house: House): DueItem[] {
  const { id } = view.batch;
  if (!isInPreparation(view)) {
    return [];
  }
  const { current, following, dueMs } = hydrationOf(view) ?? {};
  const sinceMs = view.lastStepMs ?? view.madeAtMs;
  if (following === undefined) {
    const isNext = cooksOn(house).length > 0;
    return [due('stove', sinceMs, { kind: 'load', batch: view.code, isNext }, false, id)];
  }
  const isClock = current?.minutes !== undefined;
  const { step, deed } = following;
  return [due('stove', dueMs ?? sinceMs, { kind: 'prepare', batch: view.code, step, deed }, isClock, id)];
}

/** What the clock of a cook asks for; nothing where only the pot can tell. */
function nextForCook({ cook, state, name }: CookView, nowMs: number): DueItem | undefined {
  const sinceMs = state.sinceMs ?? nowMs;
  switch (state.phase) {
    case 'loaded':
      return due('stove', Date.parse(cook.plannedAt), { kind: 'lidOn', cook: name }, false);
    case 'venting':
      return due(
        'stove',
        sinceMs + cook.ventMinutes * MINUTE_MS,
        { kind: cook.closes === 'valve' ? 'valveShut' : 'weightOn', cook: name },
        true,
      );
    case 'holding':
      return due(
        'stove',
        nowMs + holdLeftMinutes(state, cook, nowMs) * MINUTE_MS,
        { kind: 'heatOff', cook: name },
        true,
      );
    case 'lost':
      return due(
        'stove',
        sinceMs,
        { kind: isOpenSteam(cook) ? 'steamLost' : 'pressureLost', cook: name },
        true,
      );
    case 'cooling':
      return due(
        'stove',
        (state.heatOffMs ?? nowMs) + cook.openAfterMinutes * MINUTE_MS,
        { kind: 'openCook', cook: name },
        false,
      );
    default:
      return undefined;
  }
}

function inoculation(view: BatchView, house: House): DueItem[] {
  const ready = readyToInoculate(view, house);
  // Blank plates and slants are kept for when they are wanted: never late.
  if (ready === undefined || ready.isShut || view.batch.stage === 'agar') {
    return [];
  }
  const atMs = ready.cook === undefined ? (view.lastStepMs ?? view.madeAtMs) : ready.coolMs;
  return [due('box', atMs, { kind: 'inoculate', batch: view.code }, false, view.batch.id)];
}

/** When agar may be poured; before it is foretold, that its heat is to be read. */
function pouring(house: House, nowMs: number): DueItem[] {
  return toPour(house, nowMs).map(({ view, cook, hotSinceMs }) => {
    const { opensMs } = pourClock(cook.logs, cook.cook.roomC, hotSinceMs);
    const isForetold = opensMs !== undefined;
    const deed: Deed = { kind: 'pour', batch: view.code, isForetold };
    return due('stove', opensMs ?? hotSinceMs, deed, isForetold, view.batch.id);
  });
}

/** The care of a cooker is told so long before it is due: sooner it only stands in the way. Our choice. */
const CARE_BEFORE_MS = 7 * DAY_MS;

/** What is due soon for the cookers that are here. */
function caring(house: House, nowMs: number): DueItem[] {
  return house.records.appliances
    .filter((a) => a.isGone !== true)
    .flatMap((a) =>
      careOf(house, a).flatMap(({ what, dueMs }) =>
        dueMs === undefined || dueMs > nowMs + CARE_BEFORE_MS
          ? []
          : due('ledger', dueMs, { kind: 'care', appliance: a.name, what }, false),
      ),
    );
}

function wrapping(view: BatchView, nowMs: number): DueItem[] {
  const waiting = toWrap(view, nowMs);
  return waiting === undefined
    ? []
    : [
        due(
          'shelf',
          waiting.atMs,
          { kind: 'wrap', batch: view.code, count: waiting.vessels.length },
          false,
          view.batch.id,
        ),
      ];
}

function growth(view: BatchView, house: House, nowMs: number): DueItem[] {
  const running = runningVessels(view, house);
  const { forecast, inoculatedAtMs: startMs, code } = view;
  const { id } = view.batch;
  if (running.length === 0 || forecast === undefined || startMs === undefined) {
    return [];
  }
  const items: DueItem[] = [];
  const { stage } = view.batch;
  const isInTent = running.every((v) => useOf(house, placeOfVessel(v)) === 'fruit');
  const shake = toShake(view, house, nowMs);
  if (shake !== undefined) {
    const count = (shake.ripe.length > 0 ? shake.ripe : shake.vessels).length;
    const deed: Deed = { kind: 'shake', batch: code, count, vessel: view.batch.vessel.kind };
    items.push(due('shelf', shake.atMs, deed, false, id));
  }
  const fullMs = startMs + forecast.fullDay * DAY_MS;
  if (!running.every(isRunFull)) {
    const lookMs = nextLookMs(running, startMs);
    const atMs = Math.min(lookMs, Math.max(fullMs, lookMs - LOOK_EVERY_DAYS * DAY_MS));
    items.push(due(isInTent ? 'tent' : 'shelf', atMs, { kind: 'look', batch: code }, false, id));
  } else if (stage === 'bulk' && !running.every(isFruiting)) {
    const firmMs = Math.min(...running.flatMap((v) => firmMsOf(v) ?? []));
    items.push(due('tent', firmMs, { kind: 'openBlocks', batch: code }, false, id));
  }
  return items;
}

/** A plate shows by then what it has; after a month it is no news. From memory. */
const PLATE_FIRST_LOOK_DAY = 3;
const PLATE_LAST_LOOK_DAY = 30;

/** When plates and broth out of the fridge want to be looked at. */
function cultureLook(view: BatchView, house: House): DueItem[] {
  const { stage } = view.batch;
  const startMs = view.inoculatedAtMs;
  const running = runningVessels(view, house).filter((v) => v.state.broth !== 'ready');
  if (!isDissolved(stage) || startMs === undefined || running.length === 0) {
    return [];
  }
  const firstDay =
    stage === 'agar' ? PLATE_FIRST_LOOK_DAY : (view.species?.brothReadyDay?.low ?? FIRST_LOOK_DAY);
  const atMs = Math.min(
    ...running.map(({ state }) =>
      state.lastLookAt === undefined ? startMs + firstDay * DAY_MS : nextLookOf(state, state.lastLookAt),
    ),
  );
  const isOver = stage === 'agar' && atMs > startMs + PLATE_LAST_LOOK_DAY * DAY_MS;
  return isOver ? [] : [due('shelf', atMs, { kind: 'look', batch: view.code }, false, view.batch.id)];
}

/** Broth that grows is swirled once a day, whatever number of bottles. */
function swirling(house: House): DueItem[] {
  const toSwirl = brothToSwirl(house);
  if (toSwirl.length === 0) {
    return [];
  }
  const atMs = Math.min(
    ...toSwirl.map(({ state }) => Date.parse(state.swirledAt ?? state.inoculatedAt ?? '') + DAY_MS),
  );
  const batches = [...new Set(toSwirl.map((v) => v.batchCode))];
  const deed: Deed = { kind: 'swirl', count: toSwirl.length, batches };
  return [due('shelf', atMs, deed, false, toSwirl[0]?.batch.id)];
}

/** Sound broth on the shelf that was sown here and is not ready yet. */
export function brothToSwirl(house: House): readonly VesselView[] {
  return house.inHand
    .filter((b) => b.batch.stage === 'liquid' && b.inoculatedAtMs !== undefined)
    .flatMap((b) => runningVessels(b, house))
    .filter((v) => v.state.broth !== 'ready' && v.state.drawn !== true && v.state.inoculatedAt !== undefined);
}

function nextLookOf({ watchedAt }: VesselView['state'], lastLookAt: string): number {
  return Date.parse(lastLookAt) + (watchedAt === undefined ? LOOK_EVERY_DAYS : WATCH_EVERY_DAYS) * DAY_MS;
}

function nextLookMs(running: readonly VesselView[], startMs: number): number {
  const looks = running.map(({ state }) =>
    state.lastLookAt === undefined ? startMs + FIRST_LOOK_DAY * DAY_MS : nextLookOf(state, state.lastLookAt),
  );
  return Math.min(...looks);
}

function harvest(view: VesselView, house: House, nowMs: number): DueItem | undefined {
  const sporesMs = cutTimes(view, house)?.sporesMs ?? Infinity;
  const alarmMs = sporesMs - BEFORE_SPORES_MS;
  if (nowMs >= alarmMs) {
    return due('tent', alarmMs, { kind: 'spores', vessel: view.code }, true, view.batch.id);
  }
  const cutMs = nextCutMs(view, house);
  return cutMs === undefined
    ? undefined
    : due('tent', cutMs, { kind: 'harvest', vessel: view.code }, false, view.batch.id);
}

/** Whom or what a deed is about. */
function subjectOf(deed: Deed): string {
  if (deed.kind === 'swirl') {
    return deed.batches.join(', ');
  }
  if (deed.kind === 'cool' || deed.kind === 'tend' || deed.kind === 'air') {
    return deed.spot;
  }
  if (deed.kind === 'care') {
    return deed.appliance;
  }
  if (deed.kind === 'planned') {
    return deed.species;
  }
  if (deed.kind === 'glassOut') {
    return deed.what;
  }
  return 'batch' in deed ? deed.batch : 'cook' in deed ? deed.cook : deed.vessel;
}

function due(place: PlaceName, atMs: number, deed: Deed, exact: boolean, batchId?: BatchId): DueItem {
  return { deed, place, atMs, exact, ...(batchId !== undefined && { batchId }) };
}
