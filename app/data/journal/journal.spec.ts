import { HouseReads } from '../store/reads';
import { TestBed } from '@angular/core/testing';
import {
  readRow,
  resolveFormula,
  scaleFormula,
  subjectOfCook,
  type BatchId,
  type CookPlan,
  type Isolate,
  type NewBatch,
  type VesselId,
} from '../../../core/index';
import { anotherTab, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { HouseStore } from '../store/house-store';
import { ReadingsBook } from './readings-book';
import { Notices } from '../store/notices';
import { SteadyClock } from '../clock/steady-clock';
import { Definitions } from './definitions';
import { Journal } from './journal';

describe('the journal', () => {
  let setup: SpecHouse;
  let journal: Journal;

  beforeEach(async () => {
    setup = await furnishedHouse();
    journal = TestBed.inject(Journal);
  });
  afterEach(() => setup.close());

  async function madeBatch(): Promise<BatchId> {
    const { records } = setup.house();
    const formula = resolveFormula(
      records.formulas.find((f) => f.id === 'wheat-spawn')!,
      records.materials,
    );
    const vessel = records.vesselTypes.find((v) => v.id === 'quart-jar')!;
    const made = await journal.makeBatch(formula, scaleFormula(formula, { vessel, count: 3 }));
    await until(setup.store, (h) => h.batches.length === 1);
    return made!.batch.id;
  }

  it('makes a batch with its vessels and its first entry, and names it', async () => {
    await madeBatch();
    const [view] = setup.house().batches;
    expect(view!.code).toBe('G1');
    expect(view!.vessels.map((v) => v.code)).toEqual(['G1-1', 'G1-2', 'G1-3']);
    expect(journal.last()!.entry.kind).toBe('batchMade');
  });

  it('walks back entry by entry and forward again, by adding and never by deleting', async () => {
    const batchId = await madeBatch();
    await journal.say({ kind: 'stepDone', batchId, step: 'soak' });
    await journal.say({ kind: 'stepDone', batchId, step: 'simmer' });
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'simmer');
    await journal.undo();
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
    expect(journal.last()).toEqual(jasmine.objectContaining({ takenBack: true, canUndo: true }));
    await journal.undo();
    await until(setup.store, (h) => h.batches[0]!.lastStep === undefined);
    await journal.redo();
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
    await journal.redo();
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'simmer');
    expect(journal.canRedo()).toBeFalse();
    expect(await setup.db.rows('entries').count()).toBe(7);
  });

  it('says which device wrote, and who where someone is named', async () => {
    localStorage.setItem('nailwort-who', 'Ada');
    const batchId = await madeBatch();
    await journal.say({ kind: 'batchNoted', batchId, note: 'even' });
    const entries = await setup.db.rows('entries').toArray();
    localStorage.removeItem('nailwort-who');
    const { device } = await TestBed.inject(HouseReads).standing();
    expect(entries.every((e) => e.device === device)).toBeTrue();
    expect(entries.at(-1)!.who).toBe('Ada');
  });

  it('refuses what cannot be true with words, and writes nothing', async () => {
    const batchId = await madeBatch();
    const before = await setup.db.rows('entries').count();
    expect(await journal.say({ kind: 'weighed', batchId, massG: 3 })).toBe(false);
    expect(
      await journal.say({ kind: 'stepDone', batchId, step: 'soak', at: '2001-01-01T00:00:00.000Z' }),
    ).toBe(false);
    expect(TestBed.inject(Notices).shown().at(-1)!.text).toMatch(
      /When must be after the batch was made.*Nothing was changed\./,
    );
    expect(await setup.db.rows('entries').count()).toBe(before);
  });

  it('never writes what its own schema would not read again', async () => {
    const batchId = await madeBatch();
    const before = await setup.db.rows('entries').count();
    expect(await journal.say({ kind: 'batchNoted', batchId, note: 'x'.repeat(2001) })).toBeFalse();
    expect(await journal.say({ kind: 'volumeMeasured', batchId, volumeMl: 1e9 })).toBeFalse();
    expect(await setup.db.rows('entries').count()).toBe(before);
    const rows: unknown[] = await setup.db.rows('entries').toArray();
    rows.forEach((row) => expect(readRow('entries', row).ok).toBeTrue());
  });

  describe('when the disk is full', () => {
    const full = () => {
      const { db } = setup;
      const whole = db.transaction.bind(db) as (...args: unknown[]) => unknown;
      const add = spyOn(db, 'transaction').and.callFake(((...args: unknown[]) =>
        args[0] === 'r'
          ? whole(...args)
          : Promise.reject(new DOMException('the disk is full', 'QuotaExceededError'))) as never);
      return () => add.and.callThrough();
    };
    const kept = () => TestBed.inject(Notices).kept();

    it('keeps each entry on screen with its own time, and saves each alone when asked', async () => {
      const batchId = await madeBatch();
      const freed = full();
      expect(await journal.say({ kind: 'stepDone', batchId, step: 'soak' })).toBeTrue();
      await new Promise((resolve) => setTimeout(resolve, 60));
      expect(await journal.say({ kind: 'batchNoted', batchId, note: 'second' })).toBeTrue();
      const [first, second] = kept();
      expect(first!.text).toMatch(/Not saved: the disk is full.*It is kept here/);
      expect(first!.deed!.words).toMatch(/^G1: /);
      expect(second!.deed!.words).toContain('second');
      const trueMs = first!.deed!.atMs;
      freed();
      // What succeeds in the background takes nothing off the screen.
      expect(
        await TestBed.inject(ReadingsBook).keep([
          {
            subject: subjectOfCook(batchId as never),
            channel: 'coreC',
            source: 'x',
            atMs: Date.now(),
            value: 20,
          },
        ]),
      ).toBe('refused');
      await journal.say({ kind: 'cautionRead', caution: 'airSettled' });
      expect(kept().length).toBe(2);
      first!.retry!.act();
      await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
      const saved = setup.house().facts.find((f) => f.kind === 'stepDone')!;
      expect(Date.parse(saved.at)).toBe(trueMs);
      expect(kept().map((n) => n.deed!.words)).toEqual([second!.deed!.words]);
      second!.retry!.act();
      await until(setup.store, (h) => h.batches[0]!.notes.length === 1);
      expect(kept()).toEqual([]);
    });

    it('saved by one tab, an entry that another kept too is not saved twice', async () => {
      const batchId = await madeBatch();
      const freed = full();
      await journal.say({ kind: 'batchNoted', batchId, note: 'once' });
      freed();
      const next = await anotherTab(setup);
      await next.until(() => next.get(Notices).kept().length === 1);
      kept()[0]!.retry!.act();
      await until(setup.store, (h) => h.batches[0]!.notes.length === 1);
      next.get(Notices).kept()[0]!.retry!.act();
      await next.until(() => next.get(Notices).kept().length === 0);
      expect(next.get(Notices).kept()).toEqual([]);
      expect(setup.house().batches[0]!.notes.length).toBe(1);
      next.close();
    });

    it('still has the entry after a reload, until it is let go', async () => {
      const batchId = await madeBatch();
      const freed = full();
      await journal.say({ kind: 'batchNoted', batchId, note: 'do not lose me' });
      freed();
      const next = await anotherTab(setup);
      await next.until(() => next.get(Notices).kept().length === 1);
      const [notice] = next.get(Notices).kept();
      expect(notice!.deed!.words).toContain('do not lose me');
      notice!.letGo!();
      next.close();
      kept().forEach((n) => n.letGo?.());
      expect(localStorage.getItem('nailwort-unsaved')).toBeNull();
    });
  });

  describe('with two tabs and three', () => {
    const batchIn = (tab: { journal: Journal; store: HouseStore }): Promise<NewBatch | undefined> => {
      const { records } = tab.store.house()!;
      const formula = resolveFormula(
        records.formulas.find((f) => f.id === 'wheat-spawn')!,
        records.materials,
      );
      const vessel = records.vesselTypes.find((v) => v.id === 'quart-jar')!;
      return tab.journal.makeBatch(formula, scaleFormula(formula, { vessel, count: 2 }));
    };

    it('no two batches get one number, by two tabs or by a double press', async () => {
      const others = [await anotherTab(setup), await anotherTab(setup)];
      const tabs = [
        { journal, store: setup.store },
        ...others.map((tab) => ({ journal: tab.get(Journal), store: tab.get(HouseStore) })),
      ];
      const made = await Promise.all([...tabs, ...tabs].map(batchIn));
      expect(made.map((m) => m!.batch.number).sort()).toEqual([1, 2, 3, 4, 5, 6]);
      others.forEach((tab) => {
        tab.close();
      });
    });

    it('one culture is not spent twice, and one jar not dosed twice', async () => {
      const other = await anotherTab(setup);
      const isolate: Isolate = {
        id: 'bp',
        schemaVersion: 1,
        updatedAt: new Date().toISOString(),
        speciesId: setup.house().records.species[0]!.id,
        name: 'BP',
      };
      const vessel = setup.house().records.vesselTypes.find((v) => v.kind === 'syringe')!;
      const arrival = {
        stage: 'liquid' as const,
        vessel,
        isolate,
        arrivedMs: Date.now(),
        place: 'fridge' as const,
        note: '',
        isWild: false,
      };
      const culture = await journal.receiveCulture({
        ...arrival,
        holds: { amount: 10, unit: 'ml' },
        count: 1,
      });
      const empty = await journal.receiveCulture({ ...arrival, holds: { amount: 1, unit: 'ml' }, count: 2 });
      const [source] = culture!.vessels;
      await until(other.get(HouseStore), (h) => h.batches.length === 2);
      const dose = (by: Journal, target: VesselId) =>
        by.say({
          kind: 'inoculated',
          vesselIds: [target],
          sourceVesselIds: [source!.id],
          doseEach: 8,
          doseUnit: 'ml',
        });
      const results = await Promise.all([
        dose(journal, empty!.vessels[0]!.id),
        dose(other.get(Journal), empty!.vessels[1]!.id),
      ]);
      expect(results.filter(Boolean).length).toBe(1);
      const house = await until(setup.store, (h) => h.facts.some((f) => f.kind === 'inoculated'));
      expect(house.vesselById.get(source!.id)!.remaining).toBe(2);
      other.close();
    });

    it('one batch is loaded into one cook', async () => {
      const other = await anotherTab(setup);
      const batch = await batchIn({ journal, store: setup.store });
      await until(other.get(HouseStore), (h) => h.batches.length === 1);
      // Taken straight to the cooker: hydration is not what is tried here.
      const [appliance] = setup.house().records.appliances;
      const plan = {
        gaugeKPa: 100,
        atmosphereKPa: 101,
        chamberC: 120,
        holdMinutes: 90,
        ventMinutes: 10,
        comeUpMinutes: 20,
        openAfterMinutes: 60,
        comeUpEstimateMinutes: 20,
        water: { startMl: 3000 },
        startC: 20,
        schoolMinutes: 90,
        basis: 'trade',
      } as unknown as CookPlan;
      const ids = batch!.vessels.map((v) => v.id);
      const cooks = await Promise.all(
        [journal, other.get(Journal)].map((j) => j.startCook(appliance!, plan, ids, 'lidChecklist')),
      );
      expect(cooks.filter((c) => c !== undefined).length).toBe(1);
      expect(await setup.db.rows('cooks').count()).toBe(1);
      other.close();
    });
  });

  describe('when the clock is set back', () => {
    it('goes on from the time before: presses are kept, in their order', async () => {
      const batchId = await madeBatch();
      await journal.say({ kind: 'stepDone', batchId, step: 'soak' });
      await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
      const real = Date.now;
      spyOn(Date, 'now').and.callFake(() => real() - 3_600_000);
      expect(await journal.say({ kind: 'stepDone', batchId, step: 'simmer' })).toBeTrue();
      await until(setup.store, (h) => h.batches[0]!.lastStep === 'simmer');
      expect(journal.last()!.entry).toEqual(jasmine.objectContaining({ step: 'simmer' }));
      expect(TestBed.inject(SteadyClock).setBackMs() / 60_000).toBeCloseTo(60, 0);
    });

    it('a page that is opened after that goes on from the newest entry', () => {
      const clock = new SteadyClock();
      clock.notBefore(Date.now() + 3_600_000);
      expect(clock.now()).toBeGreaterThan(Date.now() + 3_599_000);
      const wrong = new SteadyClock();
      wrong.notBefore(Date.now() + 400 * 86_400_000);
      expect(wrong.setBackMs()).toBe(0);
    });
  });

  it('refuses a correction that would make later entries impossible, and names them', async () => {
    const batchId = await madeBatch();
    await journal.say({ kind: 'stepDone', batchId, step: 'soak' });
    const house = await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
    const made = house.facts.find((f) => f.kind === 'batchMade')!;
    expect(await journal.say({ kind: 'takenBack', entryId: made.id })).toBeFalse();
    expect(TestBed.inject(Notices).shown()[0]!.text).toMatch(/later entries would be impossible: G1: /);
    const soak = house.facts.find((f) => f.kind === 'stepDone')!;
    const both = [made, soak].map((f) => ({ kind: 'takenBack' as const, entryId: f.id }));
    expect(await journal.sayAll(both)).toBeTrue();
    await until(setup.store, (h) => h.batches.length === 0);
    // One press struck both, so one press brings both back.
    await journal.undo();
    await until(setup.store, (h) => h.batches[0]?.lastStep === 'soak');
  });

  it('leaves out a row that no schema reads, counts it and keeps it', async () => {
    await setup.lay('entries', { id: 'broken', kind: 'dreamt' });
    expect(setup.store.ready()!.unread.length).toBe(1);
    expect(await setup.db.rows('entries').count()).toBe(1);
  });

  it('keeps a setting only when its schema does', async () => {
    const settings = TestBed.inject(Definitions);
    expect(await settings.change('household', 'household', { altitudeM: 640 })).toBe(true);
    expect(await settings.change('household', 'household', { altitudeM: 99_999 })).toBe(false);
    await until(setup.store, (h) => h.household!.altitudeM === 640);
    expect(TestBed.inject(Notices).shown()[0]!.text).toContain('Altitude (m)');
  });

  it('loses neither of two settings that are changed at once', async () => {
    const settings = TestBed.inject(Definitions);
    const both = await Promise.all([
      settings.change('household', 'household', { pressureUnit: 'kPa' }),
      settings.change('household', 'household', { massUnit: 'oz' }),
    ]);
    expect(both).toEqual([true, true]);
    const house = await until(
      setup.store,
      (h) => h.household!.massUnit === 'oz' && h.household!.pressureUnit === 'kPa',
    );
    expect(house.household!.altitudeM).toBe(0);
  });

  it('notes two entries of one moment in the order in which they were said', async () => {
    const batchId = await madeBatch();
    await Promise.all([
      journal.say({ kind: 'stepDone', batchId, step: 'soak' }),
      journal.say({ kind: 'stepDone', batchId, step: 'simmer' }),
    ]);
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'simmer');
    expect(journal.last()!.entry).toEqual(jasmine.objectContaining({ step: 'simmer' }));
  });
});
