import type { Reading } from '../../readings/measured.js';
import type { Fact } from '../../record/effective.js';
import type { AirChannel, Tending } from '../../record/entry.js';

/** When a place was last misted and fanned, and how moist and how stale its air was read last. */
export type LastAtPlace = Readonly<Partial<Record<Tending, number>> & Partial<Record<AirChannel, Reading>>>;

export const NOTHING_AT_PLACE: LastAtPlace = {};

/** By place. @param facts in the order of happening */
export function lastAtPlaces(facts: readonly Fact[]): ReadonlyMap<string, LastAtPlace> {
  const last = new Map<string, LastAtPlace>();
  for (const fact of facts) {
    const news = newsOf(fact);
    if (news !== undefined) {
      last.set(news.placeId, { ...last.get(news.placeId), ...news.last });
    }
  }
  return last;
}

/** What a fact says of the last at a place; undefined where it says nothing of that. */
export function newsOf(fact: Fact): { readonly placeId: string; readonly last: LastAtPlace } | undefined {
  switch (fact.kind) {
    case 'tended':
      return { placeId: fact.placeId, last: { [fact.how]: Date.parse(fact.at) } };
    case 'airRead':
      return {
        placeId: fact.placeId,
        last: { [fact.channel]: { atMs: Date.parse(fact.at), value: fact.value } },
      };
    default:
      return undefined;
  }
}
