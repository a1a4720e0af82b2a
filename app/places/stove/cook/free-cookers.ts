import { isOn, isPressureCooker, type Appliance, type House } from '../../../../core/index';

/** Pressure cookers that are here and not on. */
export function freeCookers(house: House | undefined): readonly Appliance[] {
  const busy = new Set(house?.cooks.filter(isOn).map((c) => c.cook.applianceId));
  return (house?.records.appliances ?? []).filter(
    (a) => isPressureCooker(a) && a.isGone !== true && !busy.has(a.id),
  );
}
