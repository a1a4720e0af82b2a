import { Injectable, computed, effect, inject, signal } from '@angular/core';
import {
  CoreError,
  isRefusal,
  fillInto,
  makeBatch,
  makeCook,
  nextNumber,
  pourPlates,
  pouringOf,
  receiveCulture,
  repot,
  repotSaid,
  shippedDefinitions,
  sittingOf,
  withRows,
  type Appliance,
  type BatchId,
  type Beside,
  type BatchPlan,
  type CautionId,
  type CookId,
  type CookPlan,
  type DeviceId,
  type Entry,
  type House,
  type Isolate,
  type MakeContext,
  type BatchStage,
  type NewBatch,
  type NewCulture,
  type Species,
  type VesselView,
  type Photo,
  type PourTold,
  type Vessel,
  type Repotting,
  type ResolvedFormula,
  type ScaledFormula,
  type ShippedOffer,
  type Standing,
  type VesselId,
  type VesselType,
  type WrittenDeed,
} from '../../../core/index';
import { HouseStore, type ReadyHouse } from '../store/house-store';
import { messageOf } from '../words/message-of';
import { Notices } from '../store/notices';
import { SteadyClock } from '../clock/steady-clock';
import { Time } from '../clock/time';
import { WHICH_HOUSE } from '../store/which-house';
import { whyNotSaved } from '../words/why-not-saved';
import { entryWords } from '../words/words';
import { checkDeed } from './check-deed';
import { HOUSE_DB } from '../store/database';
import { houseInside } from '../store/ready-house';
import { HouseReads } from '../store/reads';
import { stampAll, type Hand, type Said } from './said';
import { moveLogs } from './move-logs';
import { settle } from './settle';
import { UnsavedShelf, type UnsavedDeed } from './unsaved-shelf';
import { Writer, type Pen } from './writer';

export type { Said } from './said';

/** A culture that comes in, and what is not known yet of its kind. */
export interface Arrival extends Omit<NewCulture, 'isolateId'> {
  readonly isolate: Isolate;
  /** Where it is one of the household's own that is new. */
  readonly species?: Species;
  readonly arrivedMs: number;
  /** Key of the place where it is kept. */
  readonly place: string;
  /** What was written to it; empty for nothing. */
  readonly note: string;
  /** The caution of wild clones was shown. */
  readonly isWild: boolean;
}

/** Empty vessels that something is drawn into; what each takes of the source, in the unit of that. */
export type DrawnInto = NewCulture & { readonly takesEach: number };

/** The newest thing that was noted here, for the Today line. */
export interface LastEntry {
  readonly entry: Entry;
  /** It was walked back, and nothing was done since. */
  readonly takenBack: boolean;
  /** Whether there is something to walk back still. */
  readonly canUndo: boolean;
}

/** What one writing does inside its transaction, in the house as it stands there. */
type Act<T> = (pen: Pen, hand: Hand) => Promise<T>;

type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: unknown };

/**
 * The only writer of the house. Each deed is parsed by its schema, checked against the house that stands in the
 * database at that moment, and appended, all in one transaction. What is refused changes nothing and says so; what could
 * not be saved is kept on screen with its own true time until it is saved or let go.
 */
@Injectable({ providedIn: 'root' })
export class Journal {
  private readonly db = inject(HOUSE_DB);
  private readonly reads = inject(HouseReads);
  private readonly store = inject(HouseStore);
  private readonly notices = inject(Notices);
  private readonly time = inject(Time);
  private readonly clock = inject(SteadyClock);
  private readonly writer = inject(Writer);
  private readonly shelf = new UnsavedShelf(inject(WHICH_HOUSE).database);
  private lastMs = 0;

  /** Shipped figures that were corrected since, beside rows that were changed here. */
  readonly offers = signal<readonly ShippedOffer[]>([]);

  private readonly sitting = computed(() => {
    const ready = this.store.ready();
    return ready === undefined ? {} : sittingOf(ready.house.noted, ready.device);
  });
  readonly canRedo = computed(() => this.sitting().redo !== undefined);

