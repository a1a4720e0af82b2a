import type { OwnRun } from '../../growth/own-runs.js';
import type { BatchId } from '../../record/ids.js';

/** A batch that ran full here. */
export interface HouseRun extends OwnRun {
  readonly batchId: BatchId;
  readonly startMs: number;
}

/** Runs of one species and stage, the first begun first. */
export type RunsOfKind = ReadonlyMap<string, readonly HouseRun[]>;
