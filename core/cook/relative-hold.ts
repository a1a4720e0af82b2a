import { cumulativeStdNormalProbability } from 'simple-statistics';
import { f0OfNineInTen } from '../heat/band/nine-in-ten.js';
import { middleF0, runHeat, type Run } from '../heat/load/run-heat.js';
import { holdReaching } from '../heat/hold-reaching.js';
import { convert } from '../quantity/convert.js';
import { isDissolved } from '../record/definitions.js';
import { atmosphericPressure } from '../steam/atmosphere.js';
import { chamberTemperature } from '../steam/chamber.js';
import { thermalLoadOf, type Contents } from './load-model.js';
import { plannedChamber, type PlannedRun } from './planned-chamber.js';
import type { TradeHold } from './trade-holds.js';
import { USUAL_TARGET_F0 } from './verdict.js';

export const TRADE_GAUGE_PSI = 15;
/** The same as a gauge pressure in kPa. */
export const TRADE_GAUGE_KPA = convert(TRADE_GAUGE_PSI, 'psi', 'kPa');
/** Trade holds are said of a cooker that started cold in a room of 20 °C, at the sea, well vented. */
const TRADE_ROOM_C = 20;
const TRADE_VENT_MIN = 10;
const STEP_MINUTES = 1;

/** A run of these contents, as far as the heat in them depends on it. */
export function runOf(contents: Contents, planned: PlannedRun, initialCelsius = planned.roomC): Run {
  const { points, closedAtMinutes } = plannedChamber(planned);
  return {
    load: thermalLoadOf(contents),
    chamber: points,
    initialCelsius,
    ventMinutes: planned.ventMinutes,
    closedAtMinutes,
  };
}

/** What the trade's pressure gives the chamber at the sea, °C. */
export function tradeChamberC(): number {
  return chamberTemperature({ gaugeKPa: TRADE_GAUGE_KPA, altitudeM: 0 });
}

/** What the trade's hold gives its own vessel at 15 psi at the sea, by the same model. */
export function tradeF0(trade: TradeHold, minutes: number, planned: PlannedRun): number {
  return middleF0(tradeRun(trade, minutes, planned));
}

/** The trade's hold in its own vessel at 15 psi at the sea, with the come-up and the cooling of the pot that is meant. */
function tradeRun(trade: TradeHold, minutes: number, planned: Omit<PlannedRun, 'holdMinutes'>): Run {
  return runOf(trade.reference, {
    ...planned,
    roomC: TRADE_ROOM_C,
    boilC: chamberTemperature({ gaugeKPa: 0, atmosphereKPa: atmosphericPressure(0) }),
    chamberC: tradeChamberC(),
    ventMinutes: TRADE_VENT_MIN,
    holdMinutes: minutes,
  });
}

/**
 * The trade's hold, turned into the hold that gives the same middle F0 in these vessels, at this pressure and altitude,
 * from this start temperature and with this venting. A ratio: what is unknown about beds and films is the same on both
 * sides and mostly falls out; but not all of it, since cooler steam takes more from slow beds than from quick ones. So a
 * bed is held at least until nine in ten of those for which the school works are done here too. What is dissolved is held
 * for the same F0, but no longer than gives nine in ten vessels F0 12.
 *
 * @returns minutes, undefined when no hold of sixteen hours is enough
 */
export function relativeHold(
  contents: Contents,
  planned: Omit<PlannedRun, 'holdMinutes'>,
  trade: TradeHold,
  tradeMinutes: number,
  initialCelsius = planned.roomC,
): number | undefined {
  const target = tradeF0(trade, tradeMinutes, { ...planned, holdMinutes: tradeMinutes });
  const runAt = (holdMinutes: number) => runOf(contents, { ...planned, holdMinutes }, initialCelsius);
  const same = holdReaching((holdMinutes) => middleF0(runAt(holdMinutes)), target);
  if (!isDissolved(contents.stage)) {
    return same && holdWhereSchoolWorks(runAt, same, slowestDone(tradeRun(trade, tradeMinutes, planned)));
  }
  if (same !== undefined && same <= tradeMinutes) {
    return same;
  }
  // In cooler steam the school's whole F0 would spoil sugar long after every spore is dead.
  const enough = holdReaching((holdMinutes) => f0OfNineInTen(runAt(holdMinutes)), USUAL_TARGET_F0);
  const least = Math.min(same ?? Infinity, enough ?? Infinity);
  return least === Infinity ? undefined : Math.max(least, tradeMinutes);
}

