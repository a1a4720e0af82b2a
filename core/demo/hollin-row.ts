import type { Household, Isolate, Material, Place } from '../record/definitions.js';
import type { Records } from '../record/tables.js';
import type { Wish } from '../record/wish.js';
import { defaultHousehold, shippedDefinitions } from '../house/shipped-definitions.js';
import { DemoBuilder } from './demo-builder.js';
import { WorthNoting } from '../readings/worth-noting.js';
import type { ReadingChunk } from '../record/readings.js';
import { tentClimate } from './tent-climate.js';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';

/**
 * Hollin Row, an invented household with about five months of history, laid out relative to the day it is
 * loaded so that something is always due. Three stories lie in it: a dirty broth (L6), a cook that was hardly
 * vented (11), and wheat that comes out wetter each time.
 *
 * @param nowMs the moment of loading
 * @param startOfDayMs local midnight before it
 * @param options.checked refuse any entry that could not have been true; slow, for tests
 */
export function hollinRow(
  nowMs: number,
  startOfDayMs: number,
  options: { readonly checked?: boolean } = {},
): Records {
  const day = (daysAgo: number, hour: number) => startOfDayMs - daysAgo * DAY_MS + hour * HOUR_MS;
  const updatedAt = new Date(day(160, 9)).toISOString();
  const house: Household = {
    ...defaultHousehold(updatedAt),
    name: 'Hollin Row',
    madeUp: true,
    altitudeM: 640,
    cookPrice: 0.5,
    boughtPrice: { dish: 2.4, jar: 11, block: 16 },
  };
  const isolate = (id: string, speciesId: string, name: string): Isolate => ({
    id,
    schemaVersion: 1,
    updatedAt,
    speciesId,
    name,
  });
  const demo = new DemoBuilder(
    {
      ...shippedDefinitions(updatedAt),
      materials: shippedDefinitions(updatedAt).materials.map((m) => withShelf(m, SHELF[m.id], updatedAt)),
      household: [house],
      places: shippedDefinitions(updatedAt).places.map((p) => ({ ...p, ...PLACES[p.id], updatedAt })),
      isolates: [
        isolate('bp-alder', 'black-poplar', 'BP-Alder'),
        isolate('cn-ridge', 'chestnut', 'CN-Ridge'),
        isolate('sh-crate', 'shiitake', 'SH-Crate'),
        isolate('ko-sill', 'king-oyster', 'KO-Sill'),
      ],
      wishes: [supperClub(startOfDayMs, updatedAt)],
    },
    house,
    options.checked ?? false,
  );
  const cultures = addCultures(demo, day);
  const spawn = addSummer(demo, day, cultures);
  addTent(demo, day, spawn);
  addShelf(demo, day, cultures);
  addCultureWork(demo, day, cultures);
  addToday(demo, nowMs);
  addTubs(demo, day, spawn);
  addCasedTub(demo, day);
  const readings = tentClimate(nowMs);
  addAir(demo, day, nowMs, readings);
  addCare(demo, day);
  return { ...demo.records, readings };
}

/** Invented packages and stocks of the made-up household. */
const SHELF: Readonly<Record<string, { price: number; packageG: number; massG?: number; lot?: string }>> = {
  wheat: { price: 24, packageG: 20_000, massG: 22_000, lot: 'lot 3' },
  rye: { price: 8, packageG: 5000, massG: 9000 },
  'barley-covered': { price: 20, packageG: 20_000, massG: 20_000 },
  gypsum: { price: 7, packageG: 2000, massG: 1800 },
  'hardwood-pellets': { price: 6.75, packageG: 15_000, massG: 30_000 },
  'wheat-bran': { price: 5.5, packageG: 5000, massG: 4000 },
  'soy-hull': { price: 8, packageG: 10_000, massG: 6000 },
  'malt-dry': { price: 7, packageG: 500, massG: 800 },
  agar: { price: 6.2, packageG: 100, massG: 250 },
};

