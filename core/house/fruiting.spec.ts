import {
  checkEntry,
  cutTimes,
  cutWindow,
  dueItems,
  fruitingOf,
  nextCutMs,
  lastAtPlace,
  tendingDue,
  type VesselId,
} from '../index.js';
import { DAY_MS, HOUR_MS } from '../base/time.js';
import { CultureBench } from '../testing/culture-bench.js';
import { refused } from '../testing/refused.js';

describe('the window of the cut', () => {
  it('is practice at first, leans to one’s own flushes, and narrows with them', () => {
    const bench = new CultureBench();
    const blocks = bench.openedBlocks(5);
    const usual = cutWindow('black-poplar', bench.house);
    expect(usual).toEqual({ days: 6, low: 4.5, high: 7.5, flushes: 0 });
    blocks.slice(0, 4).forEach((id, i) => {
      bench.say(40 + i, { kind: 'pinned', vesselIds: [id] });
      bench.say(44 + i, { kind: 'harvested', vesselIds: [id], massG: 300 });
    });
    const own = cutWindow('black-poplar', bench.house);
    expect(own.flushes).toBe(4);
    // Three of practice at 6 days and four of four: (18 + 16) / 7.
    expect(own.days).toBeCloseTo(34 / 7, 9);
    expect(cutWindow('shiitake', bench.house).flushes).toBe(0);
    bench.say(50, { kind: 'pinned', vesselIds: [blocks[4]!] });
    const pinned = bench.view(blocks[4]);
    expect(nextCutMs(pinned, bench.house)).toBeCloseTo(bench.day(50) + own.days * DAY_MS, 0);
    const { fromMs, atMs, sporesMs } = cutTimes(pinned, bench.house)!;
    expect(fromMs).toBeLessThan(atMs);
    expect(atMs).toBeLessThan(sporesMs);
    expect(fruitingOf(pinned, bench.house, bench.day(51))).toBe('pins');
    expect(fruitingOf(pinned, bench.house, bench.day(55))).toBe('ripe');
  });

  it('rings before spores fall, at a moment, and not before', () => {
    const bench = new CultureBench();
    const [block] = bench.openedBlocks(1);
    bench.say(40, { kind: 'pinned', vesselIds: [block!] });
    const { sporesMs } = cutTimes(bench.view(block), bench.house)!;
    const cut = (nowMs: number) =>
      dueItems(bench.house, nowMs).find((d) => d.deed.kind === 'harvest' || d.deed.kind === 'spores')!;
    expect(cut(sporesMs - 13 * HOUR_MS).deed.kind).toBe('harvest');
    const alarm = cut(sporesMs - 11 * HOUR_MS);
    expect([alarm.deed.kind, alarm.exact, alarm.atMs]).toEqual(['spores', true, sporesMs - 12 * HOUR_MS]);
  });

  it('is weeks to months away where a bag is left shut', () => {
    const bench = new CultureBench();
    const [shut, open] = bench.openedBlocks(2);
    bench.say(31, { kind: 'opened', vesselIds: [shut!], how: 'shut', place: 'shelf' });
    const waits = (id: VesselId | undefined) => nextCutMs(bench.view(id), bench.house)!;
    expect(waits(shut) - waits(open)).toBeGreaterThan(20 * DAY_MS);
    bench.say(32, { kind: 'chilled', vesselIds: [shut!], hours: 14, celsius: 5 });
    expect(bench.view(shut).state.chills).toEqual([
      { at: new Date(bench.day(32)).toISOString(), hours: 14, celsius: 5 },
    ]);
  });
});

describe('mist and fresh air', () => {
  it('are asked for by the rhythm of a place where something fruits, from the last time on', () => {
    const bench = new CultureBench();
    const tent = bench.house.placeById.get('tent')!;
    bench.place({ ...tent, mistEveryH: 12, fanEveryH: 8 });
    expect(tendingDue(bench.house, bench.day(31))).toEqual([]);
    bench.openedBlocks(1);
    const due = (nowMs: number) => tendingDue(bench.house, nowMs).map(({ how, atMs }) => [how, atMs]);
    expect(due(bench.day(31))).toEqual([
      ['misted', bench.day(31)],
      ['fanned', bench.day(31)],
    ]);
    bench.say(31, { kind: 'tended', placeId: 'tent', how: 'misted' });
    bench.say(31.5, { kind: 'tended', placeId: 'tent', how: 'misted' });
    expect(lastAtPlace(bench.house, 'tent')).toEqual({ misted: bench.day(31.5) });
    expect(due(bench.day(32))).toEqual([
      ['misted', bench.day(32)],
      ['fanned', bench.day(32)],
    ]);
    expect(
      dueItems(bench.house, bench.day(31.6)).some((d) => d.deed.kind === 'tend' && d.atMs === bench.day(32)),
    ).toBeTrue();
  });

  it('are refused for a place that is not known', () => {
    const bench = new CultureBench();
    expect(() =>
      checkEntry(
        bench.house,
        {
          id: '0b0f4a2e-5b1e-4b53-9d1a-111111111111' as never,
          schemaVersion: 1,
          at: new Date(bench.day(39)).toISOString(),
          notedAt: new Date(bench.day(39)).toISOString(),
          kind: 'tended',
          placeId: 'nowhere',
          how: 'misted',
        },
        bench.day(40),
      ),
    ).toThrowMatching(refused('not-found'));
  });
});
