import { EnvironmentInjector, createEnvironmentInjector } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { frontOf, type DeviceId } from '../../../core/index';
import { demoHouse, type SpecHouse } from '../../testing/house';
import { SteadyClock } from '../clock/steady-clock';
import { Time } from '../clock/time';
import { Journal } from '../journal/journal';
import { Writer } from '../journal/writer';
import { HOUSE_DB } from './database';
import { HouseDb } from './house-db';
import { HouseStore, type HouseStatus } from './house-store';
import { Notices } from './notices';
import { HouseReads } from './reads';

/** Another page on the database of a spec, and every status that it shows. */
function openAgain(setup: SpecHouse): {
  readonly statuses: HouseStatus[];
  readonly journal: Journal;
  readonly clock: SteadyClock;
  readonly store: HouseStore;
  readonly close: () => void;
} {
  const db = new HouseDb(setup.db.name);
  const injector = createEnvironmentInjector(
    [
      { provide: HOUSE_DB, useValue: db },
      HouseReads,
      HouseStore,
      Journal,
      Writer,
      Notices,
      SteadyClock,
      Time,
    ],
    TestBed.inject(EnvironmentInjector),
  );
  const statuses: HouseStatus[] = [];
  const store = injector.get(HouseStore);
  store.status$.subscribe((s) => statuses.push(s));
  return {
    statuses,
    store,
    journal: injector.get(Journal),
    clock: injector.get(SteadyClock),
    close: () => {
      injector.destroy();
      db.close();
    },
  };
}

describe('opening a house', () => {
  let setup: SpecHouse;
  let page: ReturnType<typeof openAgain>;

  beforeEach(async () => {
    setup = await demoHouse();
    const { house, revision } = setup.store.ready()!;
    await TestBed.inject(HouseReads).keepFront(revision, frontOf(house));
  });
  afterEach(async () => {
    page.close();
    await setup.close();
  });

  it('shows what is in hand first, and the whole of it soon after', async () => {
    page = openAgain(setup);
    const whole = await page.store.whole();
    const ready = page.statuses.filter((s) => s.kind === 'ready');
    expect(ready.map((s) => s.isWhole)).toEqual([false, true]);
    const inHand = setup.house().inHand.map((b) => b.code);
    expect(ready.map((s) => s.house.inHand.map((b) => b.code))).toEqual([inHand, inHand]);
    expect(ready[0]!.house.facts.length).toBeLessThan(setup.house().facts.length);
    expect(whole.house.batches.length).toBe(setup.house().batches.length);
  });

  it('shows with it what was written since it was kept', async () => {
    const [jar] = setup.house().inHand.flatMap((b) => b.vessels.filter((v) => v.state.phase === 'running'));
    const { id } = jar!.vessel;
    await TestBed.inject(Journal).say({ kind: 'inspected', vesselIds: [id], note: 'since then' });
    page = openAgain(setup);
    await page.store.whole();
    const first = page.statuses.find((s) => s.kind === 'ready')!;
    expect(first.isWhole).toBeFalse();
    expect(first.house.vesselById.get(id)!.state.notes.at(-1)!.text).toBe('since then');
  });

  it('parses anew what another build kept, and opens without a copy that is spoiled', async () => {
    const [jar] = setup.house().inHand.flatMap((b) => b.vessels);
    const front = await setup.db.meta.get('front');
    if (front?.id !== 'front') {
      throw new Error('no front');
    }
    const rows = { ...front.rows, vessels: [{ ...jar!.vessel, code: 7 }, ...front.rows.vessels!.slice(1)] };
    const firstOf = async (build: string | undefined, kept: object) => {
      await setup.db.meta.put({ ...front, build, rows: kept });
      page = openAgain(setup);
      await page.store.whole();
      const [first] = page.statuses.filter((s) => s.kind === 'ready');
      page.close();
      return first!;
    };
    expect((await firstOf('another', rows)).unread.length).toBe(1);
    expect((await firstOf(front.build, front.rows)).isWhole).toBeFalse();
    expect((await firstOf(front.build, { ...rows, entries: [null] })).isWhole).toBeTrue();
    page = openAgain(setup);
  });

  it('writes nothing against a part of the house: a press waits for the rest', async () => {
    page = openAgain(setup);
    const gone = setup.house().batches.find((b) => !setup.house().inHand.includes(b))!;
    expect(
      await page.journal.say({ kind: 'batchNoted', batchId: gone.batch.id, note: 'long ago' }),
    ).toBeTrue();
    expect(page.store.house()!.batchById.get(gone.batch.id)!.notes.at(-1)!.note).toBe('long ago');
  });

  it('sets the clock by its own newest entry, though it is not among those that are read first', async () => {
    const device = '018f0000-0000-7000-8000-0000000000aa';
    const over = setup.house().batches.find((b) => b.steps.length > 0 && !setup.house().inHand.includes(b))!;
    const [note] = over.steps;
    const aheadMs = Date.now() + 3_600_000;
    const at = (ms: number) => new Date(ms).toISOString();
    await setup.db.meta.put({ id: 'device', value: device as DeviceId });
    // Its own entry is of a clock that ran ahead; what another device wrote later hides it from the front.
    const own = { ...note!, id: '018f0000-0000-7000-8000-0000000000ab', device, notedAt: at(aheadMs) };
    const others = Array.from({ length: 70 }, (_, n) => ({
      id: `018f0000-0000-7000-8000-0000000001${n + 10}`,
      schemaVersion: 1,
      at: note!.at,
      notedAt: at(aheadMs + 1000 + n),
      device: '018f0000-0000-7000-8000-0000000000bb',
      kind: 'dayNoted',
      day: '2026-01-01',
      note: 'x',
    }));
    await setup.lay('entries', own, ...others);
    const { house, revision } = setup.store.ready()!;
    expect(frontOf(house)!.entries!.some((e) => e.id === own.id)).toBeFalse();
    await TestBed.inject(HouseReads).keepFront(revision, frontOf(house));
    page = openAgain(setup);
    await page.store.whole();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(page.clock.now()).toBeGreaterThan(aheadMs);
  });

  it('does without, where too much was laid anew since', async () => {
    await setup.db.bump('all');
    page = openAgain(setup);
    await page.store.whole();
    expect(page.statuses.flatMap((s) => (s.kind === 'ready' ? [s.isWhole] : []))).toEqual([true]);
  });
});

describe('what another tab wrote', () => {
  it('is read alone, and all of it where that is no longer known', async () => {
    const setup = await demoHouse();
    const before = setup.store.ready()!;
    const [batch] = before.house.records.batches;
    const all = spyOn(setup.db.table('entries'), 'toArray').and.callThrough();
    await setup.lay('batches', { ...batch!, madeAt: '2025-01-01T00:00:00.000Z' });
    expect(all).not.toHaveBeenCalled();
    expect(setup.house().batchById.get(batch!.id)!.batch.madeAt).toMatch(/^2025/);
    const other = setup.house().batches.find((b) => b.batch.id !== batch!.id)!;
    expect(before.house.batchById.get(other.batch.id)).toBe(other);
    await setup.db.changes.clear();
    await setup.lay('batches', { ...batch!, madeAt: '2024-01-01T00:00:00.000Z' });
    expect(setup.house().batchById.get(batch!.id)!.batch.madeAt).toMatch(/^2024/);
    await setup.close();
  });
});