/** What the made-up household calls its places, and what it keeps them at. */
const PLACES: Readonly<Record<string, Partial<Place>>> = {
  shelf: { name: 'Wardrobe', setC: 24, holds: 72 },
  tent: { name: 'Tent', holds: 8 },
};

function withShelf(
  material: Material,
  shelf: (typeof SHELF)[string] | undefined,
  countedAt: string,
): Material {
  return shelf === undefined
    ? material
    : {
        ...material,
        bought: { price: shelf.price, massG: shelf.packageG, on: countedAt.slice(0, 10) },
        ...(shelf.massG !== undefined && { stock: { massG: shelf.massG, countedAt } }),
        ...(shelf.lot !== undefined && { lot: shelf.lot }),
      };
}

/** The monthly supper is planned ahead; the first is too near for what is there, on purpose. */
function supperClub(startOfDayMs: number, updatedAt: string): Wish {
  // In the middle of the day, so that it is the same date nearly everywhere.
  const first = new Date(startOfDayMs + 34 * DAY_MS + 13 * HOUR_MS);
  return {
    id: 'supper-club',
    schemaVersion: 1,
    updatedAt,
    speciesId: 'black-poplar',
    massG: 300,
    on: first.toISOString().slice(0, 10),
    everyDays: 35,
  };
}

type DayAt = (daysAgo: number, hour: number) => number;
type Cultures = ReturnType<typeof addCultures>;

function addCultures(demo: DemoBuilder, day: DayAt) {
  const [a3] = demo.culture(
    day(152, 11),
    3,
    'culture-dish',
    { amount: 40, unit: 'wedge' },
    {
      isolateId: 'bp-alder',
      origin: { how: 'swap', from: 'a neighbor’s plate', transfers: 1 },
    },
  );
  const plates = demo.culture(day(132, 10), 12, 'culture-dish', { amount: 40, unit: 'wedge' }, { count: 5 });
  demo.inoculate(day(132, 11), plates, a3!, 1, 'wedge');
  const broth = (daysAgo: number, number: number, ml: number, isolateId?: string) =>
    demo.culture(
      day(daysAgo, 18),
      number,
      'culture-jar',
      { amount: ml, unit: 'ml' },
      isolateId === undefined ? {} : { isolateId },
    )[0]!;
  const l5 = broth(116, 5, 300);
  const l6 = broth(116, 6, 300);
  const l7 = broth(115, 7, 600);
  const l8 = broth(114, 8, 300, 'ko-sill');
  for (const [index, jar] of [l5, l6, l7].entries()) {
    demo.inoculate(day(115, 19), [jar], plates[index]!, 1, 'wedge');
  }
  demo.say(day(114, 9), { kind: 'wrapped', vesselIds: [...plates] });
  demo.say(day(114, 9.1), { kind: 'moved', vesselIds: [...plates, a3!], place: 'fridge' });
  demo.say(day(100, 9), { kind: 'moved', vesselIds: [l5, l6, l7], place: 'fridge' });
  return {
    a3: a3!,
    plates,
    l5,
    l6,
    l7,
    l8,
    l9: broth(58, 9, 600, 'cn-ridge'),
    l10: broth(45, 10, 300, 'sh-crate'),
    l12: broth(26, 12, 350.5, 'ko-sill'),
  };
}

