import { TestBed } from '@angular/core/testing';
import { MINUTE_MS, type BatchView, type CookView } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { platesOutOfCooker } from '../../testing/agar';
import { furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Stove } from './stove';

describe('agar out of the cooker', () => {
  let setup: SpecHouse;
  let journal: Journal;
  let stove: Rendered<Stove>;
  const view = (): BatchView => setup.house().batches[0]!;
  const cook = (): CookView => setup.house().cooks[0]!;

  /** Plates that were cooked in bottles, and their cook, opened just now. */
  beforeEach(async () => {
    setup = await furnishedHouse();
    journal = TestBed.inject(Journal);
    await platesOutOfCooker(setup, 19);
    stove = await render(Stove);
  });
  afterEach(() => setup.close());

  const say = async (celsius: number, minutesAgo: number) => {
    await journal.say({
      kind: 'logged',
      cookId: cook().cook.id,
      channel: 'agarC',
      source: 'typed',
      readings: [[0, celsius]],
      at: new Date(Date.now() - minutesAgo * MINUTE_MS).toISOString(),
    });
    await stove.settle();
  };

  it('foretells the pour and when it sets from two readings, and counts what became of the dishes', async () => {
    expect(stove.text()).toContain('How hot is it?');
    expect(stove.text()).toContain('it erupts when it is moved');
    await say(85, 12);
    expect(stove.text()).toContain('And again in ten minutes');
    await say(66, 0);
    expect(stove.text()).toMatch(/Pour at (\w{3} )?\d\d:\d\d/);
    expect(stove.text()).toMatch(
      /set, near 40 °C, between (\w{3} )?\d\d:\d\d and (\w{3} )?\d\d:\d\d: 8 in 10/,
    );
    expect(stove.text()).toContain('in a tall stack the dishes would stick');
    expect(stove.text()).toMatch(/Planned: 19 dishes, 25 ml in each, from \d bottles?\./);
    for (let i = 0; i < 5; i++) {
      await stove.press('One dish poured less');
    }
    for (const name of ['One dish dropped more', 'One dish not set more']) {
      await stove.press(name);
      await stove.press(name);
    }
    expect(stove.text()).toContain('5 dishes got none:');
    await stove.fill('Left over', '60');
    await stove.press(/^Poured/);
    await until(setup.store, () => view().vessels.some((v) => v.state.pouredAt !== undefined));
    await stove.settle();
    const gone = (why: string) => view().vessels.filter((v) => v.state.goneBecause === why).length;
    expect([gone('dropped'), gone('notSet'), gone('notFilled')]).toEqual([2, 2, 5]);
    expect(view().vessels.filter((v) => v.state.phase === 'cooked').length).toBe(10);
    expect(view().bottleFacts.map((f) => f.kind === 'agarPoured' && f.leftOverMl)).toEqual([60]);
    expect(stove.text()).toContain('is open, and warm yet.');
  });

  it('counts each batch by itself: what was told of one is not said of the next', async () => {
    await platesOutOfCooker(setup, 8);
    await stove.settle();
    await stove.press('One dish dropped more');
    const dropped = () => stove.host.querySelector('output[aria-label="dish dropped"]')!.textContent;
    expect(dropped()).toBe('1');
    await stove.press('Put first');
    expect(stove.text()).toContain('Planned: 8 dishes');
    expect(dropped()).toBe('0');
  });

  it('keeps a bottle shut, says how long it melts, and asks for its heat anew once it is liquid', async () => {
    await say(85, 12);
    await stove.press(/^Keep \d bottles? shut/);
    await until(setup.store, () => view().bottleFacts.length > 0);
    await stove.settle();
    expect(stove.text()).toMatch(/\d bottles? kept shut since \d\d:\d\d/);
    expect(stove.text()).toContain('For 19 plates.');
    expect(stove.text()).toMatch(/\d+ to \d+ min from the room/);
    await stove.press('Melted in boiling water');
    await until(setup.store, () => view().bottleFacts.length > 1);
    await stove.settle();
    expect(stove.text()).toContain('melted again once');
    // What was read before was another heat.
    expect(stove.text()).toContain('How hot is it?');
  });
});
