import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Desk } from './desk';

describe('the Desk', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  const weighed = (desk: Rendered<Desk>) =>
    [...desk.host.querySelectorAll('td.mass')].map((td) => td.textContent.replace(/\s/g, ''));
  const blank = (name: string) => `input[aria-label="${name}"]`;

  describe('in an empty house', () => {
    let desk: Rendered<Desk>;
    beforeEach(async () => {
      setup = await furnishedHouse();
      desk = await render(Desk);
    });

    it('opens on wheat in the vessels of the house', () => {
      expect(weighed(desk)).toEqual(['1980g', '20g', '1524g']);
      expect(desk.text()).toContain('Nothing is under way.');
      expect(desk.text()).toContain('The canner is free now.');
      expect(desk.text()).toContain('90 min at 15 psi, here 121.0 °C');
    });

    it('answers count, vessel, fill, moisture and spare', async () => {
      await desk.type(blank('How many'), '4');
      expect(weighed(desk)[0]).toBe('990g');
      await desk.choose('Vessels', 'pint jars');
      expect(weighed(desk)[0]).toBe('495g');
      await desk.type(blank('To spare'), '0');
      expect(weighed(desk)[0]).toBe('471g');
      await desk.type(blank('Moisture'), '55');
      expect(desk.text()).toContain('55 % wanted');
      await desk.type(blank('Moisture'), '60');
      expect(desk.text()).toContain('Wetter than the good range');
    });

    it('keeps the last good amounts while something typed is wrong, and makes nothing', async () => {
      await desk.type(blank('How many'), '0');
      expect(desk.text()).toContain(
        'How many must be a whole number between 1 and 500. You gave 0. Nothing was changed',
      );
      expect(weighed(desk)[0]).toBe('1980g');
      expect((desk.button('Make batch') as HTMLButtonElement).disabled).toBe(true);
    });

    it('weighs bulk by bags, with water to mix in', async () => {
      await desk.press(/^Bulk/);
      await desk.press('Hardwood and soy hull');
      expect(desk.text()).toContain('of hardwood and soy hull, filled to a mass each of');
      expect(desk.text()).toContain('Hardwood pellets');
      expect(desk.text()).toContain('mix in, rest, squeeze');
      expect(desk.text()).toContain('150 min at 15 psi');
    });

    it('explains a number and gives the focus back', async () => {
      document.body.append(desk.host);
      const opener = desk.button(/grams, why/);
      opener.focus();
      await desk.press(/grams, why/);
      expect(desk.text()).toContain('Why 1 980 g of wheat, whole');
      expect(desk.text()).toMatch(/as bought it is 88 % dry ?1 980 g/);
      await desk.press('Close');
      expect(document.activeElement).toBe(opener);
      await desk.press('90 min');
      expect(desk.text()).toContain('common practice, no source. Steam: IAPWS-IF97');
      desk.host.remove();
    });

    it('makes the batch, names the next one and leads to the Stove', async () => {
      await desk.press('Make batch G1');
      await until(setup.store, (h) => h.batches.length === 1);
      await desk.settle();
      expect(desk.text()).toContain('G1 is made.');
      expect(desk.button('To the Stove').getAttribute('href')).toBe(
        `/stove?open=${setup.house().batches[0]!.batch.id}`,
      );
      expect(desk.has('Make batch G2')).toBe(true);
      expect(setup.house().batches[0]!.batch.plan!.parts.map((p) => p.massG)).toEqual([1980, 20]);
    });
  });

  it('says how many cooks a batch needs, and when the cooker has no place for it', async () => {
    setup = await furnishedHouse();
    const desk = await render(Desk);
    await desk.type(blank('How many'), '9');
    expect(desk.text()).toContain('2 cooks, 8 places');
    const [canner] = setup.house().records.appliances;
    await setup.lay('appliances', { ...canner!, places: {} });
    await desk.settle();
    expect(desk.text()).toContain('Not made to fit');
  });

  it('weighs in ounces where the house does', async () => {
    setup = await furnishedHouse();
    await setup.lay('household', { ...setup.house().household!, massUnit: 'oz' });
    const desk = await render(Desk);
    expect(weighed(desk)[0]).toBe('69.84oz');
  });

  describe('in the made-up household', () => {
    it('shows the drift of the last two weighings and what to do', async () => {
      setup = await demoHouse();
      const desk = await render(Desk);
      expect(desk.text()).toContain(
        'The last two weighed 51.5 % and 52.2 %. Simmer 7 min instead of 12 min?',
      );
      await desk.press('Take 7 min');
      expect(desk.text()).toContain('Soak 14 h, simmer 7 min');
      expect(desk.text()).not.toContain('instead of');
      expect(desk.text()).toContain('last two weighed 51.5 and 52.2 %');
    });

    it('shows where everything under way falls, newest first', async () => {
      setup = await demoHouse();
      const desk = await render(Desk);
      const codes = [...desk.host.querySelectorAll('.lines nw-plaque')].map((p) => p.textContent.trim());
      expect(codes).toEqual(['G28', 'G27', 'B31', 'B29', 'G26', 'B28', 'B27']);
      expect(desk.text()).toContain('in the canner, then inoculate');
      expect(desk.text()).toContain('The canner is free from about');
    });
  });
});

describe('a cooker that is too weak', () => {
  it('leaves the amounts and says why there is no cook', async () => {
    const setup = await furnishedHouse();
    const [canner] = setup.house().records.appliances;
    await setup.lay('appliances', { ...canner!, ratedGaugeKPa: 12 });
    const desk = await render(Desk);
    expect(desk.text()).toMatch(/At 10\d\.\d °C the hold would take .* It wants a cooker with more pressure/);
    expect((desk.button('Make batch') as HTMLButtonElement).disabled).toBe(false);
    await setup.close();
  });
});