/** Story one: every bad jar of the summer was fed from L6. Story three begins: each wheat is wetter. */
function addSummer(demo: DemoBuilder, day: DayAt, c: Cultures) {
  const g14 = demo.medium(day(106, 17), 14, 'wheat-spawn', 'quart-jar', 4, 0.502);
  const g18 = demo.medium(day(106, 18), 18, 'rye-spawn', 'quart-jar', 4, 0.499);
  demo.cook(day(105, 9), 1, [...g14, ...g18]);
  demo.inoculate(day(104, 9), g14, c.l5, 2);
  demo.inoculate(day(104, 9.5), g18, c.l8, 2);
  const g15 = demo.medium(day(102, 17), 15, 'barley-spawn', 'quart-jar', 8, 0.497);
  demo.cook(day(101, 9), 2, g15);
  demo.inoculate(day(100, 9), g15.slice(0, 5), c.l6, 2);
  demo.inoculate(day(100, 9.2), g15.slice(5), c.l5, 2);
  const g16 = demo.medium(day(101, 17), 16, 'barley-spawn', 'quart-jar', 8, 0.501);
  demo.cook(day(100, 10), 3, g16);
  demo.inoculate(day(99, 9), g16.slice(0, 4), c.l6, 2);
  demo.inoculate(day(99, 9.2), g16.slice(4), c.l5, 2);
  const g17 = demo.medium(day(98, 17), 17, 'wheat-spawn', 'quart-jar', 8, 0.509);
  demo.cook(day(97, 9), 5, g17);
  demo.inoculate(day(96, 9), g17, c.l7, 2);

  const bad = [...g15.slice(0, 4), ...g16.slice(0, 2)];
  demo.look(
    day(95, 8),
    [...g14, ...g18, ...g15, ...g16].filter((id) => !bad.includes(id)),
    0.18,
  );
  demo.suspect(day(94, 8), bad, 'wetRot', 'Grey, greasy kernels at the side where the needle went in.');
  demo.say(day(93, 18), { kind: 'discarded', vesselIds: bad, reason: 'contaminated' });
  const clean = [...g14, ...g18, ...g15.slice(4), ...g16.slice(2), ...g17];
  demo.say(day(92, 9), { kind: 'shaken', vesselIds: clean });
  demo.look(day(87, 8), clean, 0.78);
  demo.look(day(80, 8), clean, 1, 0);
  demo.say(day(80, 9), { kind: 'moved', vesselIds: clean, place: 'fridge' });

  const b12 = demo.medium(day(83, 14), 12, 'hardwood-bran', 'block-bag', 3);
  demo.cook(day(82, 9), 4, b12);
  demo.spawn(day(81, 9), b12, g14.slice(0, 4), 340);
  const b13 = demo.medium(day(80, 14), 13, 'hardwood-bran', 'block-bag', 3);
  demo.cook(day(79, 9), 6, b13);
  demo.spawn(day(78, 9), b13, [g15[5]!, g15[6]!, g16[4]!], 340);
  const old = [...b12, ...b13];
  demo.look(day(66, 8), old, 0.6);
  demo.look(day(54, 8), old, 1, 0);
  demo.say(day(52, 9), { kind: 'opened', vesselIds: old });
  for (const [flush, [daysAgo, grams]] of [
    [39, 330],
    [21, 190],
  ].entries()) {
    demo.say(day(daysAgo! + 6, 9), { kind: 'pinned', vesselIds: old });
    old.forEach((id, i) =>
      demo.say(day(daysAgo!, 8 + i / 10), {
        kind: 'harvested',
        vesselIds: [id],
        massG: grams! + 17 * ((i * 5 + flush) % 7) - 40,
      }),
    );
  }
  demo.say(day(20, 9), { kind: 'discarded', vesselIds: old, reason: 'spent' });
  demo.say(day(60, 9), {
    kind: 'discarded',
    vesselIds: [...g14, g15[5]!, g15[6]!, g16[4]!],
    reason: 'spent',
  });
  return { g17, g18 };
}

