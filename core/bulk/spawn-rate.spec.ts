import {
  MOST_ROOM_TO_MIX,
  SPAWN_SHARES,
  spawnOfParts,
  spawnOfShare,
  spawnOfVessels,
  spawnRate,
  type Spawning,
  type VesselId,
} from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';
import { outOfRange } from '../testing/refused.js';

/** A quart jar of spawn, as it is filled. */
const JAR_L = 0.946 * 0.67;

describe('the rate of spawn', () => {
  let spawning: Spawning;
  let jarG = 0;
  beforeEach(() => {
    const bench = new CultureBench();
    const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
    const jars = bench.cooked(0, 'wheat-spawn', 'quart-jar', 1);
    bench.give(1, jars, syringe, 2, 'ml');
    const blocks: readonly VesselId[] = bench.cooked(1, 'hardwood-hull', 'block-bag', 1);
    const { house } = bench;
    spawning = { target: bench.view(blocks[0]), source: bench.view(jars[0]), house };
    jarG = spawning.source.remaining;
  });

  it('is said by mass, by volume and by jars, and each of them comes back to the same dose', () => {
    const rate = spawnRate(340, spawning);
    // A block of 5 lb and three quarters of a pound of spawn.
    expect(rate.share).toBeCloseTo(0.15, 3);
    expect(rate.partsByMass).toBeCloseTo(2268 / 340, 6);
    expect(rate.vesselsEach).toBeCloseTo(340 / jarG, 6);
    expect(spawnOfShare(rate.share, spawning)).toBe(340);
    expect(spawnOfVessels(rate.vesselsEach, spawning)).toBe(340);
    expect(spawnOfParts(rate.partsByVolume, spawning)).toBe(340);
  });

  it('agrees with what the trade says of blocks', () => {
    // Common practice, no source: 2 lb to 10 lb is rich; a quarter quart jar to a block is lean; 1.4 kg does four blocks.
    expect(spawnRate(907, { ...spawning, target: ofMass(spawning, 4536) }).share).toBeCloseTo(0.2, 2);
    const quarter = spawnOfVessels(0.25, spawning);
    expect(spawnRate(quarter, spawning).share).toBeCloseTo(SPAWN_SHARES.lean, 1);
    expect(spawnRate(1400 / 4, spawning).share).toBeCloseTo(0.15, 2);
  });

  it('is faster and dearer the richer it is', () => {
    const [lean, usual, rich] = (['lean', 'usual', 'rich'] as const).map((r) =>
      spawnRate(spawnOfShare(SPAWN_SHARES[r], spawning), spawning),
    );
    const figure = spawning.source.species!.blockFullDay;
    expect(usual!.days!.low).toBeCloseTo(figure.low, 1);
    expect(lean!.days!.high).toBeGreaterThan(usual!.days!.high * 1.2);
    expect(rich!.days!.high).toBeLessThan(usual!.days!.high * 0.95);
    expect(usual!.cost).withContext('nothing here has a price').toBeUndefined();
    const materials = spawning.house.records.materials.map((m) => ({ ...m, pricePerKg: 2 }));
    const priced = {
      ...spawning,
      house: { ...spawning.house, records: { ...spawning.house.records, materials } },
    };
    const { plan } = spawning.source.batch;
    const dryG = plan!.parts.reduce((sum, p) => sum + p.massG, 0);
    // What was made to spare is paid for by the jar that was filled.
    expect(spawnRate(340, priced).cost).toBeCloseTo((0.002 * dryG * 340) / plan!.vesselWetG, 9);
  });

  it('tells how full the bag is with it: the usual can be mixed in there, half a bag of spawn does not go in', () => {
    const room = (eachG: number) => spawnRate(eachG, spawning).roomShare;
    expect(room(spawnOfShare(SPAWN_SHARES.usual, spawning))).toBeLessThan(MOST_ROOM_TO_MIX);
    expect(room(1700)).toBeGreaterThan(1);
    // By hand: what lies there and a liter of spawn more.
    expect(room(1000) - room(100)).toBeCloseTo(900 / 6000 / (jarG / 1000 / JAR_L), 1);
  });

  it('refuses what nobody can do', () => {
    expect(() => spawnRate(0, spawning)).toThrowMatching(outOfRange('amount'));
    expect(() => spawnOfParts(0.1, spawning)).toThrowMatching(outOfRange('parts'));
    expect(() => spawnOfVessels(50, spawning)).toThrowMatching(outOfRange('count'));
  });
});

function ofMass({ target }: Spawning, massG: number): Spawning['target'] {
  const { plan } = target.batch;
  return { ...target, batch: { ...target.batch, plan: { ...plan!, vesselWetG: massG } } };
}
