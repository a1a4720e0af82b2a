import {
  blockDryMassG,
  generationOf,
  impossibleFacts,
  lastFraction,
  movableWith,
  repot,
  yieldsOf,
  vesselsToTake,
  type VesselId,
  type VesselType,
} from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';
import { outOfRange } from '../testing/refused.js';

const BLOCK_G = 2268;
/** 2 268 g at 60 % water, and 100 g of spawn at 50 %; parts are weighed out to the gram. */
const BLOCK_DRY_G = BLOCK_G * 0.4 + 50;

function blocksOf(bench: CultureBench, count: number): readonly VesselId[] {
  const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
  const jars = bench.cooked(0, 'wheat-spawn', 'quart-jar', 1);
  bench.give(1, jars, syringe, 2, 'ml');
  bench.looked(1.5, jars, 1);
  const blocks = bench.cooked(1, 'hardwood-hull', 'block-bag', count);
  bench.give(2, blocks, jars[0], 100, 'g');
  return blocks;
}

function tubOf(bench: CultureBench): VesselType {
  return bench.house.records.vesselTypes.find((v) => v.id === 'tub-12')!;
}

/** Two blocks broken up into one tub. */
function moved(bench: CultureBench, blocks: readonly VesselId[], count = 1): readonly VesselId[] {
  const sources = blocks.map((id) => bench.view(id));
  const repotting = { sources, vessel: tubOf(bench), count, how: 'broken' as const };
  return bench.repotted(30, repotting);
}

describe('moving what has run into another vessel', () => {
  it('takes dry matter, water and spawn along, and leaves nothing behind', () => {
    const bench = new CultureBench();
    const blocks = blocksOf(bench, 2);
    bench.looked(20, blocks.slice(0, 1), 1);
    bench.looked(20, blocks.slice(1), 0.8);
    expect(blockDryMassG(bench.view(blocks[0]), bench.house)).toBeCloseTo(BLOCK_DRY_G, 0);
    const [tub] = moved(bench, blocks);
    const view = bench.view(tub);
    expect(blockDryMassG(view, bench.house) / (2 * BLOCK_DRY_G)).toBeCloseTo(1, 3);
    expect(view.remaining).toBeCloseTo(2 * BLOCK_G, 6);
    expect(lastFraction(view)).toBeCloseTo(0.9, 9);
    for (const id of blocks) {
      const { state, remaining } = bench.view(id);
      expect([state.phase, state.goneBecause, remaining]).toEqual(['gone', 'repotted', 0]);
    }
    expect(impossibleFacts(bench.house)).toEqual([]);
  });

  it('is the same culture, not a new generation, and bears by what went in', () => {
    const bench = new CultureBench();
    const blocks = blocksOf(bench, 2);
    const before = generationOf(bench.view(blocks[0]), bench.house);
    const [tub] = moved(bench, blocks);
    expect(generationOf(bench.view(tub), bench.house)).toEqual(before);
    expect(bench.view(tub).isolate?.id).toBe('bp');
    expect(bench.house.lineage.sourcesOf.get(tub!)).toEqual(blocks);
    bench.say(35, { kind: 'opened', vesselIds: [tub!], how: 'lid' });
    bench.say(45, { kind: 'harvested', vesselIds: [tub!], massG: 600 });
    expect(yieldsOf([bench.view(tub)], bench.house)?.efficiency).toBeCloseTo(600 / (2 * BLOCK_DRY_G), 3);
  });

  it('may be shared by several, and is moved open if it was open', () => {
    const bench = new CultureBench();
    const blocks = blocksOf(bench, 1);
    bench.say(20, { kind: 'opened', vesselIds: [...blocks], how: 'slit' });
    const tubs = moved(bench, blocks, 2);
    expect(tubs.map((id) => bench.view(id).state.phase)).toEqual(['opened', 'opened']);
    tubs.forEach((id) => {
      expect(blockDryMassG(bench.view(id), bench.house)).toBeCloseTo(BLOCK_DRY_G / 2, 0);
    });
  });

  it('counts vessels by how it lies: broken up it takes more room', () => {
    const bench = new CultureBench();
    const sources = blocksOf(bench, 3).map((id) => bench.view(id));
    const tub = tubOf(bench);
    // 6.8 kg: 9.1 l in one piece, 13.6 l in pieces; a tub of 12 l is filled to three quarters at most.
    expect(tub.capacityMl * tub.fillLimit).toBeCloseTo(9019, 0);
    expect(vesselsToTake(sources.slice(1), tub, 'whole')).toBe(1);
    expect(vesselsToTake(sources, tub, 'broken')).toBe(2);
    expect(() => repot({ sources: [], vessel: tub, count: 1, how: 'whole' }, bench.house)).toThrowMatching(
      outOfRange('mass'),
    );
  });

  it('offers what is sound and of the same culture, the one asked for first', () => {
    const bench = new CultureBench();
    const [a, b, c] = blocksOf(bench, 3);
    bench.say(20, { kind: 'inspected', vesselIds: [a!], suspect: 'greenMold' });
    expect(movableWith(bench.view(c), bench.house).map((v) => v.vessel.id)).toEqual([c!, b!]);
  });
});

describe('a block that came run through', () => {
  it('bears too: what it weighed when it came bounds a flush, and its dry matter is reckoned', () => {
    const bench = new CultureBench();
    const [block] = bench.received(0, 'culture-wood-bag', 2268, 'g');
    bench.say(1, { kind: 'opened', vesselIds: [block!], how: 'slit' });
    bench.say(12, { kind: 'harvested', vesselIds: [block!], massG: 400 });
    // 2 268 g at 60 % water.
    expect(yieldsOf([bench.view(block)], bench.house)?.efficiency).toBeCloseTo(400 / 907.2, 6);
  });
});
