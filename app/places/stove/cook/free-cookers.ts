import {
  isOn,
  takesLoads,
  whyNotOffered,
  type Appliance,
  type House,
  type WaitsForCook,
  type WhyNotOffered,
} from '../../../../core/index';

/** What can steam a load, is here and not on. */
export function freeCookers(house: House | undefined): readonly Appliance[] {
  const busy = busyIn(house);
  return hereIn(house).filter((a) => takesLoads(a) && !busy.has(a.id));
}

/** Cookers that something which waits can go into; all that are free where nothing of it can. */
export function cookersFor(house: House | undefined, waiting: readonly WaitsForCook[]): readonly Appliance[] {
  const free = freeCookers(house);
  const fit = free.filter((a) => whyNotOffered(a, false, waiting) === undefined);
  return fit.length > 0 ? fit : free;
}

/** What else heats in this house, and why it is not offered. */
export function notOffered(
  house: House | undefined,
  waiting: readonly WaitsForCook[],
): readonly { readonly appliance: Appliance; readonly why: WhyNotOffered }[] {
  const busy = busyIn(house);
  return hereIn(house).flatMap((appliance) => {
    const why = whyNotOffered(appliance, busy.has(appliance.id), waiting);
    return why === undefined ? [] : [{ appliance, why }];
  });
}

function hereIn(house: House | undefined): readonly Appliance[] {
  return (house?.records.appliances ?? []).filter((a) => a.isGone !== true);
}

function busyIn(house: House | undefined): ReadonlySet<string> {
  return new Set(house?.cooks.filter(isOn).map((c) => c.cook.applianceId));
}
