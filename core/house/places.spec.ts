import {
  cardinalOf,
  checkEntry,
  expectedFraction,
  growthRateAt,
  shippedDefinitions,
  growingWarmth,
  growthHeatAtW,
  tooHotAt,
  dueItems,
  isStanding,
  keepOf,
  lastReadC,
  placeOfVessel,
  placeToFruit,
  placesInUse,
  readyToInoculate,
  setCOf,
  runningVessels,
  useOf,
  withRows,
  type House,
  type Place,
} from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';
import { refused } from '../testing/refused.js';

const place = (id: string, use: Place['use'], more: Partial<Place> = {}): Place => ({
  id,
  schemaVersion: 1,
  updatedAt: '2026-01-01T00:00:00.000Z',
  name: id,
  use,
  ...more,
});
const withPlaces = (house: House, ...places: Place[]) => withRows(house, { places });

describe('places of a house', () => {
  it('are the four that every house begins with, in its own words where it has some, and its own', () => {
    const bench = new CultureBench();
    expect(placesInUse(bench.house).map((p) => [p.id, p.use])).toEqual([
      ['shelf', 'run'],
      ['fridge', 'cold'],
      ['counter', 'wait'],
      ['tent', 'fruit'],
    ]);
    const house = withPlaces(
      bench.house,
      place('shelf', 'run', { name: 'Wardrobe' }),
      place('bath', 'fruit'),
      place('tent', 'fruit', { isGone: true }),
    );
    expect(placesInUse(house).map((p) => p.name)).toEqual(['Wardrobe', 'Fridge', 'Counter', 'bath']);
    expect(placesInUse(house, 'fruit').map((p) => p.id)).toEqual(['bath']);
    expect(useOf(house, 'never-heard-of')).toBe('run');
  });

  it('are known to a house that was kept before there were any', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    bench.say(1, { kind: 'moved', vesselIds: [plate!], place: 'shelf' });
    const old = withRows({ ...bench.house, placeById: withRows(bench.house, {}).placeById }, {});
    expect(keepOf(old.vesselById.get(plate!)!, old, bench.day(2)).keeping).toBe('room');
  });

  it('keep cold what stands in any cold one, not only in the first fridge', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    bench.place(place('cellar', 'cold'));
    bench.say(1, { kind: 'moved', vesselIds: [plate!], place: 'cellar' });
    const { house } = bench;
    expect(keepOf(bench.view(plate), house, bench.day(2)).keeping).toBe('cold');
    expect(runningVessels(house.batches[0]!, house)).toEqual([]);
    const warm = withPlaces(house, place('cellar', 'run'));
    expect(runningVessels(warm.batches[0]!, warm).length).toBe(1);
  });

  it('cannot be moved to where there is none', () => {
    const bench = new CultureBench();
    const [plate] = bench.received(0, 'culture-dish', 40, 'wedge');
    const to = (id: string) => ({
      ...bench.house.noted.at(-1)!,
      kind: 'moved' as const,
      vesselIds: [plate!],
      place: id,
    });
    expect(() => {
      checkEntry(bench.house, to('moon'), bench.day(1));
    }).toThrowMatching(refused('not-found', { what: 'place', id: 'moon' }));
    expect(() => {
      checkEntry(bench.house, to('fridge'), bench.day(1));
    }).not.toThrow();
  });

  it('tell the last temperature that was read there', () => {
    const bench = new CultureBench();
    expect(lastReadC(bench.house, 'shelf')).toBeUndefined();
    bench.say(1, { kind: 'placeRead', placeId: 'shelf', celsius: 24 });
    bench.say(2, { kind: 'placeRead', placeId: 'shelf', celsius: 25.3 });
    bench.say(3, { kind: 'placeRead', placeId: 'tent', celsius: 17 });
    expect(lastReadC(bench.house, 'shelf')).toEqual({ celsius: 25.3, atMs: bench.day(2) });
  });
});

