import {
  buildHouse,
  hollinRow,
  packLoad,
  partsOfLoad,
  type Batch,
  type LoadCandidate,
  type VesselId,
} from '../index.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS;
const house = buildHouse(hollinRow(NOW, NOW));
const grain = house.batches.find((b) => b.batch.stage === 'grain')!.batch;
const ids = (prefix: string, count: number): VesselId[] =>
  Array.from({ length: count }, (_, n) => `${prefix}-${n}` as VesselId);
const candidate = (batch: Batch, waiting: VesselId[], isWanted = true): LoadCandidate => ({
  batch,
  waiting,
  isWanted,
});
const liters = (batch: Batch, eachMl: number, vesselMl: number): Batch => ({
  ...batch,
  stage: 'agar',
  plan: {
    ...batch.plan!,
    vesselMl,
    cookedIn: { vessel: { ...batch.vessel, id: 'bottle' }, count: 2, eachMl },
  },
});

describe('a load', () => {
  it('is filled place by place, and counts what must wait for the next cook', () => {
    const parts = partsOfLoad([candidate(grain, ids('a', 5)), candidate(grain, ids('b', 4))]);
    expect(packLoad(parts, 7)).toEqual({
      vesselIds: [...ids('a', 5), ...ids('b', 2)],
      placesTaken: 7,
      leftOver: 2,
    });
    expect(packLoad(parts, 0)).toEqual({ vesselIds: [], placesTaken: 0, leftOver: 9 });
  });

  it('leaves out what is not wanted and what may not share the cook with the first that is', () => {
    const other: Batch = { ...grain, vessel: { ...grain.vessel, id: 'another-jar' } };
    const broth: Batch = { ...grain, stage: 'liquid' };
    const parts = partsOfLoad([
      candidate(other, ids('o', 2), false),
      candidate(grain, ids('a', 2)),
      candidate(other, ids('x', 2)),
      candidate(broth, ids('l', 2)),
    ]);
    expect(parts.map((p) => p.fits)).toEqual([false, true, false, false]);
    expect(packLoad(parts, 20)).toEqual({ vesselIds: ids('a', 2), placesTaken: 2, leftOver: 0 });
  });

  it('counts plates by the bottles that they are poured from', () => {
    const agar = liters(grain, 400, 20);
    const [part] = partsOfLoad([candidate(agar, ids('p', 30))]);
    expect(part).toEqual(jasmine.objectContaining({ vesselsPerPlace: 20, places: 2 }));
    expect(packLoad([part!], 1)).toEqual({ vesselIds: ids('p', 20), placesTaken: 1, leftOver: 10 });
    // 0.3 / 0.1 is a little less than 3: three plates still fit a bottle.
    const [odd] = partsOfLoad([candidate(liters(grain, 0.3, 0.1), ids('q', 3))]);
    expect(packLoad([odd!], 1).vesselIds.length).toBe(3);
  });
});
