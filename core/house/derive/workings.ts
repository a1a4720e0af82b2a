import { LayeredMap } from '../../base/layered-map.js';
import type { Batch, Cook, Vessel } from '../../record/batch.js';
import { noNames, type Names } from '../../record/codes.js';
import type { BatchId, CookId, VesselId } from '../../record/ids.js';
import type { Log } from '../../record/readings.js';
import type { BatchView, CookView, Trouble, VesselView } from './house.js';
import { EMPTY_INDEX, type FactIndex } from './fact-index.js';
import type { Kinds } from './kinds.js';
import { NO_LINEAGE, type LayeredLineage } from './lineage-with.js';
import type { RunsOfKind } from './runs-of-kind.js';
import type { LastAtPlace } from './last-at-place.js';
import type { Warmth } from './warmth.js';
import type { SharedFacts } from './shared-facts.js';

/** Everything that a house is derived from step by step: kept, so that a new row costs only what it touches. */
export interface Workings {
  readonly index: FactIndex;
  readonly lineage: LayeredLineage;
  readonly kinds: Kinds;
  /** Absent in a house without a row. */
  readonly warmth?: Warmth;
  readonly runs: RunsOfKind;
  /** By place. */
  readonly lastAt: ReadonlyMap<string, LastAtPlace>;
  readonly batchRows: LayeredMap<BatchId, Batch>;
  readonly vesselRows: LayeredMap<VesselId, Vessel>;
  readonly cookRows: LayeredMap<CookId, Cook>;
  readonly vesselsOf: LayeredMap<BatchId, readonly Vessel[]>;
  readonly logRows: LayeredMap<string, Log>;
  readonly logsOf: LayeredMap<CookId, readonly Log[]>;
  readonly batchNames: Names<Batch>;
  readonly cookNames: Names<Cook>;
  readonly sharedByCook: LayeredMap<CookId, SharedFacts>;
  readonly batchViews: LayeredMap<BatchId, BatchView>;
  readonly vesselViews: LayeredMap<VesselId, VesselView>;
  readonly cookViews: LayeredMap<CookId, CookView>;
  readonly cooksOf: LayeredMap<BatchId, readonly CookView[]>;
  /** By id of the batch or cook. */
  readonly troublesOf: LayeredMap<string, readonly Trouble[]>;
}

export const NO_WORKINGS: Workings = {
  index: EMPTY_INDEX,
  lineage: NO_LINEAGE,
  kinds: LayeredMap.empty(),
  runs: new Map(),
  lastAt: new Map(),
  batchRows: LayeredMap.empty(),
  vesselRows: LayeredMap.empty(),
  cookRows: LayeredMap.empty(),
  vesselsOf: LayeredMap.empty(),
  logRows: LayeredMap.empty(),
  logsOf: LayeredMap.empty(),
  batchNames: noNames(),
  cookNames: noNames(),
  sharedByCook: LayeredMap.empty(),
  batchViews: LayeredMap.empty(),
  vesselViews: LayeredMap.empty(),
  cookViews: LayeredMap.empty(),
  cooksOf: LayeredMap.empty(),
  troublesOf: LayeredMap.empty(),
};
