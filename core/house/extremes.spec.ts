import {
  allowedCookSteps,
  buildHouse,
  chamberProfile,
  checkEntry,
  cookState,
  dueItems,
  effectiveEntries,
  f0,
  hollinRow,
  lineage,
  newId,
  readRow,
  readingsOf,
  seededRandom,
  vesselState,
  type Entry,
  type FactOf,
  type Records,
  type VesselId,
} from '../index.js';
import { readFile } from '../testing/read-file.js';
import { extremeHouses } from '../testing/extreme-houses.js';
import { DAY_MS, MINUTE_MS, START_MS, entryMaker } from '../testing/sample-house.js';
import { refused } from '../testing/refused.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const records = hollinRow(NOW, NOW - 9 * 3_600_000);
const house = buildHouse(records);
const entry = entryMaker(seededRandom(21));
const cook = house.cooks.find((c) => c.state.phase === 'opened')!;

const withEntries = (...more: Entry[]): Records => ({ ...records, entries: [...records.entries, ...more] });

describe('a faulty reading', () => {
  const reading = (value: number): Entry =>
    entry(cook.state.lidOnMs! + MINUTE_MS, {
      kind: 'logged',
      cookId: cook.cook.id,
      channel: 'coreC',
      source: 'logger',
      readings: [
        [0, 90],
        [60, value],
        [120, 95],
      ],
    });

  it('of an open thermocouple is kept, counts for nothing and leaves the house open', () => {
    for (const value of [327.67, 400, -50]) {
      const broken = buildHouse(withEntries(reading(value)));
      expect(broken.troubles).toEqual([]);
      expect(broken.batches.length).toBe(house.batches.length);
      const view = broken.cookById.get(cook.cook.id)!;
      expect(readingsOf(view.logs, 'coreC').map((r) => r.value)).toEqual([90, 95]);
      expect(() => dueItems(broken, NOW)).not.toThrow();
    }
  });
});

describe('a part that cannot be worked out', () => {
  it('is missing, with its reason, and the rest of the house stands', () => {
    const species = records.species.map((s) => ({
      ...s,
      grainFullDay: { ...s.grainFullDay, low: -3, value: -3, high: -3 },
    }));
    const broken = buildHouse({ ...records, species });
    expect(broken.troubles.length).toBeGreaterThan(0);
    expect(broken.troubles[0]).toEqual(
      jasmine.objectContaining({ part: 'forecast', cause: jasmine.objectContaining({ code: 'bad-prior' }) }),
    );
    expect(broken.batches.length).toBe(house.batches.length);
    expect(() => dueItems(broken, NOW)).not.toThrow();
  });

  it('never comes past the door: the schemas allow only what can be derived', () => {
    const [row] = records.species;
    expect(readRow('species', { ...row!, grainFullDay: { ...row!.grainFullDay, low: -1 } }).ok).toBeFalse();
    const batch = records.batches.find((b) => b.plan !== undefined)!;
    expect(readRow('batches', { ...batch, plan: { ...batch.plan!, waterG: 1e300 } }).ok).toBeFalse();
    const [material] = records.materials;
    expect(
      readRow('materials', { ...material!, moisture: { ...material!.moisture, high: 1.2 } }).ok,
    ).toBeFalse();
  });

  it('is never the whole house, for any figures that the schemas accept', () => {
    const outcome = extremeHouses(250, 1);
    expect(outcome.broken).toEqual([]);
    expect(outcome.opened).toBe(250);
  });
});

describe('steps that a cook refused', () => {
  const steps = cook.steps.filter((s) => s.step !== 'open');
  const later = (step: FactOf<'cookStep'>['step'], minutes: number): FactOf<'cookStep'> =>
    entry(cook.state.heatOffMs! + minutes * MINUTE_MS, {
      kind: 'cookStep',
      cookId: cook.cook.id,
      step,
    }) as FactOf<'cookStep'>;
  const heat = (more: readonly FactOf<'cookStep'>[]) =>
    f0(chamberProfile(cook.cook, [...steps, ...more], cook.state.heatOffMs! + 300 * MINUTE_MS).points);

  it('credit no heat: a second heat off does not prolong it, a second loss does not ramp back up', () => {
    const honest = heat([]);
    expect(allowedCookSteps(cookState(steps).phase)).not.toContain('heatOff');
    expect(heat([later('heatOff', 60)])).toBe(honest);
    expect(heat([later('pressureLost', 40), later('heatOff', 60)])).toBe(honest);
  });

  it('leave what is in the cooker uncooked', () => {
    const jar = records.vessels[0]!.id;
    const cookId = newId(START_MS, seededRandom(2)) as never;
    const early = [
      entry(START_MS, { kind: 'cookLoaded', cookId, vesselIds: [jar] }),
      entry(START_MS + MINUTE_MS, { kind: 'cookStep', cookId, step: 'lidOn' }),
      entry(START_MS + 2 * MINUTE_MS, { kind: 'cookStep', cookId, step: 'heatOff' }),
    ];
    expect(vesselState(early, jar).phase).toBe('cooking');
  });
});

