import {
  type BatchView,
  type House,
  type PlaceName,
  type VesselView,
  isFruiting,
  placeOfVessel as standsAt,
  isInBottle,
  readyToInoculate,
  useOf,
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
      if (vessel.state.isControl === true) {
        return 'shelf';
      }
      if (isInBottle(vessel, batch)) {
        return 'stove';
      }
      // A plate that was poured is kept until it is wanted.
      return vessel.state.pouredAt !== undefined
        ? 'shelf'
        : readyToInoculate(batch, house)?.isShut === true
          ? 'stove'
          : 'box';
    case 'running':
      return isFruiting(vessel) || useOf(house, standsAt(vessel)) === 'fruit' ? 'tent' : 'shelf';
    case 'opened':
      return 'tent';
    default:
      return 'ledger';
  }
}
