import Dexie from 'dexie';
import {
  SHIPPED_TABLES,
  TABLE_NAMES,
  buildHouse,
  readRow,
  readingsOf,
  shippedDefinitions,
  type Records,
  type TableName,
} from '../../../core/index';
import fixture1 from '../fixtures/database-v1.json';
import fixture2 from '../fixtures/database-v2.json';
import { whyShut } from '../words/why-shut';
import { HouseDb } from './house-db';
import { moveLogs } from '../journal/move-logs';
import { settle } from '../journal/settle';
import { houseInside } from './ready-house';
import { VERSION_1, VERSION_3, VERSION_4 } from './versions';

const NAME = 'nailwort-spec-upgrade';

type Tables = Record<TableName, readonly { readonly id: string }[] | undefined>;

async function storeOld(version: number, tables: Tables, more: readonly object[] = []): Promise<void> {
  const old = new Dexie(NAME);
  old.version(version).stores(VERSION_1);
  for (const name of Object.keys(VERSION_1) as TableName[]) {
    await old.table(name).bulkAdd([...(tables[name] ?? [])]);
  }
  await old.table('entries').bulkAdd([...more]);
  old.close();
}

/** As version 3 left it: it counted its writes, and did not say what they wrote. */
async function storeVersion3(tables: Tables): Promise<void> {
  const old = new Dexie(NAME);
  old.version(3).stores({ ...VERSION_1, ...VERSION_3 });
  for (const name of Object.keys(VERSION_1) as TableName[]) {
    await old.table(name).bulkAdd([...(tables[name] ?? [])]);
  }
  await old.table('meta').bulkAdd([
    { id: 'revision', value: 17 },
    { id: 'epoch', value: 3 },
  ]);
  old.close();
}

const LOGGED = '018f0000-0000-7000-8000-00000000bbb1';

/** As version 4 left it, with logs as entries: a whole one, one that was taken back and put back, and a typed reading. */
async function storeVersion4(tables: Tables): Promise<void> {
  const old = new Dexie(NAME);
  old.version(4).stores({ ...VERSION_1, ...VERSION_3, ...VERSION_4 });
  for (const name of Object.keys(VERSION_1) as TableName[]) {
    await old.table(name).bulkAdd([...(tables[name] ?? [])]);
  }
  const at = '2026-11-01T08:00:00.000Z';
  const fact = { schemaVersion: 1, at, notedAt: at };
  const log = { ...fact, kind: 'logged', cookId: tables.cooks![0]!.id, channel: 'coreC', source: 'logger' };
  const struck = '018f0000-0000-7000-8000-00000000bbb2';
  await old.table('entries').bulkAdd([
    { ...log, id: LOGGED, readings: Array.from({ length: 288 }, (_, i) => [i * 150, 20 + (i % 3)]) },
    {
      ...log,
      id: struck,
      at: '2026-11-02T08:00:00.000Z',
      readings: [
        [0, 20],
        [60, 21],
        [120, 22],
      ],
    },
    {
      ...log,
      id: '018f0000-0000-7000-8000-00000000bbb3',
      at: '2026-11-03T08:00:00.000Z',
      readings: [[0, 30]],
    },
    { ...fact, id: '018f0000-0000-7000-8000-00000000bbb4', kind: 'takenBack', entryId: struck },
    {
      ...fact,
      id: '018f0000-0000-7000-8000-00000000bbb5',
      notedAt: '2026-11-01T08:01:00.000Z',
      kind: 'putBack',
      entryId: struck,
    },
  ]);
  await old.table('meta').bulkAdd([{ id: 'revision', value: 17 }]);
  old.close();
}

async function records(db: HouseDb): Promise<Omit<Records, 'photos'>> {
  const rows = await Promise.all(
    TABLE_NAMES.map(async (name) => [name, await db.rows(name).toArray()] as const),
  );
  return Object.fromEntries(rows) as unknown as Records;
}

