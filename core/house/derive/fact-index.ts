import { LayeredMap, MapDraft } from '../../base/layered-map.js';
import { decide } from '../../record/corrections.js';
import { byHappening, standsAs, type Fact, type FactOf } from '../../record/effective.js';
import { isCorrection, type CorrectionEntry, type Entry } from '../../record/entry.js';
import type { BatchId, CookId, VesselId } from '../../record/ids.js';
import { byNotedThenId } from '../../record/order.js';
import { ListDraft, ListsDraft } from './ordered.js';

/** Every entry of a house and the facts that stand, found by what they name. Lists are in the order of happening. */
export interface FactIndex {
  readonly entries: LayeredMap<string, Entry>;
  /** Entries in the order in which they were noted. */
  readonly noted: readonly Entry[];
  /** Corrections by the entry that they name, in the order in which they were noted. */
  readonly corrections: LayeredMap<string, readonly CorrectionEntry[]>;
  readonly standing: LayeredMap<string, Fact>;
  /** Facts that were taken back, as they were noted. */
  readonly takenBack: LayeredMap<string, Fact>;
  readonly facts: readonly Fact[];
  readonly ofVessel: LayeredMap<VesselId, readonly Fact[]>;
  /** What was given from a vessel. */
  readonly givenFrom: LayeredMap<VesselId, readonly FactOf<'inoculated'>[]>;
  readonly ofBatch: LayeredMap<BatchId, readonly Fact[]>;
  readonly ofCook: LayeredMap<CookId, readonly Fact[]>;
  /** What is told of the kitchen itself: of empty glass in dry heat and its use, and of the care of cookers. */
  readonly kitchen: readonly Fact[];
}

/** A fact as it stood before a change and as it stands after it; one of them may be missing. */
export interface FactChange {
  readonly before?: Fact;
  readonly after?: Fact;
}

export const EMPTY_INDEX: FactIndex = {
  entries: LayeredMap.empty(),
  noted: [],
  corrections: LayeredMap.empty(),
  standing: LayeredMap.empty(),
  takenBack: LayeredMap.empty(),
  facts: [],
  ofVessel: LayeredMap.empty(),
  givenFrom: LayeredMap.empty(),
  ofBatch: LayeredMap.empty(),
  ofCook: LayeredMap.empty(),
  kitchen: [],
};

/** The index while entries are put into it. */
export class FactIndexDraft {
  private readonly entries: MapDraft<string, Entry>;
  private readonly noted: ListDraft<Entry>;
  private readonly corrections: ListsDraft<string, CorrectionEntry>;
  private readonly standing: MapDraft<string, Fact>;
  private readonly takenBack: MapDraft<string, Fact>;
  private readonly facts: ListDraft<Fact>;
  private readonly ofVessel: ListsDraft<VesselId, Fact>;
  private readonly givenFrom: ListsDraft<VesselId, FactOf<'inoculated'>>;
  private readonly ofBatch: ListsDraft<BatchId, Fact>;
  private readonly ofCook: ListsDraft<CookId, Fact>;
  private readonly kitchen: ListDraft<Fact>;

  constructor(index: FactIndex) {
    this.entries = new MapDraft(index.entries);
    this.noted = new ListDraft(index.noted, byNotedThenId);
    this.corrections = new ListsDraft(index.corrections, byNotedThenId);
    this.standing = new MapDraft(index.standing);
    this.takenBack = new MapDraft(index.takenBack);
    this.facts = new ListDraft(index.facts, byHappening);
    this.ofVessel = new ListsDraft(index.ofVessel, byHappening);
    this.givenFrom = new ListsDraft(index.givenFrom, byHappening);
    this.ofBatch = new ListsDraft(index.ofBatch, byHappening);
    this.ofCook = new ListsDraft(index.ofCook, byHappening);
    this.kitchen = new ListDraft(index.kitchen, byHappening);
  }

  has(id: string): boolean {
    return this.entries.has(id);
  }

