import type { Fact } from '../../record/effective.js';
import type { Tending } from '../../record/entry.js';

/** When a place was last misted, and last fanned. */
export type TendedAt = Readonly<Partial<Record<Tending, number>>>;

/** @param facts in the order of happening */
export function tendedBy(facts: readonly Fact[]): ReadonlyMap<string, TendedAt> {
  const tended = new Map<string, TendedAt>();
  for (const fact of facts) {
    if (fact.kind === 'tended') {
      tended.set(fact.placeId, { ...tended.get(fact.placeId), [fact.how]: Date.parse(fact.at) });
    }
  }
  return tended;
}
