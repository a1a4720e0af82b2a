import {
  HOUR_MS,
  buildHouse,
  checkEntry,
  checkReadings,
  dueItems,
  fedBy,
  hollinRow,
  isCulture,
  isLate,
  isUsedUp,
  labelContent,
  makeBatch,
  newId,
  nextNumber,
  receiveCulture,
  resolveFormula,
  scaleFormula,
  seededRandom,
  subjectOfCook,
  subjectOfPlace,
  subjectOfVessel,
  withRows,
  type Entry,
  type House,
  type Records,
  type Subject,
} from '../index.js';
import {
  DAY_MS,
  MINUTE_MS,
  START_MS,
  entryMaker,
  furnishedRecords,
  stepsOfGoodCook,
} from '../testing/sample-house.js';
import { outOfRange, refused } from '../testing/refused.js';
import { requireInstant } from './check-entry.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const MIDNIGHT = NOW - 9 * 3_600_000;

const holds = { amount: 10, unit: 'ml' as const };

/** One jar of wheat that is cooked, and 10 ml of culture. */
function smallHouse(): { records: Records; house: House; nowMs: number } {
  const base = furnishedRecords();
  const random = seededRandom(11);
  const entry = entryMaker(seededRandom(12));
  const formula = resolveFormula(
    base.formulas.find((f) => f.id === 'wheat-spawn')!,
    base.materials,
  );
  const scaled = scaleFormula(formula, {
    vessel: base.vesselTypes.find((v) => v.id === 'quart-jar')!,
    count: 2,
  });
  const made = makeBatch(formula, scaled, 1, { nowMs: START_MS, random });
  const isolate = {
    id: 'bp',
    schemaVersion: 1 as const,
    updatedAt: new Date(START_MS).toISOString(),
    speciesId: 'black-poplar',
    name: 'BP',
  };
  const syringe = base.vesselTypes.find((v) => v.kind === 'syringe')!;
  const culture = receiveCulture({ stage: 'liquid', vessel: syringe, isolateId: 'bp', holds, count: 1 }, 1, {
    nowMs: START_MS,
    random,
  });
  const cookId = made.batch.id as never;
  const entries = [
    made.entry,
    culture.entry,
    entry(START_MS + MINUTE_MS, { kind: 'cookLoaded', cookId, vesselIds: made.vessels.map((v) => v.id) }),
    ...stepsOfGoodCook(entry, cookId, START_MS + 2 * MINUTE_MS),
  ];
  const records: Records = {
    ...base,
    isolates: [isolate],
    batches: [made.batch, culture.batch],
    vessels: [...made.vessels, ...culture.vessels],
    entries,
  };
  return { records, house: buildHouse(records), nowMs: START_MS + DAY_MS };
}

