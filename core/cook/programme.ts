import { LONGEST_HOLD_MIN } from '../heat/hold-reaching.js';
import {
  isDissolved,
  type Appliance,
  type Household,
  type Stage,
  type VesselType,
} from '../record/definitions.js';
import { CoreError } from '../base/errors.js';
import { coolingMinutes } from '../heat/cooling.js';
import { comeUpMinutes } from '../heat/come-up.js';
import { atmosphericPressure } from '../steam/atmosphere.js';
import { boilingC, chamberTemperature } from '../steam/chamber.js';
import { waterBudget, type WaterBudget, type WaterLoss } from '../steam/water-budget.js';
import { toolsMinutes } from './beside.js';
import { CANNER_COOLING_RATE } from './canner-figures.js';
import type { Learned } from './learned.js';
import { DRY_SHARE_OF_WET, standing, type Contents } from './load-model.js';
import { bagsAmong, contentsOfMember, sumOver, type LoadMember } from './load-member.js';
import { placesOf } from './places-in.js';
import type { PlannedRun } from './planned-chamber.js';
import { isPressureCooker, waterLossOf } from './pot.js';
import { usualGaugeKPa } from './pressure-choice.js';
import type { Standing } from './standing.js';
import { relativeHold } from './relative-hold.js';
import { holdIn, tradeHold, type TradeHold, type TradeSchool } from './trade-holds.js';

/** A full plume for ten minutes: USDA Complete Guide to Home Canning. */
export const VENT_MINUTES = 10;
/** Wait after the pressure has gone before opening: hot liquid and hot jars. Common practice, no source. */
const WAIT_AFTER_PRESSURE_MIN = 10;
/** Holds are shown to the next five minutes, upward. */
const HOLD_STEP_MIN = 5;
/** Half a minute is no reason for five more. */
const OVER_BY_MIN = 0.5;
/** A day: beyond it the trade's hold says nothing any more. */
const MOST_HOLD_MIN = 1440;

export interface CookPlan {
  readonly gaugeKPa: number;
  readonly atmosphereKPa: number;
  readonly chamberC: number;
  readonly trade: TradeHold;
  /** The school whose hold was turned into this one. */
  readonly schoolMinutes: number;
  /** What gives the same middle F0 as the school's hold, before rounding and limits; absent where steam is too cool for it. In open steam the school's own. */
  readonly relativeMinutes?: number;
  readonly basis: 'trade' | 'measured';
  /** The hold is somebody's own, and follows from neither. */
  readonly isHoldChosen: boolean;
  readonly contents: Contents;
  readonly startC: number;
  readonly boilC: number;
  readonly coolingRate: number;
  readonly comeUpEstimateMinutes: number;
  readonly holdMinutes: number;
  readonly ventMinutes: number;
  readonly comeUpMinutes: number;
  readonly openAfterMinutes: number;
  readonly water: WaterBudget;
  readonly waterLoss: WaterLoss;
  /** What this cooker has been found to burn, beside what is reckoned. */
  readonly fuelFactor?: number;
  /** What the wrapped tools in it want, where there are any. */
  readonly toolsMinutes?: number;
  /** How many of these vessels fit at once; 0 when the appliance does not list them. */
  readonly places: number;
}

/** Air pressure where this household is: its barometer, or the standard atmosphere at its altitude. */
export function householdAtmosphereKPa(house: Pick<Household, 'altitudeM' | 'barometerKPa'>): number {
  return house.barometerKPa ?? atmosphericPressure(house.altitudeM);
}

export interface CookWish extends LoadMember {
  readonly appliance: Appliance;
  readonly house: Pick<Household, 'altitudeM' | 'barometerKPa' | 'roomC'>;
  /** What else stands in the pot and is heated with it. */
  readonly beside?: readonly LoadMember[];
  /** Of bags: how they stand in the pot; each for itself when left out. */
  readonly standing?: Standing;
  /** No advised hold is shorter: something else in the pot needs so long. */
  readonly leastHoldMinutes?: number;
  /** Tools in foil or paper lie in it too. */
  readonly withTools?: boolean;
  /** What the cooker is set to; its usual when left out, and never above its rating. */
  readonly gaugeKPa?: number;
  /** Hold of the school that is followed; the trade's usual one when left out. */
  readonly schoolMinutes?: number;
  /** Temperature of what goes in; the room's when left out. */
  readonly startC?: number;
  readonly ventMinutes?: number;
  readonly learned?: Learned;
  /** A hold that was set by hand, in place of all advice. */
  readonly chosenHoldMinutes?: number;
  /** A hold that rests on what was measured in this cooker; it governs where there is one. */
  readonly measuredHoldMinutes?: number;
}