describe('the database', () => {
  let db: HouseDb | undefined;
  afterEach(async () => {
    db?.close();
    await Dexie.delete(NAME);
  });

  for (const [version, fixture] of [
    [1, fixture1],
    [2, fixture2],
  ] as const) {
    it(`opens what version ${version} stored, with every row whole, and gains what ships`, async () => {
      const tables = fixture.tables as unknown as Tables;
      await storeOld(version, tables);
      db = new HouseDb(NAME);
      await db.openOurs();
      await settle(db, shippedDefinitions());
      for (const name of TABLE_NAMES) {
        const rows: unknown[] = await db.rows(name).toArray();
        const ids = new Set(rows.map((row) => (row as { id: string }).id));
        expect((tables[name] ?? []).every((row) => ids.has(row.id)))
          .withContext(name)
          .toBeTrue();
        rows.forEach((row) =>
          expect(readRow(name, row).ok)
            .withContext(`${name} ${JSON.stringify(row).slice(0, 80)}`)
            .toBe(true),
        );
      }
      const ships = shippedDefinitions();
      for (const table of SHIPPED_TABLES) {
        const ids = new Set((await db.rows(table).toArray()).map((r) => r.id));
        expect(ships[table].every((r) => ids.has(r.id)))
          .withContext(table)
          .toBeTrue();
      }
      const house = buildHouse(await records(db));
      expect(house.troubles).toEqual([]);
      expect(house.batches.length).toBe((tables.batches ?? []).length);
    });
  }

  it('keeps cautions by id and cuts readings that were too long for their own schema', async () => {
    const tables = fixture2.tables as unknown as Tables;
    const cookId = tables.cooks![0]!.id;
    const at = '2026-11-01T08:00:00.000Z';
    const common = { schemaVersion: 1, at, notedAt: at };
    await storeOld(2, tables, [
      {
        ...common,
        id: '018f0000-0000-7000-8000-00000000aaaa',
        kind: 'cautionRead',
        caution: 'Box stocked, air settling',
      },
      {
        ...common,
        id: '018f0000-0000-7000-8000-00000000bbbb',
        kind: 'logged',
        cookId,
        channel: 'coreC',
        source: 'logger',
        readings: Array.from({ length: 1152 }, (_, i) => [i * 300, 20]),
      },
    ]);
    db = new HouseDb(NAME);
    const rows: unknown[] = await db.rows('entries').toArray();
    rows.forEach((row) => expect(readRow('entries', row).ok).toBeTrue());
    const { entries } = await records(db);
    expect(entries.find((e) => e.kind === 'cautionRead' && e.caution === 'airSettled')).toBeDefined();
    const logged = entries.filter((e) => e.kind === 'logged' && e.source === 'logger');
    expect(logged.flatMap((e) => (e.kind === 'logged' ? e.readings : [])).length).toBe(1152);
    expect(new Set(logged.map((e) => e.at)).size).toBe(2);
  });

  it('moves logs that version 4 kept as entries, whole and once, but for those that a correction names', async () => {
    const tables = fixture2.tables as unknown as Tables;
    await storeVersion4(tables);
    db = new HouseDb(NAME);
    await db.openOurs();
    const before = await houseInside(db);
    const own = (id: string) => before.house.cookById.get(id as never)!.logs;
    const cookId = tables.cooks![0]!.id;
    expect(own(cookId).map((l) => l.count)).toEqual([288, 3, 1]);
    await moveLogs(db, before.house);
    const after = await houseInside(db, before);
    const cook = after.house.cookById.get(cookId as never)!;
    expect(after.revision).toBe(before.revision + 1);
    expect(cook.logRows.map((l) => l.id)).toEqual([LOGGED]);
    expect(cook.logs.map((l) => l.count).sort()).toEqual([1, 288, 3]);
    expect(readingsOf(cook.logs, 'coreC')).toEqual(readingsOf(own(cookId), 'coreC'));
    const [chunk] = await db.rows('readings').toArray();
    expect([chunk!.id, chunk!.count]).toEqual([LOGGED, 288]);
    expect(await db.rows('entries').get(LOGGED)).toBeUndefined();
    // A file of an older version brings it again.
    await db.rows('entries').put(before.house.entryById.get(LOGGED)!);
    await db.bump({ entries: [LOGGED] });
    const again = await houseInside(db, after);
    expect(again.house.cookById.get(cookId as never)!.logs.length).toBe(3);
    await moveLogs(db, again.house);
    expect(await db.rows('logs').count()).toBe(1);
  });

  it('goes on from what version 3 counted, and says from then on what was written', async () => {
    const tables = fixture2.tables as unknown as Tables;
    await storeVersion3(tables);
    db = new HouseDb(NAME);
    await db.openOurs();
    const whole = await houseInside(db);
    expect(whole.revision).toBe(17);
    expect(whole.house.records.entries.length).toBe(tables.entries!.length);
    const [batch] = tables.batches as Records['batches'];
    await db.rows('batches').put({ ...batch!, madeAt: '2020-01-01T00:00:00.000Z' });
    await db.bump({ batches: [batch!.id] });
    const next = await houseInside(db, whole);
    expect(next.revision).toBe(18);
    expect(next.house.records.batches.find((b) => b.id === batch!.id)!.madeAt).toMatch(/^2020/);
    // What was seen before the count of version 3 cannot be caught up with: all is read.
    const early = await houseInside(db, { ...whole, revision: 16 });
    expect(early.house.records.batches.find((b) => b.id === batch!.id)!.madeAt).toMatch(/^2020/);
  });

  it('reads again, after an update, what an older version could not', async () => {
    await storeOld(2, fixture2.tables as unknown as Tables);
    db = new HouseDb(NAME);
    await db.openOurs();
    const [known] = (fixture2.tables as unknown as Tables).entries!;
    await db.rows('entries').delete(known!.id);
    await db.unread.bulkAdd([
      { table: 'entries', row: known as never, reason: 'not one that this version knows' },
      { table: 'dreams', row: { id: 'a' }, reason: 'a kind of record that this version does not know' },
    ]);
    await settle(db, shippedDefinitions());
    expect(await db.rows('entries').get(known!.id)).toBeDefined();
    expect((await db.unread.toArray()).map((u) => u.table)).toEqual(['dreams']);
  });

  it('of a newer version is left alone, and says so', async () => {
    const newer = new Dexie(NAME);
    newer.version(99).stores({ ...VERSION_1, dreams: 'id' });
    await newer.table('dreams').add({ id: 'kept' });
    newer.close();
    db = new HouseDb(NAME);
    const error: unknown = await db.openOurs().then(
      () => undefined,
      (e: unknown) => e,
    );
    expect(whyShut(error)).toMatch(/written by a newer Nailwort.*Nothing was changed/);
    db.close();
    await newer.open();
    expect(await newer.table('dreams').count()).toBe(1);
    expect(newer.verno).toBe(99);
    newer.close();
  });

  it('tells why it is shut', () => {
    expect(whyShut('blocked')).toContain('Close the other tabs');
    expect(whyShut('displaced')).toContain('Reload this tab');
    expect(whyShut({ name: 'MissingAPIError' })).toContain('This browser keeps no records');
    expect(whyShut({ name: 'OpenFailedError', inner: { name: 'QuotaExceededError' } })).toContain(
      'disk is full',
    );
    expect(whyShut(new Error('odd'))).toContain('could not be opened: odd');
  });
});
