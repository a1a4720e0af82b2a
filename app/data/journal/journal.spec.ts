import { TestBed } from '@angular/core/testing';
import { resolveFormula, scaleFormula, type BatchId } from '../../core/index';
import { Notices } from './notices';
import { Scribe } from './scribe';
import { SettingsService } from './settings-service';
import { furnishedHouse, until } from '../testing/house';

describe('the scribe', () => {
  let setup: Awaited<ReturnType<typeof furnishedHouse>>;
  let scribe: Scribe;

  beforeEach(async () => {
    setup = await furnishedHouse();
    scribe = TestBed.inject(Scribe);
  });
  afterEach(() => setup.close());

  async function madeBatch(): Promise<BatchId> {
    const { records } = setup.house();
    const formula = resolveFormula(
      records.formulas.find((f) => f.id === 'wheat-spawn')!,
      records.materials,
    );
    const vessel = records.vesselTypes.find((v) => v.id === 'quart-jar')!;
    const made = await scribe.makeBatch(formula, scaleFormula(formula, { vessel, count: 3 }));
    await until(setup.store, (h) => h.batches.length === 1);
    return made!.batch.id;
  }

  it('makes a batch with its vessels and its first entry, and names it', async () => {
    await madeBatch();
    const [view] = setup.house().batches;
    expect(view!.code).toBe('G1');
    expect(view!.vessels.map((v) => v.code)).toEqual(['G1-1', 'G1-2', 'G1-3']);
    expect(scribe.last()!.entry.kind).toBe('batchMade');
  });

  it('takes the newest entry back and puts it back, by adding and never by deleting', async () => {
    const batchId = await madeBatch();
    await scribe.say({ kind: 'stepDone', batchId, step: 'soak' });
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
    await scribe.undo();
    await until(setup.store, (h) => h.batches[0]!.lastStep === undefined);
    expect(scribe.last()!.takenBack).toBe(true);
    await scribe.undo();
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
    expect(await setup.db.rows('entries').count()).toBe(4);
  });

  it('refuses what cannot be true with words, and writes nothing', async () => {
    const batchId = await madeBatch();
    const before = await setup.db.rows('entries').count();
    expect(await scribe.say({ kind: 'weighed', batchId, massG: 3 })).toBe(false);
    expect(
      await scribe.say({ kind: 'stepDone', batchId, step: 'soak', at: '2001-01-01T00:00:00.000Z' }),
    ).toBe(false);
    expect(TestBed.inject(Notices).current()!.text).toMatch(
      /When must be after the batch was made.*Nothing was changed\./,
    );
    expect(await setup.db.rows('entries').count()).toBe(before);
  });

  it('keeps a failed save on screen and saves it again when asked', async () => {
    const batchId = await madeBatch();
    const add = spyOn(setup.db, 'transaction').and.rejectWith(
      new DOMException('the disk is full', 'QuotaExceededError'),
    );
    expect(await scribe.say({ kind: 'stepDone', batchId, step: 'soak' })).toBe(false);
    const notice = TestBed.inject(Notices).current()!;
    expect(notice.text).toMatch(/Not saved: the disk is full.*kept on screen/);
    add.and.callThrough();
    notice.retry!.act();
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'soak');
    expect(TestBed.inject(Notices).current()).toBeUndefined();
  });

  it('leaves out a row that no schema reads, counts it and keeps it', async () => {
    await setup.db.table('entries').add({ id: 'broken', kind: 'dreamt' });
    await until(setup.store, () => true);
    const status = await new Promise<number>((resolve) => {
      setup.store.status$.subscribe((s) => {
        if (s.kind === 'ready' && s.unreadable > 0) {
          resolve(s.unreadable);
        }
      });
    });
    expect(status).toBe(1);
    expect(await setup.db.rows('entries').count()).toBe(1);
  });

  it('keeps a setting only when its schema does', async () => {
    const settings = TestBed.inject(SettingsService);
    expect(await settings.change('household', 'household', { altitudeM: 640 })).toBe(true);
    expect(await settings.change('household', 'household', { altitudeM: 99_999 })).toBe(false);
    await until(setup.store, (h) => h.household!.altitudeM === 640);
    expect(TestBed.inject(Notices).current()!.text).toContain('Altitude (m)');
  });

  it('loses neither of two settings that are changed at once', async () => {
    const settings = TestBed.inject(SettingsService);
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
      scribe.say({ kind: 'stepDone', batchId, step: 'soak' }),
      scribe.say({ kind: 'stepDone', batchId, step: 'simmer' }),
    ]);
    await until(setup.store, (h) => h.batches[0]!.lastStep === 'simmer');
    expect(scribe.last()!.entry).toEqual(jasmine.objectContaining({ step: 'simmer' }));
  });
});
