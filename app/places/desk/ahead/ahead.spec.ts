import { addDays, format } from 'date-fns';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../../testing/house';
import { render, type Rendered } from '../../../testing/render';
import { Ahead } from './ahead';

describe('planning ahead', () => {
  let setup: SpecHouse;
  let page: Rendered<Ahead>;
  afterEach(() => setup.close());

  const wish = async (grams: string, inDays: number, species = 'black poplar', often = 'once') => {
    await page.fill('How much', grams);
    await page.choose('Species', species);
    await page.choose('How surely', 'as likely as not');
    await page.choose('How often', often);
    await page.fill(often === 'once' ? 'On' : 'First on', format(addDays(Date.now(), inDays), 'd MMM yyyy'));
    await page.press('Plan it');
  };

  it('turns a wish into dated steps, from the culture to the cut, and into what is to be bought', async () => {
    setup = await furnishedHouse();
    page = await render(Ahead);
    await page.until(/Nothing is wanted yet\./);
    await wish('500', 150);
    await page.until(/Order a culture of black poplar: none is here/);
    await page.press(/^all \d+ steps/);
    expect(page.text()).toMatch(/500 g/);
    expect(page.text()).toMatch(/as likely as not enough/);
    expect(page.text()).toMatch(/Start the soak for \d+ quart jars?/);
    expect(page.text()).toMatch(/Spawn \d+ × 2\.3 kg bags/);
    expect(page.text()).toMatch(/Cut the last of \d+ × 2\.3 kg bags: what ripens from/);
    await page.press('why these days?');
    expect(page.text()).toMatch(/As late as its date allows, so that nothing waits/);
    expect(page.text()).toMatch(/Waits for “.*”: ready by/);
    expect(page.text()).toMatch(/To buy I shop on .*Sat \d+ \w{3}.*the shelf was never counted/);
  });

  it('says how late a wish is that comes too soon, and takes it off again', async () => {
    setup = await furnishedHouse();
    page = await render(Ahead);
    await wish('300', 20);
    await page.until(/\d+ days late: \w{3} \d+ \w{3} is the soonest/);
    await page.press('take off');
    await until(setup.store, (house) => house.records.wishes.every((w) => w.isGone === true));
    await page.until(/Nothing is wanted yet/);
  });

  it('says what a supply takes each week, what limits it, and what would be with one thing changed', async () => {
    setup = await furnishedHouse();
    page = await render(Ahead);
    await wish('400', 150, 'black poplar', 'every week');
    await page.until(/400 g a week, on and on/);
    expect(page.text()).toMatch(
      /Each week \d+ blocks?, [\d.]+ h of work, \d.* g of dry grain, [\d.]+ cooks? \(/,
    );
    expect(page.text()).toMatch(/runs short first, at .* a week\. With more of it, .*: then .* runs short\./);
    expect(page.text()).toMatch(/1 isolate, kept as 2 slants in the fridge/);
    await page.press(/^all \d+ steps/);
    expect(page.text()).toMatch(
      /may be ready on the same days as “Spawn \d+ .*”, \w{3} \d+ \w{3}, for 400 g of black poplar, /,
    );
    await page.press('What if');
    await page.choose('What changes', 'there were two of each cooker');
    await page.until(/As it would be.*All of it takes.* h of work/);
    await page.choose('What changes', 'it were 3 °C colder where things run');
    await page.until(/As it would be.*All of it takes.* h of work/);
    expect(page.host.querySelectorAll('td.other').length).toBeGreaterThan(0);
  });

  it('refuses a day that is over, and nothing at all, and keeps what was typed', async () => {
    setup = await furnishedHouse();
    page = await render(Ahead);
    await wish('500', -3);
    expect(page.text()).toContain('The day must be today or later');
    await wish('0', 90);
    expect(page.text()).toContain('must be more than 0 g');
    expect(setup.house().records.wishes.length).toBe(0);
  });

  it('shows what a step moves before it is kept, keeps it on its time, and lets it go again', async () => {
    setup = await furnishedHouse();
    page = await render(Ahead);
    await wish('300', 150);
    await page.until(/Order a culture of black poplar/);
    const key = async (name: string) => {
      const handle = page.host.querySelector<HTMLElement>('.handle[aria-label*="Spawn"]')!;
      handle.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
      await page.settle();
    };
    await key('ArrowRight');
    expect(page.text()).toMatch(/Spawn .*: \w{3} \d+ \w{3}, \d\d:\d\d → \w{3} \d+ \w{3}, \d\d:\d\d\. /);
    await key('Escape');
    expect(page.has('Keep it so')).toBeFalse();
    await key('ArrowLeft');
    await page.press('Keep it so');
    await until(setup.store, (house) =>
      house.records.wishes.some(
        (w) => w.agreed?.some((a) => a.steps.some((s) => s.byHand === true)) === true,
      ),
    );
    await page.press(/^all \d+ steps/);
    await page.until(/put there by hand/);
    await page.press('let it fall');
    await until(setup.store, (house) =>
      house.records.wishes.every(
        (w) => w.agreed?.every((a) => a.steps.every((s) => s.byHand !== true)) !== false,
      ),
    );
    for (let i = 0; i < 200 && page.text().includes('put there by hand'); i += 1) {
      await page.settle();
    }
    expect(page.text()).not.toContain('put there by hand');
  });

  it('shows as much time as is asked for, every line of it, and turns to what comes before and after', async () => {
    setup = await demoHouse();
    page = await render(Ahead);
    await wish('400', 100);
    await page.until(/400 g of black poplar/);
    const lines = (list: string) =>
      page.host.querySelectorAll<HTMLElement>(`[aria-label="${list}"] nw-run-line .now`);
    const nowAt = (list: string) => [...lines(list)].map((now) => now.style.left);
    const handles = () => page.host.querySelectorAll('.handle').length;
    await page.until(/batches under way/);
    const [half, atFirst] = [handles(), nowAt('By wish')[0]!];
    for (const list of ['By wish', 'What is under way']) {
      expect(new Set(nowAt(list))).toEqual(new Set([atFirst]));
    }
    await page.press(/^all \d+ batches under way/);
    const underWay = () => page.host.querySelectorAll('[aria-label="What is under way"] li').length;
    for (let i = 0; i < 50 && (underWay() < 6 || lines('What is under way').length < underWay()); i += 1) {
      await page.settle();
    }
    expect(underWay()).toBeGreaterThan(5);
    expect(lines('What is under way').length).toBe(underWay());
    expect(page.text()).toMatch(/\d+ \w{3} to \d+ \w{3}/);
    await page.press('Later');
    // Where now is not seen, nothing stands for it.
    const nows = () => lines('By wish').length + lines('What is under way').length;
    for (let i = 0; i < 50 && nows() > 0; i += 1) {
      await page.settle();
    }
    expect(nows()).toBe(0);
    await page.press('now');
    for (const [span, at] of [
      ['a month', '3%'],
      ['a week', '3%'],
      ['a day', '3%'],
    ] as const) {
      await page.press(span);
      for (let i = 0; i < 50 && nowAt('What is under way').at(-1) !== at; i += 1) {
        await page.settle();
      }
      expect(new Set([...nowAt('By wish'), ...nowAt('What is under way')])).toEqual(new Set([at]));
    }
    expect(handles()).toBeLessThan(half);
    expect(page.host.querySelector('.tick')!.textContent).toMatch(/^\d\d:\d\d$/);
  });

  it('takes the spawn that is there, and is planned anew when there is no time on some days', async () => {
    setup = await demoHouse();
    page = await render(Ahead);
    await wish('400', 100);
    await page.until(/400 g of black poplar.*Spawn .* from .*G\d+/);
    const underWay = page.host.querySelector('[aria-label="What is under way"]')!;
    expect(underWay.textContent).toMatch(/G28.*not inoculated/);
    expect(underWay.querySelectorAll('li').length).toBeGreaterThan(4);
    const before = page.text();
    await page.press('When there is time');
    await page.press('one at a time');
    await until(setup.store, (house) => house.household?.freeTime?.oneCooker === true);
    await page.press('several at once');
    await until(setup.store, (house) => house.household?.freeTime?.oneCooker === undefined);
    for (const day of ['Saturday', 'Sunday']) {
      const group = page.host.querySelector(`[aria-label="${day}"]`)!;
      group.querySelector<HTMLElement>('button')!.click();
      await page.settle();
    }
    await until(setup.store, (house) => house.household?.freeTime?.weekdays[6]?.length === 0);
    const onWeekend = () =>
      [...page.host.querySelectorAll('li .day')].filter((d) => /^(Sat|Sun) /.test(d.textContent.trim()));
    for (let i = 0; i < 200 && onWeekend().length > 0; i += 1) {
      await page.settle();
    }
    expect(onWeekend().length).toBe(0);
    expect(page.text()).not.toBe(before);
  });
});