describe('the made-up household', () => {
  const records = hollinRow(NOW, MIDNIGHT);
  const house = buildHouse(records);
  const batch = (code: string) => house.batches.find((b) => b.code === code)!;
  const bad = (code: string) => batch(code).vessels.filter((v) => v.state.suspect !== undefined);

  it('could have happened: every entry passes the same checks as a person’s', () => {
    expect(() => hollinRow(NOW, MIDNIGHT, { checked: true })).not.toThrow();
  });

  it('is made up, and the same for the same moment', () => {
    expect(house.household?.madeUp).toBeTrue();
    expect(hollinRow(NOW, MIDNIGHT)).toEqual(records);
  });

  it('tells of a dirty broth: all six bad jars of the summer came from L6', () => {
    const six = [...bad('G15'), ...bad('G16')];
    expect(six.length).toBe(6);
    const l6 = batch('L6').vessels[0]!.vessel.id;
    six.forEach((v) => expect(v.state.sourceVesselIds).toEqual([l6]));
  });

  it('counts what a broth fed, and how much of that went bad', () => {
    const of = (code: string) =>
      fedBy(
        [...house.vesselById.values()].find((v) => v.code === code)!,
        house,
      );
    expect(of('L6-1')).toEqual({ fed: 9, bad: 6 });
    expect(of('L5-1').bad).toBe(0);
    expect(of('L5-1').fed).toBeGreaterThan(0);
  });

  it('dates a suspicion by the look that had it first', () => {
    const jar = house.batches.flatMap((b) => b.vessels).find((v) => v.state.suspect !== undefined)!;
    const first = jar.state.suspectAt!;
    const look = records.entries.find((e) => e.kind === 'inspected')!;
    const later = new Date(Date.parse(first) + DAY_MS).toISOString();
    const again = {
      ...look,
      id: newId(NOW, seededRandom(3)) as never,
      at: later,
      notedAt: later,
      vesselIds: [jar.vessel.id],
      suspect: 'yeast' as const,
    };
    const { state } = withRows(house, { entries: [again] }).vesselById.get(jar.vessel.id)!;
    expect([state.suspectAt, state.suspect]).toEqual([first, 'yeast']);
  });

  it('tells of a cook that was hardly vented: only its jars turned', () => {
    const cook = house.cooks.find((c) => c.cook.number === 11)!;
    expect(cook.verdict).toEqual({ word: 'not-sterile', reasons: ['hardly vented'] });
    expect(bad('G27').length).toBe(4);
    bad('G27').forEach((v) => expect(v.state.cookId).toBe(cook.cook.id));
  });

  it('tells of wheat that comes out wetter each time', () => {
    const wheat = house.batches
      .filter((b) => b.batch.formula?.id === 'wheat-spawn')
      .map((b) => b.weighedMoisture!);
    expect(wheat.length).toBeGreaterThanOrEqual(4);
    expect([...wheat].sort()).toEqual(wheat);
  });

  it('has something due at whatever hour it is loaded', () => {
    for (const hour of [0.2, 6, 12, 18, 23.9]) {
      const now = MIDNIGHT + hour * 3_600_000;
      const due = dueItems(buildHouse(hollinRow(now, MIDNIGHT)), now);
      expect(due.some((d) => d.place === 'stove' && d.exact))
        .withContext(`${hour} h`)
        .toBeTrue();
      expect(due.some((d) => d.atMs < MIDNIGHT + DAY_MS)).toBeTrue();
    }
  });

  it('forecasts in days that lie around the present', () => {
    const forecast = batch('G27').forecast!;
    expect(forecast.converged).toBeTrue();
    expect(forecast.low).toBeGreaterThan(11);
    expect(forecast.high).toBeLessThan(40);
  });

  it('does not depend on the order of its records', () => {
    const reversed = Object.fromEntries(
      Object.entries(records).map(([k, v]) => [k, [...v].reverse()]),
    ) as unknown as Records;
    const again = buildHouse(reversed);
    expect(again.batches.map((b) => b.code)).toEqual(house.batches.map((b) => b.code));
    expect(again.batches.flatMap((b) => b.vessels.map((v) => v.state))).toEqual(
      house.batches.flatMap((b) => b.vessels.map((v) => v.state)),
    );
  });
});

describe('what is due', () => {
  it('is late only after its hour, or for a day’s work after its day', () => {
    const deed = { kind: 'heatOff' as const, cook: '14' };
    const clock = { place: 'stove' as const, atMs: NOW, deed, exact: true };
    expect(isLate(clock, NOW + 4 * MINUTE_MS, MIDNIGHT)).toBeFalse();
    expect(isLate(clock, NOW + 6 * MINUTE_MS, MIDNIGHT)).toBeTrue();
    const work = { ...clock, exact: false, atMs: MIDNIGHT + 1 };
    expect(isLate(work, NOW, MIDNIGHT)).toBeFalse();
    expect(isLate(work, NOW + DAY_MS, MIDNIGHT + DAY_MS)).toBeTrue();
  });
});