describe('long histories', () => {
  const LINKS = 5000;
  const ids = Array.from({ length: LINKS }, (_, i) => newId(START_MS + i, seededRandom(i)) as VesselId);

  it('of a culture handed on thousands of times are followed in one walk', () => {
    const first = records.vessels.find((v) => records.batches.find((b) => b.id === v.batchId)?.isolateId)!;
    const template = records.batches.find((b) => b.plan !== undefined)!;
    const chain = [first.id, ...ids];
    const batches = ids.map((id) => ({ ...template, id: id as never, number: 1 }));
    const vessels = ids.map((id) => ({ id, schemaVersion: 1 as const, batchId: id as never, number: 1 }));
    const entries = ids.flatMap((id, i) => [
      entry(NOW + i, { kind: 'batchMade', batchId: id as never, vesselIds: [id] }),
      entry(NOW + i, {
        kind: 'inoculated',
        vesselIds: [id],
        sourceVesselIds: [chain[i]!],
        doseEach: 0.001,
        doseUnit: 'ml',
      }),
    ]);
    const all = {
      ...records,
      batches: [...records.batches, ...batches],
      vessels: [...records.vessels, ...vessels],
      entries: [...records.entries, ...entries],
    };
    const long = buildHouse(all);
    expect(long.vesselById.get(ids.at(-1)!)!.isolate).toEqual(long.vesselById.get(first.id)!.isolate);
    expect(lineage(entries).fedBy.get(first.id)).toEqual([ids[0]!]);
  });

  it('of one vessel that was looked at every hour for years fold to its state', () => {
    const looks = ids.map((_, i) =>
      entry(START_MS + i * 3_600_000, { kind: 'inspected', vesselIds: [ids[0]!], fraction: 0.5 }),
    );
    expect(vesselState(looks, ids[0]).marks.length).toBe(LINKS);
  });
});

describe('a faulty logger’s file', () => {
  it('with a field of megabytes of blanks is read like any other', () => {
    const blank = ' '.repeat(2_400_000);
    const csv = `time,temp\n0,20\n1,${blank}\n2,${blank}x\n3,60\n`;
    expect(readFile(csv).readings.map((r) => r.value)).toEqual([20, 60]);
  });

  it('leaves out what no thermometer reads, and says how many', () => {
    const { readings, file } = readFile('time,temp\n0,20\n1,327.67\n2,60\n');
    expect(readings.map((r) => r.value)).toEqual([20, 60]);
    expect(file.skipped).toBe(2);
  });
});

describe('two presses of one thing', () => {
  const nowIso = NOW;
  it('are refused the second time: one vessel has one cook and one end', () => {
    const gone = house.batches.flatMap((b) => b.vessels).find((v) => v.state.phase === 'gone')!;
    expect(() =>
      checkEntry(
        house,
        entry(nowIso, { kind: 'discarded', vesselIds: [gone.vessel.id], reason: 'other' }),
        NOW,
      ),
    ).toThrowMatching(refused('wrong-phase', { phase: 'gone', wanted: 'here' }));
    const cooking = effectiveEntries(records.entries).find((f) => f.kind === 'cookLoaded')!;
    expect(() =>
      checkEntry(
        house,
        entry(nowIso, {
          kind: 'cookLoaded',
          cookId: newId(1, seededRandom(1)) as never,
          vesselIds: cooking.vesselIds,
        }),
        NOW,
      ),
    ).toThrowMatching(refused('wrong-phase', { wanted: 'uncooked' }));
  });
});
