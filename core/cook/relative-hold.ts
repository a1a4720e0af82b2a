import { f0OfNineInTen } from '../heat/band/nine-in-ten.js';
import { remembered } from '../base/remembered.js';
import { middleF0, type Run } from '../heat/load/run-heat.js';
import { holdReaching } from '../heat/hold-reaching.js';
import { convert } from '../quantity/convert.js';
import { isDissolved } from '../record/definitions.js';
import { atmosphericPressure } from '../steam/atmosphere.js';
import { boilingC, chamberTemperature } from '../steam/chamber.js';
import { thermalLoadOf, type Contents } from './load-model.js';
import { holdWhereSchoolWorks } from './slow-beds.js';
import { plannedChamber, type PlannedRun } from './planned-chamber.js';
import type { TradeHold } from './trade-holds.js';
import { USUAL_TARGET_F0 } from './verdict.js';

/** What the trade's holds are said of: 15 psi, as a gauge pressure. */
export const TRADE_GAUGE_KPA = convert(15, 'psi', 'kPa');
/** Trade holds are said of a cooker that started cold in a room of 20 °C, at the sea, well vented. */
const TRADE_ROOM_C = 20;
const TRADE_VENT_MIN = 10;

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
    boilC: boilingC(atmosphericPressure(0)),
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
export const relativeHold = remembered(reckonedHold);

function reckonedHold(
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
    return same && holdWhereSchoolWorks(runAt, same, tradeRun(trade, tradeMinutes, planned));
  }
  if (same !== undefined && same <= tradeMinutes) {
    return same;
  }
  // In cooler steam the school's whole F0 would spoil sugar long after every spore is dead.
  const enough = holdReaching((holdMinutes) => f0OfNineInTen(runAt(holdMinutes)), USUAL_TARGET_F0);
  const least = Math.min(same ?? Infinity, enough ?? Infinity);
  return least === Infinity ? undefined : Math.max(least, tradeMinutes);
}