function addTent(demo: DemoBuilder, day: DayAt, spawn: ReturnType<typeof addSummer>): void {
  const b26 = demo.medium(day(53, 13), 26, 'straw', 'tub-12', 1);
  demo.spawn(day(52, 9), b26, spawn.g18.slice(2, 3), 240);
  demo.look(day(43, 8), b26, 0.7);
  demo.look(day(36, 8), b26, 1, 0);
  demo.say(day(35, 9), { kind: 'opened', vesselIds: [...b26] });
  demo.say(day(29, 9), { kind: 'pinned', vesselIds: [...b26] });
  demo.say(day(24, 9), { kind: 'harvested', vesselIds: [...b26], massG: 412 });
  demo.say(day(5, 9), { kind: 'discarded', vesselIds: [...b26], reason: 'spent' });
  const b27 = demo.medium(day(50, 13), 27, 'hardwood-hull', 'block-bag', 2);
  const b28 = demo.medium(day(50, 14), 28, 'hardwood-bran', 'block-bag', 4);
  demo.cook(day(49, 9), 7, [...b27, b28[0]!]);
  demo.cook(day(49, 16), 8, b28.slice(1));
  demo.spawn(day(48, 9), b28, spawn.g17.slice(0, 4), 340);
  demo.spawn(day(48, 10), b27, spawn.g18.slice(0, 2), 300);
  const all = [...b27, ...b28];
  demo.look(day(36, 8), all, 0.55);
  demo.look(day(24, 8), all, 1, 0);
  demo.say(day(22, 9), { kind: 'opened', vesselIds: all });
  demo.say(day(14, 9), { kind: 'pinned', vesselIds: [b28[0]!, b27[1]!, b27[0]!] });
  demo.say(day(9, 8), { kind: 'harvested', vesselIds: [b28[0]!], massG: 304 });
  demo.say(day(8, 8), { kind: 'harvested', vesselIds: [b27[1]!], massG: 241 });
  demo.say(day(8, 8.2), { kind: 'harvested', vesselIds: [b27[0]!], massG: 262 });
  // So late that they are to be cut, and cast no spores, all day long.
  demo.say(day(6, 11.5), { kind: 'pinned', vesselIds: [b28[1]!, b28[3]!] });
  demo.say(day(2, 9), { kind: 'pinned', vesselIds: [b28[2]!, b27[0]!] });
  demo.say(day(20, 9.5), {
    kind: 'discarded',
    vesselIds: [...spawn.g17.slice(0, 4), ...spawn.g18.slice(0, 2)],
    reason: 'spent',
  });
}

/** Story two: cook 11 was vented for one minute, and only its jars turn. */
function addShelf(demo: DemoBuilder, day: DayAt, c: Cultures): void {
  const g25 = demo.medium(day(32, 17), 25, 'rye-spawn', 'quart-jar', 4, 0.505);
  demo.cook(day(31, 9), 9, g25);
  demo.inoculate(day(30, 9), g25, c.l10, 2);
  demo.look(day(24, 8), g25, 0.2);
  demo.say(day(21, 9), { kind: 'shaken', vesselIds: [...g25] });
  demo.look(day(13, 8), g25, 0.82);
  demo.look(day(7, 8), g25, 1, 0);
  demo.say(day(6, 9), { kind: 'moved', vesselIds: [...g25], place: 'fridge' });

  const g26 = demo.medium(day(20, 17), 26, 'wheat-spawn', 'quart-jar', 7, 0.515);
  demo.cook(day(19, 9), 10, g26);
  demo.inoculate(day(18, 9), g26, c.l7, 2);
  demo.look(day(12, 8), g26, 0.14);
  demo.say(day(10, 9), { kind: 'shaken', vesselIds: [...g26] });
  demo.look(day(6, 8), g26.slice(0, 6), 0.7);
  demo.look(day(6, 8.2), g26.slice(6), 0.52, 0);
  demo.look(day(1, 8), g26.slice(0, 6), 0.93);
  demo.look(day(1, 8.2), g26.slice(6), 0.53, 0);

  const g27 = demo.medium(day(13, 16), 27, 'barley-spawn', 'pint-jar', 40, 0.503);
  const [early, middle, late] = [g27.slice(0, 14), g27.slice(14, 28), g27.slice(28)];
  demo.cook(day(12, 7), 11, early, { ventMinutes: 1 });
  demo.cook(day(12, 12), 12, middle);
  demo.cook(day(12, 17), 13, late);
  demo.inoculate(day(11, 9), early, c.l9, 1);
  demo.inoculate(day(11, 9.5), middle, c.l9, 1);
  demo.inoculate(day(11, 10), late, c.l9, 1);
  const bad = [2, 6, 7, 11].map((i) => early[i]!);
  demo.look(day(5, 8), g27, 0.1);
  demo.suspect(day(1, 8), bad, 'wetRot');
  demo.look(
    day(1, 8.5),
    early.filter((id) => !bad.includes(id)),
    0.22,
  );
  demo.look(day(1, 9), [...middle, ...late], 0.33);
}

