import { TestBed } from '@angular/core/testing';
import { adviseTreatment, resolveFormula, scaleFormula, withSchool } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Stove } from './stove';

describe('the Stove, for every medium', () => {
  let setup: SpecHouse;
  let stove: Rendered<Stove>;
  beforeEach(async () => {
    setup = await furnishedHouse();
  });
  afterEach(() => setup.close());

  /** A batch as the Desk makes it, and the Stove open on it. */
  async function make(formulaId: string, vesselId: string, count: number): Promise<void> {
    const { formulas, materials, vesselTypes } = setup.house().records;
    const formula = withSchool(
      resolveFormula(
        formulas.find((f) => f.id === formulaId)!,
        materials,
      ),
    );
    const vessel = vesselTypes.find((v) => v.id === vesselId)!;
    const bottle = vesselTypes.find((v) => v.id === 'bottle-500')!;
    const scaled = scaleFormula(formula, { vessel, count, bottle, spare: 0.1 });
    await TestBed.inject(Journal).makeBatch(formula, scaled, {
      treatment: adviseTreatment(formula.stage, scaled.parts).treatment,
    });
    await until(setup.store, (h) => h.batches.length > 0);
    stove = await render(Stove);
  }
  const batch = () => setup.house().batches[0]!;
  const ask = async (name: string, text: string, deed: string) => {
    const form = [...stove.host.querySelectorAll('form')].find((f) => f.textContent.includes(name))!;
    const box = form.querySelector('input')!;
    box.value = text;
    box.dispatchEvent(new Event('input', { bubbles: true }));
    [...form.querySelectorAll('button')].find((b) => b.textContent.includes(deed))!.click();
    await stove.settle();
  };

  it('ticks off what was weighed, and takes another amount when the scale showed one', async () => {
    await make('hardwood-bran', 'block-bag', 1);
    const rows = [...stove.host.querySelectorAll<HTMLElement>('nw-weigh-list li')];
    expect(rows.length).toBe(3);
    rows[0]!.querySelector<HTMLButtonElement>('.tick')!.click();
    await stove.settle();
    expect(rows[0]!.querySelector('.tick')!.getAttribute('aria-pressed')).toBe('true');
    rows[2]!.querySelector<HTMLButtonElement>('.other')!.click();
    await stove.settle();
    await stove.fill('Water, really', 'much');
    await stove.press('It was');
    expect(stove.text()).toContain('Water, really must be a number. You typed “much”. Nothing was changed.');
    await stove.fill('Water, really', '1900');
    await stove.press('It was');
    expect(batch().weighedOut.get('water')).toBe(1900);
    expect(batch().mixed!.moisture).toBeGreaterThan(0.66);
  });

  it('corrects a wet mix with what is drier, notes it, and asks for a new squeeze', async () => {
    await make('hardwood-bran', 'block-bag', 1);
    await stove.press('Mixed');
    await stove.press('It runs');
    expect(stove.text()).toContain('Too wet. Add');
    expect(stove.text()).toMatch(/About \d+ g, in two or three splashes/);
    await ask('Added', '0', 'It is in');
    expect(stove.text()).toContain(
      'Added must be between 1 and 1000000 g. You gave 0 g. Nothing was changed.',
    );
    const before = batch().mixed!.moisture;
    await ask('Added', '120', 'It is in');
    expect(batch().mixed!.moisture).toBeLessThan(before);
    expect(stove.text()).toContain('120 g vermiculite added');
    expect(stove.button('It runs').getAttribute('aria-pressed')).toBe('false');
    await stove.press('A few drops');
    expect(stove.text()).not.toContain('Too wet');
  });

  it('waters a dry mix', async () => {
    await make('hardwood-bran', 'block-bag', 1);
    await stove.press('Mixed');
    await stove.press('Crumbles');
    expect(stove.text()).toMatch(/Too dry\. Add ?water/);
    await ask('Added', '200', 'It is in');
    expect(batch().adjustments[0]).toEqual(
      jasmine.objectContaining({ materialId: 'water', massG: 200, moisture: 1 }),
    );
  });

  it('doses agar on what is left of the potato water, and counts the plates it fills', async () => {
    await make('kitchen-potato-agar', 'dish-90', 20);
    expect(stove.text()).toMatch(/88 ?g ?Potato, raw, diced/);
    expect(stove.text())
      .withContext('440 ml are wanted, a fifth boils away')
      .toMatch(/550 ?g ?Water/);
    await stove.press('Start simmer');
    await stove.press('Strained');
    expect(stove.text()).not.toContain('Potato, raw, diced');
    expect(stove.text()).toMatch(/10 ?g ?Agar powder/);
    const box = [...stove.host.querySelectorAll('form')]
      .find((f) => f.textContent.includes('How much is left?'))!
      .querySelector('input')!;
    box.value = '400';
    box.dispatchEvent(new Event('input', { bubbles: true }));
    await stove.settle();
    expect(stove.text()).toContain('It takes 2 g dextrose monohydrate, 9 g agar powder.');
    await ask('How much is left?', '300', 'Measured');
    expect(stove.text()).toMatch(/7 ?g ?Agar powder/);
    expect(stove.text()).toContain('45 % boiled off: it fills 15 of 20');
    await ask('How much is left?', '-5', 'Measured');
    expect(stove.text()).toContain('How much is left? must be between 1 and 100000 ml. You gave -5 ml.');
  });

  it('logs pH drop by drop and says what to do next', async () => {
    await make('potato-dextrose-agar', 'dish-90', 20);
    await stove.press('Start simmer');
    await stove.press('Strained');
    await ask('pH', '6.8', 'Read');
    expect(stove.text()).toContain('Wanted 5.6. One drop of acid, stir, read again.');
    await ask('pH', '6.6', 'Read');
    expect(stove.text()).toContain('A drop moves it 0.20: next 3 of acid.');
    expect(stove.text()).toContain('6.8 · 1 drop, 6.6');
    await stove.fill('after drops', 'x');
    await ask('pH', '6', 'Read');
    expect(stove.text()).toContain('Drops must be a number. You typed “x”. Nothing was changed.');
    expect((stove.field('pH') as HTMLInputElement).value).toBe('6');
  });

  it('cooks the bottles of plates, never beside jars of grain', async () => {
    await make('malt-agar', 'dish-90', 20);
    await stove.press('Dissolve');
    await stove.press('In the bottles');
    await stove.press('Load a cook');
    expect(stove.text()).toContain('2 × 500 ml bottles');
    expect(stove.text()).toContain('for 20 × 90 mm dishes');
    expect(stove.text()).toContain('2 of 8 places');
    expect(stove.text()).toContain('20 min at 15 psi');
    await stove.press('All so, lid on');
    await until(setup.store, (h) => h.cooks.length === 1);
    expect(setup.house().cooks[0]!.vesselIds.length).toBe(20);
  });

  it('pasteurizes straw: soaked, drained, warmed through, cooled, and then ready for the Box', async () => {
    await make('straw', 'tub-12', 1);
    for (const deed of ['Start soak', 'Drain']) {
      await stove.press(deed);
    }
    const dryG = batch().dryMatterG!;
    await ask('All of it weighs, drained', String(Math.round(dryG / 0.25)), 'Weighed');
    expect(stove.text()).toContain('75.0 % moisture');
    expect(batch().mixed!.massG).toBe(Math.round(dryG / 0.25));
    expect(batch().mixed!.moisture).toBeCloseTo(0.75, 3);
    await stove.press('Middle is at 65 °C');
    expect(stove.text()).toContain('pasteurizing at 65 to 80 °C');
    await stove.press('Cool to the middle');
    await until(setup.store, (h) => h.batches[0]!.vessels[0]!.state.phase === 'cooked');
    await stove.settle();
    expect(stove.text()).toContain('Canner is cold.');
    expect(stove.has('Load a cook')).toBe(false);
  });

  it('gives coir its water once: boiling, by the bucket, and no soak before', async () => {
    await make('coir-vermiculite', 'tub-12', 1);
    expect(stove.text()).toContain('Pour the boiling water over it');
    expect(stove.text()).toContain('Boiling water in a bucket');
    expect(stove.text()).not.toContain('Mix it');
  });
});
