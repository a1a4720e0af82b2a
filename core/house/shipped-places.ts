import { PLACE_OF_OPENED, PLACE_OF_RUNS } from './derive/vessel-state.js';
import type { Place } from '../record/definitions.js';

/** Where cultures that came in are kept, and where what is cooked waits, unless it is said. */
export const PLACE_OF_KEPT = 'fridge';
export const PLACE_OF_WAITING = 'counter';
/** Before any household: whatever a person changes is later than what ships. */
export const SHIPPED_AT = '2020-01-01T00:00:00.000Z';
/** A household refrigerator. Common practice, no source. */
const FRIDGE_C = 4;

/** Places that every house begins with, to be renamed and added to. */
export function shippedPlaces(updatedAt: string): readonly Place[] {
  const common = { schemaVersion: 1, updatedAt } as const;
  return [
    { ...common, id: PLACE_OF_RUNS, name: 'Shelf', use: 'run' },
    { ...common, id: PLACE_OF_KEPT, name: 'Fridge', use: 'cold', setC: FRIDGE_C },
    { ...common, id: PLACE_OF_WAITING, name: 'Counter', use: 'wait' },
    { ...common, id: PLACE_OF_OPENED, name: 'Tent', use: 'fruit' },
  ];
}
