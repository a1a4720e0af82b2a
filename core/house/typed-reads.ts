import { push } from '../base/collections.js';
import type { Reading } from '../readings/measured.js';
import type { Channel } from '../record/entry.js';
import type { House } from './derive/house.js';

/** What people read at a place and typed, in time; what a logger told is among its own readings. */
export function typedReads(
  { facts }: Pick<House, 'facts'>,
  placeId: string,
): ReadonlyMap<Channel, readonly Reading[]> {
  const typed = new Map<Channel, Reading[]>();
  for (const fact of facts) {
    if (
      (fact.kind === 'placeRead' || fact.kind === 'airRead') &&
      fact.placeId === placeId &&
      fact.source === undefined
    ) {
      const [channel, value] =
        fact.kind === 'placeRead' ? (['airC', fact.celsius] as const) : ([fact.channel, fact.value] as const);
      push(typed, channel, { atMs: Date.parse(fact.at), value });
    }
  }
  return typed;
}
