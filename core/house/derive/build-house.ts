import { LayeredMap } from '../../base/layered-map.js';
import { emptyRecords } from '../../record/tables.js';
import type { LiveRecords } from './records-with.js';
import { NO_WORKINGS } from './workings.js';
import type { House } from './house.js';
import { placesWith } from './places-with.js';
import { withRows } from './with-rows.js';

/** A house without a row. */
export const EMPTY_HOUSE: House = {
  records: emptyRecords(),
  placeById: placesWith([]),
  facts: [],
  batches: [],
  inHand: [],
  batchById: LayeredMap.empty(),
  vesselById: LayeredMap.empty(),
  cooks: [],
  cookById: LayeredMap.empty(),
  cooksOf: LayeredMap.empty(),
  lineage: NO_WORKINGS.lineage,
  codes: LayeredMap.empty(),
  noted: [],
  entryById: LayeredMap.empty(),
  factById: LayeredMap.empty(),
  troubles: [],
  workings: NO_WORKINGS,
};

/**
 * Derives the present state of a house from its records. Pure: the same records give the same house, in any
 * order. Batches whose making was taken back are left out.
 */
export function buildHouse(records: LiveRecords): House {
  return withRows(EMPTY_HOUSE, records);
}
