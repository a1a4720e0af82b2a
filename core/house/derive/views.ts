import { MapDraft } from '../../base/layered-map.js';
import type { Batch, Vessel } from '../../record/batch.js';
import type { Isolate, Species } from '../../record/definitions.js';
import type { Fact } from '../../record/effective.js';
import type { BatchId, CookId, VesselId } from '../../record/ids.js';
import { compareText } from '../../record/order.js';
import { asTold, vesselsAsTold } from './as-told.js';
import type { BatchView, CookView, Trouble, VesselView } from './house.js';
import { attemptFor } from './attempt.js';
import { kindsWith } from './kinds.js';
import { lineageWith } from './lineage-with.js';
import { ListsDraft } from './ordered.js';
import type { LiveRecords } from './records-with.js';
import { sharedByBatch, sharedByCook, type SharedFacts } from './shared-facts.js';
import type { Touched } from './touched.js';
import { viewBatch } from './view-batch.js';
import { viewCook } from './view-cook.js';
import { viewVessel } from './view-vessel.js';
import { isForetold } from './forecast.js';
import { placesWith } from './places-with.js';
import { runsBefore, runsWith, sameRuns } from './own-runs.js';
import type { RunsOfKind } from './runs-of-kind.js';
import { lastAtPlaces } from './last-at-place.js';
import { Warmth } from './warmth.js';
import type { Workings } from './workings.js';

/** The part of the workings that follows from rows alone. */
export type RowsOfHouse = Pick<
  Workings,
  | 'index'
  | 'batchRows'
  | 'vesselRows'
  | 'cookRows'
  | 'vesselsOf'
  | 'logRows'
  | 'logsOf'
  | 'batchNames'
  | 'cookNames'
>;

/** The order in which cooks were planned; names tell namesakes apart. */
export function byCookNumber(a: CookView, b: CookView): number {
  return a.cook.number - b.cook.number || compareText(a.name, b.name);
}

/** Works out anew the views that new rows touch, and leaves the others as they are. */
export class Views {
  private readonly batchViews: MapDraft<BatchId, BatchView>;
  private readonly vesselViews: MapDraft<VesselId, VesselView>;
  private readonly cookViews: MapDraft<CookId, CookView>;
  private readonly cooksOfBatch: ListsDraft<BatchId, CookView>;
  private readonly troublesOf: MapDraft<string, readonly Trouble[]>;
  private readonly sharedByCook: MapDraft<CookId, SharedFacts>;
  private readonly isolates: ReadonlyMap<string, Isolate>;
  private readonly species: ReadonlyMap<string, Species>;
  private readonly warmth: Warmth;
  private kinds: Workings['kinds'];
  private runs: RunsOfKind;

  constructor(
    private readonly before: Workings,
    private readonly rows: RowsOfHouse,
    private readonly records: LiveRecords,
    private readonly touched: Touched,
  ) {
    this.batchViews = new MapDraft(before.batchViews);
    this.vesselViews = new MapDraft(before.vesselViews);
    this.cookViews = new MapDraft(before.cookViews);
    this.cooksOfBatch = new ListsDraft(before.cooksOf, byCookNumber);
    this.troublesOf = new MapDraft(before.troublesOf);
    this.sharedByCook = new MapDraft(before.sharedByCook);
    this.isolates = new Map(records.isolates.map((i) => [i.id, i]));
    this.species = new Map(records.species.map((s) => [s.id, s]));
    this.kinds = before.kinds;
    this.runs = before.runs;
    this.warmth =
      touched.warmth || before.warmth === undefined
        ? new Warmth(placesWith(records.places), rows.index.facts, records.household[0]?.roomC)
        : before.warmth;
  }

