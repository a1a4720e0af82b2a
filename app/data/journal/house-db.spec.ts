import Dexie from 'dexie';
import { TABLE_NAMES, readRow, type TableName } from '../../core/index';
import { HouseDb, VERSION_1 } from './house-db';
import fixture from './fixtures/database-v1.json';

const NAME = 'nailwort-spec-upgrade';

describe('the database', () => {
  afterEach(() => Dexie.delete(NAME));

  it('opens what version 1 stored, with every row whole', async () => {
    const old = new Dexie(NAME);
    old.version(1).stores(VERSION_1);
    const tables = fixture.tables as unknown as Record<TableName, object[]>;
    for (const name of TABLE_NAMES) {
      await old.table(name).bulkAdd(tables[name]);
    }
    old.close();

    const db = new HouseDb(NAME);
    for (const name of TABLE_NAMES) {
      const rows: unknown[] = await db.rows(name).toArray();
      expect(rows.length).withContext(name).toBeGreaterThanOrEqual(tables[name].length);
      const ids = new Set(rows.map((row) => (row as { id: string }).id));
      expect(tables[name].every((row) => ids.has((row as { id: string }).id)))
        .withContext(name)
        .toBeTrue();
      rows.forEach((row) =>
        expect(readRow(name, row).ok)
          .withContext(`${name} ${JSON.stringify(row).slice(0, 80)}`)
          .toBe(true),
      );
    }
    expect(db.verno).toBe(2);
    const wheat = await db.rows('materials').get('wheat');
    expect(wheat?.nitrogen?.value).toBeGreaterThan(0);
    expect(await db.rows('formulas').get('malt-agar')).toBeDefined();
    expect((await db.rows('appliances').get('canner'))?.places['bottle-500']).toBeGreaterThan(0);
    db.close();
  });
});
