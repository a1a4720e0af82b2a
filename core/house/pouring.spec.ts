import {
  allReadyToInoculate,
  buildHouse,
  consequencesOf,
  coolMsOf,
  impossibleFacts,
  keptShut,
  pourPlates,
  pouringOf,
  seededRandom,
  toPour,
  withRows,
  type Entry,
  type House,
  type PourTold,
} from '../index.js';
import type { Said } from '../record/entry.js';
import { DemoBuilder } from '../demo/demo-builder.js';
import { HOUR_MS, MINUTE_MS } from '../base/time.js';
import { DAY_MS, START_MS, entryMaker, furnishedRecords } from '../testing/sample-house.js';
import { outOfRange } from '../testing/refused.js';

const OPEN_MS = START_MS + DAY_MS;

/** Plates that are cooked in bottles, whose cook was opened; and the way to pour them. */
class PourBench {
  readonly entry = entryMaker(seededRandom(7));
  house: House;
  readonly openedMs: number;

  constructor(dishes: number) {
    const records = furnishedRecords();
    const demo = new DemoBuilder(records, records.household[0]!, true);
    const ids = demo.medium(START_MS, 1, 'malt-agar', 'dish-90', dishes);
    demo.cook(OPEN_MS, 1, ids);
    this.house = buildHouse(demo.records);
    this.openedMs = this.house.cooks[0]!.state.openedMs!;
  }

  get pouring() {
    return pouringOf(this.house.batches[0]!, this.house)!;
  }

  say(atMs: number, ...saids: Said[]): readonly Entry[] {
    const entries = saids.map((said, i) => this.entry(atMs + i, said));
    this.house = withRows(this.house, { entries });
    return entries;
  }

  pour(minutes: number, told: Partial<PourTold>): readonly Entry[] {
    const nowMs = this.openedMs + minutes * MINUTE_MS;
    const { saids, made } = pourPlates(
      this.pouring,
      { poured: 0, dropped: 0, notSet: 0, rest: 'empty', ...told },
      this.house,
      { nowMs, random: seededRandom(minutes) },
    );
    this.house = withRows(this.house, { vessels: made });
    return this.say(nowMs, ...saids);
  }

  fates(): readonly string[] {
    return this.house.batches[0]!.vessels.map((v) => v.state.goneBecause ?? v.state.phase);
  }
}

describe('plates that are poured', () => {
  it('14 of 19, of which 2 did not set and 2 were dropped; five dishes stay empty', () => {
    const bench = new PourBench(19);
    expect(toPour(bench.house, bench.openedMs + HOUR_MS).length).toBe(1);
    bench.pour(40, { poured: 14, notSet: 2, dropped: 2, leftOverMl: 60 });
    const fates = bench.fates();
    expect(fates.slice(0, 10).every((f) => f === 'cooked')).toBeTrue();
    expect(fates.slice(10)).toEqual([
      'notSet',
      'notSet',
      'dropped',
      'dropped',
      'notFilled',
      'notFilled',
      'notFilled',
      'notFilled',
      'notFilled',
    ]);
    expect(toPour(bench.house, bench.openedMs + HOUR_MS)).toEqual([]);
    expect(impossibleFacts(bench.house)).toEqual([]);
    const [ready] = allReadyToInoculate(bench.house);
    expect(ready!.vessels.length).toBe(10);
    // Cool an hour after the pour, whatever the middle of the bottle would have been.
    const pouredMs = bench.openedMs + 40 * MINUTE_MS;
    expect(ready!.coolMs).toBe(pouredMs + HOUR_MS);
    expect(coolMsOf(ready!.vessels[0]!, bench.house)).toBe(pouredMs + HOUR_MS);
  });

  it('more than were planned: the new ones have their own numbers, are of that cook, and go when it is taken back', () => {
    const bench = new PourBench(10);
    const [poured] = bench.pour(30, { poured: 12 });
    const view = bench.house.batches[0]!;
    expect(view.vessels.map((v) => v.vessel.number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(view.vessels.every((v) => v.state.phase === 'cooked' && v.state.cookId !== undefined)).toBeTrue();
    expect(impossibleFacts(bench.house)).toEqual([]);
    const back = bench.entry(bench.openedMs + HOUR_MS, { kind: 'takenBack', entryId: poured!.id });
    expect(consequencesOf(bench.house, [back])).toEqual([]);
    expect(withRows(bench.house, { entries: [back] }).batches[0]!.vessels.length).toBe(10);
  });

  it('one bottle now, the other kept shut, melted again another day and poured then', () => {
    const bench = new PourBench(20);
    const { hot, perBottle } = bench.pouring;
    expect(hot).toBe(2);
    const first = Math.floor(perBottle);
    bench.pour(30, { poured: first, rest: 'waits' });
    expect([bench.pouring.hot, bench.pouring.toPour.length]).toEqual([1, 20 - first]);
    // What is in a bottle is no plate.
    expect(allReadyToInoculate(bench.house)[0]!.vessels.length).toBe(first);
    const { batch } = bench.house.batches[0]!;
    const cookId = bench.house.cooks[0]!.cook.id;
    bench.say(bench.openedMs + HOUR_MS, { kind: 'bottlesKept', cookId, batchId: batch.id, bottles: 1 });
    expect(toPour(bench.house, bench.openedMs + HOUR_MS + 1)).toEqual([]);
    expect(keptShut(bench.house).map((p) => p.kept)).toEqual([1]);
    const meltedMs = bench.openedMs + 5 * DAY_MS;
    bench.say(meltedMs, { kind: 'bottlesMelted', cookId, batchId: batch.id, bottles: 1, how: 'water' });
    const [again] = toPour(bench.house, meltedMs + MINUTE_MS);
    expect([again!.hot, again!.kept, again!.remelts, again!.hotSinceMs]).toEqual([1, 0, 1, meltedMs]);
    bench.pour(5 * 24 * 60 + 30, { poured: 20 - first });
    expect(bench.fates().every((f) => f === 'cooked')).toBeTrue();
    expect(allReadyToInoculate(bench.house)[0]!.vessels.length).toBe(20);
    expect(impossibleFacts(bench.house)).toEqual([]);
  });

  it('are asked for no longer than agar could be liquid, and count as plates where nothing was said', () => {
    const bench = new PourBench(10);
    expect(toPour(bench.house, bench.openedMs + 9 * HOUR_MS)).toEqual([]);
    expect(allReadyToInoculate(bench.house)[0]!.vessels.length).toBe(10);
  });

  it('refuses what cannot be', () => {
    const bench = new PourBench(10);
    expect(() => bench.pour(30, { poured: 0 })).toThrowMatching(outOfRange('platesPoured', { min: 1 }));
    expect(() => bench.pour(30, { poured: 4, dropped: 3, notSet: 2 })).toThrowMatching(
      outOfRange('platesLost', { max: 4 }),
    );
  });
});
