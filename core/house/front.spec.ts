import {
  buildHouse,
  dueItems,
  frontOf,
  hollinRow,
  seededRandom,
  sourcesFor,
  withRows,
  type Entry,
  type House,
  type LiveRecords,
  type VesselView,
} from '../index.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';
import { logsOf } from '../testing/sample-logs.js';
import { anyEntry } from '../testing/three-devices.js';

const NOW = START_MS + 200 * DAY_MS + 9 * 3_600_000;
const { photos, readings, ...laidOut } = hollinRow(NOW, NOW - 9 * 3_600_000);
const records: LiveRecords = { ...laidOut, logs: logsOf(laidOut.cooks, seededRandom(7)) };

function withPresses(count: number, seed: number): House {
  const random = seededRandom(seed);
  const entries: Entry[] = [...records.entries];
  for (let n = 0; n < count; n++) {
    entries.push(anyEntry({ ...records, entries, photos, readings }, n, n % 3, random));
  }
  return buildHouse({ ...records, entries });
}

const codes = (views: readonly VesselView[]) => views.map((v) => v.code);

/** The house that opens first: definitions, and what was kept. */
function opened(house: House): House {
  const nothing: LiveRecords = {
    ...house.records,
    batches: [],
    vessels: [],
    cooks: [],
    entries: [],
    logs: [],
  };
  return withRows(buildHouse(nothing), frontOf(house)!);
}

describe('what is kept of a house to open on', () => {
  it('gives everything that is in hand just as the whole house does', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const house = withPresses(seed * 3, seed);
      const front = opened(house);
      expect(front.inHand).withContext(`seed ${seed}`).toEqual(house.inHand);
      for (const { batch } of house.inHand) {
        expect(front.cooksOf.get(batch.id)).toEqual(house.cooksOf.get(batch.id));
      }
      expect(dueItems(front, NOW)).toEqual(dueItems(house, NOW));
      expect(front.noted.slice(-20)).toEqual(house.noted.slice(-20));
    }
  });

  it('is much less than all, and less than nothing worth keeping where all is in hand', () => {
    const house = buildHouse(records);
    const over = house.batches.filter((b) => !house.inHand.includes(b));
    expect(over.length).toBeGreaterThan(0);
    expect(frontOf(house)!.entries!.length).toBeLessThan(records.entries.length);
    const [jar] = house.inHand.flatMap((b) => b.vessels).filter((v) => v.state.phase === 'running');
    const look = records.entries.find((e) => e.kind === 'inspected')!;
    const many = Array.from({ length: 7000 }, (_, n): Entry => ({
      ...look,
      id: `look-${n}` as never,
      vesselIds: [jar!.vessel.id],
    }));
    expect(frontOf(withRows(house, { entries: many }))).toBeUndefined();
  });

  it('names what grows, however far back its culture lies', () => {
    const house = buildHouse(records);
    const front = opened(house);
    const running = house.inHand.find((b) => b.species !== undefined && b.batch.stage === 'grain')!;
    expect(front.batchById.get(running.batch.id)!.species).toEqual(running.species);
    expect(codes(sourcesFor('grain', front, NOW))).toEqual(codes(sourcesFor('grain', house, NOW)));
  });
});