/** Slower and quicker beds than these, in standard deviations, are not looked for. */
const MOST_BED_Z = 3;
/** Beds are found to this, in standard deviations. */
const BED_WITHIN_Z = 0.02;
/** What gauge, fill and films together do to ln F0, one standard deviation; nearly the same in every load. */
const REST_SIGMA = 0.2;
const ENOUGH_SHARE = 0.9;

/**
 * The least hold, not below a given one, that is enough for nine in ten of the beds which the school's hold is enough
 * for. A hold is enough that gives the middle F0 12. Of all that is unsure the bed moves F0 most.
 *
 * @param slowest bed for which the school's hold is enough, in standard deviations
 */
function holdWhereSchoolWorks(
  runAt: (holdMinutes: number) => Run,
  least: number,
  slowest: number,
): number | undefined {
  const here = runAt(least);
  const slope = Math.log(f0OfBed(here, slowest + 0.5) / f0OfBed(here, slowest - 0.5));
  const bed = bedOfNineInTen(slowest, REST_SIGMA / slope);
  const earned = (holdMinutes: number) => f0OfBed(runAt(holdMinutes), bed);
  return earned(least) >= USUAL_TARGET_F0 ? least : holdReaching(earned, USUAL_TARGET_F0);
}

function f0OfBed(run: Run, bedZ: number): number {
  return runHeat(run, Float64Array.of(bedZ), STEP_MINUTES).coreF0;
}

/** The slowest bed that a school's run is enough for. A plan asks for the same schools again and again while one types. */
function slowestDone(school: Run): number {
  const key = JSON.stringify(school);
  const known = slowestBySchool.get(key);
  if (known !== undefined) {
    return known;
  }
  const bed = bisected(-MOST_BED_Z, MOST_BED_Z, (z) => f0OfBed(school, z) >= USUAL_TARGET_F0);
  if (slowestBySchool.size >= MOST_SCHOOLS) {
    slowestBySchool.clear();
  }
  slowestBySchool.set(key, bed);
  return bed;
}
const slowestBySchool = new Map<string, number>();
const MOST_SCHOOLS = 64;

/**
 * The bed that nine in ten are better off than, of those quicker than the slowest that works, when each is off by
 * something else besides: P(z + σ w > bed | z > slowest) = 0.9, z and w standard normals.
 */
function bedOfNineInTen(slowest: number, sigma: number): number {
  const step = 0.05;
  const [beds, weights]: [number[], number[]] = [[], []];
  for (let z = slowest + step / 2; z < slowest + 2 * MOST_BED_Z; z += step) {
    beds.push(z);
    weights.push(Math.exp((-z * z) / 2));
  }
  const all = weights.reduce((sum, w) => sum + w, 0);
  const better = (bed: number) =>
    beds.reduce((sum, z, i) => sum + weights[i]! * cumulativeStdNormalProbability((z - bed) / sigma), 0);
  return bisected(slowest - MOST_BED_Z, slowest + MOST_BED_Z, (bed) => better(bed) <= ENOUGH_SHARE * all);
}

/** The least value for which something holds that holds for all above it. */
function bisected(low: number, high: number, holds: (value: number) => boolean): number {
  let [no, yes] = [low, high];
  while (yes - no > BED_WITHIN_Z) {
    const value = (no + yes) / 2;
    if (holds(value)) {
      yes = value;
    } else {
      no = value;
    }
  }
  return yes;
}
