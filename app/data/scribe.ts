import { Injectable, computed, inject } from '@angular/core';
import {
  CoreError,
  checkEntry,
  isCorrection,
  makeBatch,
  makeCook,
  newId,
  nextBatchNumber,
  nextCookNumber,
  receiveCulture,
  type Appliance,
  type BatchPlan,
  type CookId,
  type CookPlan,
  type Entry,
  type EntryId,
  type House,
  type Isolate,
  type MakeContext,
  type NewBatch,
  type Photo,
  type ResolvedFormula,
  type ScaledFormula,
  type VesselId,
  type VesselType,
} from '../../core/index';
import { messageOf } from './message-of';
import { HOUSE_DB } from './house-db';
import { HouseStore } from './house-store';
import { Notices } from './notices';
import { Time } from './time';

type Stamped = 'id' | 'schemaVersion' | 'at' | 'notedAt';
/** What an entry says, before it gets its time and identity. */
export type Said = Entry extends infer E
  ? E extends Entry
    ? Omit<E, Stamped> & { readonly at?: string }
    : never
  : never;

/** The newest thing that was noted, for the Today line. */
export interface LastEntry {
  readonly entry: Entry;
  readonly takenBack: boolean;
}

/**
 * Writes entries, and only ever appends. Each is checked against the house first and saved in one transaction;
 * a refusal or a failed save changes nothing and says so.
 */
@Injectable({ providedIn: 'root' })
export class Scribe {
  private readonly db = inject(HOUSE_DB);
  private readonly store = inject(HouseStore);
  private readonly notices = inject(Notices);
  private readonly time = inject(Time);
  private lastMs = 0;

  readonly last = computed<LastEntry | undefined>(() => {
    const house = this.store.house();
    return house && newest(house);
  });

  /** Notes one fact, with a photo if there is one. @returns whether it was saved */
  say(said: Said, photo?: Photo): Promise<boolean> {
    return this.write(() => {
      const entry = this.stamp(said);
      checkEntry(this.mustHouse(), entry, Date.now());
      return this.db.transaction('rw', ['entries', 'photos'], async () => {
        await this.db.rows('entries').add(entry);
        if (photo !== undefined) {
          await this.db.rows('photos').add(photo);
        }
      });
    });
  }

  async makeBatch(
    formula: ResolvedFormula,
    scaled: ScaledFormula,
    choices: Pick<BatchPlan, 'treatment' | 'stepMinutes'> = {},
  ): Promise<NewBatch | undefined> {
    const made = makeBatch(
      formula,
      scaled,
      nextBatchNumber(this.mustHouse().records, formula.stage),
      this.context(),
      choices,
    );
    return (await this.keep(made)) ? made : undefined;
  }

  async receiveCulture(culture: {
    vessel: VesselType;
    isolate: Isolate;
    contentsMl: number;
    count: number;
  }): Promise<NewBatch | undefined> {
    const { vessel, isolate, contentsMl, count } = culture;
    const stage = vessel.kind === 'dish' ? 'agar' : 'liquid';
    const made = receiveCulture(
      { vessel, isolateId: isolate.id, contentsMl, count },
      nextBatchNumber(this.mustHouse().records, stage),
      this.context(),
    );
    return (await this.keep(made, isolate)) ? made : undefined;
  }

  /** Loads a cook and puts its lid on, with the checklist as read, in one transaction. */
  async startCook(
    appliance: Appliance,
    plan: CookPlan,
    vesselIds: readonly VesselId[],
    caution: string,
  ): Promise<CookId | undefined> {
    const house = this.mustHouse();
    const { cook, entry } = makeCook(
      appliance,
      plan,
      house.household?.roomC ?? 20,
      vesselIds,
      nextCookNumber(house.records),
      this.context(),
    );
    const saved = await this.write(() =>
      this.db.transaction('rw', ['cooks', 'entries'], async () => {
        await this.db.rows('cooks').add(cook);
        const checked = this.stamp({ kind: 'cautionRead', caution });
        await this.db
          .rows('entries')
          .bulkAdd([entry, checked, this.stamp({ kind: 'cookStep', cookId: cook.id, step: 'lidOn' })]);
      }),
    );
    return saved ? cook.id : undefined;
  }

  /** Takes the newest entry back, or puts it back if that was just done. */
  async undo(): Promise<void> {
    const last = this.last();
    if (last !== undefined) {
      await this.say({ kind: last.takenBack ? 'putBack' : 'takenBack', entryId: last.entry.id });
    }
  }

  /** Corrects when the newest entry really happened. */
  retime(entryId: EntryId, actualAt: string): Promise<boolean> {
    return this.say({ kind: 'retimed', entryId, actualAt });
  }

  private keep(made: NewBatch, isolate?: Isolate): Promise<boolean> {
    return this.write(() =>
      this.db.transaction('rw', ['batches', 'vessels', 'entries', 'isolates'], async () => {
        if (isolate !== undefined) {
          await this.db.rows('isolates').put(isolate);
        }
        await this.db.rows('batches').add(made.batch);
        await this.db.rows('vessels').bulkAdd([...made.vessels]);
        await this.db.rows('entries').add(made.entry);
      }),
    );
  }

  private async write(act: () => Promise<unknown>): Promise<boolean> {
    try {
      await act();
      this.time.touch();
      this.notices.clear();
      askToPersist();
      return true;
    } catch (error) {
      if (error instanceof CoreError) {
        this.notices.show({ text: `${error.message} Nothing was changed.` });
      } else {
        const reason = messageOf(error);
        this.notices.show({
          text: `Not saved: ${reason}. This entry is kept on screen. Free some space, then save again.`,
          retry: { word: 'Save again', act: () => void this.write(act) },
        });
      }
      return false;
    }
  }

  private stamp(said: Said): Entry {
    const { nowMs, random } = this.context();
    const notedAt = new Date(nowMs).toISOString();
    return { at: notedAt, ...said, id: newId(nowMs, random) as EntryId, schemaVersion: 1, notedAt };
  }

  /** No two entries of this tab share a moment, so that the newest is never in doubt. */
  private context(): MakeContext {
    this.lastMs = Math.max(Date.now(), this.lastMs + 1);
    return { nowMs: this.lastMs, random: Math.random };
  }

  private mustHouse(): House {
    const house = this.store.house();
    if (house === undefined) {
      throw new CoreError(
        'wrong-state',
        'The house',
        'not open',
        'open',
        'The records are still being opened. Try again in a moment.',
      );
    }
    return house;
  }
}

function newest(house: House): LastEntry | undefined {
  let entry: Entry | undefined;
  let correction: Entry | undefined;
  for (const candidate of house.records.entries) {
    if (candidate.kind === 'cautionRead' || candidate.kind === 'logged') {
      continue;
    }
    if (!isCorrection(candidate)) {
      entry = later(entry, candidate);
    }
  }
  for (const candidate of house.records.entries) {
    if ((candidate.kind === 'takenBack' || candidate.kind === 'putBack') && candidate.entryId === entry?.id) {
      correction = later(correction, candidate);
    }
  }
  return entry && { entry, takenBack: correction?.kind === 'takenBack' };
}

function later(a: Entry | undefined, b: Entry): Entry {
  return a === undefined || `${b.notedAt}${b.id}` > `${a.notedAt}${a.id}` ? b : a;
}

let asked = false;
/** Asks the browser once not to clear these records when the disk runs low. */
function askToPersist(): void {
  if (!asked) {
    asked = true;
    void navigator.storage.persist();
  }
}