  readonly last = computed<LastEntry | undefined>(() => {
    const { undo, redo } = this.sitting();
    const takenBack = redo !== undefined;
    const told = (redo ?? undo)?.entries.filter((e) => e.kind !== 'cautionRead');
    // What was done says more than that new vessels were needed for it.
    const entry = told?.find((e) => e.kind !== 'batchMade') ?? told?.[0];
    return entry && { entry, takenBack, canUndo: undo !== undefined };
  });

  constructor() {
    const begin = effect(() => {
      const ready = this.store.ready();
      if (ready?.house.household !== undefined) {
        begin.destroy();
        void this.begin(ready);
      }
    });
  }

  /**
   * Notes one fact, with a photo if there is one.
   * @returns whether it is safe: saved, or kept on screen to be saved again
   */
  say(said: Said, photo?: Photo): Promise<boolean> {
    return this.sayAll([said], photo);
  }

  /** Notes several facts that belong together: all or none, and taken back together. */
  async sayAll(saids: readonly Said[], photo?: Photo): Promise<boolean> {
    const entries = stampAll(saids, this.hand());
    const outcome = await this.attempt(this.appending(entries, photo));
    if (outcome.ok) {
      this.notices.settled(aboutOf(entries));
      return true;
    }
    return this.couldNot({ entries, photo }, outcome.error);
  }

  /** A planned batch is made; a note on it is part of the same deed. */
  async makeBatch(
    formula: ResolvedFormula,
    scaled: ScaledFormula,
    choices: Pick<BatchPlan, 'treatment' | 'stepMinutes' | 'leftOut'> = {},
    note = '',
  ): Promise<NewBatch | undefined> {
    return this.make(`batch ${formula.name}`, async (pen, hand) => {
      const number = nextBatchNumber(pen.found.house, formula.stage);
      const made = makeBatch(formula, scaled, number, contextOf(hand), choices);
      if (note === '') {
        return keepBatch(pen, made, hand);
      }
      const deedId = made.entry.id;
      const noted = stampAll([{ kind: 'batchNoted', batchId: made.batch.id, note }], {
        ...hand,
        nowMs: hand.nowMs + 1,
      });
      await keepBatch(pen, { ...made, entry: { ...made.entry, deedId } }, hand);
      await pen.addAll(
        'entries',
        noted.map((entry) => ({ ...entry, deedId })),
      );
      return made;
    });
  }

  /** A culture came in: on a day that may be past, and put where it is kept. */
  async receiveCulture(arrival: Arrival): Promise<NewBatch | undefined> {
    const { isolate, species, place, arrivedMs, note, isWild, ...content } = arrival;
    return this.make(`culture ${isolate.name}`, async (pen, hand) => {
      const context = { ...contextOf(hand), nowMs: Math.min(arrivedMs, hand.nowMs) };
      const number = nextBatchNumber(pen.found.house, content.stage);
      const made = receiveCulture({ ...content, isolateId: isolate.id }, number, context);
      if (species !== undefined) {
        await pen.put('species', { ...species, ...signed(hand) });
      }
      await pen.put('isolates', { ...isolate, ...signed(hand) });
      await keepBatch(pen, made, hand);
      const { at } = made.entry;
      const saids: Said[] = [
        { kind: 'moved', vesselIds: made.vessels.map((v) => v.id), place, at },
        ...(note === '' ? [] : [{ kind: 'batchNoted' as const, batchId: made.batch.id, note, at }]),
        ...(isWild ? [{ kind: 'cautionRead' as const, caution: 'wildClone' as const }] : []),
      ];
      await pen.addAll('entries', stampAll(saids, hand));
      return made;
    });
  }

  /** Broth or spores go into empty syringes, which become vessels of their own. */
  async drawOff(source: VesselView, { takesEach, ...content }: DrawnInto): Promise<NewBatch | undefined> {
    return this.fill(`drawn from ${source.code}`, () => ({
      content,
      saids: (vesselIds) => [
        {
          kind: 'inoculated',
          vesselIds,
          sourceVesselIds: [source.vessel.id],
          doseEach: takesEach,
          doseUnit: source.remainingUnit,
          drawn: true,
        },
        { kind: 'moved', vesselIds, place: 'fridge' },
      ],
    }));
  }

