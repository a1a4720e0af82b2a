import {
  asShipped,
  emptyRecords,
  parseArchive,
  refreshShipped,
  shippedDefinitions,
  writeArchive,
  type Material,
  type Records,
  type Shipped,
} from '../index.js';
import { readFileSync } from 'node:fs';

const AT = '2026-06-01T00:00:00.000Z';
const now = shippedDefinitions(AT);

/** What a later version ships: rye is lighter, and says so. */
function later(): Shipped {
  const lighter = (m: Material): Material =>
    m.id === 'rye' ? { ...m, densityGPerL: { ...m.densityGPerL!, value: 715, source: 'a later book' } } : m;
  return asShipped({ ...now, materials: now.materials.map(lighter) }, { 'materials/rye': 2 });
}

function kept(house: Records, rows: Partial<Shipped>): Records {
  const put = (table: keyof Shipped) => {
    const better = new Map((rows[table] ?? []).map((r) => [r.id, r]));
    const old = (house[table] as readonly { id: string }[]).map((r) => better.get(r.id) ?? r);
    const known = new Set(old.map((r) => r.id));
    return [table, [...old, ...[...better.values()].filter((r) => !known.has(r.id))]] as const;
  };
  return { ...house, ...Object.fromEntries((Object.keys(rows) as (keyof Shipped)[]).map(put)) };
}

function withRye(change: Partial<Material>): Records {
  return { ...now, materials: now.materials.map((m) => (m.id === 'rye' ? { ...m, ...change } : m)) };
}

const rye = (rows: readonly Material[]) => rows.find((m) => m.id === 'rye');

describe('shipped definitions', () => {
  it('leave a house that has them as it is', () => {
    const { rows, offers } = refreshShipped(now, shippedDefinitions('2027-01-01T00:00:00.000Z'));
    expect(Object.values(rows).flat()).toEqual([]);
    expect(offers).toEqual([]);
  });

  it('bring a corrected figure to a house that did not change it, and keep what is the household’s own', () => {
    const house = withRye({
      bought: { price: 18.5, massG: 20_000, on: '2026-06-30' },
      lot: 'lot 3',
      updatedAt: '2026-07-01T00:00:00.000Z',
    });
    const better = rye(refreshShipped(house, later()).rows.materials)!;
    expect(better.densityGPerL!.value).toBe(715);
    expect(better).toEqual(
      jasmine.objectContaining({
        bought: { price: 18.5, massG: 20_000, on: '2026-06-30' },
        lot: 'lot 3',
        updatedAt: '2026-07-01T00:00:00.000Z',
      }),
    );
  });

  it('stand beside a row that was changed here, which stays', () => {
    const house = withRye({ moisture: { value: 0.14, low: 0.13, high: 0.15, source: 'my lot' } });
    const { rows, offers } = refreshShipped(house, later());
    expect(rye(rows.materials)).toBeUndefined();
    expect(offers.map((o) => [o.table, o.mine.id, (o.ships as Material).densityGPerL!.value])).toEqual([
      ['materials', 'rye', 715],
    ]);
  });

  it('change nothing more when done again', () => {
    const house = kept(now, refreshShipped(now, later()).rows);
    expect(Object.values(refreshShipped(house, later()).rows).flat()).toEqual([]);
  });

  it('reach a house of the first version: what is new comes in, what it had stays', () => {
    const old = JSON.parse(readFileSync('app/data/fixtures/database-v1.json', 'utf8')) as { tables: Records };
    const written = writeArchive({ ...emptyRecords(), ...old.tables }, { writtenAt: AT });
    const before = parseArchive(written).records;
    const { rows } = refreshShipped(before, now);
    const house = kept(before, rows);
    expect(house.materials.length).toBe(now.materials.length);
    // The first version had fewer species: an older house gains those too.
    expect(house.species.map((s) => s.id).sort()).toEqual(now.species.map((s) => s.id).sort());
    expect(house.formulas.every((f) => f.source !== undefined)).toBeTrue();
    const wheat = house.materials.find((m) => m.id === 'wheat')!;
    expect(wheat.nitrogen).toBeDefined();
    expect(wheat.densityGPerL).toEqual(before.materials.find((m) => m.id === 'wheat')!.densityGPerL);
    expect(Object.values(refreshShipped(house, now).rows).flat()).toEqual([]);
  });
});