describe('what stands somewhere', () => {
  it('waits on the counter once it is cooked, and is a control on the shelf when it is kept as one', () => {
    const bench = new CultureBench();
    const [jar, other] = bench.cooked(0, 'wheat-spawn', 'quart-jar', 2);
    const view = bench.view(jar);
    expect([placeOfVessel(view), isStanding(view, false), isStanding(view, true)]).toEqual([
      'counter',
      true,
      false,
    ]);
    bench.say(2, { kind: 'keptAsControl', vesselIds: [jar!] });
    const control = bench.view(jar);
    expect([control.state.isControl, placeOfVessel(control)]).toEqual([true, 'shelf']);
    const waiting = readyToInoculate(bench.house.batches[0]!, bench.house)!.vessels;
    expect(waiting.map((v) => v.vessel.id))
      .withContext('nobody is asked to sow it')
      .toEqual([other!]);
    bench.looked(5, [jar!]);
    bench.say(6, { kind: 'inspected', vesselIds: [jar!], suspect: 'wetRot', suspectAt: 'bottom' });
    expect(bench.view(jar).state.suspect).toBe('wetRot');
  });

  it('goes into a tent when it is opened, unless it stands in one', () => {
    const bench = new CultureBench();
    const [block, jar] = sownBlocks(bench);
    bench.place(place('bath', 'fruit'));
    expect(placeToFruit(bench.view(block), bench.house)).toBe('tent');
    bench.say(20, { kind: 'moved', vesselIds: [block!], place: 'bath' });
    expect(placeToFruit(bench.view(block), bench.house)).toBe('bath');
    bench.say(21, { kind: 'opened', vesselIds: [block!], how: 'slit', place: 'bath' });
    expect(bench.view(block).state).toEqual(
      jasmine.objectContaining({ place: 'bath', openedBy: 'slit', phase: 'opened' }),
    );
    bench.say(22, { kind: 'opened', vesselIds: [jar!] });
    expect(bench.view(jar).state.place).withContext('as earlier versions noted it').toBe('tent');
  });
});

