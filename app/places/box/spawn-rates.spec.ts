import { demoHouse, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { SpawnRates } from './spawn-rates';

describe('rates of spawn', () => {
  let setup: SpecHouse;
  let rates: Rendered<SpawnRates>;
  let taken: number[];
  afterEach(() => setup.close());

  beforeEach(async () => {
    setup = await demoHouse();
    const view = (code: string) =>
      setup
        .house()
        .batches.flatMap((b) => b.vessels)
        .find((v) => v.code === code)!;
    const spawning = { target: view('B28-1'), source: view('G25-1'), house: setup.house() };
    rates = await render(SpawnRates, { spawning, eachG: 340 });
    taken = [];
    rates.fixture.componentInstance.chosen.subscribe((grams) => {
      taken.push(grams);
    });
  });

  it('say a dose by mass, volume and jars, with days and what it costs', () => {
    expect(rates.text()).toMatch(
      /15 % by mass, 1 : 6\.7; 1 : [\d.]+ by volume; 0\.\d+ quart jars to each; full after \d+ to \d+ days; 0\.\d+ of money to each\./,
    );
  });

  it('warn where it leaves no room to mix, and where it does not go in at all', async () => {
    expect(rates.text()).not.toContain('That fills');
    await rates.set('eachG', 1400);
    expect(rates.text()).toMatch(
      /That fills a 2\.3 kg bag to 9\d %: mix in a clean tub, or lay it in layers\./,
    );
    await rates.set('eachG', 1800);
    expect(rates.text()).toContain('So much does not go into a 2.3 kg bag');
  });

  it('take another by its name, by jars or by volume, and refuse what cannot be', async () => {
    await rates.press(/^Another rate/);
    await rates.press(/^Lean, 110 g/);
    await rates.fill('Quart jars to each', '0.5');
    await rates.press('Take it');
    expect(taken[0]).toBe(110);
    expect(taken[1]).toBeGreaterThan(150);
    await rates.fill('Parts of bulk to one of spawn, by volume', '0');
    const [, byVolume] = [...rates.host.querySelectorAll<HTMLButtonElement>('form button')];
    byVolume!.click();
    await rates.settle();
    expect(rates.text()).toContain('must be between 0.5 and 50. You gave 0.');
    expect(taken.length).toBe(2);
  });
});
