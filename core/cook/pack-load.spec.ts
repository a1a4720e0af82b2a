import * as fc from 'fast-check';
import {
  buildHouse,
  hollinRow,
  packLoad,
  partsOfLoad,
  type Appliance,
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
const candidate = (batch: Batch, waiting: VesselId[], wanted?: number): LoadCandidate => ({
  batch: { ...batch, id: `${batch.id}-${waiting[0]}` as Batch['id'] },
  waiting,
  wanted,
});
/** A cooker that takes so many of the grain's jar. */
const canner = (places: number, more: Partial<Appliance> = {}): Appliance => ({
  ...house.records.appliances[0]!,
  innerDiameterMm: undefined,
  innerHeightMm: undefined,
  places: { [grain.vessel.id]: places, bottle: places, 'another-jar': places * 2 },
  ...more,
});
const told = (load: ReturnType<typeof packLoad>) =>
  load.parts.map((p) => [p.vesselIds.length, p.count, p.most]);
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
  it('is filled batch by batch, and says how many of each could be in it', () => {
    const parts = partsOfLoad([candidate(grain, ids('a', 5)), candidate(grain, ids('b', 4))]);
    const load = packLoad(parts, canner(7));
    expect(load.vesselIds).toEqual([...ids('a', 5), ...ids('b', 2)]);
    expect(told(load)).toEqual([
      [5, 5, 5],
      [2, 2, 2],
    ]);
    expect(packLoad(parts, canner(0)).vesselIds).toEqual([]);
  });

  it('takes seven of ten where seven are wanted, and leaves three to wait', () => {
    const [ten] = partsOfLoad([candidate(grain, ids('a', 10), 7)]);
    expect(told(packLoad([ten!], canner(8)))).toEqual([[7, 7, 8]]);
    const fewer = partsOfLoad([candidate(grain, ids('a', 10), 3), candidate(grain, ids('b', 9))]);
    expect(told(packLoad(fewer, canner(8)))).toEqual([
      [3, 3, 3],
      [5, 5, 5],
    ]);
  });

  it('is of several kinds of vessel where one programme suits them, and never of two programmes', () => {
    const other: Batch = { ...grain, vessel: { ...grain.vessel, id: 'another-jar' } };
    const broth: Batch = { ...grain, stage: 'liquid' };
    const parts = partsOfLoad([
      candidate(broth, ids('n', 2), 0),
      candidate(grain, ids('a', 4)),
      candidate(other, ids('x', 20)),
      candidate(broth, ids('l', 2)),
    ]);
    expect(parts.map((p) => p.fits)).toEqual([false, true, true, false]);
    // Half of eight places is half of the room: as much as eight of the sixteen small ones.
    expect(told(packLoad(parts, canner(8)))).toEqual([
      [4, 4, 4],
      [8, 8, 8],
    ]);
    expect(told(packLoad(parts, canner(8), [{ vessel: grain.vessel, count: 2 }]))).toEqual([
      [4, 4, 4],
      [4, 4, 4],
    ]);
  });

  it('lays kinds together by the measures of the pot where shares of what was tried are too careful', () => {
    const bag: Batch = {
      ...grain,
      stage: 'bulk',
      vessel: { ...house.records.vesselTypes.find((v) => v.id === 'block-bag')! },
      plan: { ...grain.plan!, vesselWetG: 2300 },
    };
    const pint: Batch = { ...grain, vessel: house.records.vesselTypes.find((v) => v.id === 'pint-jar')! };
    const parts = partsOfLoad([candidate(bag, ids('b', 2)), candidate(pint, ids('p', 20))]);
    const tried = { 'block-bag': 3, 'pint-jar': 14 };
    expect(told(packLoad(parts, canner(0, { places: tried })))[1]![1]).toBe(4);
    const measured = canner(0, { places: tried, innerDiameterMm: 330, innerHeightMm: 310 });
    // A layer of two bags, and above it one of twelve pints.
    expect(told(packLoad(parts, measured))[1]![1]).toBe(12);
  });

  it('counts plates by the bottles that they are poured from', () => {
    const agar = liters(grain, 400, 20);
    const [part] = partsOfLoad([candidate(agar, ids('p', 30))]);
    expect(part!.vesselsPerPlace).toBe(20);
    expect(told(packLoad([part!], canner(1)))).toEqual([[20, 1, 20]]);
    // 0.3 / 0.1 is a little less than 3: three plates still fit a bottle.
    const [odd] = partsOfLoad([candidate(liters(grain, 0.3, 0.1), ids('q', 3))]);
    expect(packLoad([odd!], canner(1)).vesselIds.length).toBe(3);
  });

  it('is the same however it is dealt: every vessel of what waits is in exactly one cook', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.boolean()), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 1, max: 9 }),
        (counts, places) => {
          const other: Batch = { ...grain, vessel: { ...grain.vessel, id: 'another-jar' } };
          let rest = counts.map(([count, small], i) => candidate(small ? other : grain, ids(`${i}`, count)));
          const all = rest.flatMap((c) => c.waiting);
          const cooked: VesselId[] = [];
          for (let round = 0; round < 200 && rest.some((c) => c.waiting.length > 0); round++) {
            const load = packLoad(partsOfLoad(rest), canner(places));
            const share = load.parts.reduce(
              (sum, p) => sum + p.count / (p.vessel.id === 'another-jar' ? places * 2 : places),
              0,
            );
            expect(share).toBeLessThanOrEqual(1 + 1e-9);
            expect(load.vesselIds.length).toBeGreaterThan(0);
            cooked.push(...load.vesselIds);
            rest = rest.map((c) => ({
              ...c,
              waiting: c.waiting.filter((id) => !load.vesselIds.includes(id)),
            }));
          }
          expect([...cooked].sort()).toEqual([...all].sort());
        },
      ),
      { numRuns: 300 },
    );
  });
});