describe('entries that cannot be true are refused before anything is written', () => {
  const { house, records, nowMs } = smallHouse();
  const entry = entryMaker(seededRandom(13));
  const jars = house.batches.find((b) => b.code === 'G1')!.vessels.map((v) => v.vessel.id);
  const culture = house.batches.find((b) => b.code === 'L1')!.vessels[0]!.vessel.id;
  const refuse = (made: Entry, isRefused: (error: unknown) => boolean) => {
    expect(() => checkEntry(house, made, nowMs)).toThrowMatching(isRefused);
  };

  it('a date before the batch, or in the future', () => {
    refuse(
      entry(START_MS - DAY_MS, { kind: 'shaken', vesselIds: jars }),
      refused('bad-moment', { limit: 'batchMade' }),
    );
    // At the very moment of the batch it could have been.
    const madeMs = house.batches.find((b) => b.code === 'G1')!.madeAtMs;
    expect(() => {
      requireInstant(madeMs, madeMs, nowMs);
    }).not.toThrow();
    expect(() => {
      requireInstant(madeMs - 1, madeMs, nowMs);
    }).toThrowMatching(refused('bad-moment', { limit: 'batchMade', limitMs: madeMs }));
    refuse(
      entry(nowMs + DAY_MS, { kind: 'shaken', vesselIds: jars }),
      refused('bad-moment', { limit: 'now', limitMs: nowMs }),
    );
    refuse(
      entry(START_MS - DAY_MS, { kind: 'stepDone', batchId: house.batches[0]!.batch.id, step: 'soak' }),
      refused('bad-moment', { limit: 'batchMade' }),
    );
  });

  it('a dose larger than the source holds', () => {
    const dose = (doseEach: number) =>
      entry(nowMs, {
        kind: 'inoculated',
        vesselIds: jars,
        sourceVesselIds: [culture],
        doseEach,
        doseUnit: 'ml',
      });
    refuse(
      dose(5.1),
      refused('bad-dose', { each: 5.1, most: 5, unit: 'ml', sources: ['L1-1'], remaining: 10, vessels: 2 }),
    );
    expect(() => checkEntry(house, dose(5), nowMs)).not.toThrow();
  });

  it('a dose from two sources that were put together takes an equal share of each', () => {
    const random = seededRandom(31);
    const syringe = records.vesselTypes.find((v) => v.kind === 'syringe')!;
    const second = receiveCulture({ stage: 'liquid', vessel: syringe, isolateId: 'bp', holds, count: 1 }, 2, {
      nowMs: START_MS,
      random,
    });
    const [other] = second.vessels;
    const fed = withRows(house, {
      batches: [second.batch],
      vessels: second.vessels,
      entries: [
        second.entry,
        entry(nowMs, {
          kind: 'inoculated',
          vesselIds: jars,
          sourceVesselIds: [culture, other!.id],
          doseEach: 3,
          doseUnit: 'ml',
        }),
      ],
    });
    // Two jars of 3 ml are 6 ml: 3 ml of each.
    expect(fed.vesselById.get(culture)!.remaining).toBeCloseTo(7, 9);
    expect(fed.vesselById.get(other!.id)!.remaining).toBeCloseTo(7, 9);
  });

  it('the same jar inoculated twice, or from a unit that the source does not have', () => {
    refuse(
      entry(nowMs, {
        kind: 'inoculated',
        vesselIds: [jars[0]!],
        sourceVesselIds: [culture],
        doseEach: 1,
        doseUnit: 'g',
      }),
      refused('wrong-dose-unit', { unit: 'g', wanted: 'ml' }),
    );
    const done = entry(nowMs - 1000, {
      kind: 'inoculated',
      vesselIds: [jars[0]!],
      sourceVesselIds: [culture],
      doseEach: 1,
      doseUnit: 'ml',
    });
    const after = buildHouse({ ...records, entries: [...records.entries, done] });
    expect(() =>
      checkEntry(after, { ...done, id: entry(0, { kind: 'shaken', vesselIds: jars }).id }, nowMs),
    ).toThrowMatching(refused('wrong-phase', { code: 'G1-1', wanted: 'cooked' }));
  });

  it('a harvest of a vessel that is not open, a drained mass below its dry matter, a vessel of another house', () => {
    refuse(
      entry(nowMs, { kind: 'harvested', vesselIds: jars, massG: 300 }),
      refused('wrong-phase', { code: 'G1-1', wanted: 'inoculated' }),
    );
    refuse(
      entry(nowMs, { kind: 'weighed', batchId: house.vesselById.get(jars[0]!)!.batch.id, massG: 3 }),
      outOfRange('drainedMass'),
    );
    refuse(
      entry(nowMs, { kind: 'shaken', vesselIds: [records.batches[0]!.id as never] }),
      refused('not-found', { what: 'vessel' }),
    );
  });

  it('anything of a vessel whose batch was put away: it went with it, and cannot go twice', () => {
    const batchId = house.vesselById.get(jars[0]!)!.batch.id;
    const put = entry(nowMs - 1000, { kind: 'putAway', batchId });
    const noted = entry(nowMs - 2000, { kind: 'batchNoted', batchId, note: 'weevils' });
    const after = withRows(house, { entries: [noted, put] });
    for (const id of jars) {
      expect(after.vesselById.get(id)!.state).toEqual(
        jasmine.objectContaining({ phase: 'gone', goneBecause: 'putAway' }),
      );
      expect(house.vesselById.get(id)!.state.phase).not.toBe('gone');
    }
    expect(() => checkEntry(after, entry(nowMs, { kind: 'putAway', batchId }), nowMs)).toThrowMatching(
      refused('put-away'),
    );
    expect(() => checkEntry(after, entry(nowMs, { kind: 'shaken', vesselIds: jars }), nowMs)).toThrowMatching(
      refused('wrong-phase', { phase: 'gone' }),
    );
  });

  it('a step of a cook out of turn, and a correction across the step before', () => {
    const demo = buildHouse(hollinRow(NOW, MIDNIGHT));
    const cook = demo.cooks.find((c) => c.cook.number === 14)!;
    const early = entry(NOW, { kind: 'cookStep', cookId: cook.cook.id, step: 'open' });
    expect(() => checkEntry(demo, early, NOW)).toThrowMatching(
      refused('wrong-step', { step: 'open', allowed: ['pressureLost', 'heatOff', 'boiledDry', 'stop'] }),
    );
    const pressure = cook.steps.at(-1)!;
    const move = (minutes: number) =>
      entry(NOW, {
        kind: 'retimed',
        entryId: pressure.id,
        actualAt: new Date(Date.parse(pressure.at) - minutes * MINUTE_MS).toISOString(),
      });
    expect(() => checkEntry(demo, move(3), NOW)).not.toThrow();
    expect(() => checkEntry(demo, move(30), NOW)).toThrowMatching(
      refused('bad-moment', { limit: 'stepBefore' }),
    );
    // Nor the first of two across the second; at the same moment they may be.
    const [lidOn, steady] = cook.steps;
    const moveLid = (ms: number) =>
      entry(NOW, {
        kind: 'retimed',
        entryId: lidOn!.id,
        actualAt: new Date(Date.parse(steady!.at) + ms).toISOString(),
      });
    expect(() => checkEntry(demo, moveLid(0), NOW)).not.toThrow();
    expect(() => checkEntry(demo, moveLid(1), NOW)).toThrowMatching(
      refused('bad-moment', { limit: 'stepAfter', limitMs: Date.parse(steady!.at) }),
    );
  });
});

