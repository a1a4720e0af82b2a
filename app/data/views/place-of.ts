import {
  type BatchView,
  type House,
  type PlaceName,
  type VesselView,
  readyToInoculate,
} from '../../../core/index';

import type { Opened } from './opened';

export interface Where {
  readonly path: PlaceName;
  readonly query: Readonly<Record<string, string>>;
}

/** The place at which a vessel or batch stands now. */
export function placeOf({ batch, vessel }: Opened, house: House): Where {
  const open = vessel?.vessel.id ?? batch.batch.id;
  return { path: placeOfVessel(vessel ?? batch.vessels[0], batch, house), query: { open } };
}

function placeOfVessel(vessel: VesselView | undefined, batch: BatchView, house: House): PlaceName {
  switch (vessel?.state.phase) {
    case 'planned':
      return 'stove';
    case 'cooking':
      return 'stove';
    case 'cooked':
      return readyToInoculate(batch, house)?.isShut === true ? 'stove' : 'box';
    case 'running':
      return batch.batch.stage === 'bulk' ? 'tent' : 'shelf';
    case 'opened':
      return 'tent';
    default:
      return 'ledger';
  }
}
