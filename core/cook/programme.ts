import { convert } from '../quantity/convert.js';
import {
  isDissolved,
  type Appliance,
  type Household,
  type Stage,
  type VesselType,
} from '../record/definitions.js';
import { CoreError } from '../errors.js';
import type { BatchPlan } from '../record/batch.js';
import { equalLethalityHold } from '../heat/lethality.js';
import { coolingMinutes } from '../heat/cooling.js';
import { comeUpMinutes } from '../heat/come-up.js';
import { atmosphericPressure } from '../steam/atmosphere.js';
import { chamberTemperature } from '../steam/chamber.js';
import { waterBudget, type WaterBudget } from '../steam/water-budget.js';

/** The trade's hold for a kind of vessel at 15 psi at the sea. Common practice, no source. */
export interface TradeHold {
  readonly minutes: number;
  readonly least: number;
  readonly most: number;
  readonly words: string;
}

export const TRADE_GAUGE_PSI = 15;
/** A full plume for ten minutes: USDA Complete Guide to Home Canning. */
export const VENT_MINUTES = 10;
/** Wait after the pressure has gone before opening: hot liquid and hot jars. Common practice, no source. */
const WAIT_AFTER_PRESSURE_MIN = 10;
/**
 * Cooling of a full canner by natural convection: 100 K above the room falls to 72 K in about 49 minutes.
 * From memory of kitchen runs; a reading replaces it.
 */
export const CANNER_COOLING_RATE = coolingMinutes(100, 72, 1) / 49;
/** The middle of a jar follows the outside by about this much. From memory; errs to later. */
export const CORE_LAG_MIN = 75;
/** The middle must be below this before a culture goes in. Common practice, no source. */
export const SAFE_CORE_C = 30;
const SEA_LEVEL_M = 0;
const DRY_SHARE_OF_WET = 0.5;
/** Holds are shown to the next five minutes, upward. */
const HOLD_STEP_MIN = 5;
/** A day: beyond it the trade's hold says nothing any more. */
const MOST_HOLD_MIN = 1440;

/** Bottles up to this size take the short cycle of agar; larger ones longer. Common practice, no source. */
const SMALL_BOTTLE_ML = 250;

/**
 * Bags and large vessels take longer, since their middle is farther from the steam. Liquids mix themselves and
 * brown when they are held long: three schools run 15, 20 and 30 min.
 */
export function tradeHold(vessel: VesselType, stage: Stage = 'grain'): TradeHold {
  if (isDissolved(stage)) {
    return vessel.capacityMl <= SMALL_BOTTLE_ML
      ? { minutes: 20, least: 15, most: 30, words: 'bottles and jars up to 250 ml' }
      : { minutes: 30, least: 20, most: 45, words: 'liquids in larger bottles and jars' };
  }
  return vessel.kind === 'bag'
    ? { minutes: 150, least: 120, most: 180, words: 'bags of 2 to 2.5 kg' }
    : { minutes: 90, least: 60, most: 120, words: 'pint and quart jars' };
}

export interface CookPlan {
  readonly gaugeKPa: number;
  readonly atmosphereKPa: number;
  readonly chamberC: number;
  /** What the same pressure would give at the sea. */
  readonly seaChamberC: number;
  readonly trade: TradeHold;
  readonly holdMinutes: number;
  readonly ventMinutes: number;
  readonly comeUpMinutes: number;
  readonly openAfterMinutes: number;
  readonly water: WaterBudget;
  /** How many of these vessels fit at once; 0 when the appliance does not list them. */
  readonly places: number;
}

/** What stands in the cooker for a batch: plates are cooked in bottles and poured afterwards. */
export function inCooker(batch: {
  readonly vessel: VesselType;
  readonly plan?: Pick<BatchPlan, 'cookedIn' | 'vesselWetG' | 'vesselMl'>;
}): { readonly vessel: VesselType; readonly wetG: number; readonly vesselsPerPlace: number } {
  const { plan, vessel } = batch;
  const wetG = plan?.vesselWetG ?? 0;
  if (plan?.cookedIn === undefined || plan.vesselMl === undefined) {
    return { vessel, wetG, vesselsPerPlace: 1 };
  }
  const { eachMl } = plan.cookedIn;
  return {
    vessel: plan.cookedIn.vessel,
    wetG: (wetG * eachMl) / plan.vesselMl,
    vesselsPerPlace: eachMl / plan.vesselMl,
  };
}