/**
 * Plates with their sectors, a slant, syringes from a bottle, a broth with its plate test and one that still grows, and a
 * shiitake of which there is one master and nothing else. Poured plates and tubes are bought ready.
 */
function addCultureWork(demo: DemoBuilder, day: DayAt, c: Cultures): void {
  const poured = (daysAgo: number, number: number, count: number) =>
    demo.culture(day(daysAgo, 10), number, 'culture-dish', { amount: 40, unit: 'wedge' }, { count });
  const [slant] = demo.culture(day(110, 10), 13, 'culture-slant', { amount: 6, unit: 'wedge' });
  demo.inoculate(day(110, 11), [slant!], c.plates[0]!, 1, 'wedge');
  demo.say(day(98, 9), { kind: 'moved', vesselIds: [slant!], place: 'fridge' });
  demo.say(day(70, 9), { kind: 'discarded', vesselIds: [...c.plates], reason: 'driedOut' });
  demo.culture(
    day(64, 10),
    14,
    'culture-slant',
    { amount: 6, unit: 'wedge' },
    {
      isolateId: 'sh-crate',
      origin: { how: 'swap', from: 'the supper club', transfers: 3 },
    },
  );
  demo.say(day(12, 19), { kind: 'discarded', vesselIds: [c.l10], reason: 'spent' });

  const syringes = demo.culture(day(20, 19), 13, 'culture-syringe', { amount: 10, unit: 'ml' }, { count: 4 });
  demo.inoculate(day(20, 19), syringes, c.l9, 10.1, 'ml', { drawn: true });
  demo.say(day(20, 19.1), { kind: 'moved', vesselIds: [...syringes], place: 'fridge' });

  const [test] = poured(14, 31, 1);
  demo.inoculate(day(14, 10.5), [test!], c.l12, 0.5);
  demo.say(day(11, 8.7), { kind: 'inspected', vesselIds: [test!] });
  demo.say(day(8, 11), { kind: 'inspected', vesselIds: [test!], note: 'White and even, nothing else.' });

  const sectors = poured(12, 32, 3);
  demo.inoculate(day(12, 10.5), sectors, slant!, 1, 'wedge');
  const read = (daysAgo: number, plate: number, mm: readonly [number, number, number, number]) => {
    demo.say(day(daysAgo, 8.8 + plate / 100), {
      kind: 'inspected',
      vesselIds: [sectors[plate]!],
      radii: ['north', 'east', 'south', 'west'].map((sector, i) => ({ sector, mm: mm[i]! })),
    });
  };
  for (const [daysAgo, grown] of [
    [8, 1],
    [5, 2],
    [2, 3],
  ] as const) {
    read(daysAgo, 0, [1 + 9 * grown, 8 * grown, 2 + 7 * grown, 7 * grown]);
    read(daysAgo, 1, [7 * grown, 1 + 8 * grown, 7 * grown, 1 + 6 * grown]);
  }
  demo.say(day(5, 8.9), { kind: 'inspected', vesselIds: [sectors[2]!], suspect: 'greenMold' });

  const [growing] = demo.culture(day(6, 19), 14, 'culture-jar', { amount: 300, unit: 'ml' });
  demo.inoculate(day(6, 19.2), [growing!], sectors[0]!, 1, 'wedge', { sector: 'north' });
  demo.say(day(2, 20), { kind: 'swirled', vesselIds: [growing!] });
  demo.say(day(2, 20.1), { kind: 'inspected', vesselIds: [growing!], broth: 'threads' });
}

/** The canner is on: eight quarts of wheat, 52 minutes into the hold at the moment of loading. */
function addToday(demo: DemoBuilder, nowMs: number): void {
  const g28 = demo.medium(nowMs - 22 * HOUR_MS, 28, 'wheat-spawn', 'quart-jar', 8, 0.522);
  const heldMinutes = 52;
  const comeUpMinutes = 38;
  demo.cook(nowMs - (heldMinutes + comeUpMinutes) * MINUTE_MS, 14, g28, { until: 'atPressure' });
}

