import {
  blockDryMassG,
  dryingFactor,
  handsAtWorkMs,
  moneySpentOn,
  moneySpentOnAll,
  nextFlushOf,
  yieldsOf,
  type House,
  type VesselId,
  type VesselView,
} from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

/** Blocks of 2 268 g at 60 % water with 100 g of spawn at 50 %: 957.2 g dry, worked by hand; parts are weighed out to the gram. */
const DRY_G = 2268 * 0.4 + 50;

function blocksOf(bench: CultureBench, count: number): readonly VesselId[] {
  const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
  const jars = bench.cooked(0, 'wheat-spawn', 'quart-jar', 2);
  bench.give(1, jars, syringe, 2, 'ml');
  bench.looked(1.5, jars, 1);
  const blocks = bench.cooked(1, 'hardwood-hull', 'block-bag', count);
  blocks.forEach((id, i) => {
    bench.give(2, [id], jars[i % 2], 100, 'g');
  });
  bench.say(20, { kind: 'opened', vesselIds: [...blocks] });
  return blocks;
}

const materials = { 'hardwood-pellets': 0.5, 'soy-hull': 1, wheat: 2 };
function priced(
  bench: CultureBench,
  more: { cookPrice?: number; boughtPrice?: { syringe?: number } },
): House {
  const { house } = bench;
  const { household, records } = house;
  const prices = new Map(Object.entries(materials));
  return {
    ...house,
    household: { ...household!, ...more },
    records: {
      ...records,
      materials: records.materials.map((m) => ({ ...m, pricePerKg: prices.get(m.id) })),
    },
  };
}

describe('flushes', () => {
  it('go by practice before one has blocks of one’s own, and by those more and more', () => {
    const bench = new CultureBench();
    const [now, ...others] = blocksOf(bench, 5);
    bench.say(30, { kind: 'harvested', vesselIds: [now!], massG: 275 });
    const before = nextFlushOf(bench.view(now), bench.house);
    expect([before.number, before.basis, before.share]).toEqual([2, 'practice', 0.26]);
    expect(before.massG).withContext('275 g were 55 parts, 26 parts come').toBeCloseTo(130, 6);
    for (const id of others) {
      bench.say(30, { kind: 'harvested', vesselIds: [id], massG: 300 });
      bench.say(45, { kind: 'harvested', vesselIds: [id], massG: 100 });
      bench.say(46, { kind: 'discarded', vesselIds: [id], reason: 'spent', to: 'compost' });
    }
    const after = nextFlushOf(bench.view(now), bench.house);
    expect([after.basis, after.blocks]).toEqual(['own', 4]);
    // Two blocks of practice at 0.26 and four at a quarter.
    expect(after.share).toBeCloseTo((2 * 0.26 + 4 * 0.25) / 6, 9);
    expect(after.isHardlyWorth).toBeFalse();
    bench.say(46, { kind: 'harvested', vesselIds: [now!], massG: 90 });
    const third = nextFlushOf(bench.view(now), bench.house);
    expect(third.share).toBeCloseTo((2 * 0.12) / 6, 9);
    expect(third.isHardlyWorth).withContext('4 % of it all').toBeTrue();
  });

  it('make the drying factor from those that were dried and weighed alone', () => {
    const bench = new CultureBench();
    const [a, b] = blocksOf(bench, 2);
    bench.say(30, { kind: 'harvested', vesselIds: [a!], massG: 300 });
    expect(dryingFactor([bench.view(a)])).toBeUndefined();
    bench.say(31, { kind: 'harvested', vesselIds: [a!, b!], massG: 400, use: 'dried', dryG: 40 });
    expect(bench.view(b).state.harvests[0]).toEqual(jasmine.objectContaining({ massG: 200, dryG: 20 }));
    expect(dryingFactor([bench.view(a), bench.view(b)])).toBeCloseTo(10, 9);
  });

  it('come to a yield for each block, dry kilogram and liter of grain', () => {
    const bench = new CultureBench();
    const [a, b] = blocksOf(bench, 2);
    expect(yieldsOf([], bench.house)).toBeUndefined();
    bench.say(30, { kind: 'harvested', vesselIds: [a!], massG: 500 });
    bench.say(31, { kind: 'harvested', vesselIds: [b!], massG: 300 });
    const yields = yieldsOf([bench.view(a), bench.view(b)], bench.house, 700)!;
    expect([yields.freshG, yields.perVesselG]).toEqual([800, 400]);
    expect(yields.efficiency! / (800 / (2 * DRY_G))).toBeCloseTo(1, 3);
    expect(yields.perDryKgG).toBeCloseTo(1000 * yields.efficiency!, 9);
    expect(yields.perGrainLiterG).withContext('200 g of 700 g a liter').toBeCloseTo(2800, 6);
  });
});