  /** What has run is emptied into other vessels, which take its place; the old ones are done with. */
  async repot(repotting: Repotting, place: string): Promise<NewBatch | undefined> {
    return this.fill(`${repotting.sources.map((v) => v.code).join(', ')} moved`, (house) => {
      const repotted = repot(repotting, house);
      return {
        content: repotted.culture,
        saids: (ids) => repotSaid(repotted, repotting, ids, place),
      };
    });
  }

  /** All of a batch goes into other vessels than it was in, as long as nothing of it was cooked. @returns whether it was kept */
  async fillInto(batchId: BatchId, vessel: VesselType, count: number): Promise<boolean> {
    const done = await this.make(`${vessel.plural} instead`, async (pen, hand) => {
      const { house } = pen.found;
      const view = house.batchById.get(batchId);
      if (view === undefined) {
        throw new CoreError('not-found', { what: 'batch', id: batchId });
      }
      const { vesselIds, made } = fillInto(house, view, count, contextOf(hand));
      const entries = stampAll([{ kind: 'filledInto', batchId, vessel, vesselIds }], hand);
      await this.addWithVessels(pen, hand, made, entries);
      return true;
    });
    return done === true;
  }

  /** Plates of a batch are poured; dishes that were not planned are made with it. @returns whether it was kept */
  async pour(batchId: BatchId, told: PourTold): Promise<boolean> {
    const done = await this.make('plates poured', async (pen, hand) => {
      const { house } = pen.found;
      const view = house.batchById.get(batchId);
      const pouring = view && pouringOf(view, house);
      if (pouring === undefined) {
        throw new CoreError('not-found', { what: 'batch', id: batchId });
      }
      const { saids, made } = pourPlates(pouring, told, house, contextOf(hand));
      const entries = stampAll(saids, hand);
      await this.addWithVessels(pen, hand, made, entries);
      return true;
    });
    return done === true;
  }

  /** Facts that name vessels which are made with them. */
  private async addWithVessels(
    pen: Pen,
    hand: Hand,
    made: readonly Vessel[],
    entries: readonly Entry[],
  ): Promise<void> {
    const standing = withRows(pen.found.house, { vessels: made });
    checkDeed(standing, entries, hand.nowMs, (e) => entryWords(e, standing));
    await pen.addAll(
      'vessels',
      made.map((v) => ({ ...v, ...signed(hand) })),
    );
    await pen.addAll('entries', entries);
  }

  /** Makes vessels that are filled from others, and says so, as one deed: what is undone leaves no empty ones behind. */
  private fill(
    about: string,
    filling: (house: House) => {
      readonly content: NewCulture;
      readonly saids: (vesselIds: VesselId[]) => readonly Said[];
    },
  ): Promise<NewBatch | undefined> {
    return this.make(about, async (pen, hand) => {
      const { house } = pen.found;
      const { content, saids } = filling(house);
      const made = receiveCulture(content, nextBatchNumber(house, content.stage), contextOf(hand));
      // After the vessels were made, or the two could not be told in order.
      const after = { ...hand, nowMs: hand.nowMs + 1 };
      const entries = stampAll(saids(made.vessels.map((v) => v.id)), after);
      const entry = { ...made.entry, ...(entries[0]?.deedId && { deedId: entries[0].deedId }) };
      const standing = withRows(house, { batches: [made.batch], vessels: made.vessels, entries: [entry] });
      checkDeed(standing, entries, hand.nowMs, (e) => entryWords(e, standing));
      await keepBatch(pen, { ...made, entry }, hand);
      await pen.addAll('entries', entries);
      return made;
    });
  }

