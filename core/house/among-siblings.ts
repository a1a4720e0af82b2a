import { DAY_MS } from '../base/time.js';
import { FULL } from '../growth/curve.js';
import { cardinalOf, growthRateAt } from '../growth/temperature-response.js';
import { forecastVessel, isStalled } from './derive/forecast.js';
import type { House, VesselView } from './derive/house.js';
import { isCookMishap } from './unloading.js';
import { placeOfVessel } from './places.js';
import { isRunFull, lastFraction, runningVessels } from './running.js';

/** How a vessel stands among its siblings. */
export type StandingKind = 'stalled' | 'laggard' | 'leader' | 'runnerUp' | 'earlyPins';

/** What the record has to say for it; `alone` where it has nothing. */
export type StandingReason =
  | 'cold'
  | 'warm'
  | 'coldAtPins'
  | 'dry'
  | 'wet'
  | 'mishap'
  | 'cookMishap'
  | 'shaken'
  | 'lessDose'
  | 'otherSource'
  | 'otherPlace'
  | 'siblingsToo'
  | 'alone';

export interface SiblingStanding {
  readonly kind: StandingKind;
  /** At least one for all but who leads. */
  readonly reasons: readonly StandingReason[];
  /** Days that it is expected behind the middle of its siblings, or before it; 0 where it is not about that. */
  readonly daysApart: number;
}

/** Two standard deviations of like vessels, and two days, behind the middle of them. Our choice. */
const LATE_TIMES = 1.2;
const APART_DAYS = 2;
/** Who leads is ahead by so much; less is chance. Our choice. */
const AHEAD_TIMES = 0.95;
/** Of fewer no middle can be told. Our choice. */
const LEAST_SIBLINGS = 3;
/** Where it grows at less than half its usual pace. Our choice. */
const COLD_RATE = 0.5;
/** It looks worse than it is after a shake. Common practice, no source. */
const SHAKEN_DAYS = 5;
/** Pins follow a drop of so much within so many days. From memory. */
const DROP_C = 3;
const PINS_AFTER_DAYS = 10;
/** Of the mean of its siblings. Our choice. */
const LESS_DOSE = 0.75;

/** What is to be said of a sound, running vessel; undefined where it is as its siblings are. */
export function standingAmongSiblings(
  view: VesselView,
  house: House,
  nowMs: number,
): SiblingStanding | undefined {
  const { state } = view;
  if (state.phase !== 'running' || state.suspect !== undefined) {
    return undefined;
  }
  if (state.pinnedAt !== undefined && fractionAt(view, state.pinnedAt) < FULL) {
    return { kind: 'earlyPins', reasons: pinReasons(view, house), daysApart: 0 };
  }
  const siblings = siblingsOf(view, house);
  if (isStalled(view)) {
    return { kind: 'stalled', reasons: stallReasons(view, siblings, house, nowMs), daysApart: 0 };
  }
  return amongSiblings(view, siblings, house);
}

function amongSiblings(
  view: VesselView,
  siblings: readonly VesselView[],
  house: House,
): SiblingStanding | undefined {
  const own = forecastVessel(house, view)?.fullDay;
  // Nobody is behind or ahead by what its siblings alone say of it.
  if (own === undefined || siblings.length < LEAST_SIBLINGS || view.state.marks.length === 0) {
    return undefined;
  }
  const theirs = siblings.flatMap((s) => forecastVessel(house, s)?.fullDay ?? []).sort((a, b) => a - b);
  const middle = theirs[Math.floor(theirs.length / 2)];
  if (middle === undefined) {
    return undefined;
  }
  if (own > middle * LATE_TIMES && own > middle + APART_DAYS) {
    return isRunFull(view)
      ? undefined
      : { kind: 'laggard', reasons: lagReasons(view, siblings), daysApart: own - middle };
  }
  const before = theirs.filter((day) => day < own).length;
  return own < middle * AHEAD_TIMES && before < 2
    ? { kind: before === 0 ? 'leader' : 'runnerUp', reasons: [], daysApart: middle - own }
    : undefined;
}

