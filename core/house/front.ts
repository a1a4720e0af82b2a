import { plainCode } from '../record/batch.js';
import { ancestors } from '../record/lineage.js';
import type { Fact } from '../record/effective.js';
import type { Entry } from '../record/entry.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { cooksOn } from './cooks-on.js';
import { correctionsOf } from './derive/fact-index.js';
import type { House } from './derive/house.js';
import type { NewRows } from './derive/records-with.js';
import { factsAbout } from './near.js';

/** More entries are hardly read faster than all of them. Our choice. */
const MOST_ENTRIES = 6000;
/** What was noted last, for the line that says so and for *Undo*. */
const LATEST = 60;

/**
 * The rows from which everything that is in hand is derived just as from all rows: batches that are not over, their
 * cooks, what fed them, and what was noted last. Definitions are not among them. Kept beside a large house, so that it
 * opens on what is there to be done while the rest is still read.
 *
 * @returns undefined where that would be nearly everything
 */
export function frontOf(house: House): NewRows | undefined {
  const { index, vesselRows, batchRows, cookRows, batchNames, vesselsOf } = house.workings;
  const inHand = new Set(house.inHand.flatMap((b) => b.vessels.map((v) => v.vessel.id)));
  const facts = new Set<Fact>(factsAbout(house, inHand));
  // A cook may go on though all that was in it is given up.
  cooksOn(house).forEach(({ cook }) => index.ofCook.get(cook.id)?.forEach((f) => facts.add(f)));
  const vessels = new Set(inHand);
  const batches = new Set<BatchId>(house.inHand.map((b) => b.batch.id));
  const cooks = new Set<CookId>();
  // What grows in a vessel is named by the first culture before it, however far back.
  for (const id of [...inHand].flatMap((v) => ancestors(house.lineage, v))) {
    if (!vessels.has(id)) {
      vessels.add(id);
      index.ofVessel
        .get(id)
        ?.forEach((f) => (f.kind === 'inoculated' || f.kind === 'batchMade') && facts.add(f));
    }
  }
  for (const fact of facts) {
    if ('cookId' in fact) {
      cooks.add(fact.cookId);
    }
    if (fact.kind === 'cookLoaded') {
      fact.vesselIds.forEach((id) => vessels.add(id));
    }
  }
  if (facts.size > MOST_ENTRIES) {
    return undefined;
  }
  const add = (id: VesselId) => {
    const batchId = vesselRows.get(id)?.batchId;
    if (batchId !== undefined) {
      batches.add(batchId);
    }
  };
  vessels.forEach(add);
  // Namesakes tell which of two is called "G28b".
  for (const id of [...batches]) {
    const batch = batchRows.get(id);
    const namesakes = batch && batchNames.namesakes.get(plainCode(batch));
    namesakes?.forEach((other) => batches.add(other.id));
  }
  house.inHand.forEach((b) => vesselsOf.get(b.batch.id)?.forEach((v) => vessels.add(v.id)));
  const entries = new Map<string, Entry>();
  const addEntry = (id: string) => {
    const entry = index.entries.get(id);
    if (entry !== undefined) {
      entries.set(id, entry);
      correctionsOf(id, index.corrections).forEach((c) => entries.set(c.id, c));
    }
  };
  facts.forEach((f) => {
    addEntry(f.id);
  });
  house.noted.slice(-LATEST).forEach((e) => {
    addEntry(e.id);
  });
  return {
    batches: [...batches].flatMap((id) => batchRows.get(id) ?? []),
    vessels: [...vessels].flatMap((id) => vesselRows.get(id) ?? []),
    cooks: [...cooks].flatMap((id) => cookRows.get(id) ?? []),
    entries: [...entries.values()],
  };
}
