import { MINUTE_MS } from '../base/time.js';
import type { House, VesselView } from '../house/derive/house.js';
import { factsAbout, vesselsOfFact } from '../house/near.js';
import { isByInstrument } from '../record/entry.js';
import type { VesselId } from '../record/ids.js';

/** Two deeds at most so far apart are one piece of work, with the hands on it all the while. Our choice. */
const ONE_BOUT_MS = 15 * MINUTE_MS;
/** What a deed takes that stands alone, or begins a piece of work: to fetch, lay out and clear away. Our choice. */
const ALONE_MS = 5 * MINUTE_MS;

/**
 * How long hands were at some vessels, ms, by the times at which deeds are said to have been done: soaking, cooking and
 * growing go by themselves. A deed on vessels of others too counts by the share of these. What was made to feed them is
 * left out.
 */
export function handsAtWorkMs(views: readonly VesselView[], house: House): number {
  const ours: ReadonlySet<VesselId> = new Set(views.map((v) => v.vessel.id));
  const deeds = [...factsAbout(house, ours)]
    .filter((fact) => !isByInstrument(fact))
    .map((fact) => {
      const named = vesselsOfFact(house, fact);
      return {
        atMs: Date.parse(fact.at),
        share: named.length === 0 ? 0 : named.filter((id) => ours.has(id)).length / named.length,
      };
    })
    .sort((a, b) => a.atMs - b.atMs);
  return deeds.reduce((sum, { atMs, share }, i) => {
    const sinceMs = atMs - (deeds[i - 1]?.atMs ?? -Infinity);
    return sum + share * (sinceMs <= ONE_BOUT_MS ? sinceMs : ALONE_MS);
  }, 0);
}
