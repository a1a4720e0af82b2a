import { METRIC_WORDS } from '../quantity/figure-words.js';
import {
  batchSheet,
  buildHouse,
  inCooker,
  makeBatch,
  resolveFormula,
  scaleFormula,
  seededRandom,
  shoppingList,
  stockLeftG,
  stepsOf,
  vesselState,
  withSchool,
  type Entry,
  type Records,
} from '../index.js';
import { DAY_MS, MINUTE_MS, START_MS, entryMaker, furnishedRecords } from '../testing/sample-house.js';

/** A furnished house with one batch of a formula, and what is said of it. */
function houseWith(
  formulaId: string,
  vesselId: string,
  count: number,
  say: (batchId: never) => readonly Entry[] = () => [],
  spare?: number,
) {
  const base = furnishedRecords();
  const at = new Date(START_MS - DAY_MS).toISOString();
  const materials = base.materials.map((m) =>
    m.id === 'hardwood-pellets' ? { ...m, stock: { massG: 5000, countedAt: at } } : m,
  );
  const formula = withSchool(
    resolveFormula(
      base.formulas.find((f) => f.id === formulaId)!,
      materials,
    ),
  );
  const vessel = base.vesselTypes.find((v) => v.id === vesselId)!;
  const bottle = base.vesselTypes.find((v) => v.id === 'bottle-500')!;
  const scaled = scaleFormula(formula, { vessel, count, bottle, ...(spare !== undefined && { spare }) });
  const made = makeBatch(
    formula,
    scaled,
    1,
    { nowMs: START_MS, random: seededRandom(3) },
    formula.stage === 'bulk' ? { treatment: formulaId === 'straw' ? 'pasteurize' : 'sterilize' } : {},
  );
  const records: Records = {
    ...base,
    materials,
    batches: [made.batch],
    vessels: [...made.vessels],
    entries: [made.entry, ...say(made.batch.id as never)],
  };
  return { house: buildHouse(records), records, scaled, view: buildHouse(records).batches[0]! };
}

describe('stock', () => {
  const entry = entryMaker();

  it('goes down by what was planned, by what was really weighed, and by what was added', () => {
    const planned = houseWith('hardwood-bran', 'block-bag', 2);
    const pelletsG = planned.scaled.parts[0]!.roundedG;
    expect(stockLeftG(planned.house, 'hardwood-pellets')).toBeCloseTo(5000 - pelletsG, 9);
    const really = houseWith('hardwood-bran', 'block-bag', 2, (batchId) => [
      entry(START_MS + MINUTE_MS, {
        kind: 'weighedOut',
        batchId,
        materialId: 'hardwood-pellets',
        massG: 1000,
      }),
      entry(START_MS + 2 * MINUTE_MS, {
        kind: 'adjusted',
        batchId,
        materialId: 'hardwood-pellets',
        name: 'Hardwood pellets',
        massG: 100,
        moisture: 0.08,
      }),
    ]);
    expect(stockLeftG(really.house, 'hardwood-pellets')).toBeCloseTo(3900, 9);
    expect(stockLeftG(really.house, 'wheat-bran')).toBeUndefined();
  });

  it('makes a shopping list: what is missing of what is needed', () => {
    const { house, scaled } = houseWith('hardwood-bran', 'block-bag', 2);
    const [pellets, bran] = shoppingList(house, {
      ...scaled,
      parts: scaled.parts.map((p) => ({ ...p, roundedG: p.roundedG * 4 })),
    });
    expect(pellets!.missingG).toBeCloseTo(pellets!.needG - pellets!.haveG!, 9);
    expect(bran).toEqual(jasmine.objectContaining({ name: 'Wheat bran', missingG: bran!.needG }));
    expect(bran!.haveG).toBeUndefined();
  });
});

