import {
  buildHouse,
  consequencesOf,
  emptyRecords,
  isRevived,
  withRows,
  type Entry,
  type EntryId,
} from '../index.js';
import { checkEntry } from './check-entry.js';
import { CultureBench } from '../testing/culture-bench.js';
import { outOfRange, refused } from '../testing/refused.js';

describe('what came, told anew', () => {
  const bench = () => {
    const one = new CultureBench();
    const [plate] = one.received(0, 'culture-dish', 40, 'wedge');
    const dishes = one.cooked(1, 'malt-agar', 'dish-90', 4);
    one.give(4, dishes.slice(0, 3), plate, 2, 'wedge');
    return { one, plate: plate!, batchId: one.view(plate).batch.id };
  };
  const told = ({ one, batchId }: ReturnType<typeof bench>, amount: number): Entry => ({
    id: '00000000-0000-4000-8000-000000000001' as EntryId,
    schemaVersion: 1,
    at: new Date(one.day(5)).toISOString(),
    notedAt: new Date(one.day(5)).toISOString(),
    kind: 'cultureTold',
    batchId,
    holds: { amount, unit: 'wedge' },
    origin: { how: 'swap', from: 'the club', transfers: 3 },
  });

  it('stands in place of what was told first, in every view and in every order of work', () => {
    const setting = bench();
    const entry = told(setting, 20);
    const { house } = setting.one;
    expect(setting.one.view(setting.plate).remaining).toBe(34);
    const grown = withRows(house, { entries: [entry] });
    const anew = buildHouse({
      ...emptyRecords(),
      ...house.records,
      entries: [...house.noted, entry],
    });
    for (const after of [grown, anew]) {
      const view = after.vesselById.get(setting.plate)!;
      expect(view.remaining).toBe(14);
      expect(view.batch.origin).toEqual({ how: 'swap', from: 'the club', transfers: 3 });
      expect(after.batchById.get(setting.batchId)!.batch.holds).toEqual({ amount: 20, unit: 'wedge' });
    }
    expect(consequencesOf(house, [entry])).toEqual([]);
  });

  it('is never less than what was taken of it, nor in another unit', () => {
    const setting = bench();
    const nowMs = setting.one.day(6);
    expect(() => {
      checkEntry(setting.one.house, told(setting, 5), nowMs);
    }).toThrowMatching(outOfRange('held', { min: 6 }));
    expect(() => {
      checkEntry(setting.one.house, told(setting, 6), nowMs);
    }).not.toThrow();
    const inMl = { ...told(setting, 30), holds: { amount: 30, unit: 'ml' } } as Entry;
    expect(() => {
      checkEntry(setting.one.house, inMl, nowMs);
    }).toThrowMatching(refused('not-found'));
  });
});

describe('a culture that is revived', () => {
  it('comes from a vessel that had stood in the fridge for weeks when it was given', () => {
    const bench = new CultureBench();
    const [slant] = bench.received(0, 'culture-slant', 6, 'wedge');
    const dishes = bench.cooked(1, 'malt-agar', 'dish-90', 4);
    bench.give(100, [dishes[0]!], slant, 1, 'wedge');
    expect(isRevived(bench.view(dishes[0]), bench.house)).toBe(true);
    bench.give(110, [dishes[1]!], dishes[0], 1, 'wedge');
    expect(isRevived(bench.view(dishes[1]), bench.house)).toBe(false);
    bench.say(120, { kind: 'moved', vesselIds: [dishes[0]!], place: 'fridge' });
    expect(isRevived(bench.view(dishes[1]), bench.house)).toBe(false);
    bench.give(125, [dishes[2]!], dishes[0], 1, 'wedge');
    expect(isRevived(bench.view(dishes[2]), bench.house)).toBe(false);
    bench.give(140, [dishes[3]!], dishes[0], 1, 'wedge');
    expect(isRevived(bench.view(dishes[3]), bench.house)).toBe(true);
  });
});