describe('what was built otherwise than planned', () => {
  it('bounds the efficiency by what was weighed out and added, not by the plan', () => {
    const bench = new CultureBench();
    const [a, b] = blocksOf(bench, 2);
    const { batch } = bench.view(a);
    // By hand: two parts at other masses than planned, each with its own water, and half a kilogram of wet straw at 70 %.
    const [first, second] = batch.plan!.parts;
    const dryOf = ({ materialId }: { materialId: string }, massG: number) =>
      massG * (1 - batch.formula!.parts.find((p) => p.material.id === materialId)!.material.moisture.value);
    bench.say(1, {
      kind: 'weighedOut',
      batchId: batch.id,
      materialId: first!.materialId,
      massG: first!.massG * 1.4,
    });
    bench.say(1, { kind: 'weighedOut', batchId: batch.id, materialId: 'water', massG: 3000 });
    bench.say(1.01, {
      kind: 'adjusted',
      batchId: batch.id,
      materialId: 'straw',
      name: 'Straw',
      massG: 500,
      moisture: 0.7,
    });
    const builtDryG = dryOf(first!, first!.massG * 1.4) + dryOf(second!, second!.massG) + 150;
    bench.say(30, { kind: 'harvested', vesselIds: [a!, b!], massG: 800 });
    const eachG = builtDryG / 2 / (1 + batch.plan!.spare) + 50;
    expect(eachG).toBeGreaterThan(DRY_G * 1.15);
    expect(blockDryMassG(bench.view(a), bench.house)).toBeCloseTo(eachG, 6);
    expect(yieldsOf([bench.view(a)], bench.house)!.efficiency).toBeCloseTo(400 / eachG, 9);
  });

  it('counts the spawn by what its grain weighed when it was drained', () => {
    const bench = new CultureBench();
    const [block] = blocksOf(bench, 1);
    const jar = bench.view(bench.view(block).state.sourceVesselIds[0]);
    const massG = jar.batch.plan!.dryMatterG / (1 - 0.54);
    bench.say(0.2, { kind: 'weighed', batchId: jar.batch.id, massG });
    expect(blockDryMassG(bench.view(block), bench.house)).toBeCloseTo(2268 * 0.4 + 46, 0);
  });

  it('costs what went in', () => {
    const bench = new CultureBench();
    const [block] = blocksOf(bench, 2);
    const view = bench.view(block);
    const house = () => priced(bench, {});
    const before = moneySpentOn(view, house())!.amount;
    const pellets = view.batch.plan!.parts.find((p) => p.materialId === 'hardwood-pellets')!;
    bench.say(1, {
      kind: 'weighedOut',
      batchId: view.batch.id,
      materialId: pellets.materialId,
      massG: pellets.massG + 600,
    });
    // 600 g for two blocks, at a half for a kilogram.
    expect(moneySpentOn(view, house())!.amount - before).toBeCloseTo(0.15, 9);
  });
});