describe('what really went into a mix', () => {
  const entry = entryMaker();

  it('is what a drained mass is held against, planned only until it is weighed', () => {
    const drained = (ryeG: number, massG: number) => {
      const house = houseWith('rye-spawn', 'quart-jar', 4, (batchId) => [
        entry(START_MS + MINUTE_MS, { kind: 'weighedOut', batchId, materialId: 'rye', massG: ryeG }),
        entry(START_MS + 2 * MINUTE_MS, { kind: 'weighed', batchId, massG }),
      ]);
      return house.view;
    };
    const asPlanned = houseWith('rye-spawn', 'quart-jar', 4);
    expect(asPlanned.view.dryMatterG).toBe(asPlanned.view.batch.plan!.dryMatterG);
    // 1 100 g of rye of 12 % moisture is 968 g dry; what goes in beside it is weighed as planned.
    const more = drained(1100, 1980);
    const beside = asPlanned.view.batch.plan!.parts.filter((p) => p.materialId !== 'rye').length;
    expect(beside).toBeLessThanOrEqual(1);
    expect(more.weighedMoisture!).toBeCloseTo(1 - more.dryMatterG! / 1980, 9);
    expect(more.dryMatterG! - drained(990, 1980).dryMatterG!).toBeCloseTo(110 * 0.88, 6);
    // Less than was planned may weigh less than the plan's dry matter.
    expect(drained(300, 560).weighedMoisture).toBeGreaterThan(0.4);
  });

  it('takes in what was put in after all, but for what goes into the soak', () => {
    const { records, view } = houseWith('rye-spawn', 'quart-jar', 4);
    const of = (id: string) => records.materials.find((m) => m.id === id)!;
    const leftOut = [
      { material: of('gypsum'), massG: 9 },
      { material: of('brewed-coffee'), massG: 200, inSoak: true as const },
    ];
    const [batch] = records.batches;
    const plan = { ...batch!.plan!, leftOut, parts: batch!.plan!.parts.slice(0, 1) };
    const bare = { ...records, batches: [{ ...batch!, plan }] };
    const weighed = (materialId: string, massG: number) =>
      entry(START_MS + MINUTE_MS, { kind: 'weighedOut', batchId: batch!.id, materialId, massG });
    const mixedWith = (...more: Entry[]) =>
      buildHouse({ ...bare, entries: [...records.entries, ...more] }).batches[0]!.mixed!.massG;
    const withoutG = view.mixed!.massG - view.batch.plan!.parts[1]!.massG;
    expect(mixedWith()).toBeCloseTo(withoutG, 6);
    expect(mixedWith(weighed('gypsum', 9))).toBeCloseTo(withoutG + 9, 6);
    expect(mixedWith(weighed('brewed-coffee', 200))).toBeCloseTo(withoutG, 6);
  });

  it('is planned until it is weighed, and follows corrections', () => {
    const planned = houseWith('hardwood-bran', 'block-bag', 1);
    expect(planned.view.mixed!.moisture).toBeCloseTo(0.62, 2);
    const wetter = houseWith('hardwood-bran', 'block-bag', 1, (batchId) => [
      entry(START_MS + MINUTE_MS, { kind: 'weighedOut', batchId, materialId: 'water', massG: 2000 }),
      entry(START_MS + 2 * MINUTE_MS, { kind: 'squeezed', batchId, result: 'wet' }),
    ]);
    expect(wetter.view.mixed!.moisture).toBeGreaterThan(0.68);
    expect(wetter.view.squeeze).toBe('wet');
    const corrected = houseWith('hardwood-bran', 'block-bag', 1, (batchId) => [
      entry(START_MS + MINUTE_MS, { kind: 'weighedOut', batchId, materialId: 'water', massG: 2000 }),
      entry(START_MS + 1.5 * MINUTE_MS, { kind: 'squeezed', batchId, result: 'wet' }),
      entry(START_MS + 2 * MINUTE_MS, {
        kind: 'adjusted',
        batchId,
        materialId: 'vermiculite',
        name: 'Vermiculite',
        massG: 500,
        moisture: 0.03,
      }),
    ]);
    expect(corrected.view.mixed!.moisture).toBeLessThan(wetter.view.mixed!.moisture);
    expect(corrected.view.squeeze).toBeUndefined();
    expect(corrected.view.mixed!.massG).toBeCloseTo(wetter.view.mixed!.massG + 500, 6);
  });

  it('has a measured volume and pH readings for what is dissolved, and no mix', () => {
    const { view } = houseWith('kitchen-potato-agar', 'dish-90', 20, (batchId) => [
      entry(START_MS + MINUTE_MS, { kind: 'volumeMeasured', batchId, volumeMl: 310 }),
      entry(START_MS + 2 * MINUTE_MS, { kind: 'phRead', batchId, ph: 6.6, drops: 0 }),
    ]);
    expect(view.measuredMl).toBe(310);
    expect(view.phReads.map((r) => r.ph)).toEqual([6.6]);
    expect(view.mixed).toBeUndefined();
    expect(view.vessels[0]).toEqual(jasmine.objectContaining({ remaining: 40, remainingUnit: 'wedge' }));
  });
});