/**
 * Pressure, hold and water for a load of like vessels. The hold is the school's, turned into the one that gives the
 * same middle F0 in these vessels at this pressure, altitude, start temperature and venting; or the one that measuring
 * has shown. Never above the rated pressure nor the longest programme.
 *
 * @throws CoreError when the chamber is too cool for a hold of a day
 */
export function planCook(wish: CookWish): CookPlan {
  const { appliance, house, vessel, learned } = wish;
  const stage = wish.stage ?? 'grain';
  const atmosphereKPa = householdAtmosphereKPa(house);
  const isOpen = !isPressureCooker(appliance);
  const gaugeKPa = isOpen ? 0 : Math.min(appliance.ratedGaugeKPa, wish.gaugeKPa ?? usualGaugeKPa(appliance));
  const chamberC = chamberTemperature({ gaugeKPa, atmosphereKPa });
  const boilC = boilingC(atmosphereKPa);
  const ventMinutes = isOpen ? 0 : (wish.ventMinutes ?? VENT_MINUTES);
  const coolingRate = learned?.coolingRate ?? CANNER_COOLING_RATE;
  const trade = holdsFor(appliance, vessel, stage);
  const schoolMinutes = wish.schoolMinutes ?? (wish.isUnsoaked === true ? trade.most : trade.minutes);
  const places = placesOf(appliance, vessel);
  const inPot: LoadMember = { ...wish, count: Math.min(wish.count, Math.max(places, 1)) };
  const all = [inPot, ...(wish.beside ?? [])];
  const contents = standing(contentsOfMember(wish), bagsAmong(all), wish.standing);
  const comeUpEstimateMinutes = comeUpOf(wish, chamberC, all);
  const comeUpMinutes = comeUpEstimateMinutes * (learned?.comeUpFactor ?? 1);
  const startC = wish.startC ?? house.roomC;
  const planned: Omit<PlannedRun, 'holdMinutes'> = {
    roomC: house.roomC,
    boilC,
    chamberC,
    comeUpMinutes,
    ventMinutes,
    coolingRate,
  };
  const relativeMinutes = isOpen
    ? schoolMinutes
    : relativeHold(contents, planned, trade, schoolMinutes, startC);
  const forTools = wish.withTools === true ? toolsMinutes(chamberC) : undefined;
  const holdMinutes = holdOf(
    { ...wish, leastHoldMinutes: Math.max(wish.leastHoldMinutes ?? 0, forTools ?? 0) },
    trade,
    relativeMinutes,
    chamberC,
  );
  const waterLoss: WaterLoss = {
    ...waterLossOf(appliance),
    ...(learned?.waterFactor !== undefined && { factor: learned.waterFactor }),
  };
  const water = waterBudget({
    ventMinutes,
    holdMinutes,
    leastMl: appliance.leastWaterMl,
    mostMl: appliance.mostWaterMl,
    loss: waterLoss,
  });
  return {
    gaugeKPa,
    atmosphereKPa,
    chamberC,
    trade,
    schoolMinutes,
    relativeMinutes,
    basis: wish.measuredHoldMinutes === undefined ? 'trade' : 'measured',
    isHoldChosen: wish.chosenHoldMinutes !== undefined,
    contents,
    startC,
    boilC,
    coolingRate,
    comeUpEstimateMinutes,
    holdMinutes,
    ventMinutes,
    comeUpMinutes,
    openAfterMinutes: openAfterMinutes(chamberC, atmosphereKPa, house.roomC, coolingRate),
    water,
    waterLoss,
    ...(learned?.fuelFactor !== undefined && { fuelFactor: learned.fuelFactor }),
    ...(forTools !== undefined && { toolsMinutes: forTools }),
    places,
  };
}

