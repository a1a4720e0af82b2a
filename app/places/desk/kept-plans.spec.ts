import { TestBed } from '@angular/core/testing';
import { stepsOf } from '../../../core/index';
import { KeptPlans } from '../../data/work/kept-plans';
import { furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Desk } from './desk';

function weighed(desk: Rendered<Desk>): readonly string[] {
  return [...desk.host.querySelectorAll('td.mass')].map((td) => td.textContent.replace(/\s/g, ''));
}

describe('plans on the Desk', () => {
  let setup: SpecHouse;
  let desk: Rendered<Desk>;
  beforeEach(async () => {
    setup = await furnishedHouse();
    desk = await render(Desk);
  });
  afterEach(() => setup.close());

  const blank = (name: string) => `input[aria-label="${name}"]`;
  const typedIn = (name: string) => desk.host.querySelector<HTMLInputElement>(blank(name))!.value;
  const again = async () => {
    desk.fixture.destroy();
    desk = await render(Desk);
  };

  it('are found as they were left, each stage its own', async () => {
    await desk.type(blank('How many'), '11');
    await desk.choose('Way of hydrating', 'cold soak');
    await desk.choose('Fill', 'half');
    await desk.press(/^Bulk/);
    await desk.type(blank('How many'), '6');
    await again();
    expect(desk.text()).toContain('of hardwood and bran 10 %');
    expect(typedIn('How many')).toBe('6');
    await desk.press(/^Grain spawn/);
    expect(typedIn('How many')).toBe('11');
    expect(desk.text()).toMatch(/by cold soak, ?filled half/);
  });

  it('are in the database a moment later, and a plan left in an earlier sitting is taken up', async () => {
    await desk.type(blank('How many'), '13');
    TestBed.inject(KeptPlans).flush();
    await until(setup.store, (h) => h.records.plans.length === 1);
    expect(setup.house().records.plans[0]).toEqual(
      jasmine.objectContaining({ id: 'desk-grain', formulaId: 'wheat-spawn', choices: { count: 13 } }),
    );
    const later = new Date(Date.now() + 60_000).toISOString();
    const row = { id: 'desk-liquid', schemaVersion: 1, updatedAt: later, stage: 'liquid' };
    await setup.lay('plans', { ...row, formulaId: 'malt-broth', choices: { count: 3, eachMl: 400 } });
    await again();
    expect([typedIn('How many'), typedIn('In each')]).toEqual(['3', '400']);
  });

  it('are as usual again in one press', async () => {
    await desk.type(blank('How many'), '11');
    expect(weighed(desk)[0]).toBe('2723g');
    await desk.press('All as usual again');
    expect(weighed(desk)[0]).toBe('1980g');
    expect(desk.has('All as usual again')).toBeFalse();
  });

  it('are kept by name, opened, taken away and put back', async () => {
    await desk.type(blank('How many'), '5');
    await desk.press('Keep this plan by a name');
    await desk.fill('Name of this plan', ' ');
    await desk.press('Keep');
    expect(desk.text()).toContain('Name of this plan must be 1 to 80 letters long');
    await desk.fill('Name of this plan', 'Five for Sunday');
    await desk.press('Keep');
    await until(setup.store, (h) => h.records.plans.some((p) => p.name === 'Five for Sunday'));
    await desk.settle();
    expect(desk.text()).toContain('Kept as “Five for Sunday”.');
    await desk.press(/^Agar/);
    await desk.press('Five for Sunday');
    expect(typedIn('How many')).toBe('5');
    await desk.press('Take the plan Five for Sunday away');
    await until(setup.store, (h) => h.records.plans.some((p) => p.isGone === true));
    await desk.settle();
    expect(desk.button('Put back')).toBeDefined();
    await desk.press('Put back');
    await until(setup.store, (h) => h.records.plans.every((p) => p.isGone !== true));
    await desk.settle();
    expect(desk.text()).toContain('Five for Sunday');
  });
});

describe('how much is asked for', () => {
  let setup: SpecHouse;
  let desk: Rendered<Desk>;
  beforeEach(async () => {
    setup = await furnishedHouse();
    desk = await render(Desk);
    await desk.type('input[aria-label="To spare"]', '0');
    await desk.type('input[aria-label="How many"]', '10');
  });
  afterEach(() => setup.close());

  it('is so much grain in each jar', async () => {
    await desk.choose('Fill', 'with wheat in each:');
    await desk.type('input[aria-label="with wheat in each"]', '227');
    expect(weighed(desk)[0]).toBe('2270g');
    await desk.type('input[aria-label="with wheat in each"]', '900');
    expect(desk.text()).toMatch(/In each must be between [\d.]+ and [\d.]+ g. You gave 900/);
  });

  it('is a total of one ingredient, or a mass in all', async () => {
    await desk.choose('Fill', 'from wheat in all:');
    await desk.type('input[aria-label="from wheat in all"]', '2000');
    expect(weighed(desk)[0]).toBe('2000g');
    await desk.choose('Fill', 'to a mass in all of');
    await desk.type('input[aria-label="to a mass in all of"]', '4000');
    expect(desk.text()).toMatch(/400 ?g wet/);
  });

  it('is any height, by its share or its depth', async () => {
    await desk.choose('Fill', 'to');
    await desk.type('input[aria-label="Share of the vessel"]', '55');
    expect(desk.text()).toMatch(/520 ?ml/);
    await desk.type('input[aria-label="Depth"]', '40');
    // 40 mm over a floor of 86 mm are 232 ml.
    expect(desk.text()).toMatch(/23[12] ?ml/);
  });

  it('leaves gypsum out and puts coffee in by a press each, and the steps of the batch follow', async () => {
    expect(weighed(desk).length).toBe(3);
    await desk.press('Leave gypsum out');
    expect(weighed(desk).length).toBe(2);
    await desk.choose('Way of hydrating', 'soak with gypsum and coffee');
    expect(desk.text()).toContain('into the soak, poured off with it');
    await desk.press('Put gypsum in');
    await desk.press('Leave brewed coffee out');
    await desk.press('Make batch G1');
    await until(setup.store, (h) => h.batches.length === 1);
    const { batch } = setup.house().batches[0]!;
    expect(batch.plan!.parts.map((p) => p.name)).toEqual(['Wheat, whole', 'Gypsum']);
    expect(batch.plan!.leftOut!.map((l) => l.material.name)).toEqual(['Brewed coffee']);
    const hints = stepsOf(batch).map((s) => s.hint);
    expect(hints[0]).toContain('Gypsum into the soak water.');
    expect(hints.at(-1)).not.toContain('gypsum');
  });

  it('says first what goes into each jar where the water is measured into it', async () => {
    await desk.choose('Way of hydrating', 'measured water in the jar');
    expect(desk.text()).toMatch(/Into each jar ?[\d]+\s?g wheat, [\d.]+\s?g gypsum, [\d]+\s?g water\./);
    expect(desk.text().indexOf('Into each jar')).toBeLessThan(desk.text().indexOf('Wheat, whole'));
  });

  it('fills jars to the shoulder with wood', async () => {
    await desk.press(/^Bulk/);
    await desk.choose('Vessels', 'quart jars');
    await desk.choose('Fill', 'to the shoulder');
    expect(desk.text()).toContain('90 % at most');
    expect(desk.text()).not.toContain('hard to shake');
  });
});
