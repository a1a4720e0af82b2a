import type { Fact, FactOf } from '../../record/effective.js';

/** The last fact of a kind. */
export function lastOf<K extends Fact['kind']>(facts: readonly Fact[], kind: K): FactOf<K> | undefined {
  return facts.findLast((f): f is FactOf<K> => f.kind === kind);
}
