import { unlessRefused } from '../base/errors.js';
import { coreCooling } from '../cook/core-cooling.js';
import { wishOf } from '../cook/in-cooker.js';
import { isPressureCooker } from '../cook/pot.js';
import { placesOf } from '../cook/places-in.js';
import type { CookPlan } from '../cook/programme.js';
import type { Appliance } from '../record/definitions.js';
import type { Kitchen } from './kitchen.js';
import type { MediumChoice } from './recipe.js';

/** One firing for some vessels of a medium. */
export interface CookLoad {
  readonly appliance: Appliance;
  readonly count: number;
  /** Share of the cooker's room that they take. */
  readonly share: number;
  readonly cook: CookPlan;
  /** From heat off until the middle may take a culture, minutes. */
  readonly coolMinutes: number;
}

/**
 * Vessels shared out to as few firings as can be; of cookers that need as many, the one that is quicker.
 *
 * @param notIn cookers that are left out, by id
 * @returns none where no cooker here takes them
 */
export function cookLoads(
  medium: MediumChoice,
  count: number,
  kitchen: Kitchen,
  notIn: readonly string[] = [],
): readonly CookLoad[] {
  const { house, plan } = kitchen;
  const { household } = house;
  if (household === undefined || count < 1) {
    return [];
  }
  const able = house.records.appliances.filter(
    (a) => a.isGone !== true && isPressureCooker(a) && !notIn.includes(a.id),
  );
  const options = able.flatMap((appliance) => {
    const places = placesOf(appliance, medium.vessel);
    const wish = {
      appliance,
      house: household,
      ...wishOf({ ...medium, plan: medium.each }),
      // Full, whatever goes in: others may share it.
      count: places,
    };
    const loadOf = (of: number): CookLoad => {
      const cook = plan(wish);
      const cooling = coreCooling({
        contents: cook.contents,
        chamberC: cook.chamberC,
        roomC: household.roomC,
      });
      return { appliance, count: of, share: of / places, cook, coolMinutes: cooling.minutes.high };
    };
    const loads = () => filled(count, places).map(loadOf);
    return places < 1 ? [] : [unlessRefused(loads, [])];
  });
  const minutesOf = (loads: readonly CookLoad[]) => loads.reduce((sum, l) => sum + l.cook.holdMinutes, 0);
  return (
    options
      .filter((loads) => loads.length > 0)
      .sort((a, b) => a.length - b.length || minutesOf(a) - minutesOf(b))[0] ?? []
  );
}

/** Full ones, and one with the rest: that one has room for what others need. */
function filled(count: number, places: number): readonly number[] {
  const full = Array.from({ length: Math.floor(count / places) }, () => places);
  return count % places === 0 ? full : [...full, count % places];
}
