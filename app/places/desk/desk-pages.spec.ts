import { TestBed } from '@angular/core/testing';
import { format } from 'date-fns';
import { vesselsFor } from '../../../core/index';
import { Definitions } from '../../data/journal/definitions';
import { furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render } from '../../testing/render';
import { CheckRecipe } from './check-recipe';
import { Compare } from './compare';
import { EditFormula } from './edit-formula';
import { Materials } from './materials';
import { Vessels } from './vessels';

describe('the sheets of the Desk', () => {
  let setup: SpecHouse;
  beforeEach(async () => {
    setup = await furnishedHouse();
  });
  afterEach(() => setup.close());

  describe('a recipe that is checked', () => {
    it('is weighed line by line, judged, and kept as a formula', async () => {
      const page = await render(CheckRecipe);
      await page.type('textarea', '5 cups hardwood pellets\n1 1/4 cup wheat bran\n1.4 L water');
      expect(page.text()).toContain('This is bulk substrate: about 1 block of 2.3 kg');
      expect(page.text()).toMatch(/Water, wet basis ?65\.5 %/);
      // Within what this blend takes, and said: a drier figure is quoted for everything.
      expect(page.text()).toContain('65.5 % is right here');
      expect(page.text()).not.toContain('Wetter than field capacity');
      await page.press('Save as formula');
      await until(setup.store, (h) => h.records.formulas.some((f) => f.name === 'My recipe'));
      const kept = setup.house().records.formulas.find((f) => f.name === 'My recipe')!;
      expect(kept.parts.map((p) => p.materialId)).toEqual(['hardwood-pellets', 'wheat-bran']);
    });

    it('asks about words that it does not know, and judges nothing before all is read', async () => {
      const page = await render(CheckRecipe);
      await page.type('textarea', '500 g bran\n2 kg hardwood pellets\n12 gypsum');
      expect(page.text()).toContain('What is “bran”? Choose a match');
      expect(page.text()).toContain('12 of what measure?');
      expect(page.text()).toMatch(/Not judged yet ?2 000 g so far/);
      expect(page.text()).toContain('2 lines are not read');
      await page.choose('“bran” is', 'Wheat bran');
      expect(page.text()).toMatch(/2 500 g so far/);
      expect(page.text()).not.toContain('Nothing stands out');
      expect(page.text()).not.toContain('Pasteurize.');
      expect(page.text()).not.toContain('Save as formula');
      await page.type('textarea', '500 g bran\n2 kg hardwood pellets\n12 g gypsum');
      expect(page.text()).toContain('Save as formula');
      expect(page.text()).toContain('Sterilize.');
    });

    it('answers how many it fills, and what each of so many gets', async () => {
      const page = await render(CheckRecipe);
      await page.type('textarea', '5 kg hardwood pellets\n1 kg wheat bran\n7 l water');
      await page.choose('It goes into', '2.3 kg bags');
      expect(page.text()).toMatch(/Fills, as usual ?5\.7 2\.3 kg bags/);
      expect(page.text()).not.toContain('Over-full');
      await page.fill('How many', '6');
      expect(page.text()).toMatch(/In each of 6 ?2.167 g, 56 % full/);
      await page.fill('How many', '4');
      expect(page.text()).toMatch(/In each of 4 ?3.250 g, 83 % full/);
      expect(page.text()).toContain('Over-full: each 2.3 kg bag would be 83 % full');
    });

    it('asks what a jar of grain holds, shows both ends of a range, and the water that is meant', async () => {
      const page = await render(CheckRecipe);
      await page.type('textarea', '1 qt jar of rye\n2-3 tbsp gypsum');
      expect(page.text()).toContain('a jar of dry grain, or a jar filled with ready grain?');
      expect(page.text()).toContain('26.6 g to 39.9 g');
      await page.choose('Each jar holds', 'dry grain to the brim');
      expect(page.text()).toContain('682 g');
      expect(page.text()).toMatch(/Water ?No water is named: taken as soaked, to 50 % water/);
    });

    it('finds a jar that would be over-full, and bran that is only warmed', async () => {
      const page = await render(CheckRecipe);
      await page.type('textarea', '2 lb rye, 2 lb water');
      await page.choose('It goes into', 'quart jars');
      await page.fill('How many', '1');
      expect(page.text()).toContain('Over-full: each quart jar');
      await page.type('textarea', '1 kg straw, 200 g wheat bran, 3 l water');
      await page.choose('It is meant to be', 'pasteurized');
      expect(page.text()).toContain('cannot be left at pasteurizing heat');
      expect(page.text()).toContain('Against that, it is meant to be pasteurized.');
      await page.press('Sterilize instead');
      expect(page.text()).not.toContain('cannot be left at pasteurizing heat');
      expect(page.text()).not.toContain('Against that');
      expect(page.text()).toContain('Pasteurize all the same');
    });

    it('shows markup as text and refuses a book', async () => {
      const page = await render(CheckRecipe);
      await page.type('textarea', '1 g <img src=x onerror=alert(1)>');
      expect(page.host.querySelector('img')).toBeNull();
      await page.type('textarea', Array.from({ length: 70 }, () => '1 g agar').join('\n'));
      expect(page.text()).toContain('A recipe must have at most 60 lines. This one has 70.');
    });
  });

  describe('materials', () => {
    it('show every figure with its source, and are found by other names', async () => {
      const page = await render(Materials, { open: 'honey' });
      expect(page.text()).toContain('Codex STAN 12');
      await page.fill('Find', 'milo');
      expect([...page.host.querySelectorAll('nav li')].map((li) => li.textContent.trim())).toEqual([
        'Sorghum',
      ]);
    });

    it('keep a price, a lot and a stock, and refuse a negative price at its field', async () => {
      const page = await render(Materials, { open: 'wheat' });
      expect(page.text()).toMatch(/known, 0 counted on the shelf/);
      await page.fill('Price of a package', '18,50');
      expect(page.text()).withContext('of a kilogram, until more is said').toContain('18.50 a kg');
      await page.fill('It holds', '20 kg');
      await page.fill('Bought on', '3 Oct 2026');
      await page.fill('On the shelf', '5000');
      await page.fill('Price of a package', '-1');
      expect(page.text()).toContain(
        'Price of a package must be between 0 and 100000. You gave -1. Nothing was changed.',
      );
      const wheat = () => setup.house().records.materials.find((m) => m.id === 'wheat')!;
      expect(wheat().bought).toEqual({ price: 18.5, massG: 20_000, on: '2026-10-03' });
      expect(wheat().stock?.massG).toBe(5000);
      expect(page.text()).toContain('5 000 g left');
      expect(page.text()).toMatch(/known, 1 counted on the shelf/);
      expect(page.text()).toContain('0.93 a kg');
      await page.fill('Price of a package', '21');
      expect(wheat().bought)
        .withContext('another package, of today')
        .toEqual({
          price: 21,
          massG: 20_000,
          on: format(new Date(), 'yyyy-MM-dd'),
        });
      await page.fill('Price of a package', '');
      expect(wheat().bought).toBeUndefined();
    });

    it('show a price of before packages, and keep it as one', async () => {
      const old = setup.house().records.materials.find((m) => m.id === 'rye')!;
      await TestBed.inject(Definitions).put('materials', { ...old, pricePerKg: 1.6 });
      await until(setup.store, (h) => h.records.materials.some((m) => m.pricePerKg === 1.6));
      const page = await render(Materials, { open: 'rye' });
      expect(page.text()).toContain('1.60 a kg');
      await page.fill('It holds', '500');
      const rye = setup.house().records.materials.find((m) => m.id === 'rye')!;
      expect([rye.bought, rye.pricePerKg]).toEqual([{ price: 1.6, massG: 500 }, undefined]);
      expect(page.text()).toContain('3.20 a kg');
    });

    it('are copied to be changed; what ships stays', async () => {
      const page = await render(Materials, { open: 'wheat' });
      await page.press('Copy and change');
      await until(setup.store, (h) => h.records.materials.some((m) => m.copyOf === 'wheat'));
      const copy = setup.house().records.materials.find((m) => m.copyOf === 'wheat')!;
      await page.set('open', copy.id);
      await page.type('input[aria-label="Moisture as bought"]', '140');
      expect(page.text()).toContain('Moisture as bought must be between 0 and 99 %. You gave 140 %.');
      await page.type('input[aria-label="Moisture as bought"]', '14');
      await until(
        setup.store,
        (h) => h.records.materials.find((m) => m.id === copy.id)?.moisture.value === 0.14,
      );
      expect(setup.house().records.materials.find((m) => m.id === 'wheat')!.moisture.value).toBe(0.12);
    });

    it('take the moisture of the own lot once it is dried to constant mass, and go back', async () => {
      const page = await render(Materials, { open: 'hardwood-pellets' });
      await page.fill('Dish', '10');
      await page.fill('Wet, with dish', '110');
      await page.fill('Dried 1', '92');
      expect(page.text()).toContain('18.0 % moisture. Not constant yet');
      await page.fill('Dried 2', '91.9');
      await page.press('Use it for this lot');
      await until(setup.store, (h) => h.records.materials.some((m) => m.measuredMoisture !== undefined));
      await page.settle();
      expect(page.text()).toMatch(/moisture 18\.1 %, dried down/);
      await page.press('Back to the default');
      await until(setup.store, (h) => h.records.materials.every((m) => m.measuredMoisture === undefined));
    });
  });

  it('vessels are added by their measures, and refused by name and range', async () => {
    const page = await render(Vessels);
    await page.choose('Kind', 'tub');
    await page.fill('Name', 'blue crate');
    await page.fill('Length', '300');
    await page.fill('Width', '200');
    await page.fill('Inner height', '9000');
    await page.press('Add this vessel');
    expect(page.text()).toContain(
      'Inner height must be between 1 and 1000 mm. You gave 9000 mm. Nothing was changed.',
    );
    await page.fill('Inner height', '100');
    expect(page.text()).toContain('Holds 6.00 l to the brim, 4.50 l at most.');
    await page.press('Add this vessel');
    await until(setup.store, (h) => h.records.vesselTypes.some((v) => v.name === 'blue crate'));
    expect(setup.house().records.vesselTypes.find((v) => v.name === 'blue crate')).toEqual(
      jasmine.objectContaining({ kind: 'tub', capacityMl: 6000, plural: 'blue crates' }),
    );
  });

  it('a jar of one’s own is cooked at once: as many fit as its measures make likely, or as was typed', async () => {
    const page = await render(Vessels);
    await page.fill('Name', 'pickle jar');
    await page.fill('Brimful', '1700');
    expect(page.field('In the canner').getAttribute('placeholder')).toBe('about 4');
    await page.fill('In the multi-cooker', '1');
    await page.press('Add this vessel');
    await until(setup.store, (h) => h.records.vesselTypes.some((v) => v.name === 'pickle jar'));
    const { vesselTypes, appliances } = setup.house().records;
    const jar = vesselTypes.find((v) => v.name === 'pickle jar')!;
    const fits = (id: string) => appliances.find((a) => a.id === id)!.places[jar.id];
    expect([fits('canner'), fits('multi-cooker')]).toEqual([4, 1]);
    expect(jar.diameterMm).toBeUndefined();
  });

  it('bags and jars cost what their package did, a jar by its many fillings', async () => {
    const page = await render(Vessels);
    const quart = () => setup.house().records.vesselTypes.find((v) => v.id === 'quart-jar')!;
    await page.choose('Of', 'quart jars');
    expect(page.text()).toContain('No price yet: they count as nothing.');
    await page.fill('Price of a package', '18');
    await page.fill('Pieces in it', '12');
    expect(page.text()).toContain('1.50 each, 0.03 of it for one filling.');
    await page.fill('Filled how often', '10');
    expect(page.text()).toContain('1.50 each, 0.15 of it for one filling.');
    expect(quart().boughtPack).toEqual({ price: 18, count: 12, on: format(new Date(), 'yyyy-MM-dd') });
    expect(quart().uses).toBe(10);
    await page.fill('Pieces in it', '2.5');
    expect(page.text()).toContain('Nothing was changed.');
    await page.choose('Of', 'pint jars');
    expect(page.text()).withContext('each kind its own').toContain('No price yet: they count as nothing.');
  });

  it('a vessel is taken out of the plans and put back', async () => {
    const page = await render(Vessels);
    const offered = () => vesselsFor('grain', setup.house().records.vesselTypes).map((v) => v.id);
    expect(offered()).toContain('pint-jar');
    await page.press('Take out pint jars');
    await until(setup.store, () => !offered().includes('pint-jar'));
    await page.settle();
    await page.press('Put back pint jars');
    await until(setup.store, () => offered().includes('pint-jar'));
  });

  it('two formulas stand side by side by the kilogram, with the seven ways below', async () => {
    const page = await render(Compare, { a: 'hardwood-bran', b: 'coir-vermiculite' });
    const labels = [...page.host.querySelectorAll('.bars')].map((b) => b.getAttribute('aria-label'));
    expect(labels[0]).toContain('Water: Hardwood and bran 10 % 620 g, Coir and vermiculite 780 g');
    expect(labels.some((l) => l!.startsWith('Sugar'))).toBe(false);
    expect(page.host.querySelectorAll('tbody tr').length).toBe(2 + 7);
  });

  describe('a formula of one’s own', () => {
    it('is copied, judged while it is typed, and kept under its own name', async () => {
      const page = await render(EditFormula, { id: 'hardwood-bran' });
      expect(page.text()).toContain('62.0 % water, C:N 120');
      await page.type('input[aria-label="Amount 2"]', '60');
      expect(page.text()).toContain('Supplement is 40 % of the dry matter');
      await page.type('input[aria-label="Amount 2"]', '0');
      expect(page.text()).toContain('Wheat bran, amount must be between 0.001 and 1000');
      await page.type('input[aria-label="Amount 2"]', '12');
      await page.press('Save as mine');
      await until(setup.store, (h) => h.records.formulas.some((f) => f.copyOf === 'hardwood-bran'));
      expect(setup.house().records.formulas.find((f) => f.id === 'hardwood-bran')!.parts[1]!.share).toBe(0.1);
    });

    it('starts from scratch for any medium, and needs a name', async () => {
      const page = await render(EditFormula, { id: 'new-agar' });
      expect(page.text()).toContain('A formula from scratch');
      await page.fill('Name', '');
      await page.press('Save as mine');
      expect(page.text()).toContain('Name must be 1 to 80 letters');
      await page.fill('Name', 'My agar');
      await page.press('One more ingredient');
      await page.press('Save as mine');
      await until(setup.store, (h) => h.records.formulas.some((f) => f.name === 'My agar'));
      expect(setup.house().records.formulas.find((f) => f.name === 'My agar')!.stage).toBe('agar');
    });

    it('says when none goes by that name', async () => {
      const page = await render(EditFormula, { id: 'no-such' });
      expect(page.text()).toContain('No formula goes by that name here.');
    });
  });
});
