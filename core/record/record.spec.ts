import fc from 'fast-check';
import {
  Batch,
  Entry,
  Household,
  TABLES,
  TABLE_NAMES,
  ancestors,
  descendants,
  effectiveEntries,
  hollinRow,
  lineage,
  newId,
  readRow,
  seededRandom,
  vesselState,
  type VesselId,
  isLive,
} from '../index.js';
import { DAY_MS, START_MS, entryMaker, stepsOfGoodCook } from '../testing/sample-house.js';

const random = seededRandom(7);
const id = () => newId(START_MS, random);
const [jar, other, culture] = [id() as VesselId, id() as VesselId, id() as VesselId];

describe('effective entries', () => {
  const entry = entryMaker();
  const look = entry(START_MS, { kind: 'inspected', vesselIds: [jar], fraction: 0.3 });

  it('leave out what was taken back, until it is put back', () => {
    const back = entry(START_MS + 1000, { kind: 'takenBack', entryId: look.id });
    const again = entry(START_MS + 2000, { kind: 'putBack', entryId: look.id });
    expect(effectiveEntries([look, back])).toEqual([]);
    expect(effectiveEntries([again, look, back])).toEqual([look as never]);
  });

  it('carry the corrected time and keep when it was noted', () => {
    const earlier = new Date(START_MS - 180_000).toISOString();
    const [fact] = effectiveEntries([
      look,
      entry(START_MS + 1000, { kind: 'retimed', entryId: look.id, actualAt: earlier }),
    ]);
    expect(fact!.at).toBe(earlier);
    expect(fact!.notedAt).toBe(look.notedAt);
  });
});

describe('the state of a vessel', () => {
  const entry = entryMaker(seededRandom(5));
  const cookId = id() as never;
  const batchId = id() as never;
  const shaken = entry(START_MS + 9 * DAY_MS, { kind: 'shaken', vesselIds: [jar, other] });
  const story: Entry[] = [
    entry(START_MS, { kind: 'batchMade', batchId, vesselIds: [jar, other] }),
    entry(START_MS + 1000, { kind: 'cookLoaded', cookId, vesselIds: [jar, other] }),
    ...stepsOfGoodCook(entry, cookId, START_MS + 2000),
    entry(START_MS + DAY_MS, {
      kind: 'inoculated',
      vesselIds: [jar],
      sourceVesselIds: [culture],
      doseEach: 2,
      doseUnit: 'ml',
    }),
    entry(START_MS + 6 * DAY_MS, { kind: 'inspected', vesselIds: [jar], fraction: 0.2, note: 'even' }),
    shaken,
    entry(START_MS + 12 * DAY_MS, { kind: 'inspected', vesselIds: [jar], suspect: 'greenMold' }),
    entry(START_MS + 13 * DAY_MS, { kind: 'takenBack', entryId: shaken.id }),
  ];

  it('is the fold of its entries', () => {
    const state = vesselState(story, jar);
    expect(state).toEqual(
      jasmine.objectContaining({
        phase: 'running',
        cookId,
        sourceVesselIds: [culture],
        doseEach: 2,
        place: 'shelf',
        suspect: 'greenMold',
      }),
    );
    expect(state.marks.map((m) => m.fraction)).toEqual([0.2]);
    expect(state.shakenAt).toBeUndefined();
    expect(vesselState(story, other).phase).toBe('cooked');
  });

  it('is the same for any order of import', () => {
    const wanted = vesselState(story, jar);
    fc.assert(
      fc.property(fc.shuffledSubarray(story, { minLength: story.length }), (shuffled) => {
        expect(vesselState(shuffled, jar)).toEqual(wanted);
      }),
    );
  });

  it('goes back to waiting when its cook was stopped or boiled dry', () => {
    const voided = [
      ...story.slice(0, 4),
      entry(START_MS + DAY_MS / 2, { kind: 'cookStep', cookId, step: 'boiledDry' }),
    ];
    expect(vesselState(voided, jar)).toEqual(
      jasmine.objectContaining({ phase: 'planned', cookId: undefined }),
    );
  });

  it('shares a bowl that was weighed together', () => {
    const bowl = entry(START_MS + 40 * DAY_MS, { kind: 'harvested', vesselIds: [jar, other], massG: 500 });
    expect(vesselState([...story, bowl], other).harvests.map((h) => h.massG)).toEqual([250]);
  });
});

describe('lineage', () => {
  it('goes back to the culture and forward to everything fed, loops notwithstanding', () => {
    const entry = entryMaker(seededRandom(6));
    const fed = (targets: VesselId[], sources: VesselId[]) =>
      entry(START_MS, {
        kind: 'inoculated',
        vesselIds: targets,
        sourceVesselIds: sources,
        doseEach: 1,
        doseUnit: 'ml',
      });
    const graph = lineage([fed([jar], [culture]), fed([other], [jar]), fed([culture], [other])]);
    expect(ancestors(graph, other)).toEqual([other, jar, culture]);
    expect(descendants(graph, culture)).toEqual([culture, jar, other]);
  });
});

describe('stored rows', () => {
  const demo = hollinRow(START_MS + 200 * DAY_MS, START_MS + 200 * DAY_MS);

  it('of the made-up household all satisfy their schemas', () => {
    for (const table of TABLE_NAMES) {
      for (const row of demo[table]) {
        const read = readRow(table, row);
        expect(read.ok)
          .withContext(`${table}: ${read.ok ? '' : JSON.stringify(read.issues[0])}`)
          .toBeTrue();
      }
    }
  });

  it('are refused with unknown fields, senseless numbers or foreign ids', () => {
    const entry = demo.entries[0]!;
    const refused = [
      { ...entry, extra: 1 },
      { ...entry, id: 'x' },
      { ...entry, at: 'yesterday' },
      { ...entry, kind: 'dreamt' },
      null,
      'text',
      7,
    ];
    refused.forEach((row) =>
      expect(Entry.safeParse(row).success).withContext(JSON.stringify(row)).toBeFalse(),
    );
    expect(Batch.safeParse({ ...demo.batches[0]!, number: 0 }).success).toBeFalse();
    expect(Household.safeParse({ ...demo.household[0]!, altitudeM: 9000 }).success).toBeFalse();
  });

  it('keep text from people within limits', () => {
    const long = { ...demo.entries.find((e) => e.kind === 'inspected')!, note: 'x'.repeat(2001) };
    expect(TABLES.entries.safeParse(long).success).toBeFalse();
  });
});

describe('ids', () => {
  it('are UUIDs of version 7 that sort by time', () => {
    const made = [1, 5, 9, 1e6].map((ms) => newId(START_MS + ms, random));
    made.forEach((uuid) =>
      expect(uuid).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/),
    );
    expect([...made].sort()).toEqual(made);
  });
});

describe('a table', () => {
  it('stands in memory unless its rows are too large for that', () => {
    expect(TABLE_NAMES.filter((name) => !isLive(name))).toEqual(['photos', 'readings']);
  });
});