/** Places in the cooker that so many vessels take. */
export function placesNeeded(vessels: number, vesselsPerPlace: number): number {
  return Math.ceil(vessels / vesselsPerPlace - 1e-9);
}

/** Air pressure where this household is: its barometer, or the standard atmosphere at its altitude. */
export function householdAtmosphereKPa(house: Pick<Household, 'altitudeM' | 'barometerKPa'>): number {
  return house.barometerKPa ?? atmosphericPressure(house.altitudeM);
}

/**
 * Pressure, hold and water for a load of like vessels. The hold is the trade's, stretched so that the chamber
 * earns what it would at the sea; never above the appliance's rated pressure.
 *
 * @throws CoreError when the chamber is too cool for a hold of a day
 */
export function planCook(input: {
  readonly appliance: Appliance;
  readonly house: Pick<Household, 'altitudeM' | 'barometerKPa' | 'roomC'>;
  readonly vessel: VesselType;
  readonly count: number;
  readonly vesselWetG: number;
  /** What is in them; grain when left out. */
  readonly stage?: Stage;
}): CookPlan {
  const { appliance, house, vessel } = input;
  const atmosphereKPa = householdAtmosphereKPa(house);
  const gaugeKPa = Math.min(appliance.ratedGaugeKPa, convert(TRADE_GAUGE_PSI, 'psi', 'kPa'));
  const chamberC = chamberTemperature({ gaugeKPa, atmosphereKPa });
  const seaChamberC = chamberTemperature({
    gaugeKPa: convert(TRADE_GAUGE_PSI, 'psi', 'kPa'),
    altitudeM: SEA_LEVEL_M,
  });
  const trade = tradeHold(vessel, input.stage);
  const exact = equalLethalityHold(trade.minutes, chamberC, seaChamberC);
  const holdMinutes = Math.ceil(Math.max(exact, trade.minutes) / HOLD_STEP_MIN - 1e-6) * HOLD_STEP_MIN;
  if (!(holdMinutes <= MOST_HOLD_MIN)) {
    throw new CoreError(
      'out-of-range',
      'Hold',
      holdMinutes,
      `at most ${MOST_HOLD_MIN} min`,
      `At ${chamberC.toFixed(1)} °C the hold would take ${holdMinutes} min, more than a day. It wants a cooker with more pressure.`,
    );
  }
  const water = waterBudget({
    ventMinutes: VENT_MINUTES,
    holdMinutes,
    leastMl: appliance.leastWaterMl,
    mostMl: appliance.mostWaterMl,
  });
  const places = appliance.places[vessel.id] ?? 0;
  const inPot = Math.min(input.count, Math.max(places, 1));
  const mediumKg = (inPot * input.vesselWetG) / 1000;
  const load = {
    waterKg: water.startMl / 1000,
    potKg: appliance.emptyKg,
    glassKg: vessel.kind === 'bag' ? 0 : (inPot * vessel.emptyG) / 1000,
    mediumWaterKg: mediumKg * (1 - DRY_SHARE_OF_WET),
    mediumDryKg: mediumKg * DRY_SHARE_OF_WET,
  };
  return {
    gaugeKPa,
    atmosphereKPa,
    chamberC,
    seaChamberC,
    trade,
    holdMinutes,
    ventMinutes: VENT_MINUTES,
    comeUpMinutes: comeUpMinutes(load, house.roomC, chamberC, appliance.netKW),
    openAfterMinutes: openAfterMinutes(chamberC, atmosphereKPa, house.roomC),
    water,
    places,
  };
}

/** From heat off until the gauge is at zero, and ten minutes more. */
export function openAfterMinutes(chamberC: number, atmosphereKPa: number, roomC: number): number {
  const boilingC = chamberTemperature({ gaugeKPa: 0, atmosphereKPa });
  return coolingMinutes(chamberC - roomC, boilingC - roomC, CANNER_COOLING_RATE) + WAIT_AFTER_PRESSURE_MIN;
}

/** From heat off until the middle of the load is below 30 °C, in a closed pot. Errs to later. */
export function coreCoolMinutes(chamberC: number, roomC: number): number {
  // A room warmer than 28 °C never gets the core to 30 in this model; the excess is kept at 2 K at least.
  const targetExcess = Math.max(SAFE_CORE_C - roomC, 2);
  return coolingMinutes(chamberC - roomC, targetExcess, CANNER_COOLING_RATE) + CORE_LAG_MIN;
}
