import type { Stage } from '../record/definitions.js';
import type { Records } from '../record/tables.js';

/** Number of the next batch of a stage. Numbers of batches that were taken back are not used again. */
export function nextBatchNumber(records: Pick<Records, 'batches'>, stage: Stage): number {
  return 1 + Math.max(0, ...records.batches.filter((b) => b.stage === stage).map((b) => b.number));
}

export function nextCookNumber(records: Pick<Records, 'cooks'>): number {
  return 1 + Math.max(0, ...records.cooks.map((c) => c.number));
}