describe('money and hours', () => {
  it('of a block: its materials, its part of the cook, and the spawn with its own cook and culture', () => {
    const bench = new CultureBench();
    const [block] = blocksOf(bench, 2);
    const view = bench.view(block);
    expect(moneySpentOn(view, bench.house)).withContext('nothing has a price').toBeUndefined();
    const house = priced(bench, { cookPrice: 3, boughtPrice: { syringe: 12 } });
    const costOfParts = (v: VesselView, count: number) =>
      v.batch.plan!.parts.reduce(
        (sum, p) => sum + ((materials as Record<string, number>)[p.materialId] ?? 0) * p.massG,
        0,
      ) /
      (1000 * count);
    const jar = bench.view(view.state.sourceVesselIds[0]);
    // By hand: two jars share a cook; 2 of the 60 ml of a syringe of 12; 100 g of the jar's wet mass; two blocks share a cook.
    const ofJar = costOfParts(jar, 2) + 3 / 2 + (2 / 60) * 12;
    const ofBlock = costOfParts(view, 2) + 3 / 2 + (100 / jar.batch.plan!.vesselWetG) * ofJar;
    expect(ofBlock).toBeGreaterThan(1.5);
    expect(moneySpentOn(view, house)!.amount).toBeCloseTo(ofBlock, 9);
    expect(moneySpentOnAll([view, view], house)!.amount).toBeCloseTo(2 * ofBlock, 9);
  });

  it('of bags and jars: a bag is used up at once, a jar by many fillings, by the package that was bought', () => {
    const bench = new CultureBench();
    const [block] = blocksOf(bench, 2);
    const view = bench.view(block);
    const jar = bench.view(view.state.sourceVesselIds[0]);
    const house = priced(bench, {});
    const before = moneySpentOn(view, house)!.amount;
    const vesselTypes = house.records.vesselTypes.map((v) =>
      v.id === view.batch.vessel.id
        ? { ...v, boughtPack: { price: 24, count: 50 } }
        : v.id === jar.batch.vessel.id
          ? { ...v, boughtPack: { price: 18, count: 12 }, uses: 60 }
          : v,
    );
    const after = moneySpentOn(view, { ...house, records: { ...house.records, vesselTypes } })!.amount;
    // By hand: 24 / 50 for the bag; 18 / 12 / 60 for a filling of the jar, of which it got 100 g.
    expect(after - before).toBeCloseTo(0.48 + (0.025 * 100) / jar.batch.plan!.vesselWetG, 9);
  });

  it('name what has no price', () => {
    const bench = new CultureBench();
    const [block] = blocksOf(bench, 1);
    const house = priced(bench, {});
    const only = house.records.materials.map((m) =>
      m.id === 'soy-hull' ? m : { ...m, pricePerKg: undefined },
    );
    const spent = moneySpentOn(bench.view(block), {
      ...house,
      records: { ...house.records, materials: only },
    });
    expect(spent!.unpriced.length).toBeGreaterThan(0);
    expect(spent!.unpriced).not.toContain('Soy hull, pelleted');
  });

  it('count hands at work where deeds lie close, and five minutes for one that stands alone', () => {
    const bench = new CultureBench();
    const [a, b] = blocksOf(bench, 2);
    const before = handsAtWorkMs([bench.view(a), bench.view(b)], bench.house);
    const minute = 1 / 1440;
    bench.say(40, { kind: 'pinned', vesselIds: [a!, b!] });
    bench.say(40 + 10 * minute, { kind: 'pinned', vesselIds: [b!] });
    bench.say(45, { kind: 'harvested', vesselIds: [a!, b!], massG: 300 });
    const both = handsAtWorkMs([bench.view(a), bench.view(b)], bench.house);
    // 5 min to begin, 10 until the next, 5 for the harvest.
    expect((both - before) / 60_000).toBeCloseTo(20, 6);
    const ofA = handsAtWorkMs([bench.view(a)], bench.house);
    expect(ofA)
      .withContext('what was done to both counts half')
      .toBeLessThan(both / 2 + 1);
    expect(handsAtWorkMs([], bench.house)).toBe(0);
  });
});