describe('a batch', () => {
  it('gets the next number, and keeps its formula when the definition changes later', () => {
    const { records, house } = smallHouse();
    expect(nextNumber([])).toBe(1);
    expect(nextNumber([1, 7, 3])).toBe(8);
    // At the end of the numbers the gaps are used, so that the next one can still be read.
    expect(nextNumber([1, 2, 99_999])).toBe(3);
    const changed = buildHouse({
      ...records,
      materials: records.materials.map((m) => ({ ...m, name: 'changed' })),
    });
    expect(changed.batches[0]!.batch.formula).toEqual(house.batches[0]!.batch.formula);
  });

  it('that was taken back is gone, with its vessels', () => {
    const { records } = smallHouse();
    const made = records.entries[0]!;
    const back = entryMaker(seededRandom(14))(START_MS + DAY_MS, { kind: 'takenBack', entryId: made.id });
    const house = buildHouse({ ...records, entries: [...records.entries, back] });
    expect(house.batches.map((b) => b.code)).toEqual(['L1']);
    expect(house.vesselById.size).toBe(1);
  });
});

describe('what can feed others', () => {
  const { house } = smallHouse();
  const jar = house.batches.find((b) => b.code === 'G1')!.vessels[0]!;

  it('is a culture where it came in, or is a plate of one’s own that runs', () => {
    const culture = house.batches.find((b) => b.code === 'L1')!.vessels[0]!;
    const plate = { ...jar, batch: { ...jar.batch, stage: 'agar' as const } };
    expect(isCulture(culture)).toBeTrue();
    expect(isCulture(jar)).toBeFalse();
    expect(isCulture({ ...plate, state: { ...plate.state, phase: 'running' } })).toBeTrue();
    expect(isCulture({ ...plate, state: { ...plate.state, phase: 'cooked' } })).toBeFalse();
  });

  it('is used up at a twentieth of what was in it', () => {
    const fullG = jar.batch.plan!.vesselWetG;
    expect(isUsedUp({ ...jar, remaining: fullG * 0.05 })).toBeTrue();
    expect(isUsedUp({ ...jar, remaining: fullG * 0.051 })).toBeFalse();
  });
});

