import {
  buildHouse,
  consequencesOf,
  defaultHousehold,
  emptyRecords,
  fillInto,
  mayBeRefilled,
  parseArchive,
  shippedDefinitions,
  withRows,
  writeArchive,
  type BatchId,
  type Entry,
  type EntryId,
  type House,
  type VesselId,
} from '../index.js';
import { DemoBuilder } from '../demo/demo-builder.js';
import { outOfRange, refused } from '../testing/refused.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';
import { checkEntry } from './check-entry.js';

describe('a batch that goes into other vessels', () => {
  const AT = new Date(START_MS).toISOString();
  const household = defaultHousehold(AT);
  const made = (formulaId: string, vesselTypeId: string, count: number) => {
    const demo = new DemoBuilder({ ...shippedDefinitions(AT), household: [household] }, household, true);
    const ids = demo.medium(START_MS, 1, formulaId, vesselTypeId, count);
    return { demo, ids, batchId: demo.view(ids[0]!).batch.id };
  };
  let next = 0;
  const entryOf = (house: House, batchId: BatchId, vesselTypeId: string, count: number) => {
    const vessel = house.records.vesselTypes.find((v) => v.id === vesselTypeId)!;
    next += 0.001;
    const context = { nowMs: START_MS + 0.4 * DAY_MS, random: () => (next += 0.0137) % 1 };
    const { vesselIds, made: rows } = fillInto(house, house.batchById.get(batchId)!, count, context);
    const at = new Date(START_MS + 0.4 * DAY_MS + next * 1000).toISOString();
    const entry: Entry = {
      id: `00000000-0000-4000-8000-${String(Math.round(next * 1e6)).padStart(12, '0')}` as EntryId,
      schemaVersion: 1,
      at,
      notedAt: at,
      kind: 'filledInto',
      batchId,
      vessel,
      vesselIds,
    };
    return { entry, rows };
  };

  it('keeps what was weighed and shares it out anew: eight quarts of grain into two bags', () => {
    const { demo, batchId } = made('wheat-spawn', 'quart-jar', 8);
    const house = buildHouse(demo.records);
    const before = house.batchById.get(batchId)!;
    const { entry, rows } = entryOf(house, batchId, 'block-bag', 2);
    expect(rows).withContext('the numbers on two lids stay').toEqual([]);
    const grown = withRows(house, { entries: [entry] });
    const anew = buildHouse({ ...demo.records, entries: [...demo.records.entries, entry] });
    for (const after of [grown, anew]) {
      const view = after.batchById.get(batchId)!;
      expect([view.batch.vessel.id, view.vessels.map((v) => v.code)]).toEqual([
        'block-bag',
        ['G1-1', 'G1-2'],
      ]);
      // By hand: four jars to a bag.
      expect(view.batch.plan!.vesselWetG).toBeCloseTo(4 * before.batch.plan!.vesselWetG, 9);
      expect(view.batch.plan!.parts).toEqual(before.batch.plan!.parts);
      expect(view.dryMatterG).toBe(before.dryMatterG);
      expect(view.batch.plan!.fill).toBeCloseTo((4 * 0.946 * before.batch.plan!.fill) / 6, 3);
      expect(after.vesselById.get(before.vessels[5]!.vessel.id)).toBeUndefined();
    }
    const fresh = withRows(grown, { entries: [takenBack(entry)] });
    expect(fresh.batchById.get(batchId)!.vessels.length).withContext('taken back').toBe(8);
    expect(fresh.batchById.get(batchId)!.batch.vessel.id).toBe('quart-jar');
  });

  it('portions one big pot: the first keeps its number, the others get the next ones, and all are cooked', () => {
    const { demo, batchId } = made('hardwood-hull', 'block-bag', 1);
    const house = buildHouse(demo.records);
    const { entry, rows } = entryOf(house, batchId, 'quart-jar', 4);
    expect(rows.map((r) => r.number)).toEqual([2, 3, 4]);
    demo.records.vessels.push(...rows);
    demo.records.entries.push(entry);
    const after = buildHouse(demo.records);
    const ids = after.batchById.get(batchId)!.vessels.map((v) => v.vessel.id);
    expect(ids.length).toBe(4);
    demo.cook(START_MS + DAY_MS, 1, ids);
    const cooked = buildHouse(demo.records);
    expect(cooked.batchById.get(batchId)!.vessels.map((v) => v.state.phase)).toEqual([
      'cooked',
      'cooked',
      'cooked',
      'cooked',
    ]);
    expect(mayBeRefilled(cooked.batchById.get(batchId)!)).toBe(false);
    // The cook goes by jars, not by the bag that was planned.
    const loaded = [...cooked.cookById.values()][0]!;
    expect(loaded.vesselIds).toEqual(ids);
    expect(() => {
      checkEntry(cooked, entryOf(cooked, batchId, 'block-bag', 1).entry, START_MS + 3 * DAY_MS);
    }).toThrowMatching(refused('wrong-phase'));
    const undone = withRows(house, { vessels: rows, entries: [entry, takenBack(entry)] });
    expect(undone.batchById.get(batchId)!.vessels.length).withContext('taken back in time').toBe(1);
    // What it makes impossible is said: three of the four that were cooked would never have been.
    expect(consequencesOf(cooked, [takenBack(entry)]).map((i) => i.fact.kind)).toContain('cookLoaded');
  });

  it('goes there and back with the same vessels, and is the same house in any order', () => {
    const { demo, batchId } = made('wheat-spawn', 'quart-jar', 6);
    let house = buildHouse(demo.records);
    const first = entryOf(house, batchId, 'block-bag', 1);
    house = withRows(house, { entries: [first.entry] });
    const back = entryOf(house, batchId, 'quart-jar', 6);
    expect(back.rows).toEqual([]);
    house = withRows(house, { entries: [back.entry] });
    const records = { ...demo.records, entries: [...demo.records.entries, first.entry, back.entry] };
    const told = buildHouse({ ...records, entries: [...records.entries].reverse() });
    for (const one of [house, told]) {
      const view = one.batchById.get(batchId)!;
      expect(view.vessels.length).toBe(6);
      expect(view.batch.plan).toEqual(buildHouse(demo.records).batchById.get(batchId)!.batch.plan);
    }
    const archived = writeArchive({ ...emptyRecords(), ...records }, { writtenAt: AT });
    expect(parseArchive(archived).records.entries.filter((e) => e.kind === 'filledInto').length).toBe(2);
  });

  it('is refused where it does not go in', () => {
    const { demo, batchId } = made('wheat-spawn', 'quart-jar', 8);
    const house = buildHouse(demo.records);
    expect(() => {
      checkEntry(house, entryOf(house, batchId, 'pint-jar', 2).entry, START_MS + DAY_MS);
    }).toThrowMatching(outOfRange({ field: 'fill', of: 'pint jars' }, { max: 1 }));
  });

  it('leaves a jar that was cooked meanwhile on another device where it is', () => {
    const { demo, batchId, ids } = made('wheat-spawn', 'quart-jar', 4);
    const { entry } = entryOf(buildHouse(demo.records), batchId, 'block-bag', 1);
    demo.cook(START_MS + DAY_MS, 1, [ids[3]!]);
    const merged = buildHouse({ ...demo.records, entries: [...demo.records.entries, entry] });
    const view = merged.batchById.get(batchId)!;
    expect(view.vessels.map((v): VesselId => v.vessel.id)).toEqual([ids[0]!, ids[3]!]);
    expect(merged.troubles).toEqual([]);
  });

  function takenBack(entry: Entry): Entry {
    const at = new Date(START_MS + 2 * DAY_MS).toISOString();
    return {
      id: '00000000-0000-4000-8000-00000000ffff' as EntryId,
      schemaVersion: 1,
      at,
      notedAt: at,
      kind: 'takenBack',
      entryId: entry.id,
    };
  }
});
