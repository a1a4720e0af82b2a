import { TestBed } from '@angular/core/testing';
import { HOUR_MS, MINUTE_MS, sterileDishes } from '../../../core/index';
import { KitchenClocks } from '../../data/devices/kitchen-clocks';
import { Journal } from '../../data/journal/journal';
import { WHICH_HOUSE } from '../../data/store/which-house';
import { entryWords } from '../../data/words/words';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { CookRecord } from './cook/cook-record';
import { Unloading } from './cook/unloading';
import { Stove } from './stove';

describe('clocks beside the cooks', () => {
  let setup: SpecHouse;
  let stove: Rendered<Stove>;
  beforeEach(async () => {
    setup = await furnishedHouse();
    stove = await render(Stove);
  });
  afterEach(async () => {
    localStorage.removeItem(`${TestBed.inject(WHICH_HOUSE).database}-clocks`);
    await setup.close();
  });

  it('just time something: over a reload too, and no fact of the house unless it is asked for', async () => {
    await stove.fill('What', 'Malt <b>simmers</b>');
    await stove.fill('Minutes', '12');
    await stove.press('Start');
    expect(stove.text()).toMatch(/Malt <b>simmers<\/b> ?12 min left, until/);
    // What another tab or a reload reads.
    const clocks = TestBed.inject(KitchenClocks);
    expect(JSON.parse(localStorage.getItem(`${TestBed.inject(WHICH_HOUSE).database}-clocks`)!)).toEqual([
      jasmine.objectContaining({ name: 'Malt <b>simmers</b>', minutes: 12 }),
    ]);
    expect(setup.house().facts).toEqual([]);
    await stove.press('Note it in the day');
    await until(setup.store, (h) => h.facts.length === 1);
    expect(entryWords(setup.house().facts[0]!, setup.house())).toMatch(/Malt <b>simmers<\/b>: 0 min, from/);
    expect(clocks.clocks()).toEqual([]);
  });

  it('refuses minutes that are none, and begins nothing from a store that was scribbled over', async () => {
    await stove.fill('Minutes', 'soon');
    await stove.press('Start');
    expect(stove.text()).toMatch(/Minutes must be a number/);
    expect(TestBed.inject(KitchenClocks).clocks()).toEqual([]);
    localStorage.setItem(`${TestBed.inject(WHICH_HOUSE).database}-clocks`, '{"x":');
    dispatchEvent(new StorageEvent('storage', { key: `${TestBed.inject(WHICH_HOUSE).database}-clocks` }));
    await stove.settle();
    expect(TestBed.inject(KitchenClocks).clocks()).toEqual([]);
  });

  it('glass goes into the oven, counts once it is hot, and is sterile for the next pour', async () => {
    expect(stove.text()).toContain('200 °C for 20 min is a kitchen school, no source');
    await stove.press('Into the oven');
    await until(setup.store, (h) => h.facts.length === 1);
    await stove.settle();
    expect(stove.text()).toContain('10 glass dishes');
    expect(stove.text()).toContain('Press when the glass is hot');
    const { runId } = setup.house().facts[0] as { runId: string };
    const journal = TestBed.inject(Journal);
    const ago = (minutes: number) => new Date(Date.now() - minutes * MINUTE_MS).toISOString();
    await setup.lay('entries', { ...setup.house().facts[0]!, at: ago(200) });
    await journal.say({ kind: 'glassStep', runId, step: 'hot', at: ago(121) });
    await until(setup.store, (h) => h.facts.length === 2);
    await stove.settle();
    expect(stove.text()).toMatch(/\d minutes? over in dry heat/);
    await stove.press(/^Heat off/);
    await until(setup.store, (h) => h.facts.length === 3);
    expect(sterileDishes(setup.house(), Date.now() + 24 * HOUR_MS)).toBe(10);
    await stove.settle();
    expect(stove.text()).toContain('10 sterile glass dishes are ready to be poured.');
  });
});

describe('what a cook did and burned', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('what befell a jar is noted by one press each as it comes out', async () => {
    setup = await demoHouse();
    const journal = TestBed.inject(Journal);
    const cook14 = () => setup.house().cooks.find((c) => c.cook.number === 14)!;
    for (const step of ['heatOff', 'open'] as const) {
      await journal.say({ kind: 'cookStep', cookId: cook14().cook.id, step });
      await until(setup.store, () => cook14().steps.at(-1)?.step === step);
    }
    const out = await render(Unloading, { view: cook14() });
    const [first, second] = cook14().vesselIds.map((id) => setup.house().vesselById.get(id)!.code);
    await out.press(first!);
    await until(
      setup.store,
      (h) => h.vesselById.get(cook14().vesselIds[0]!)!.state.goneBecause === 'cracked',
    );
    await out.settle();
    await out.press('Lid popped');
    await out.press(second!);
    await until(setup.store, (h) => h.vesselById.get(cook14().vesselIds[1]!)!.state.mishaps.length === 1);
    await out.settle();
    expect(out.text()).toContain(`${first!} cracked, ${second!} lid popped`);
  });

  it('what was burned is told by a cylinder, and a cylinder that gained is refused', async () => {
    setup = await demoHouse();
    const cook8 = () => setup.house().cooks.find((c) => c.cook.number === 8)!;
    const record = await render(CookRecord, { cook: cook8().cook.id });
    await record.fill('Cylinder before', '10.2');
    await record.fill('Cylinder after', '10.9');
    const form = record.host.querySelector('nw-fuel-form form')!;
    form.dispatchEvent(new Event('submit'));
    await record.settle();
    expect(record.text()).toContain('A cylinder must weigh less after than before.');
    await record.fill('Cylinder after', '9.7');
    form.dispatchEvent(new Event('submit'));
    await until(setup.store, () => cook8().fuelUsed !== undefined);
    expect(cook8().fuelUsed!.amount).toBeCloseTo(500, 6);
    await record.settle();
    expect(record.text()).toContain('500 g of gas burned');
  });
});