/** Two tubs of straw that run on the wardrobe's floor; one bears early, with its lid on. */
function addTubs(demo: DemoBuilder, day: DayAt, spawn: ReturnType<typeof addSummer>): void {
  const b29 = demo.medium(day(19, 13), 29, 'straw', 'tub-12', 2);
  demo.spawn(day(18, 9), b29, spawn.g18.slice(3), 200);
  demo.look(day(10, 8), b29, 0.32);
  demo.look(day(4, 8), b29, 0.66);
  demo.say(day(3, 8), { kind: 'pinned', vesselIds: [b29[1]!] });
  demo.say(day(1, 9.7), { kind: 'placeRead', placeId: 'shelf', celsius: 25.3 });
  demo.say(day(1, 9.8), { kind: 'placeRead', placeId: 'tent', celsius: 17.2 });
}

/** A bag of chestnut that came run through, broken up into a tub: perlite under it, a casing over it. */
function addCasedTub(demo: DemoBuilder, day: DayAt): void {
  const bag = demo.culture(
    day(26, 10),
    30,
    'culture-wood-bag',
    { amount: 2268, unit: 'g' },
    { isolateId: 'cn-ridge', origin: { how: 'swap', from: 'the supper club' } },
  );
  demo.say(day(26, 10.1), { kind: 'moved', vesselIds: [...bag], place: 'shelf' });
  demo.look(day(16, 8), bag, 1, 0);
  const vessel = demo.records.vesselTypes.find((v) => v.id === 'tub-12')!;
  const sources = bag.map((id) => demo.view(id));
  const casing = { depthMm: 30, name: 'peat and lime' };
  const repotting = { sources, vessel, count: 1, how: 'broken' as const, perliteMm: 20, casing };
  const tub = demo.repot(day(15, 9), 31, repotting, 'tent');
  demo.say(day(7, 9), { kind: 'opened', vesselIds: [...tub], how: 'lid' });
}

/** One block is left shut; the tent is misted and fanned by hand, and its logger tells of warmer and colder days. */
function addAir(demo: DemoBuilder, day: DayAt, nowMs: number, readings: readonly ReadingChunk[]): void {
  const b28 = demo.records.batches.find((b) => b.stage === 'bulk' && b.number === 28);
  const shut = demo.records.vessels.flatMap((v) => (v.batchId === b28?.id && v.number === 3 ? [v.id] : []));
  demo.say(day(22, 9.1), { kind: 'opened', vesselIds: shut, how: 'shut', place: 'tent' });
  for (const [daysAgo, hour] of [
    [2, 8],
    [2, 19],
    [1, 8],
    [1, 19],
  ] as const) {
    demo.say(day(daysAgo, hour), { kind: 'tended', placeId: 'tent', how: 'misted' });
    demo.say(day(daysAgo, hour + 0.1), { kind: 'tended', placeId: 'tent', how: 'fanned' });
  }
  demo.say(nowMs - 5 * HOUR_MS, { kind: 'tended', placeId: 'tent', how: 'misted' });
  const noting = new WorthNoting(undefined);
  const air = readings.filter((c) => c.channel === 'airC');
  const noted = air.flatMap((chunk) => {
    const startMs = Date.parse(chunk.at);
    return noting.add(
      chunk.seconds.map((second, i) => ({ atMs: startMs + second * 1000, value: chunk.values[i]! })),
    );
  });
  for (const { atMs, value } of noted) {
    demo.say(atMs, { kind: 'placeRead', placeId: 'tent', celsius: value, source: 'tent logger' });
  }
}

/** The canner was cleaned and looked over this autumn. */
function addCare(demo: DemoBuilder, day: DayAt): void {
  const applianceId = demo.records.appliances[0]!.id;
  for (const [what, daysAgo] of [
    ['gasket', 120],
    ['valves', 60],
    ['cleaned', 20],
  ] as const) {
    demo.say(day(daysAgo, 11), { kind: 'cookerCared', applianceId, what });
  }
}
