import { runHeat, type Run } from '../heat/band/run-heat.js';
import { DRAW_SIZE } from '../heat/band/uncertain-load.js';
import { convert } from '../quantity/convert.js';
import { atmosphericPressure } from '../steam/atmosphere.js';
import { chamberTemperature } from '../steam/chamber.js';
import { thermalLoadOf, type Contents } from './load-model.js';
import { plannedChamber, type PlannedRun } from './planned-chamber.js';
import type { TradeHold } from './trade-holds.js';

export const TRADE_GAUGE_PSI = 15;
/** Trade holds are said of a cooker that started cold in a room of 20 °C, at the sea, well vented. */
const TRADE_ROOM_C = 20;
const TRADE_VENT_MIN = 10;
const STEP_MINUTES = 1;
const MIDDLE = new Float64Array(DRAW_SIZE);
/** Found to this many minutes. */
const WITHIN_MIN = 0.05;
const LONGEST_MIN = 1440;

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

/** F0 at the coldest point if everything is as it most likely is. */
export function middleF0(run: Run): number {
  return runHeat(run, MIDDLE, STEP_MINUTES).coreF0;
}

/** What the trade's hold gives its own vessel at 15 psi at the sea, by the same model. */
export function tradeF0(trade: TradeHold, minutes: number, planned: PlannedRun): number {
  const chamberC = chamberTemperature({ gaugeKPa: convert(TRADE_GAUGE_PSI, 'psi', 'kPa'), altitudeM: 0 });
  const boilC = chamberTemperature({ gaugeKPa: 0, atmosphereKPa: atmosphericPressure(0) });
  const atSea: PlannedRun = {
    ...planned,
    roomC: TRADE_ROOM_C,
    boilC,
    chamberC,
    ventMinutes: TRADE_VENT_MIN,
    holdMinutes: minutes,
  };
  return middleF0(runOf(trade.reference, atSea));
}

/**
 * The trade's hold, turned into the hold that gives the same middle F0 in these vessels, at this pressure and altitude,
 * from this start temperature and with this venting. A ratio: what is unknown about beds and films is the same on both
 * sides and mostly falls out.
 *
 * @returns minutes, undefined when no hold of a day is enough
 */
export function relativeHold(
  contents: Contents,
  planned: Omit<PlannedRun, 'holdMinutes'>,
  trade: TradeHold,
  tradeMinutes: number,
  initialCelsius = planned.roomC,
): number | undefined {
  const target = tradeF0(trade, tradeMinutes, { ...planned, holdMinutes: tradeMinutes });
  return holdReaching(
    (holdMinutes) => middleF0(runOf(contents, { ...planned, holdMinutes }, initialCelsius)),
    target,
  );
}

/**
 * The least hold at which something that rises with it reaches a target, by regula falsi (Illinois), since F0 grows
 * almost straight once the middle is hot. Undefined beyond a day.
 */
export function holdReaching(earned: (holdMinutes: number) => number, target: number): number | undefined {
  let [low, high] = [0, 120];
  let [atLow, atHigh] = [earned(low) - target, earned(high) - target];
  while (atHigh < 0) {
    [low, atLow] = [high, atHigh];
    high *= 2;
    if (high > LONGEST_MIN) {
      return undefined;
    }
    atHigh = earned(high) - target;
  }
  if (atLow >= 0) {
    return 0;
  }
  let side = 0;
  while (high - low > WITHIN_MIN) {
    const guess = (low * atHigh - high * atLow) / (atHigh - atLow);
    const hold = Math.min(Math.max(guess, low + WITHIN_MIN / 2), high - WITHIN_MIN / 2);
    const here = earned(hold) - target;
    if (here >= 0) {
      [high, atHigh] = [hold, here];
      atLow = side === 1 ? atLow / 2 : atLow;
      side = 1;
    } else {
      [low, atLow] = [hold, here];
      atHigh = side === -1 ? atHigh / 2 : atHigh;
      side = -1;
    }
  }
  return high;
}
