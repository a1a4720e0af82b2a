import { buildHouse, hollinRow, kindsInCook, type Batch, type VesselId } from '../index.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS;
const house = buildHouse(hollinRow(NOW, NOW));
const grain = house.batches.find((b) => b.batch.stage === 'grain')!.batch;
const vessel = (id: string) => house.records.vesselTypes.find((v) => v.id === id)!;
const batch = (id: string, vesselId: string, more: Partial<Batch> = {}, wetG = 600): Batch => ({
  ...grain,
  id: id as Batch['id'],
  vessel: vessel(vesselId),
  plan: { ...grain.plan!, vesselWetG: wetG },
  ...more,
});
const of = (one: Batch, count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `${one.id}-${i}` as VesselId, batch: one }));

describe('the kinds in a cook', () => {
  it('come slowest first, however they were loaded, like ones of several batches together', () => {
    const kinds = kindsInCook(
      [
        ...of(batch('a', 'pint-jar'), 3),
        ...of(batch('b', 'quart-jar'), 2),
        ...of(batch('c', 'grain-bag', {}, 1400), 1),
        ...of(batch('d', 'quart-jar', {}, 640), 2),
      ],
      undefined,
    );
    expect(kinds.map((k) => [k.vessel.id, k.count])).toEqual([
      ['grain-bag', 1],
      ['quart-jar', 4],
      ['pint-jar', 3],
    ]);
    expect(kinds[1]!.batches).toEqual(['b', 'd'] as never);
    // The heaviest speaks for its kind.
    expect(kinds[1]!.contents.wetG).toBe(640);
  });

  it('count plates by their bottles, and touching bags of all kinds as one heap', () => {
    const plates = batch('p', 'dish-90', {
      stage: 'agar',
      plan: {
        ...grain.plan!,
        vesselMl: 20,
        cookedIn: { vessel: vessel('bottle-500'), count: 2, eachMl: 250 },
      },
    });
    expect(kindsInCook(of(plates, 20), undefined).map((k) => [k.vessel.id, k.count])).toEqual([
      ['bottle-500', 2],
    ]);
    const bags = [
      ...of(batch('x', 'grain-bag', {}, 1400), 1),
      ...of(batch('y', 'block-bag', { stage: 'bulk' }, 2300), 3),
    ];
    const kinds = kindsInCook(bags, { layers: 2, between: 'touching' });
    expect(kinds.map((k) => k.contents.heap)).toEqual([
      { across: 2, along: 1, layers: 2 },
      { across: 2, along: 1, layers: 2 },
    ]);
  });
});