describe('a label', () => {
  it('says code, species and isolate, stage, date, source, formula and a link', () => {
    const house = buildHouse(hollinRow(NOW, MIDNIGHT));
    const jar = house.batches.find((b) => b.code === 'G26')!.vessels[2]!;
    const sources = jar.state.sourceVesselIds.map((id) => house.vesselById.get(id)!);
    expect(
      labelContent(jar, sources, { base: 'http://127.0.0.1:4310', formatDate: (iso) => iso.slice(0, 10) }),
    ).toEqual({
      code: 'G26-3',
      species: 'Black poplar BP-Alder',
      made: `grain spawn, made ${jar.state.madeAt!.slice(0, 10)}`,
      sown: `inoc. ${jar.state.inoculatedAt!.slice(0, 10)} from L7-1`,
      formula: 'Wheat, soak and simmer',
      link: `http://127.0.0.1:4310/v/${jar.vessel.id}`,
    });
  });

  it('leaves to be written what is not there yet, so that it never turns wrong', () => {
    const house = buildHouse(hollinRow(NOW, MIDNIGHT));
    const jar = house.batches.find((b) => b.code === 'G28')!.vessels[0]!;
    const label = labelContent(jar, [], { base: '', formatDate: (iso) => iso.slice(0, 10) });
    expect([label.species, label.sown]).toEqual(['', '']);
    expect(label.made).toMatch(/^grain spawn, made 2026-/);
  });
});

describe('readings of an instrument', () => {
  const { house, nowMs } = smallHouse();
  const demo = buildHouse(hollinRow(NOW, MIDNIGHT));
  const read = { fromMs: nowMs - HOUR_MS, toMs: nowMs };
  const vessel = [...house.vesselById.keys()][0]!;
  const strange = demo.cooks[0]!.cook.id;

  it('are kept of a place, and of a cook or a vessel that is here', () => {
    for (const subject of [subjectOfPlace('tent'), subjectOfVessel(vessel)]) {
      expect(() => {
        checkReadings(house, subject, read, nowMs);
      }).not.toThrow();
    }
    expect(() => {
      checkReadings(demo, subjectOfCook(strange), { fromMs: NOW - HOUR_MS, toMs: NOW }, NOW);
    }).not.toThrow();
  });

  it('of what is not here are refused by its kind, and of times that cannot be', () => {
    const refuse = (subject: Subject, at: typeof read, isRefused: (error: unknown) => boolean) => {
      expect(() => {
        checkReadings(house, subject, at, nowMs);
      }).toThrowMatching(isRefused);
    };
    refuse(subjectOfCook(strange), read, refused('not-found', { what: 'cook', id: strange }));
    // The same identity, taken for a vessel's.
    refuse(subjectOfVessel(strange as never), read, refused('not-found', { what: 'vessel' }));
    const late = { ...read, toMs: nowMs + HOUR_MS };
    refuse(subjectOfPlace('tent'), late, refused('bad-moment', { limit: 'now' }));
    refuse(subjectOfPlace('tent'), { ...read, fromMs: 0 }, refused('bad-moment', { limit: 'mostAge' }));
  });
});