describe('a suspicion', () => {
  it('says where it was seen, can be cleared, and found again', () => {
    const bench = new CultureBench();
    const [jar] = bench.cooked(0, 'wheat-spawn', 'quart-jar', 1);
    bench.say(4, { kind: 'inspected', vesselIds: [jar!], suspect: 'greenMold', suspectAt: 'lid' });
    expect(bench.view(jar).state).toEqual(
      jasmine.objectContaining({ suspect: 'greenMold', suspectWhere: 'lid', suspectAt: at(bench, 4) }),
    );
    bench.say(5, { kind: 'inspected', vesselIds: [jar!], cleared: true });
    const cleared = bench.view(jar).state;
    expect([cleared.suspect, cleared.suspectAt, cleared.suspectWhere]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect(cleared.cleared).toEqual([{ at: at(bench, 5), of: 'greenMold' }]);
    bench.say(6, { kind: 'inspected', vesselIds: [jar!], suspect: 'greenMold' });
    expect(bench.view(jar).state.suspectAt).toBe(at(bench, 6));
  });

  it('may be a doubt that is only watched: it stays sound, is due for a look every day, and ends', () => {
    const bench = new CultureBench();
    const jars = sownJars(bench);
    bench.looked(6, jars, 0.3);
    const nextLook = () =>
      dueItems(bench.house, bench.day(6)).find((d) => d.deed.kind === 'look')?.atMs ?? Number.NaN;
    expect(nextLook()).toBeGreaterThan(bench.day(7));
    bench.say(6, { kind: 'inspected', vesselIds: [jars[1]!], watched: true });
    expect(bench.view(jars[1]).state.watchedAt).toBe(at(bench, 6));
    expect(runningVessels(bench.house.batches.at(-1)!, bench.house).length).toBe(jars.length);
    expect(nextLook()).toBe(bench.day(7));
    bench.say(7, { kind: 'inspected', vesselIds: [jars[1]!], cleared: true });
    expect(bench.view(jars[1]).state.watchedAt).toBeUndefined();
  });
});

describe('warmth', () => {
  const fullDay = (bench: CultureBench) => bench.house.batches.at(-1)!.forecast!.fullDay;
  const usual = shippedDefinitions().species.find((s) => s.id === 'black-poplar')!;

  it('of the room, of the place and of its thermometer slows or speeds what runs there, and only there', () => {
    const bench = new CultureBench();
    bench.place(place('shelf', 'run', { setC: usual.incubationC.value }));
    const jars = sownJars(bench);
    expect(fullDay(bench)).toBeCloseTo(usual.grainFullDay.value, 1);
    bench.say(2, { kind: 'placeRead', placeId: 'tent', celsius: 10 });
    expect(fullDay(bench)).toBeCloseTo(usual.grainFullDay.value, 1);
    bench.say(2, { kind: 'placeRead', placeId: 'shelf', celsius: 16 });
    const cooled = fullDay(bench);
    expect(cooled)
      .withContext('three cold days')
      .toBeGreaterThan(usual.grainFullDay.value + 1);
    expect(cooled).toBeLessThan(usual.grainFullDay.value + 3);
    bench.say(6, { kind: 'moved', vesselIds: [...jars], place: 'fridge' });
    expect(fullDay(bench)).toBeGreaterThan(100);
    bench.say(16, { kind: 'moved', vesselIds: [...jars], place: 'shelf' });
    expect(fullDay(bench))
      .withContext('ten days in the fridge count for nothing')
      .toBeCloseTo(cooled + 10, 0);
  });

  it('explains what was seen: half as far in a cool room is no laggard', () => {
    const bench = new CultureBench();
    bench.place(place('shelf', 'run', { setC: 17 }));
    const jars = sownJars(bench);
    const rate =
      growthRateAt(17, cardinalOf(usual.incubationC)) /
      growthRateAt(usual.incubationC.value, cardinalOf(usual.incubationC));
    expect(fullDay(bench) * rate).toBeCloseTo(usual.grainFullDay.value, 1);
    const { forecast, inoculatedAtMs } = bench.house.batches.at(-1)!;
    const expected = expectedFraction(forecast!, (bench.day(13) - inoculatedAtMs!) / 86_400_000);
    bench.looked(13, jars, Math.round(expected * 100) / 100);
    expect(fullDay(bench)).toBeCloseTo(forecast!.fullDay, 0);
  });

  it('set anew counts from then on: what ran before goes by what it was set to', () => {
    const bench = new CultureBench();
    bench.place(place('shelf', 'run', { setC: usual.incubationC.value }));
    sownJars(bench);
    const early = fullDay(bench);
    bench.say(early + 5, { kind: 'placeSet', placeId: 'shelf', celsius: 12 });
    expect(fullDay(bench)).withContext('it was full by then').toBeCloseTo(early, 1);
    bench.say(early / 2, { kind: 'placeSet', placeId: 'shelf', celsius: 14 });
    expect(fullDay(bench)).toBeGreaterThan(early + 3);
    const [shelf, ms] = ['shelf', bench.day(early / 2)];
    expect(setCOf(bench.house, shelf, ms - 1)).toBe(usual.incubationC.value);
    expect(setCOf(bench.house, shelf, ms + 1)).toBe(14);
    bench.say(early + 6, { kind: 'placeSet', placeId: 'shelf' });
    expect(setCOf(bench.house, shelf, bench.day(early + 7)))
      .withContext('as warm as the room')
      .toBeUndefined();
  });

  it('told later speaks of what is opened too', () => {
    const bench = new CultureBench();
    const jars = sownJars(bench);
    bench.say(4, { kind: 'opened', vesselIds: [...jars], place: 'shelf' });
    const { house } = bench;
    bench.say(3, { kind: 'placeRead', placeId: 'shelf', celsius: 12 });
    const read = bench.house.noted.filter((e) => e.kind === 'placeRead');
    const stepwise = withRows(house, { entries: read });
    expect(stepwise.batches.at(-1)!.forecast!.fullDay).toBe(fullDay(bench));
  });

  it('told anew changes what it touches, and the very same comes of all rows at once', () => {
    const bench = new CultureBench();
    sownJars(bench);
    const { house } = bench;
    bench.say(3, { kind: 'placeRead', placeId: 'shelf', celsius: 12 });
    const last = bench.house.noted.at(-1)!;
    const stepwise = withRows(house, { entries: [last] });
    expect(stepwise.batches.at(-1)!.forecast!.fullDay).toBe(fullDay(bench));
    expect(stepwise.batches[0]).withContext('a syringe has no forecast').toBe(house.batches[0]);
  });
});

describe('a place that is too warm', () => {
  it('is trouble at once, by what bears the least, and no more once it was read cooler or emptied', () => {
    const bench = new CultureBench();
    const jars = sownJars(bench);
    const asked = (day: number) =>
      dueItems(bench.house, bench.day(day)).flatMap((d) => (d.deed.kind === 'cool' ? [d] : []));
    bench.say(3, { kind: 'placeRead', placeId: 'shelf', celsius: 29 });
    expect(asked(3)).toEqual([]);
    bench.say(3.1, { kind: 'placeRead', placeId: 'shelf', celsius: 31 });
    expect(asked(3.1).map((d) => [d.place, d.atMs, d.exact])).toEqual([['shelf', bench.day(3.1), true]]);
    expect(tooHotAt(bench.house, 'shelf', bench.day(3.1))).toEqual(
      jasmine.objectContaining({ species: 'Black poplar', mostC: 30, celsius: 31 }),
    );
    bench.say(3.2, { kind: 'placeRead', placeId: 'shelf', celsius: 27 });
    expect(asked(3.2)).toEqual([]);
    bench.say(3.3, { kind: 'placeRead', placeId: 'shelf', celsius: 33 });
    expect(asked(4.5)).withContext('long ago').toEqual([]);
    bench.say(3.4, { kind: 'moved', vesselIds: [...jars], place: 'counter' });
    expect(asked(3.4)).toEqual([]);
  });
});

describe('a place whose air alone is not too warm', () => {
  it('is trouble where growth warms the middle of what stands there beyond what it bears', () => {
    const bench = new CultureBench();
    const jars = sownJars(bench);
    const at = bench.day(8);
    const own = growingWarmth(bench.view(jars[0]), bench.house, at);
    expect(own.middleK).toBeGreaterThan(0.2);
    expect(own.middleK).toBeLessThan(3);
    const sum = jars.reduce((w, id) => w + growingWarmth(bench.view(id), bench.house, at).heatW, 0);
    expect(growthHeatAtW('shelf', bench.house, at)).toBeCloseTo(sum, 9);
    expect(growthHeatAtW('fridge', bench.house, at)).toBe(0);
    bench.say(8, { kind: 'placeRead', placeId: 'shelf', celsius: 29.9 });
    expect(tooHotAt(bench.house, 'shelf', at)!.ownK).toBeCloseTo(own.middleK, 1);
    // Long run through, the same air is borne.
    bench.looked(40, jars, 1);
    bench.say(60, { kind: 'placeRead', placeId: 'shelf', celsius: 29.9 });
    expect(tooHotAt(bench.house, 'shelf', bench.day(60))).toBeUndefined();
  });
});

describe('shaking', () => {
  const asked = (bench: CultureBench, day: number) =>
    dueItems(bench.house, bench.day(day)).flatMap(({ deed, atMs }) =>
      deed.kind === 'shake' && atMs <= bench.day(day + 1) ? [deed.count] : [],
    );

  it('goes on being asked of the rest when some were looked at, and of each until it is shaken', () => {
    for (const seen of [0.28, 0.33, 0.5, 0.75]) {
      const bench = new CultureBench();
      bench.place(place('shelf', 'run', { setC: 24 }));
      const jars = sownJars(bench, 8);
      expect(asked(bench, 11)).toEqual([8]);
      bench.looked(11, [jars[0]!], seen);
      expect(asked(bench, 11)).withContext(`one at ${seen}`).toEqual([8]);
      bench.say(11, { kind: 'shaken', vesselIds: jars.slice(0, 3) });
      expect(asked(bench, 11)).withContext(`one at ${seen}, three shaken`).toEqual([5]);
    }
  });

  it('is asked of those that are there, not of one that lags', () => {
    const bench = new CultureBench();
    const jars = sownJars(bench, 3);
    bench.looked(9, jars.slice(0, 2), 0.33);
    bench.looked(9, jars.slice(2), 0.03);
    expect(asked(bench, 9)).toEqual([2]);
  });
});

describe('early pins', () => {
  it('are noted and cut in a bag that is shut and has not run full', () => {
    const bench = new CultureBench();
    const [block] = sownBlocks(bench);
    bench.looked(15, [block!], 0.7);
    const harvests = () => dueItems(bench.house, bench.day(16)).filter((d) => d.deed.kind === 'harvest');
    expect(harvests()).toEqual([]);
    bench.say(16, { kind: 'pinned', vesselIds: [block!] });
    expect(bench.view(block).state.phase).toBe('running');
    expect(harvests().length).toBe(1);
    bench.say(22, { kind: 'harvested', vesselIds: [block!], massG: 180 });
    const { state } = bench.view(block);
    expect([state.phase, state.marks.at(-1)!.fraction, state.harvests.length]).toEqual(['running', 0.7, 1]);
  });
});

function at(bench: CultureBench, day: number): string {
  return new Date(bench.day(day)).toISOString();
}

function sownJars(bench: CultureBench, count = 3) {
  const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
  const jars = bench.cooked(0, 'wheat-spawn', 'quart-jar', count);
  bench.give(1, jars, syringe, 2, 'ml');
  return jars;
}

function sownBlocks(bench: CultureBench) {
  const jars = sownJars(bench, 2);
  bench.looked(1.5, jars, 1);
  const blocks = bench.cooked(1, 'hardwood-hull', 'block-bag', 2);
  bench.give(2, blocks, jars[0], 100, 'g');
  return blocks;
}
