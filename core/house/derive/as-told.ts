import { refill } from '../../formula/refill.js';
import type { Batch, Vessel } from '../../record/batch.js';
import type { Fact } from '../../record/effective.js';

/**
 * A batch as it was told last: what came into the house may have been told wrongly at first, and a medium may have gone
 * into other vessels than it was planned for.
 * @param facts those of the batch itself, in order
 */
export function asTold(batch: Batch, facts: readonly Fact[]): Batch {
  const told = batch.holds === undefined ? undefined : facts.findLast((f) => f.kind === 'cultureTold');
  const filled = facts.findLast((f) => f.kind === 'filledInto');
  const plannedCount = facts.findLast((f) => f.kind === 'batchMade')?.vesselIds.length;
  const refilled =
    filled && plannedCount ? refill(batch, plannedCount, filled.vessel, filled.vesselIds.length) : undefined;
  return told === undefined && refilled === undefined
    ? batch
    : {
        ...batch,
        ...(told && { holds: told.holds, origin: told.origin }),
        ...(refilled && { vessel: refilled.vessel, plan: refilled.plan }),
      };
}

/**
 * The vessels that a batch is in. One that it is not in any more stays all the same when something was done with it.
 * @param rows all that it ever had
 * @param wasUsed whether more is known of one than that it was filled
 */
export function vesselsAsTold(
  rows: readonly Vessel[],
  facts: readonly Fact[],
  wasUsed: (id: Vessel['id']) => boolean,
): readonly Vessel[] {
  const filled =
    facts.findLast((f) => f.kind === 'filledInto') ?? facts.findLast((f) => f.kind === 'batchMade');
  const isIn = new Set(filled?.vesselIds);
  return rows.every((v) => isIn.has(v.id)) ? rows : rows.filter((v) => isIn.has(v.id) || wasUsed(v.id));
}