  *work(): Generator<void, Workings> {
    const { touched, rows } = this;
    const lineage = lineageWith(this.before.lineage, rows.index, touched.fed, touched.gave);
    this.findKinds(lineage);
    this.findDescribedAnew();
    yield;
    this.touchAround();
    for (const id of touched.cooks) {
      this.shareByCook(id);
      yield;
    }
    for (const id of touched.vessels) {
      const batchId = rows.vesselRows.get(id)?.batchId;
      if (batchId !== undefined) {
        touched.batches.add(batchId);
      }
    }
    if (touched.warmth) {
      this.touchForecasts();
    }
    const batches = touched.allBatches();
    for (const id of batches) {
      this.viewBatch(id);
      yield;
    }
    yield* this.leanOnRuns(batches);
    for (const id of touched.cooks) {
      this.viewCook(id);
      yield;
    }
    return {
      ...rows,
      lineage,
      kinds: this.kinds,
      warmth: this.warmth,
      runs: this.runs,
      lastAt: touched.lastAt ? lastAtPlaces(rows.index.facts) : this.before.lastAt,
      sharedByCook: this.sharedByCook.done(),
      batchViews: this.batchViews.done(),
      vesselViews: this.vesselViews.done(),
      cookViews: this.cookViews.done(),
      cooksOf: this.cooksOfBatch.done(),
      troublesOf: this.troublesOf.done(),
    };
  }

  private findKinds(lineage: Workings['lineage']): void {
    const { touched, rows } = this;
    const seeds = new Set([...touched.fed, ...touched.rowsOfVessels]);
    const batches = new Set(touched.rowsOfBatches);
    if (touched.isolates.size > 0) {
      for (const batch of rows.batchRows.values()) {
        if (batch.isolateId !== undefined && touched.isolates.has(batch.isolateId)) {
          batches.add(batch.id);
        }
      }
    }
    batches.forEach((id) => rows.vesselsOf.get(id)?.forEach((v) => seeds.add(v.id)));
    const ownIsolate = (id: VesselId) => {
      const isolateId = this.rowOfBatch(id)?.isolateId;
      return isolateId !== undefined && this.isolates.has(isolateId) ? isolateId : undefined;
    };
    const { kinds, changed } = kindsWith(this.kinds, seeds, lineage, ownIsolate);
    this.kinds = kinds;
    changed.forEach((id) => touched.vessels.add(id));
  }

  /** Vessels whose isolate or species is described otherwise now. */
  private findDescribedAnew(): void {
    const { isolates, species, vessels } = this.touched;
    if (isolates.size + species.size === 0) {
      return;
    }
    this.records.isolates.forEach((i) => species.has(i.speciesId) && isolates.add(i.id));
    for (const [id, kind] of this.kinds) {
      if (isolates.has(kind.isolateId)) {
        vessels.add(id);
      }
    }
  }

  /** Rows of vessels and batches show in the cooks that the vessels stood in. */
  private touchAround(): void {
    const { touched, rows } = this;
    const touchCooks = (id: VesselId) => {
      this.cooksOf(id).forEach((cookId) => touched.cooks.add(cookId));
    };
    touched.rowsOfVessels.forEach(touchCooks);
    for (const id of touched.rowsOfBatches) {
      rows.vesselsOf.get(id)?.forEach((v) => {
        touchCooks(v.id);
      });
    }
  }

  /** Whatever is in hand goes by another clock once it is known to be warmer or colder. */
  private touchForecasts(): void {
    for (const { batch, vessels } of this.before.batchViews.values()) {
      if (isForetold(batch) && vessels.some((v) => v.state.phase !== 'gone')) {
        this.touched.batches.add(batch.id);
      }
    }
  }

  /** What ran full tells of all that was begun after it. */
  private *leanOnRuns(told: ReadonlySet<BatchId>): Generator<void> {
    const had = this.runs;
    // Where it was warmer or colder all tell anew; a batch that is no more is only among the touched.
    const all = this.touched.warmth ? this.batchViews.done().keys() : [];
    const anew = new Map([...told, ...all].map((id) => [id, this.batchViews.get(id)]));
    this.runs = runsWith(had, anew, this.warmth);
    if (this.runs === had) {
      return;
    }
    for (const [id, view] of this.batchViews.done()) {
      if (!sameRuns(runsBefore(view, had), runsBefore(view, this.runs))) {
        this.touched.batches.add(id);
        this.viewBatch(id);
        yield;
      }
    }
  }

  private shareByCook(id: CookId): void {
    const before = this.before.sharedByCook.get(id);
    const now = sharedByCook(this.rows.index.ofCook.get(id) ?? []);
    this.sharedByCook.set(id, now);
    [...now.keys(), ...(before?.keys() ?? [])].forEach((v) => this.touched.vessels.add(v));
  }