  /** Loads a cook and puts its lid on, with the checklist as read, as one deed. */
  async startCook(
    appliance: Appliance,
    plan: CookPlan,
    vesselIds: readonly VesselId[],
    caution: CautionId,
    more: { readonly standing?: Standing; readonly beside?: readonly Beside[] } = {},
  ): Promise<CookId | undefined> {
    return this.make('a cook', async (pen, hand) => {
      const { house } = pen.found;
      const number = nextNumber(house.records.cooks.map((c) => c.number));
      const roomC = house.household?.roomC ?? 20;
      const { cook } = makeCook(appliance, plan, roomC, vesselIds, number, contextOf(hand));
      const entries = stampAll(
        [
          {
            kind: 'cookLoaded',
            cookId: cook.id,
            vesselIds: [...vesselIds],
            ...more.standing,
            ...(more.beside !== undefined && more.beside.length > 0 && { beside: [...more.beside] }),
          },
          { kind: 'cautionRead', caution },
          { kind: 'cookStep', cookId: cook.id, step: 'lidOn' },
        ],
        hand,
      );
      checkDeed(withRows(house, { cooks: [cook] }), entries, hand.nowMs, (e) => entryWords(e, house));
      await pen.add('cooks', { ...cook, ...signed(hand) });
      await pen.addAll('entries', entries);
      return cook.id;
    });
  }

  /** Walks back over the newest deed of this sitting. */
  async undo(): Promise<void> {
    await this.walk(this.sitting().undo, 'takenBack');
  }

  /** Walks forward again over the deed that was walked back last. */
  async redo(): Promise<void> {
    await this.walk(this.sitting().redo, 'putBack');
  }

  /** To be called when an archive came in: brings what an older version wrote up to date. @returns the house with it */
  async broughtIn(): Promise<House> {
    await moveLogs(this.db, await this.current());
    return this.current();
  }

  /** The house as the database has it now; for whoever must ask before it corrects. */
  async current(): Promise<House> {
    const whole = await this.store.whole();
    const { house } = await this.reads.reading((db) => houseInside(db, whole));
    return house;
  }

  private async walk(deed: WrittenDeed | undefined, kind: 'takenBack' | 'putBack'): Promise<void> {
    if (deed !== undefined) {
      await this.sayAll(deed.entries.map((e) => ({ kind, entryId: e.id, undo: true })));
    }
  }

  private async make<T>(words: string, act: Act<T>): Promise<T | undefined> {
    const hand = this.hand();
    const outcome = await this.attempt(act, hand);
    if (outcome.ok) {
      this.notices.settled(words);
      return outcome.value;
    }
    this.tell(words, hand.nowMs, words, outcome.error, async () => (await this.attempt(act, hand)).ok);
    return undefined;
  }

  private appending(entries: readonly Entry[], photo: Photo | undefined): Act<void> {
    return async (pen, hand) => {
      const { nowMs, device } = hand;
      const { house } = pen.found;
      if (house.entryById.has(entries[0]?.id ?? '')) {
        // Saved already, perhaps by another tab that kept it too.
        return;
      }
      checkDeed(house, entries, nowMs, (e) => entryWords(e, house));
      // The very first press of a browser was stamped before it had a name.
      await pen.addAll(
        'entries',
        entries.map((e) => (e.device === undefined && device !== undefined ? { ...e, device } : e)),
      );
      if (photo !== undefined) {
        await pen.add('photos', { ...photo, ...signed(hand) });
      }
    };
  }

  private async attempt<T>(act: Act<T>, hand = this.hand()): Promise<Outcome<T>> {
    try {
      const value = await this.writer.write(async (pen) => act(pen, { ...hand, device: await pen.device() }));
      this.time.touch();
      askToPersist();
      return { ok: true, value };
    } catch (error) {
      return { ok: false, error };
    }
  }

  /** Shows what was refused, and keeps what could not be saved. @returns whether it is kept */
  private couldNot(deed: UnsavedDeed, error: unknown): boolean {
    const [first] = deed.entries;
    if (first === undefined) {
      return true;
    }
    const house = this.store.house();
    const words = house === undefined ? first.kind : entryWords(first, house);
    const isKept = this.tell(
      aboutOf(deed.entries),
      Date.parse(first.at),
      words,
      error,
      () => this.saveAgain(deed),
      () => {
        this.shelf.drop(deed);
      },
    );
    if (isKept) {
      this.shelf.keep(deed);
    }
    return isKept;
  }