/** Sound ones of its batch that were sown with it. */
function siblingsOf(view: VesselView, house: House): readonly VesselView[] {
  const batch = house.batchById.get(view.batch.id);
  return batch === undefined
    ? []
    : runningVessels(batch, house).filter(
        (v) => v.vessel.id !== view.vessel.id && v.state.inoculatedAt === view.state.inoculatedAt,
      );
}

function stallReasons(
  view: VesselView,
  siblings: readonly VesselView[],
  house: House,
  nowMs: number,
): readonly StandingReason[] {
  const { state } = view;
  const reasons: StandingReason[] = [...warmthReasons(view, house, nowMs), ...ownReasons(view)];
  if (state.shakenAt !== undefined && nowMs - Date.parse(state.shakenAt) < SHAKEN_DAYS * DAY_MS) {
    reasons.push('shaken');
  }
  if (siblings.length > 0 && siblings.filter(isStalled).length * 2 >= siblings.length) {
    reasons.push('siblingsToo');
  }
  return reasons.length > 0 ? reasons : ['alone'];
}

function lagReasons(view: VesselView, siblings: readonly VesselView[]): readonly StandingReason[] {
  const { state } = view;
  const reasons: StandingReason[] = [...ownReasons(view)];
  const doses = siblings.flatMap((s) => s.state.doseEach ?? []);
  const meanDose = doses.reduce((sum, d) => sum + d, 0) / doses.length;
  if (state.doseEach !== undefined && state.doseEach < LESS_DOSE * meanDose) {
    reasons.push('lessDose');
  }
  const differs = (of: (v: VesselView) => string) =>
    siblings.filter((s) => of(s) !== of(view)).length > siblings.length / 2;
  if (differs((v) => v.state.sourceVesselIds.join())) {
    reasons.push('otherSource');
  }
  if (differs(placeOfVessel)) {
    reasons.push('otherPlace');
  }
  return reasons.length > 0 ? reasons : ['alone'];
}

function pinReasons(view: VesselView, house: House): readonly StandingReason[] {
  const atMs = Date.parse(view.state.pinnedAt ?? '');
  const before = temperatureAt(view, house, atMs - PINS_AFTER_DAYS * DAY_MS);
  const then = temperatureAt(view, house, atMs);
  const fell = before !== undefined && then !== undefined && before - then >= DROP_C;
  return fell ? ['coldAtPins'] : ['alone'];
}

function ownReasons({ state: { wetness, mishaps } }: VesselView): readonly StandingReason[] {
  return [
    ...(wetness === 'dry' ? (['dry'] as const) : []),
    ...(wetness === 'pooled' || wetness === 'beaded' ? (['wet'] as const) : []),
    ...(mishaps.some((m) => !isCookMishap(m.what) && m.what !== 'labelLost') ? (['mishap'] as const) : []),
    ...(mishaps.some((m) => isCookMishap(m.what)) ? (['cookMishap'] as const) : []),
  ];
}

function warmthReasons(view: VesselView, house: House, nowMs: number): readonly StandingReason[] {
  const celsius = temperatureAt(view, house, nowMs);
  const range = view.species?.incubationC;
  if (celsius === undefined || range === undefined) {
    return [];
  }
  const cardinal = cardinalOf(range);
  const isSlow = growthRateAt(celsius, cardinal) < COLD_RATE * growthRateAt(range.value, cardinal);
  return isSlow ? [celsius < range.value ? 'cold' : 'warm'] : [];
}

function temperatureAt(view: VesselView, { workings }: House, atMs: number): number | undefined {
  const place =
    view.state.stays.findLast((stay) => Date.parse(stay.at) <= atMs)?.place ?? placeOfVessel(view);
  return workings.warmth?.at(place, atMs);
}

function fractionAt(view: VesselView, at: string): number {
  return view.state.marks.findLast((m) => m.at <= at)?.fraction ?? lastFraction(view);
}
