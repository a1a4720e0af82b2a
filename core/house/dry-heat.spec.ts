import {
  DRY_HEAT,
  KITCHEN_DRY_HEAT,
  buildHouse,
  consequencesOf,
  dryHeatHeld,
  dryHeatRuns,
  dueItems,
  glassInOven,
  newId,
  seededRandom,
  sterileDishes,
  withRows,
  type BatchId,
  type CookId,
  type Entry,
  type House,
  type VesselId,
} from '../index.js';
import { checkEntry } from './check-entry.js';
import type { Said } from '../record/entry.js';
import { MINUTE_MS } from '../base/time.js';
import { DAY_MS, START_MS, entryMaker, furnishedRecords } from '../testing/sample-house.js';
import { refused } from '../testing/refused.js';

describe('empty glass in dry heat', () => {
  let house: House;
  const entry = entryMaker(seededRandom(11));
  beforeEach(() => {
    house = buildHouse(furnishedRecords());
  });
  const say = (minute: number, said: Said): Entry => {
    const made = entry(START_MS + minute * MINUTE_MS, said);
    checkEntry(house, made, START_MS + DAY_MS);
    house = withRows(house, { entries: [made] });
    return made;
  };
  const begin = (over: Partial<Extract<Said, { kind: 'glassIn' }>> = {}) =>
    say(0, {
      kind: 'glassIn',
      runId: 'run-1',
      what: 'dishes',
      count: 12,
      celsius: 160,
      minutes: 120,
      wrapped: true,
      ...over,
    });
  const step = (minute: number, what: 'hot' | 'out' | 'stop') =>
    say(minute, { kind: 'glassStep', runId: 'run-1', step: what });

  it('counts from the moment on at which the glass is hot, and is sterile when it was held long enough', () => {
    begin();
    expect(glassInOven(house).map((r) => r.phase)).toEqual(['warming']);
    expect(dueItems(house, START_MS)).toEqual([]);
    step(45, 'hot');
    expect(dueItems(house, START_MS).map((d) => [d.deed.kind, d.atMs])).toEqual([
      ['glassOut', START_MS + 165 * MINUTE_MS],
    ]);
    step(165, 'out');
    expect(glassInOven(house)).toEqual([]);
    expect(dryHeatRuns(house)[0]!.isSterile).toBeTrue();
    expect(sterileDishes(house, START_MS + 30 * DAY_MS)).toBe(12);
  });

  it('is not sterile by the oven’s own minutes, and unwrapped only for a while', () => {
    begin({ wrapped: false, celsius: 180, minutes: 30 });
    step(45, 'hot');
    step(60, 'out');
    expect(dryHeatRuns(house)[0]!.isSterile).toBeFalse();
    house = buildHouse(furnishedRecords());
    begin({ wrapped: false, celsius: 180, minutes: 30 });
    step(45, 'hot');
    step(75, 'out');
    expect(sterileDishes(house, START_MS + 80 * MINUTE_MS)).toBe(12);
    expect(sterileDishes(house, START_MS + DAY_MS)).toBe(0);
  });

  it('is used up by what is poured into it, open dishes first, and each dish once', () => {
    begin({ wrapped: false, count: 6, celsius: 180, minutes: 30 });
    step(30, 'hot');
    step(60, 'out');
    const pour = (minute: number, dishes: number) => {
      const ids = Array.from({ length: dishes }, (_, i) =>
        newId(START_MS + minute * 1000 + i, seededRandom(i)),
      );
      // As it stands in a record; whether its cook is there is asked elsewhere.
      const made = entry(START_MS + minute * MINUTE_MS, {
        kind: 'agarPoured',
        cookId: newId(START_MS, seededRandom(1)) as CookId,
        batchId: newId(START_MS, seededRandom(2)) as BatchId,
        vesselIds: ids as VesselId[],
        bottles: 1,
        inGlass: true,
      });
      house = withRows(house, { entries: [made] });
    };
    pour(70, 4);
    expect(sterileDishes(house, START_MS + 80 * MINUTE_MS)).toBe(2);
    expect(sterileDishes(house, START_MS + DAY_MS)).toBe(0);
    const later = {
      runId: 'run-2',
      what: 'dishes',
      count: 10,
      celsius: 170,
      minutes: 60,
      wrapped: true,
    } as const;
    say(600, { kind: 'glassIn', ...later });
    say(640, { kind: 'glassStep', runId: 'run-2', step: 'hot' });
    say(701, { kind: 'glassStep', runId: 'run-2', step: 'out' });
    // What was poured of the first is not taken off the second.
    expect(sterileDishes(house, START_MS + DAY_MS)).toBe(10);
    pour(900, 3);
    expect(sterileDishes(house, START_MS + DAY_MS)).toBe(7);
  });

  it('takes its steps in order, and a beginning that is struck takes what rests on it along', () => {
    const first = begin();
    expect(() => step(5, 'out')).toThrowMatching(refused('wrong-glass-step'));
    const hot = step(45, 'hot');
    const back = entry(START_MS + 50 * MINUTE_MS, { kind: 'takenBack', entryId: first.id });
    expect(consequencesOf(house, [back]).map((i) => i.fact.id)).toEqual([hot.id]);
  });

  it('goes by the published pairs, and by a kitchen school that is told apart', () => {
    for (const { celsius, minutes } of DRY_HEAT) {
      expect(dryHeatHeld(celsius, minutes)).toBe('published');
      expect(dryHeatHeld(celsius, minutes - 1)).toBeUndefined();
    }
    expect(dryHeatHeld(KITCHEN_DRY_HEAT.celsius, KITCHEN_DRY_HEAT.minutes)).toBe('kitchen');
    expect(dryHeatHeld(199, KITCHEN_DRY_HEAT.minutes)).toBeUndefined();
    expect(dryHeatHeld(150, 600)).toBeUndefined();
  });
});