/**
 * What the trade holds such vessels in such a cooker.
 *
 * @throws CoreError `not-in-steam` where boiling is not enough
 */
function holdsFor(appliance: Appliance, vessel: VesselType, stage: Stage): TradeHold {
  const hold = holdIn(appliance, vessel, stage);
  if (hold === undefined) {
    throw new CoreError('not-in-steam', { appliance: appliance.name });
  }
  return hold;
}

/** To the next five minutes, upward; for a smaller vessel never below the shortest school of its kind. */
function holdOf(
  { appliance, measuredHoldMinutes, chosenHoldMinutes, leastHoldMinutes = 0 }: CookWish,
  trade: TradeHold,
  relativeMinutes: number | undefined,
  chamberC: number,
): number {
  const holdMinutes = rounded(
    chosenHoldMinutes ??
      Math.max(leastHoldMinutes, measuredHoldMinutes ?? Math.max(relativeMinutes ?? Infinity, trade.least)),
  );
  const most = appliance.longestHoldMinutes ?? MOST_HOLD_MIN;
  if (!(holdMinutes <= most)) {
    throw new CoreError('hold-too-long', {
      appliance: appliance.name,
      chamberC,
      holdMinutes,
      mostMinutes: most,
      longestMinutes: LONGEST_HOLD_MIN,
    });
  }
  return holdMinutes;
}

/** The one rounding rule of holds. */
function rounded(minutes: number): number {
  return Math.ceil((minutes - OVER_BY_MIN) / HOLD_STEP_MIN) * HOLD_STEP_MIN;
}

/** A school of the trade with the hold that it comes to here. */
export interface SchoolHere extends TradeSchool {
  /** What a plan by this school holds; absent where steam is too cool for it. */
  readonly hereMinutes?: number;
}

/** The schools side by side, each with the hold that a plan takes by it. */
export function schoolsHere(
  contents: Contents,
  planned: Omit<PlannedRun, 'holdMinutes'>,
  startC: number,
): readonly SchoolHere[] {
  const trade = tradeHold(contents.vessel, contents.stage);
  return trade.schools.map((school) => {
    const relative = relativeHold(contents, planned, trade, school.minutes, startC);
    return relative === undefined
      ? school
      : { ...school, hereMinutes: rounded(Math.max(relative, trade.least)) };
  });
}

/** The water that a come-up is reckoned with, before the budget that depends on it is known. */
const USUAL_WATER_KG = 3;

function comeUpOf(
  { appliance, house }: Pick<CookWish, 'appliance' | 'house'>,
  chamberC: number,
  members: readonly LoadMember[],
): number {
  // Broth, agar and jars of water are water through and through; grain and wood are half of it.
  const dryKg =
    sumOver(members, (m) =>
      isDissolved(m.stage ?? 'grain') ? 0 : m.count * m.vesselWetG * DRY_SHARE_OF_WET,
    ) / 1000;
  const wetKg = sumOver(members, (m) => m.count * m.vesselWetG) / 1000;
  const waterKg = Math.min(
    Math.max(USUAL_WATER_KG, appliance.leastWaterMl / 1000),
    appliance.mostWaterMl / 1000,
  );
  const load = {
    waterKg,
    potKg: appliance.emptyKg,
    glassKg: sumOver(members, (m) => (m.vessel.kind === 'bag' ? 0 : m.count * m.vessel.emptyG)) / 1000,
    mediumWaterKg: wetKg - dryKg,
    mediumDryKg: dryKg,
  };
  return comeUpMinutes(load, house.roomC, chamberC, appliance.netKW);
}

/** From heat off until the gauge is at zero, and ten minutes more. */
export function openAfterMinutes(
  chamberC: number,
  atmosphereKPa: number,
  roomC: number,
  coolingRate = CANNER_COOLING_RATE,
): number {
  return (
    coolingMinutes(chamberC - roomC, boilingC(atmosphereKPa) - roomC, coolingRate) + WAIT_AFTER_PRESSURE_MIN
  );
}
