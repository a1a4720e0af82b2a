import { MapDraft } from '../../base/layered-map.js';
import type { Batch, Cook, Vessel } from '../../record/batch.js';
import { BATCH_NAMING, COOK_NAMING, namesWith } from '../../record/codes.js';
import type { Fact } from '../../record/effective.js';
import type { BatchId, CookId, VesselId } from '../../record/ids.js';
import { compareText } from '../../record/order.js';
import type { Log } from '../../record/readings.js';
import { FactIndexDraft } from './fact-index.js';
import { newsOf } from './last-at-place.js';
import { ListDraft, ListsDraft } from './ordered.js';
import { placesWith } from './places-with.js';
import { recordsWith, type LiveRecords, type NewRows } from './records-with.js';
import { isShared } from './shared-facts.js';
import { Touched } from './touched.js';
import { Views, byCookNumber } from './views.js';
import type { Workings } from './workings.js';
import type { BatchView, House } from './house.js';

/**
 * The next house, while it is made from the one before: rows are put in, in any order and as often as there are more;
 * then what they touched is worked out, one batch or cook at a time, so that whoever has other things to do may pause
 * between them. The house before stays as it was.
 */
export class HouseInMaking {
  private records: LiveRecords;
  private readonly index: FactIndexDraft;
  private readonly batchRows: MapDraft<BatchId, Batch>;
  private readonly vesselRows: MapDraft<VesselId, Vessel>;
  private readonly cookRows: MapDraft<CookId, Cook>;
  private readonly vesselsOf: ListsDraft<BatchId, Vessel>;
  private readonly logRows: MapDraft<string, Log>;
  private readonly logsOf: ListsDraft<CookId, Log>;
  private batchNames: Workings['batchNames'];
  private cookNames: Workings['cookNames'];
  private readonly touched = new Touched();

  constructor(private readonly before: House) {
    const { workings } = before;
    this.records = before.records;
    this.index = new FactIndexDraft(workings.index);
    this.batchRows = new MapDraft(workings.batchRows);
    this.vesselRows = new MapDraft(workings.vesselRows);
    this.cookRows = new MapDraft(workings.cookRows);
    this.vesselsOf = new ListsDraft(workings.vesselsOf, byNumber);
    this.logRows = new MapDraft(workings.logRows);
    this.logsOf = new ListsDraft(workings.logsOf, byBeginning);
    this.batchNames = workings.batchNames;
    this.cookNames = workings.cookNames;
  }

  put(rows: NewRows): void {
    this.records = recordsWith(this.records, rows, {
      batches: this.batchRows,
      vessels: this.vesselRows,
      cooks: this.cookRows,
      entries: this.index,
      logs: this.logRows,
    });
    this.putBatches(onceEach(rows.batches));
    this.putVessels(onceEach(rows.vessels));
    this.putCooks(onceEach(rows.cooks));
    this.putLogs(onceEach(rows.logs));
    if ((rows.places?.length ?? 0) + (rows.household?.length ?? 0) > 0) {
      this.touched.warmth = true;
    }
    rows.isolates?.forEach((isolate) => this.touched.isolates.add(isolate.id));
    rows.species?.forEach((species) => this.touched.species.add(species.id));
    this.index.put(rows.entries ?? []).forEach(({ before, after }) => {
      this.touch(before);
      this.touch(after);
    });
  }

  /** Works out all that was touched; each step is one batch or cook. Nothing can be put in after that. */
  *work(): Generator<void, House> {
    const index = yield* this.index.done();
    yield;
    const rows = {
      index,
      batchRows: this.batchRows.done(),
      vesselRows: this.vesselRows.done(),
      cookRows: this.cookRows.done(),
      vesselsOf: this.vesselsOf.done(),
      logRows: this.logRows.done(),
      logsOf: this.logsOf.done(),
      batchNames: this.batchNames,
      cookNames: this.cookNames,
    };
    yield;
    const workings = yield* new Views(this.before.workings, rows, this.records, this.touched).work();
    return this.assembled(workings);
  }

  private assembled(workings: Workings): House {
    const { before, records } = this;
    const { index, batchViews, vesselViews, cookViews, batchNames, troublesOf } = workings;
    const batchIds = this.touched.allBatches();
    const views = (list: readonly BatchView[], belongs?: (view: BatchView) => boolean) =>
      viewsWith(list, batchIds, before.batchById, batchViews, byMaking, belongs);
    return {
      records,
      household: records.household[0],
      placeById: records.places === before.records.places ? before.placeById : placesWith(records.places),
      facts: index.facts,
      batches: views(before.batches),
      inHand: views(before.inHand, isInHand),
      batchById: batchViews,
      vesselById: vesselViews,
      cooks: viewsWith(before.cooks, this.touched.cooks, before.cookById, cookViews, byCookNumber),
      cookById: cookViews,
      cooksOf: workings.cooksOf,
      lineage: workings.lineage,
      codes: batchNames.names,
      noted: index.noted,
      entryById: index.entries,
      factById: index.standing,
      troubles: [...troublesOf.values()].flat().sort((a, b) => compareText(a.code, b.code)),
      workings,
    };
  }