  /** More entries, or others under the same ids. @returns the facts that stand otherwise now */
  put(rows: readonly Entry[]): readonly FactChange[] {
    const written = [...new Map<string, Entry>(rows.map((r) => [r.id, r])).values()];
    const replaced = written.flatMap((row) => this.entries.get(row.id) ?? []);
    replaced.forEach((entry) => {
      if (isCorrection(entry)) {
        this.corrections.take(entry.entryId, entry);
      }
    });
    written.forEach((entry) => {
      this.entries.set(entry.id, entry);
      if (isCorrection(entry)) {
        this.corrections.put(entry.entryId, entry);
      }
    });
    this.noted.change(replaced, written);
    const named = new Set([...written, ...replaced].map((row) => namedAtLast(row, this.entries)));
    const changes = [...named].flatMap((id) => this.standAnew(id) ?? []);
    this.relist(changes);
    return changes;
  }

  /** The finished index. It takes a while where very much was put in, so it is told part by part. */
  *done(): Generator<void, FactIndex> {
    const entries = this.entries.done();
    yield;
    const noted = this.noted.done();
    yield;
    const standing = this.standing.done();
    const takenBack = this.takenBack.done();
    yield;
    const facts = this.facts.done();
    yield;
    const ofVessel = this.ofVessel.done();
    yield;
    const givenFrom = this.givenFrom.done();
    const ofBatch = this.ofBatch.done();
    const ofCook = this.ofCook.done();
    const corrections = this.corrections.done();
    const kitchen = this.kitchen.done();
    return {
      entries,
      noted,
      corrections,
      standing,
      takenBack,
      facts,
      ofVessel,
      givenFrom,
      ofBatch,
      ofCook,
      kitchen,
    };
  }

  /** How a fact stands, by the corrections that name it, those that name them, and so on. */
  private standAnew(id: string): FactChange | undefined {
    const entry = this.entries.get(id);
    const fact = entry === undefined || isCorrection(entry) ? undefined : entry;
    const related = correctionsOf(id, this.corrections);
    const after = fact && (related.length === 0 ? fact : standsAs(fact, decide(related)));
    const before = this.standing.get(id);
    this.standing.set(id, after);
    this.takenBack.set(id, after === undefined ? fact : undefined);
    return before === after ? undefined : { ...(before && { before }), ...(after && { after }) };
  }

  private relist(changes: readonly FactChange[]): void {
    const removed = changes.flatMap(({ before }) => before ?? []);
    const added = changes.flatMap(({ after }) => after ?? []).sort(byHappening);
    this.facts.change(removed, added);
    this.kitchen.change(removed.filter(isOfKitchen), added.filter(isOfKitchen));
    removed.forEach((fact) => {
      this.list(fact, 'take');
    });
    added.forEach((fact) => {
      this.list(fact, 'put');
    });
  }

  private list(fact: Fact, act: 'put' | 'take'): void {
    if ('vesselIds' in fact) {
      new Set(fact.vesselIds).forEach((id) => {
        this.ofVessel[act](id, fact);
      });
    }
    if (fact.kind === 'inoculated') {
      new Set(fact.sourceVesselIds).forEach((id) => {
        this.givenFrom[act](id, fact);
      });
    }
    if ('batchId' in fact) {
      this.ofBatch[act](fact.batchId, fact);
    }
    if ('cookId' in fact) {
      this.ofCook[act](fact.cookId, fact);
    }
  }
}

function isOfKitchen(fact: Fact): boolean {
  return (
    fact.kind === 'glassIn' ||
    fact.kind === 'glassStep' ||
    fact.kind === 'cookerCared' ||
    (fact.kind === 'agarPoured' && fact.inGlass === true)
  );
}

interface Lookup<V> {
  get(id: string): V | undefined;
}

/** The entry that a correction speaks of in the end, through corrections of corrections; of a fact, itself. */
export function namedAtLast(entry: Entry, entries: Lookup<Entry>): string {
  const seen = new Set<string>();
  let id: string = entry.id;
  for (let at: Entry | undefined = entry; at !== undefined && isCorrection(at); at = entries.get(id)) {
    id = at.entryId;
    if (seen.has(id)) {
      break;
    }
    seen.add(id);
  }
  return id;
}

/** All corrections that bear on an entry, however many steps away. */
export function correctionsOf(
  id: string,
  corrections: Lookup<readonly CorrectionEntry[]>,
): readonly CorrectionEntry[] {
  const found = new Map<string, CorrectionEntry>();
  const asked = [id];
  for (const next of asked) {
    for (const correction of corrections.get(next) ?? []) {
      if (!found.has(correction.id)) {
        found.set(correction.id, correction);
        asked.push(correction.id);
      }
    }
  }
  return [...found.values()];
}
