import { isOn, type BatchView, type House, type PlaceName, type VesselView } from '../../core/index';

export interface Where {
  readonly path: PlaceName;
  readonly query: Readonly<Record<string, string>>;
}

/** The place at which a vessel or batch stands now, by its code; undefined when there is none. */
export function placeOf(code: string, house: House): Where | undefined {
  const wanted = code.trim().toUpperCase();
  const batch = house.batches.find((b) => b.code === wanted.split('-')[0]);
  const vessel = batch?.vessels.find((v) => v.code === wanted);
  if (batch === undefined || (wanted.includes('-') && vessel === undefined)) {
    return undefined;
  }
  return { path: placeOfVessel(vessel ?? batch.vessels[0], batch, house), query: { open: wanted } };
}

function placeOfVessel(vessel: VesselView | undefined, batch: BatchView, house: House): PlaceName {
  switch (vessel?.state.phase) {
    case 'planned':
      return batch.batch.contentsMl === undefined ? 'stove' : 'box';
    case 'cooking':
      return 'stove';
    case 'sterile':
      return house.cooks.some((c) => isOn(c) && c.vesselIds.includes(vessel.vessel.id)) ? 'stove' : 'box';
    case 'running':
      return batch.batch.stage === 'bulk' ? 'tent' : batch.batch.contentsMl === undefined ? 'shelf' : 'box';
    case 'opened':
      return 'tent';
    default:
      return 'ledger';
  }
}
