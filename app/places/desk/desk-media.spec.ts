import { TestBed } from '@angular/core/testing';
import { Journal } from '../../data/journal/journal';
import { furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Desk } from './desk';

describe('the Desk, for every medium', () => {
  let setup: SpecHouse;
  let desk: Rendered<Desk>;
  beforeEach(async () => {
    setup = await furnishedHouse();
    desk = await render(Desk);
  });
  afterEach(() => setup.close());

  const weighed = () =>
    [...desk.host.querySelectorAll('td.mass')].map((td) => td.textContent.replace(/\s/g, ''));
  const blank = (name: string) => `input[aria-label="${name}"]`;
  const open = async (group: RegExp, formula: string) => {
    await desk.press(group);
    await desk.press(formula);
  };

  it('pours agar by the dish, cooked in bottles that are half full at most', async () => {
    await open(/^Agar/, 'Malt 2 %');
    expect(weighed()).toEqual(['9g', '9g', '440g']);
    expect(desk.text()).toMatch(/440 ?ml in all ?2 × 220 ml, 500 ml bottle/);
    expect(desk.host.querySelector<HTMLInputElement>(blank('Depth'))!.value).toBe('3.4');
    await desk.type(blank('Depth'), '5');
    expect(desk.host.querySelector<HTMLInputElement>(blank('In each'))!.value).toBe('29');
    await desk.type(blank('In each'), '26');
    expect(desk.text()).toContain('3 × 191 ml, 500 ml bottle');
    await desk.type(blank('Volume that is there'), '400');
    expect(desk.text()).toContain('it fills 13 of 20; all of them take about 580 ml');
    await desk.type(blank('Strength'), '4');
    expect(desk.text()).toContain('Stronger than the good range.');
    expect(desk.text()).toContain('20 at the sea: the trade');
  });

  it('asks for broth by its sugar solids and says the basis', async () => {
    await open(/^Liquid culture/, 'Honey 4 %');
    expect(desk.text()).toContain('sugar solids');
    expect(weighed()).toEqual(['121g', '2520g']);
    expect(desk.text()).toContain('Dissolved solids 4.00 % w/v');
    await desk.press(/grams, why/);
    expect(desk.text()).toContain('it is 83 % solids as bought');
  });

  it('hydrates grain seven ways, with a curve, and measures water into each jar in one of them', async () => {
    await desk.press('Soak 14 h, simmer 12 min');
    expect(desk.text()).toContain('How it takes up water');
    expect(desk.text()).toMatch(/Likely 5\d % at the end/);
    await desk.type(blank('Simmer'), '20');
    await desk.press('Close');
    expect(desk.text()).toContain('Soak 14 h, simmer 20 min');
    await desk.choose('Way of hydrating', 'measured water in the jar');
    expect(desk.text()).toMatch(/Into each jar ?\d+ g wheat, \d\.\d g gypsum, \d+ g water\./);
    await desk.choose('Way of hydrating', 'cold soak');
    expect(desk.text()).toContain('Soak 16 h');
  });

  it('warms plain straw through, and sterilizes it when asked', async () => {
    await open(/^Bulk/, 'Straw');
    expect(desk.text()).toContain('Pasteurize at 65 to 80 °C');
    await desk.press('Pasteurize');
    expect(desk.text()).toContain('Poor in nitrogen');
    await desk.press('Close');
    await desk.press('Sterilize instead');
    expect(desk.text()).toContain('150 min at 15 psi');
    await desk.press('Pasteurize instead');
    await desk.press('Make batch B1');
    await until(setup.store, (h) => h.batches.length === 1);
    expect(setup.house().batches[0]!.batch.plan!.treatment).toBe('pasteurize');
  });

  it('keeps with the batch why it is treated against the advice, and takes both back with one press', async () => {
    await open(/^Bulk/, 'Straw');
    expect(desk.text()).not.toContain('Why all the same');
    await desk.press('Sterilize instead');
    await desk.fill('Why all the same', 'no thermometer for a bath');
    await desk.press('Make batch B1');
    await until(setup.store, (h) => h.batches.length === 1);
    const [made] = setup.house().batches;
    expect(made!.notes.map((n) => n.note)).toEqual([
      'Sterilized against the advice: no thermometer for a bath',
    ]);
    await TestBed.inject(Journal).undo();
    await until(setup.store, (h) => h.batches.length === 0);
    expect(setup.house().facts).toEqual([]);
  });

  it('warns where bran would only be warmed through', async () => {
    await open(/^Bulk/, 'Hardwood and bran 10 %');
    await desk.press('Why sterilize');
    expect(desk.text()).toContain('molds live on it sooner');
    await desk.press('Close');
    expect(desk.has('Pasteurize instead')).toBe(false);
  });

  it('takes straw into a tub and shows what it weighs', async () => {
    await open(/^Bulk/, 'Straw');
    await desk.choose('Vessels', '12 l tubs');
    expect(desk.text()).toMatch(/7\.2 ?l/);
    expect(desk.host.querySelector('[role=combobox][aria-label="Fill"]')).not.toBeNull();
  });

  it('puts the kitchen first with one press, and remembers it', async () => {
    await desk.press('or in the kitchen');
    expect(weighed()[0]).toBe('10⅞cups');
    expect(setup.house().household!.measures).toBe('kitchen');
    await desk.press('or weigh');
    expect(weighed()[0]).toBe('1980g');
  });

  it('costs a batch, compares it with what is bought, and says what to buy', async () => {
    const at = new Date().toISOString();
    const [wheat, gypsum] = ['wheat', 'gypsum'].map((id) =>
      setup.house().records.materials.find((m) => m.id === id)!,
    );
    await setup.lay(
      'materials',
      { ...wheat!, pricePerKg: 1, stock: { massG: 1000, countedAt: at } },
      { ...gypsum!, pricePerKg: 5, stock: { massG: 1000, countedAt: at } },
    );
    await setup.lay('household', {
      ...setup.house().household!,
      currency: '€',
      cookPrice: 0.9,
      boughtPrice: { jar: 9 },
      updatedAt: at,
    });
    await desk.settle();
    expect(desk.text()).toMatch(/€ 2\.98 ?, € 0\.37 a jar/);
    expect(desk.text()).toContain('bought € 9.00: saves € 69.02');
    expect(desk.text()).toMatch(/To buy: 980 g wheat, whole/);
    expect(desk.text()).not.toContain('never counted');
    await desk.press('€ 2.98');
    expect(desk.text()).toContain('Wheat, whole, € 1.00 a kg');
  });

  it('says when the scale is too coarse for a gram of yeast', async () => {
    await open(/^Agar/, 'Malt and yeast');
    expect(desk.text()).toContain('Your scale is too coarse');
    expect(desk.text()).toContain('0.10 %, rounded 0.00 w/v');
  });

  it('answers the other way for grain, and lists what to buy', async () => {
    await desk.type(blank('Amount that is there'), '1000');
    expect(desk.text()).toContain('it fills 4 of 8.');
    await desk.press('Shopping list');
    expect(desk.text()).toMatch(/Wheat, whole: 1 980 g, never counted ?1 980 g/);
  });

  it('offers liquid malt in place of dried, both ways', async () => {
    await open(/^Agar/, 'Malt 2 %');
    await desk.press(/grams, why/);
    expect(desk.text()).toContain(
      'Or 10.7 g of liquid malt, by its solids; one school takes half as much again, 13.2 g.',
    );
  });

  it('opens the formula that the address names', async () => {
    await desk.set('formula', 'honey-broth');
    expect(desk.text()).toContain('of honey 4 % broth');
    expect(desk.has('Make batch L1')).toBe(true);
  });
});
