import {
  EMPTY_HOUSE,
  buildHouse,
  consequencesOf,
  hollinRow,
  impossibleFacts,
  probedF0,
  seededRandom,
  withRows,
  type House,
  type LiveRecords,
  type NewRows,
  type Random,
} from '../../index.js';
import { DAY_MS, START_MS } from '../../testing/sample-house.js';
import { logsOf } from '../../testing/sample-logs.js';
import { anyEntry } from '../../testing/three-devices.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const { photos: _, readings: _r, ...laidOut } = hollinRow(NOW, NOW - 9 * 3_600_000);
const records: LiveRecords = { ...laidOut, logs: logsOf(laidOut.cooks, seededRandom(7)) };

/** Everything that a house says, free of how it is kept. */
function said(house: House): unknown {
  const sorted = <V>(map: ReadonlyMap<string, V>) =>
    [...map].sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  const rows = Object.entries(house.records).map(([table, list]) => [
    table,
    sorted(new Map((list as readonly { id: string }[]).map((r) => [r.id, r]))),
  ]);
  return [
    rows,
    house.household,
    house.facts,
    house.batches,
    house.cooks,
    house.inHand,
    sorted(house.cooksOf),
    sorted(house.batchById),
    sorted(house.vesselById),
    sorted(house.cookById),
    sorted(house.lineage.sourcesOf),
    sorted(house.lineage.fedBy),
    sorted(house.codes),
    sorted(house.entryById),
    sorted(house.factById),
    house.troubles,
    house.noted,
    sorted(house.workings.index.takenBack),
  ];
}

interface RowAt {
  readonly table: keyof LiveRecords;
  readonly row: unknown;
}

/** All rows in any order, in slices of any size, some of them twice. */
function anySlices(all: LiveRecords, random: Random): NewRows[] {
  const rows = (Object.keys(all) as (keyof LiveRecords)[]).flatMap((table) =>
    all[table].map((row): RowAt => ({ table, row })),
  );
  const shuffled = rows
    .map((row) => [random(), row] as const)
    .sort(([a], [b]) => a - b)
    .map(([, row]) => row);
  const slices: NewRows[] = [];
  for (let at = 0; at < shuffled.length;) {
    const size = random() < 0.7 ? 1 + Math.floor(random() * 4) : Math.floor(random() * 300);
    const slice: Partial<Record<keyof LiveRecords, unknown[]>> = {};
    shuffled.slice(at, at + size).forEach(({ table, row }) => (slice[table] ??= []).push(row));
    slices.push(slice as NewRows);
    at += size;
  }
  return slices;
}

function withCorrections(count: number, random: Random): LiveRecords {
  const entries = [...records.entries];
  for (let n = 0; n < count; n++) {
    entries.push(anyEntry({ ...records, entries, photos: [], readings: [] }, n, n % 3, random));
  }
  return { ...records, entries };
}

describe('a house with more rows', () => {
  it('is the one that is derived from all of them at once, in whatever order and slices they came', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const random = seededRandom(seed);
      const all = withCorrections(60, random);
      const slowly = anySlices(all, random).reduce(withRows, EMPTY_HOUSE);
      expect(said(slowly))
        .withContext(`seed ${seed}`)
        .toEqual(said(buildHouse(all)));
    }
  });

  it('knows the logs of a cook, and what they say', () => {
    const house = buildHouse(records);
    expect(records.logs.length).toBeGreaterThan(5);
    expect(house.cooks.flatMap((c) => c.logRows).length).toBe(records.logs.length);
    for (const cook of house.cooks) {
      const counting = cook.logRows.filter((l) => l.leftOut !== true);
      expect(cook.logs.map((l) => l.id)).toEqual(counting.map((l) => l.id));
      expect(cook.probedF0).toBe(probedF0(counting));
    }
  });

  it('takes other rows in the place of those that it had', () => {
    const house = buildHouse(records);
    const [isolate] = records.isolates;
    const [species] = records.species;
    const grain = records.batches.filter((b) => b.stage === 'grain');
    const look = records.entries.find((e) => e.kind === 'inspected')!;
    const changed: NewRows = {
      isolates: [{ ...isolate!, name: 'Another name' }],
      species: [{ ...species!, commonName: 'Another species' } as never],
      batches: [
        { ...grain[0]!, number: grain[1]!.number },
        { ...records.batches[0]!, isolateId: undefined },
      ],
      vessels: [{ ...records.vessels[3]!, batchId: grain[1]!.id, number: 77 }],
      cooks: [{ ...records.cooks[0]!, number: records.cooks[1]!.number }],
      entries: [{ ...look, note: 'Another note' }],
      logs: [
        { ...records.logs[0]!, leftOut: true },
        { ...records.logs[1]!, cookId: records.cooks[0]!.id, at: records.logs[3]!.at },
      ],
    };
    const put = <K extends keyof LiveRecords>(table: K): LiveRecords[K] => {
      const more = new Map((changed[table] ?? []).map((r) => [r.id, r]));
      return records[table].map((r) => more.get(r.id) ?? r) as unknown as LiveRecords[K];
    };
    const all = Object.fromEntries(
      (Object.keys(records) as (keyof LiveRecords)[]).map((t) => [t, put(t)]),
    ) as unknown as LiveRecords;
    expect(said(withRows(house, changed))).toEqual(said(buildHouse(all)));
  });

  it('leaves the house from before as it was, and what was not touched the very same', () => {
    const house = buildHouse(records);
    const before = said(house);
    const running = house.batches.flatMap((b) => b.vessels).find((v) => v.state.phase === 'running')!;
    const look = records.entries.find((e) => e.kind === 'inspected')!;
    const after = withRows(house, {
      entries: [{ ...look, id: 'another' as never, vesselIds: [running.vessel.id], fraction: 0.4 }],
    });
    expect(said(house)).toEqual(before);
    const changed = after.batches.filter((b) => house.batchById.get(b.batch.id) !== b);
    expect(changed.map((b) => b.batch.id)).toEqual([running.batch.id]);
    const views = [...after.vesselById.values()].filter((v) => house.vesselById.get(v.vessel.id) !== v);
    expect(views.map((v) => v.code)).toEqual([running.code]);
    expect(after.cooks.every((c) => house.cookById.get(c.cook.id) === c)).toBeTrue();
  });
});

describe('what a correction makes impossible', () => {
  it('is found near it as it is found in the whole history', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed);
      const house = buildHouse(withCorrections(Math.floor(random() * 20), random));
      const entry = anyEntry({ ...house.records, photos: [], readings: [] }, 90, 1, random);
      const before = new Set(impossibleFacts(house).map((i): string => i.fact.id));
      const everywhere = impossibleFacts(withRows(house, { entries: [entry] })).filter(
        (i) => !before.has(i.fact.id),
      );
      if ('entryId' in entry) {
        expect(consequencesOf(house, [entry]))
          .withContext(`seed ${seed}`)
          .toEqual(everywhere);
      }
    }
  });
});
