import { TestBed } from '@angular/core/testing';
import { newAppliance, resolveFormula, scaleFormula, type BatchView } from '../../../../core/index';
import { Journal } from '../../../data/journal/journal';
import { furnishedHouse, until, type SpecHouse } from '../../../testing/house';
import { render, type Rendered } from '../../../testing/render';
import { LoadCook } from './load-cook';

describe('what goes into the pot', () => {
  let setup: SpecHouse;
  let page: Rendered<LoadCook>;
  afterEach(() => setup.close());

  /** Batches that are filled, each of a formula in so many of a vessel. */
  async function waiting(...wanted: readonly (readonly [string, string, number])[]): Promise<void> {
    setup = await furnishedHouse();
    const journal = TestBed.inject(Journal);
    const { formulas, materials, vesselTypes } = setup.house().records;
    for (const [formulaId, vesselId, count] of wanted) {
      const formula = resolveFormula(
        formulas.find((f) => f.id === formulaId)!,
        materials,
      );
      const vessel = vesselTypes.find((v) => v.id === vesselId)!;
      const bottle = vesselTypes.find((v) => v.id === 'bottle-500')!;
      const scaled = scaleFormula(formula, { vessel, count, bottle, spare: 0.05 });
      const made = await journal.makeBatch(formula, scaled, { treatment: 'sterilize' });
      await journal.say({ kind: 'stepDone', batchId: made!.batch.id, step: 'fill' });
    }
    await until(setup.store, (h) => h.batches.length === wanted.length);
    page = await render(LoadCook, { batches: batches() });
  }
  const batches = (): readonly BatchView[] => setup.house().batches;
  const tick = async (code: string) => {
    const line = [...page.host.querySelectorAll<HTMLElement>('.rows li')].find((li) =>
      li.textContent.includes(code),
    )!;
    line.querySelector<HTMLInputElement>('input')!.click();
    await page.settle();
  };
  const inList = (selector: string) =>
    [...page.host.querySelectorAll(`${selector} nw-plaque`)].map((p) => p.textContent.trim());

  it('takes all that fits together, and leaves out what was unticked, the focus with it', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 3], ['rye-spawn', 'quart-jar', 2]);
    expect(page.text()).toContain('5 of 8 places');
    expect(inList('[aria-label="In the cooker"]')).toEqual(['G1', 'G2']);
    expect(page.text()).toContain('Drag what waits here, or take its tick away.');
    document.body.append(page.host);
    await tick('G2');
    expect(page.text()).toContain('3 of 8 places');
    expect(inList('.out')).toEqual(['G2']);
    expect(document.activeElement?.closest('li')?.textContent).toContain('G2');
    await tick('G1');
    expect(page.text()).toContain('Choose what goes in.');
    expect((page.button('All so, lid on') as HTMLButtonElement).disabled).toBe(true);
    await tick('G2');
    expect(page.text()).toContain('2 of 8 places');
  });

  it('keeps apart what wants another programme, and says so', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 3], ['honey-broth', 'quart-jar', 2]);
    expect(inList('[aria-label="In the cooker"]')).toEqual(['G1']);
    expect(page.text()).toContain(
      'another programme, a cook of its own: broth and agar brown in what grain needs',
    );
    const broth = page.host.querySelector<HTMLInputElement>('.out input')!;
    expect(broth.disabled).toBe(true);
    await tick('G1');
    // With the grain out, broth leads.
    expect(page.host.querySelector<HTMLInputElement>('.out input, .rows input')!.disabled).toBe(false);
  });

  it('shows one list where only one batch waits', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 10]);
    expect(page.text()).not.toContain('Stays out');
    expect(page.text()).toContain('8 of 8 places');
    expect(page.text()).toContain('2 wait for the next cook');
  });

  it('reckons with the minutes of steam and the warmth of what goes in', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 8]);
    const hold = () => /(\d+) min at 15 psi/.exec(page.text())![1];
    expect(hold()).toBe('90');
    await page.fill('Temperature of what goes in', '4');
    expect((page.field('Temperature of what goes in') as HTMLInputElement).value).toBe('4');
    await page.fill('Minutes of full steam', '5');
    expect(page.text()).toMatch(/\d+ % air stays in the vessels at first/);
    // What cannot be is not taken, and the plan stands.
    await page.fill('Temperature of what goes in', '400');
    await page.fill('Minutes of full steam', '-3');
    expect(page.text()).toMatch(/min at 15 psi/);
  });

  it('says what a dial must show, and that it was not tested', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 8]);
    const canner = setup.house().records.appliances.find((a) => a.id === 'canner')!;
    await setup.lay('appliances', { ...canner, gauge: 'dial', gaugeReadsOverKPa: 6.894757 });
    await page.settle();
    expect(page.text()).toContain('Its dial must show 16 psi.');
    expect(page.text()).toContain('Its dial was not tested within a year');
    const today = new Date().toISOString().slice(0, 10);
    await setup.lay('appliances', {
      ...canner,
      gauge: 'dial',
      gaugeReadsOverKPa: 0,
      gaugeTestedAt: today,
    });
    await page.settle();
    expect(page.text()).not.toContain('dial');
  });

  it('says where to give a cooker its places, and begins nothing without them', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 8]);
    const canner = setup.house().records.appliances.find((a) => a.id === 'canner')!;
    await setup.lay('appliances', { ...canner, places: {} });
    await page.settle();
    expect(page.text()).toContain('Canner has no places for these vessels.');
    expect((page.button('All so, lid on') as HTMLButtonElement).disabled).toBe(true);
  });

  it('begins once, however often it is pressed', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 8]);
    page.button('All so, lid on').click();
    page.button('All so, lid on').click();
    await page.settle();
    const house = await until(setup.store, (h) => h.cooks.length > 0);
    expect(house.cooks.length).toBe(1);
    expect(house.cooks[0]!.vesselIds.length).toBe(8);
    expect(house.facts.filter((f) => f.kind === 'cautionRead').length).toBe(1);
  });

  it('asks how bags stand: touching ones heat as one block, and a gap is advised', async () => {
    await waiting(['hardwood-bran', 'block-bag', 2]);
    expect(page.text()).toContain('2 of 3 places');
    const hold = () => Number(/(\d+) min at \d/.exec(page.text())![1]);
    const apart = hold();
    await page.choose('Between the bags', 'no gap');
    expect(hold()).toBeGreaterThan(apart + 40);
    expect(page.text()).toContain('They heat as one block');
    expect(page.text()).toContain(`Leave 20 mm between, a rack between layers: then ${apart} min would do.`);
    await page.type('input[aria-label="Layers"]', '2');
    await page.press('All so, lid on');
    await until(setup.store, (h) => h.cooks.length === 1);
    expect(setup.house().cooks[0]!.contents!.heap).toEqual({ across: 1, along: 1, layers: 2 });
    const loaded = setup.house().records.entries.find((e) => e.kind === 'cookLoaded')!;
    expect(loaded).toEqual(jasmine.objectContaining({ layers: 2, between: 'touching' }));
  });

  it('takes seven of ten where seven are wanted, one less or more at a press', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 10]);
    expect(page.text()).toContain('8 of 8 places');
    const more = () => page.button('One quart jar of G1 more') as HTMLButtonElement;
    expect(more().disabled).toBe(true);
    await page.press('One quart jar of G1 less');
    expect(page.text()).toContain('7 of 10 quart jars');
    expect(page.text()).toContain('7 of 8 places');
    expect(page.text()).toContain('3 wait for the next cook');
    expect(more().disabled).toBe(false);
    await page.press('All so, lid on');
    const house = await until(setup.store, (h) => h.cooks.length === 1);
    expect(house.cooks[0]!.vesselIds).toEqual(house.batches[0]!.vessels.slice(0, 7).map((v) => v.vessel.id));
  });

  it('holds pints, a bag of grain, water and a wrapped knife as long as the bag asks, and keeps all of it', async () => {
    await waiting(['wheat-spawn', 'pint-jar', 4], ['rye-spawn', 'grain-bag', 1]);
    // Other vessels stay out until they are asked for: they may want longer.
    expect(inList('[aria-label="In the cooker"]')).toEqual(['G1']);
    const hold = () => Number(/(\d+) min at \d/.exec(page.text())![1]);
    const alone = hold();
    await tick('G2');
    expect(inList('[aria-label="In the cooker"]')).toEqual(['G1', 'G2']);
    await page.press('One jar of water more');
    await page.choose('Jar of water', 'pint jar');
    await page.press('One wrapped tool more');
    expect(hold()).toBeGreaterThan(alone + 30);
    expect(page.text()).toContain('The 1.4 kg bag of grain is the slowest');
    expect(page.text()).toContain(
      'It decides for all, and the odds below are its. Alone, the pint jars of grain would want 60 min,',
    );
    expect(page.text()).toContain('4 pint jars, 1 × 1.4 kg bag, 1 pint jar of water, 1 wrapped tool');
    expect(page.host.querySelectorAll('nw-load-drawing g circle.vessel').length).toBe(5);
    await page.press('All so, lid on');
    const [cook] = (await until(setup.store, (h) => h.cooks.length === 1)).cooks;
    expect(cook!.kinds.map((k) => [k.vessel.id, k.count])).toEqual([
      ['grain-bag', 1],
      ['pint-jar', 4],
    ]);
    expect(cook!.beside.map((b) => [b.what, b.count])).toEqual([
      ['water', 1],
      ['tools', 1],
    ]);
    expect(cook!.contents!.vessel.id).toBe('grain-bag');
  });

  it('says that wrapped tools are slower than broth', async () => {
    await waiting(['honey-broth', 'quart-jar', 2]);
    const hold = () => Number(/(\d+) min at \d/.exec(page.text())![1]);
    expect(hold()).toBe(25);
    await page.press('One wrapped tool more');
    expect(hold()).toBe(30);
    expect(page.text()).toContain('Wrapped tools are the slowest');
  });

  it('never asks how jars stand', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 3]);
    expect(page.text()).not.toContain('between them');
  });

  it('says of all that is not offered why', async () => {
    await waiting(['wheat-spawn', 'quart-jar', 2]);
    const at = new Date().toISOString();
    const { vesselTypes } = setup.house().records;
    for (const [kind, name] of [
      ['pot', 'Big pot'],
      ['oven', 'Oven'],
    ] as const) {
      await setup.lay('appliances', newAppliance(kind, kind, name, at, vesselTypes));
    }
    await until(setup.store, (h) => h.records.appliances.length === 4);
    await page.settle();
    expect(page.text()).toContain('Big pot: it only boils, and grain wants pressure.');
    expect(page.text()).toContain('Oven: dry heat is for empty glass.');
  });

  it('steams wood in a pot, by the time that was chosen', async () => {
    await waiting(['hardwood-hull', 'block-bag', 2]);
    const at = new Date().toISOString();
    const { vesselTypes } = setup.house().records;
    await setup.lay('appliances', newAppliance('pot', 'pot', 'Big pot', at, vesselTypes));
    await until(setup.store, (h) => h.records.appliances.length === 3);
    await page.settle();
    await page.choose('Cooker', 'big pot');
    expect(page.text()).toContain('in steam at no pressure');
    expect(page.text()).toContain('never clamped or weighted');
    expect(page.text()).toContain('120 min of open steam');
    await page.press('90 min');
    expect(page.text()).toContain('90 min of open steam');
    expect(page.text()).toContain('its coldest point has F0 almost 0 min');
    await page.press('All so, lid on');
    await until(setup.store, (h) => h.cooks.length === 1);
    expect(setup.house().cooks[0]!.cook).toEqual(
      jasmine.objectContaining({ closes: 'never', gaugeKPa: 0, holdMinutes: 90, ventMinutes: 0 }),
    );
  });
});
