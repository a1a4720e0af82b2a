import { adviceFor, keepOf, leadingSector, libraryOf, sectorsOf } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

const entryOf = (bench: CultureBench, isolate: string, day: number) =>
  libraryOf(bench.house, bench.day(day)).find((e) => e.isolate.id === isolate)!;
const adviceOn = (bench: CultureBench, day: number) =>
  adviceFor(entryOf(bench, 'bp', day), bench.house, bench.day(day)).map((a) => a.kind);

describe('the library', () => {
  it('calls a single vessel the only copy, and two in the fridge none', () => {
    const bench = new CultureBench();
    expect(entryOf(bench, 'bp', 1).flags).toEqual(['lost']);
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    expect(entryOf(bench, 'bp', 1).flags).toEqual(['onlyCopy']);
    bench.received(0, 'culture-slant', 6, 'wedge');
    expect(entryOf(bench, 'bp', 1).flags).toEqual([]);
    bench.say(2, { kind: 'discarded', vesselIds: [plate!], reason: 'contaminated' });
    expect(entryOf(bench, 'bp', 3).flags).toEqual(['onlyCopy']);
  });

  it('misses a back-up where all stands at room heat, and asks to renew what is old', () => {
    const bench = new CultureBench();
    const plates = bench.received(0, 'culture-dish', 40, 'wedge', { isolateId: 'bp', count: 2 });
    bench.say(1, { kind: 'moved', vesselIds: [...plates], place: 'shelf' });
    expect(entryOf(bench, 'bp', 2).flags).toEqual(['noBackUp']);
    bench.say(3, { kind: 'moved', vesselIds: [...plates], place: 'fridge' });
    expect(entryOf(bench, 'bp', 4).flags).toEqual([]);
    expect(entryOf(bench, 'bp', 30).flags).toEqual(['renewNow']);
    expect(adviceOn(bench, 30)).toContain('renew');
  });

  it('counts the age of a culture from the day on which it was taken', () => {
    const bench = new CultureBench();
    const [spores] = bench.received(0, 'culture-spores', 10, 'ml', {
      isolateId: 'bp',
      origin: { on: new Date(bench.day(-100)).toISOString().slice(0, 10) },
    });
    const keep = keepOf(bench.view(spores), bench.house, bench.day(10));
    expect([keep.days, keep.keeping, keep.word]).toEqual([110, 'cold', 'fresh']);
    expect(keepOf(bench.view(spores), bench.house, bench.day(150)).word).toBe('renew');
    expect(keepOf(bench.view(spores), bench.house, bench.day(300)).word).toBe('gamble');
  });
});

describe('what a keeper would do', () => {
  it('goes back to the older culture after many transfers, and to spores where nothing younger is kept', () => {
    const bench = new CultureBench();
    const [old] = bench.received(0, 'culture-slant', 6, 'wedge', {
      isolateId: 'bp',
      origin: { transfers: 1 },
    });
    const [worn] = bench.received(0, 'culture-dish', 40, 'wedge', {
      isolateId: 'bp',
      origin: { transfers: 7 },
    });
    const advice = adviceFor(entryOf(bench, 'bp', 2), bench.house, bench.day(2));
    expect(advice.find((a) => a.kind === 'goBack')).toEqual({
      kind: 'goBack',
      codes: [bench.view(worn).code, bench.view(old).code],
      figure: 7,
    });
    bench.say(3, { kind: 'discarded', vesselIds: [old!], reason: 'driedOut' });
    expect(adviceOn(bench, 4)).toContain('toSpores');
  });

  it('cleans on water agar and from the edge where all is dirty, and never by broth', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    bench.say(2, { kind: 'inspected', vesselIds: [plate!], suspect: 'yeast' });
    expect(adviceOn(bench, 3)).toEqual(['cleanOnWater', 'cutAway']);
    const [broth] = bench.received(3, 'culture-jar', 300, 'ml');
    const [test] = bench.received(3, 'culture-dish', 40, 'wedge', {});
    bench.give(4, [test!], broth, 0.5, 'ml');
    bench.say(8, { kind: 'inspected', vesselIds: [test!], suspect: 'yeast' });
    expect(adviceOn(bench, 9)).toContain('neverByBroth');
  });

  it('keeps the clean plate of the earliest generation as master, from its fastest sector', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    for (const [day, north, east] of [
      [2, 6, 5],
      [4, 13, 9],
      [6, 20, 13],
    ] as const) {
      bench.say(day, {
        kind: 'inspected',
        vesselIds: [plate!],
        radii: [
          { sector: 'north', mm: north },
          { sector: 'east', mm: east },
        ],
      });
    }
    const view = bench.view(plate);
    expect(sectorsOf(view).map((s) => [s.sector, s.mm, s.growth?.mmPerDay])).toEqual([
      ['north', 20, 3.5],
      ['east', 13, 2],
    ]);
    expect(leadingSector(view)?.sector).toBe('north');
    const keep = adviceFor(entryOf(bench, 'bp', 7), bench.house, bench.day(7)).find(
      (a) => a.kind === 'keepMaster',
    );
    expect(keep).toEqual({ kind: 'keepMaster', codes: [view.code], sector: 'north' });
    bench.say(8, { kind: 'inspected', vesselIds: [plate!], suspect: 'greenMold' });
    expect(leadingSector(bench.view(plate))).toBeUndefined();
  });
});