  private viewBatch(id: BatchId): void {
    const row = this.rows.batchRows.get(id);
    const rows = this.rows.vesselsOf.get(id) ?? [];
    const facts = this.rows.index.ofBatch.get(id) ?? [];
    const madeAt = facts.findLast((f) => f.kind === 'batchMade')?.at;
    if (row === undefined || madeAt === undefined) {
      this.batchViews.set(id, undefined);
      this.troublesOf.set(id, undefined);
      rows.forEach((v) => {
        this.vesselViews.set(v.id, undefined);
      });
      return;
    }
    const batch = asTold(row, facts);
    const vessels = vesselsAsTold(rows, facts, (v) => this.wasUsed(v));
    if (vessels !== rows) {
      rows
        .filter((v) => !vessels.includes(v))
        .forEach((v) => {
          this.vesselViews.set(v.id, undefined);
        });
    }
    const code = this.rows.batchNames.names.get(id) ?? '';
    const views = this.viewVessels(batch, vessels, code, facts);
    const troubles: Trouble[] = [];
    this.batchViews.set(
      id,
      viewBatch(
        batch,
        code,
        madeAt,
        views,
        facts,
        this.warmth,
        this.runs,
        attemptFor({ of: 'batch', code }, troubles),
      ),
    );
    this.troublesOf.set(id, troubles.length > 0 ? troubles : undefined);
  }

  private viewVessels(
    batch: Batch,
    vessels: readonly Vessel[],
    batchCode: string,
    facts: readonly Fact[],
  ): readonly VesselView[] {
    const { touched, rows } = this;
    const isWhole = touched.wholeBatches.has(batch.id);
    const shared = sharedByBatch(facts);
    return vessels.map((vessel) => {
      const { id } = vessel;
      const seen = this.before.vesselViews.get(id);
      if (seen !== undefined && !isWhole && !touched.vessels.has(id)) {
        return seen;
      }
      const isolate = this.isolates.get(this.kinds.get(id)?.isolateId ?? '');
      const view = viewVessel(vessel, {
        batch,
        batchCode,
        own: rows.index.ofVessel.get(id) ?? [],
        shared: [
          ...(shared.get(id) ?? []),
          ...this.cooksOf(id).flatMap((cook) => this.sharedByCook.get(cook)?.get(id) ?? []),
        ],
        given: rows.index.givenFrom.get(id) ?? [],
        isolate,
        species: isolate && this.species.get(isolate.speciesId),
      });
      this.vesselViews.set(id, view);
      return view;
    });
  }

  private viewCook(id: CookId): void {
    const cook = this.rows.cookRows.get(id);
    const name = this.rows.cookNames.names.get(id) ?? '';
    const facts = this.rows.index.ofCook.get(id) ?? [];
    const troubles: Trouble[] = [];
    const attempt = attemptFor({ of: 'cook', code: name }, troubles);
    const logs = this.rows.logsOf.get(id) ?? [];
    const view = cook && viewCook({ cook, name, facts, logs }, (v) => this.batchOf(v), attempt);
    const seen = this.before.cookViews.get(id);
    seen?.batches.forEach((batch) => {
      this.cooksOfBatch.take(batch, seen);
    });
    view?.batches.forEach((batch) => {
      this.cooksOfBatch.put(batch, view);
    });
    this.cookViews.set(id, view);
    this.troublesOf.set(id, troubles.length > 0 ? troubles : undefined);
  }

  private cooksOf(id: VesselId): readonly CookId[] {
    const facts = this.rows.index.ofVessel.get(id) ?? [];
    return [...new Set(facts.flatMap((f) => (f.kind === 'cookLoaded' ? [f.cookId] : [])))];
  }

  /** The batch of a vessel as it was first written. */
  private rowOfBatch(id: VesselId): Batch | undefined {
    const batchId = this.rows.vesselRows.get(id)?.batchId;
    return batchId && this.rows.batchRows.get(batchId);
  }

  /** The same as it was told last: to be asked once batches are viewed. */
  private batchOf(id: VesselId): Batch | undefined {
    const row = this.rowOfBatch(id);
    return row && (this.batchViews.get(row.id)?.batch ?? row);
  }

  private wasUsed(id: VesselId): boolean {
    const facts = this.rows.index.ofVessel.get(id) ?? [];
    return facts.some((f) => f.kind !== 'batchMade' && f.kind !== 'filledInto');
  }
}
