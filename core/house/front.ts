import { plainCode } from '../record/batch.js';
import { ancestors } from '../record/lineage.js';
import type { Fact } from '../record/effective.js';
import type { Entry } from '../record/entry.js';
import type { BatchId, CookId, VesselId } from '../record/ids.js';
import { cutLately } from './cut-window.js';
import { cooksOn } from './cooks-on.js';
import { correctionsOf } from './derive/fact-index.js';
import type { House } from './derive/house.js';
import { runsBefore } from './derive/own-runs.js';
import { READ_HOLDS_MS } from './derive/warmth.js';
import type { NewRows } from './derive/records-with.js';
import { factsAbout } from './near.js';
import { vesselsInHand } from './running.js';

/** More entries are hardly read faster than all of them. Our choice. */
const MOST_ENTRIES = 6000;
/** What must be known of a vessel that fed something in hand and is not in hand itself. */
const OF_ANCESTORS: ReadonlySet<Entry['kind']> = new Set([
  'batchMade',
  'filledInto',
  'inoculated',
  'discarded',
]);
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
  const { index, vesselRows, batchRows, cookRows, batchNames } = house.workings;
  const inHand = new Set(vesselsInHand(house).map((v) => v.vessel.id));
  const vessels = new Set([...inHand, ...telling(house)]);
  const facts = new Set(factsAbout(house, inHand));
  placeFacts(house, vessels).forEach((f) => facts.add(f));
  // A cook may go on though all that was in it is given up.
  cooksOn(house).forEach(({ cook }) => index.ofCook.get(cook.id)?.forEach((f) => facts.add(f)));
  const batchOf = (id: VesselId) => index.ofBatch.get(vesselRows.get(id)?.batchId as BatchId);
  const tell = (id: VesselId, isAsked: (kind: Fact['kind']) => boolean) => {
    vessels.add(id);
    index.ofVessel.get(id)?.forEach((f) => isAsked(f.kind) && facts.add(f));
    batchOf(id)?.forEach((f) => f.kind === 'putAway' && facts.add(f));
  };
  // What grows in a vessel is named by the first culture before it, however far back; those that are gone must say so.
  const before = [...vessels].flatMap((v) => ancestors(house.lineage, v)).filter((id) => !vessels.has(id));
  // How they were cooked tells nothing, and would bring what stood beside them along.
  [...vessels]
    .filter((id) => !inHand.has(id))
    .forEach((id) => {
      tell(id, (kind) => kind !== 'cookLoaded');
    });
  before.forEach((id) => {
    tell(id, (kind) => OF_ANCESTORS.has(kind));
  });
  if (facts.size > MOST_ENTRIES) {
    return undefined;
  }
  const cooks = new Set<CookId>();
  for (const fact of facts) {
    if ('cookId' in fact) {
      cooks.add(fact.cookId);
    }
    if (fact.kind === 'cookLoaded') {
      fact.vesselIds.forEach((id) => vessels.add(id));
    }
  }
  const rows = [...vessels].flatMap((id) => vesselRows.get(id) ?? []);
  // Namesakes tell which of two is called "G28b".
  const batches = new Set(
    rows.flatMap(({ batchId }) => {
      const batch = batchRows.get(batchId);
      return batch === undefined ? [] : (batchNames.namesakes.get(plainCode(batch)) ?? []);
    }),
  );
  const entries = new Map<string, Entry>();
  for (const { id } of [...facts, ...house.noted.slice(-LATEST)]) {
    const entry = index.entries.get(id);
    if (entry !== undefined) {
      entries.set(id, entry);
      correctionsOf(id, index.corrections).forEach((c) => entries.set(c.id, c));
    }
  }
  return {
    batches: [...batches],
    vessels: rows,
    cooks: [...cooks].flatMap((id) => cookRows.get(id) ?? []),
    logs: [...cooks].flatMap((id) => house.workings.logsOf.get(id) ?? []),
    entries: [...entries.values()],
  };
}

/** Vessels that are gone and tell of those in hand: when like ones were full before, and how long their pins took. */
function telling(house: House): readonly VesselId[] {
  const runs = house.inHand.flatMap((view) => runsBefore(view, house.workings.runs));
  const species = new Set(house.inHand.flatMap((b) => b.species?.id ?? []));
  return [
    ...runs.flatMap(({ batchId }) => house.batchById.get(batchId)?.vessels ?? []),
    ...[...species].flatMap((id) => cutLately(id, house)),
  ].map((v) => v.vessel.id);
}

/** How warm places were while these ran, what each was kept at, and when each was misted: forecasts and rhythms go by it. */
function placeFacts(house: House, vessels: ReadonlySet<VesselId>): readonly Fact[] {
  const begun = [...vessels].flatMap((id) => house.vesselById.get(id)?.state.inoculatedAt ?? []);
  const from = begun.reduce((a, b) => (b < a ? b : a), '\uffff');
  const held = begun.length === 0 ? from : new Date(Date.parse(from) - READ_HOLDS_MS).toISOString();
  const last = new Map<string, Fact>();
  const kept: Fact[] = [];
  for (const fact of house.facts) {
    if (fact.kind === 'placeSet' || (fact.kind === 'placeRead' && fact.at >= held)) {
      kept.push(fact);
    } else {
      const key = lastKeyOf(fact);
      if (key !== undefined) {
        last.set(key, fact);
      }
    }
  }
  return [...last.values(), ...kept];
}

/** Of facts with one key the last alone is asked for. */
function lastKeyOf(fact: Fact): string | undefined {
  switch (fact.kind) {
    case 'placeRead':
      return `${fact.placeId} read`;
    case 'tended':
      return `${fact.placeId} ${fact.how}`;
    case 'airRead':
      return `${fact.placeId} ${fact.channel}`;
    default:
      return undefined;
  }
}
