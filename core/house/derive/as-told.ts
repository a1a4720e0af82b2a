import type { Batch } from '../../record/batch.js';
import type { Fact } from '../../record/effective.js';

/**
 * A batch as it was told last: what came into the house may have been told wrongly at first.
 * @param facts those of the batch itself, in order
 */
export function asTold(batch: Batch, facts: readonly Fact[]): Batch {
  const told = batch.holds === undefined ? undefined : facts.findLast((f) => f.kind === 'cultureTold');
  return told === undefined ? batch : { ...batch, holds: told.holds, origin: told.origin };
}