describe('a pasteurized batch', () => {
  it('is ready for its spawn when it is cool, and never goes into a cooker', () => {
    const entry = entryMaker();
    const straw = houseWith('straw', 'tub-12', 1, (batchId) => [
      entry(START_MS + MINUTE_MS, { kind: 'stepDone', batchId, step: 'cooled' }),
    ]);
    expect(straw.view.vessels[0]!.state.phase).toBe('cooked');
    expect(vesselState(straw.records.entries, straw.view.vessels[0]!.vessel.id).phase).toBe('cooked');
    expect(stepsOf(straw.view.batch).map((s) => s.step)).toEqual(['soak', 'drain', 'pasteurize', 'cooled']);
  });
});

describe('what stands in the cooker', () => {
  it('is the bottle of a plate, and the jar of a broth', () => {
    const plates = inCooker(houseWith('malt-agar', 'dish-90', 20).view.batch);
    expect(plates.vessel.id).toBe('bottle-500');
    expect(plates.vesselsPerPlace).toBeCloseTo(10, 9);
    expect(plates.wetG).toBeGreaterThan(200);
    expect(inCooker(houseWith('honey-broth', 'quart-jar', 2).view.batch)).toEqual(
      jasmine.objectContaining({ vesselsPerPlace: 1, vessel: jasmine.objectContaining({ id: 'quart-jar' }) }),
    );
  });
});

describe('a batch sheet', () => {
  const sheetOf = (formulaId: string, vesselId: string) =>
    batchSheet(houseWith(formulaId, vesselId, 2).view, {
      cook: { holdMinutes: 100, chamberC: 119.8, ventMinutes: 10, water: { startMl: 2000 } as never },
      pressure: '15 psi',
      words: METRIC_WORDS,
      decimals: 0,
      sentence: (words) => words,
      formatDate: (iso) => iso.slice(0, 10),
    });

  it('holds amounts, steps, room to write and cautions, for each of the four media', () => {
    for (const [formula, vessel] of [
      ['malt-agar', 'dish-90'],
      ['honey-broth', 'quart-jar'],
      ['wheat-spawn', 'quart-jar'],
      ['hardwood-bran', 'block-bag'],
    ] as const) {
      const sheet = sheetOf(formula, vessel);
      expect(sheet.amounts.length).withContext(formula).toBeGreaterThan(1);
      expect(sheet.amounts.at(-1)!.what).toMatch(/^Water/);
      expect(sheet.steps.at(-1)!.deed).toBe('Cook');
      expect(sheet.steps.at(-1)!.hint).toContain('100 min at 15 psi');
      expect(sheet.measure).toContain('Notes');
      expect(sheet.cautions.join(' ')).toContain('never taste');
    }
  });

  it('says each line as the scale and the kitchen measure it, and the moisture in per cent', () => {
    const grain = sheetOf('wheat-spawn', 'quart-jar');
    // Two quarts of wheat: a quarter of the trade's eight, 471.4 g without anything to spare.
    expect(grain.amounts[0]).toEqual({
      what: 'Wheat, whole',
      mass: '471 g',
      kitchen: jasmine.stringMatching(/cup/),
      note: '',
    });
    expect(grain.facts).toContain({ what: 'Moisture', value: '50.0 %, wet basis' });
    expect(grain.facts.find((f) => f.what === 'Vessels')!.value).toMatch(/^2 × quart jars, 420 g each/);
    const agar = sheetOf('malt-agar', 'dish-90');
    expect(agar.facts.find((f) => f.what === 'Cooked in')!.value).toMatch(/^1 × .* bottle, \d+ ml each/);
    expect(agar.facts.some((f) => f.what === 'Moisture')).toBeFalse();
  });

  it('says how much there is to spare', () => {
    const { view } = houseWith('wheat-spawn', 'quart-jar', 2, undefined, 0.05);
    const { facts } = batchSheet(view, {
      words: METRIC_WORDS,
      decimals: 0,
      sentence: (words) => words,
      formatDate: (iso) => iso,
    });
    expect(facts.find((f) => f.what === 'To spare')!.value).toBe('5 %');
  });

  it('asks of each medium what is measured there, and cooks nothing that is pasteurized', () => {
    expect(sheetOf('malt-agar', 'dish-90').measure).toContain('Left after boiling, ml');
    expect(sheetOf('wheat-spawn', 'quart-jar').measure).toContain('All of it, drained, g');
    const straw = sheetOf('straw', 'tub-12');
    expect(straw.steps.some((s) => s.deed === 'Cook')).toBeFalse();
    expect(straw.amounts.at(-1)!.what).toBe('Water taken up');
    expect(sheetOf('hardwood-bran', 'block-bag').amounts.at(-1)!.what).toBe('Water');
    expect(straw.measure).toContain('Middle at 65 °C, time');
    expect(straw.facts.some((f) => f.what === 'Pasteurize')).toBeTrue();
  });
});