  private putBatches(batches: readonly Batch[]): void {
    const replaced = batches.flatMap((b) => this.batchRows.get(b.id) ?? []);
    const { names, renamed } = namesWith(this.batchNames, replaced, batches, BATCH_NAMING);
    this.batchNames = names;
    for (const batch of batches) {
      this.batchRows.set(batch.id, batch);
      this.touched.rowsOfBatches.add(batch.id);
    }
    [...batches.map((b) => b.id), ...(renamed as BatchId[])].forEach((id) =>
      this.touched.wholeBatches.add(id),
    );
  }

  private putVessels(vessels: readonly Vessel[]): void {
    for (const vessel of vessels) {
      const replaced = this.vesselRows.get(vessel.id);
      if (replaced !== undefined) {
        this.vesselsOf.take(replaced.batchId, replaced);
        this.touched.wholeBatches.add(replaced.batchId);
      }
      this.vesselsOf.put(vessel.batchId, vessel);
      this.vesselRows.set(vessel.id, vessel);
      this.touched.vessels.add(vessel.id);
      this.touched.rowsOfVessels.add(vessel.id);
      this.touched.batches.add(vessel.batchId);
    }
  }

  private putCooks(cooks: readonly Cook[]): void {
    const replaced = cooks.flatMap((c) => this.cookRows.get(c.id) ?? []);
    const { names, renamed } = namesWith(this.cookNames, replaced, cooks, COOK_NAMING);
    this.cookNames = names;
    cooks.forEach((cook) => {
      this.cookRows.set(cook.id, cook);
    });
    [...cooks.map((c) => c.id), ...(renamed as CookId[])].forEach((id) => this.touched.cooks.add(id));
  }

  private putLogs(logs: readonly Log[]): void {
    for (const log of logs) {
      const replaced = this.logRows.get(log.id);
      if (replaced !== undefined) {
        this.logsOf.take(replaced.cookId, replaced);
        this.touched.cooks.add(replaced.cookId);
      }
      this.logsOf.put(log.cookId, log);
      this.logRows.set(log.id, log);
      this.touched.cooks.add(log.cookId);
    }
  }

  /** What a fact that came, went or changed is about. */
  private touch(fact: Fact | undefined): void {
    const { vessels, batches, wholeBatches, cooks, fed, gave } = this.touched;
    if (fact === undefined) {
      return;
    }
    if (fact.kind === 'placeRead' || fact.kind === 'placeSet') {
      this.touched.warmth = true;
    }
    if (newsOf(fact) !== undefined) {
      this.touched.lastAt = true;
    }
    if ('vesselIds' in fact) {
      fact.vesselIds.forEach((id) => vessels.add(id));
    }
    if (fact.kind === 'inoculated') {
      fact.vesselIds.forEach((id) => fed.add(id));
      fact.sourceVesselIds.forEach((id) => {
        vessels.add(id);
        gave.add(id);
      });
    }
    if ('cookId' in fact) {
      cooks.add(fact.cookId);
    }
    if ('batchId' in fact) {
      // These may tell of vessels that nothing told of before, or, taken back, does any more.
      const isRefilled = fact.kind === 'filledInto' || fact.kind === 'agarPoured';
      const isRetold = fact.kind === 'cultureTold' || isRefilled;
      const isWhole = fact.kind === 'batchMade' || isRetold || isShared(fact);
      if (isRefilled) {
        this.touched.rowsOfBatches.add(fact.batchId);
      }
      (isWhole ? wholeBatches : batches).add(fact.batchId);
    }
  }
}

/** The order in which batches were made; codes tell namesakes apart. */
function byMaking(a: BatchView, b: BatchView): number {
  return a.madeAtMs - b.madeAtMs || a.batch.number - b.batch.number || compareText(a.code, b.code);
}

function isInHand(view: BatchView): boolean {
  return view.vessels.some((v) => v.state.phase !== 'gone');
}

/** The list of views after some were worked out anew. */
function viewsWith<K, V>(
  list: readonly V[],
  ids: ReadonlySet<K>,
  before: ReadonlyMap<K, V>,
  after: ReadonlyMap<K, V>,
  order: (a: V, b: V) => number,
  belongs: (view: V) => boolean = () => true,
): readonly V[] {
  const all = [...ids];
  const draft = new ListDraft(list, order);
  draft.change(
    all.flatMap((id) => before.get(id) ?? []).filter(belongs),
    all.flatMap((id) => after.get(id) ?? []).filter(belongs),
  );
  return draft.done();
}

function onceEach<R extends { readonly id: string }>(rows: readonly R[] | undefined): readonly R[] {
  return rows === undefined ? [] : [...new Map(rows.map((r) => [r.id, r])).values()];
}

function byNumber(a: Vessel, b: Vessel): number {
  return a.number - b.number || compareText(a.id, b.id);
}

function byBeginning(a: Log, b: Log): number {
  return compareText(a.at, b.at) || compareText(a.id, b.id);
}