  private async saveAgain(deed: UnsavedDeed): Promise<boolean> {
    const outcome = await this.attempt(this.appending(deed.entries, deed.photo));
    if (outcome.ok) {
      this.shelf.drop(deed);
      return true;
    }
    if (isRefusal(outcome.error)) {
      this.notices.show({ text: messageOf(outcome.error), isKept: false, about: 'saved again' });
    }
    return false;
  }

  private tell(
    about: string,
    atMs: number,
    words: string,
    error: unknown,
    again: () => Promise<boolean>,
    letGo?: () => void,
  ): boolean {
    const isKept = !isRefusal(error);
    const text = isKept ? `Not saved: ${whyNotSaved(error)}` : `${messageOf(error)} Nothing was changed.`;
    const id = this.notices.show({
      text,
      isKept,
      about,
      ...(isKept && {
        deed: { words, atMs },
        ...(letGo && { letGo }),
        retry: {
          word: 'Save again',
          act: () => {
            void again().then((saved) => {
              if (saved) {
                this.notices.drop(id);
              }
            });
          },
        },
      }),
    });
    return isKept;
  }

  /** Once for each page: the clock, what a closed browser left unsaved, and what a newer version brings. */
  private async begin(ready: ReadyHouse): Promise<void> {
    this.clock.notBefore(newestOwnMs(ready));
    const whole = await this.store.whole().catch(() => undefined);
    if (whole === undefined) {
      // The page says why the records are shut.
      return;
    }
    this.clock.notBefore(newestOwnMs(whole));
    this.shelf.taken().forEach((deed) => {
      this.couldNot(deed, new Error('the browser was closed before'));
    });
    try {
      await moveLogs(this.db, whole.house);
      this.offers.set(await settle(this.db, shippedDefinitions()));
    } catch (error) {
      this.notices.show({
        text: `What this version brings could not be added: ${messageOf(error)}. Nothing was changed.`,
        isKept: false,
        about: 'settle',
      });
    }
  }

  /** No two entries of this tab share a moment, so that the newest is never in doubt. */
  private hand(): Hand {
    this.lastMs = Math.max(this.clock.now(), this.lastMs + 1);
    return { nowMs: this.lastMs, device: this.store.ready()?.device, ...this.writer.who() };
  }
}

async function keepBatch(pen: Pen, made: NewBatch, hand: Hand): Promise<NewBatch> {
  await pen.add('batches', { ...made.batch, ...signed(hand) });
  await pen.addAll(
    'vessels',
    made.vessels.map((v) => ({ ...v, ...signed(hand) })),
  );
  await pen.add('entries', { ...made.entry, ...signed(hand) });
  return made;
}

/** When this device wrote last, as far as it is read; 0 for never. */
function newestOwnMs({ house, device }: ReadyHouse): number {
  const newest = house.noted.findLast((e) => e.device === device);
  return newest === undefined ? 0 : Date.parse(newest.notedAt);
}

function nextBatchNumber(house: House, stage: BatchStage): number {
  return nextNumber(house.records.batches.filter((b) => b.stage === stage).map((b) => b.number));
}

function contextOf(hand: Hand): MakeContext {
  return { nowMs: hand.nowMs, random: Math.random };
}

function signed({ device, who }: Hand): { device?: DeviceId; who?: string } {
  return { ...(device !== undefined && { device }), ...(who !== undefined && { who }) };
}

/** The matter of a deed: what kind of thing, of what. */
function aboutOf(entries: readonly Entry[]): string {
  const [first] = entries;
  if (first === undefined) {
    return '';
  }
  const subject =
    'cookId' in first
      ? first.cookId
      : 'batchId' in first
        ? first.batchId
        : 'vesselIds' in first
          ? first.vesselIds[0]
          : 'entryId' in first
            ? first.entryId
            : '';
  return `${first.kind} ${subject ?? ''}`;
}

let asked = false;
/** Asks the browser once not to clear these records when the disk runs low. */
function askToPersist(): void {
  if (!asked) {
    asked = true;
    void navigator.storage.persist();
  }
}
