import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { MatButtonHarness } from '@angular/material/button/testing';
import type { CookStep } from '../../../core/index';
import { Journal, type Said } from '../../data/journal/journal';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { cookClock } from './cook/cook-clock';
import { Stove } from './stove';

describe('the Stove', () => {
  let setup: SpecHouse;
  let stove: Rendered<Stove>;
  afterEach(() => setup.close());

  const say = async (said: Said) => {
    expect(await TestBed.inject(Journal).say(said)).toBe(true);
    await stove.settle();
  };
  const appearanceOf = async (text: RegExp) => {
    const loader = TestbedHarnessEnvironment.loader(stove.fixture);
    return (await loader.getHarness(MatButtonHarness.with({ text }))).getAppearance();
  };
  const cook14 = () => setup.house().cooks.find((c) => c.cook.number === 14)!;
  const step = (name: CookStep) => say({ kind: 'cookStep', cookId: cook14().cook.id, step: name });

  it('says that it is cold when nothing is on, and what is next', async () => {
    setup = await furnishedHouse();
    stove = await render(Stove);
    expect(stove.text()).toContain('Canner is cold.');
    expect(stove.text()).toContain('Nothing is waiting for it. Plan a batch at the Desk.');
  });

  describe('with a cook on', () => {
    beforeEach(async () => {
      setup = await demoHouse();
      stove = await render(Stove);
    });

    it('shows what is left, what to do then, and two deeds well apart', async () => {
      expect(stove.text()).toMatch(/4[0-9] minutes left at 15 psi/);
      await stove.until(/Likely all 8 keep.*F0 likely .* to .* at the coldest point/);
      expect(stove.text()).toContain('Water about');
      expect(stove.has('Heat off')).toBe(true);
      expect(stove.has('Pressure was lost')).toBe(true);
      expect(await appearanceOf(/Heat off/)).toBe('outlined');
    });

    it('stops the clock at a loss and asks how to go on', async () => {
      await stove.press('Pressure was lost');
      expect(stove.text()).toContain('Clock stopped. Turn the heat up.');
      expect(stove.text()).toContain('Never add weight to the regulator.');
      await stove.press('At pressure again');
      expect(stove.has('Start again, 100 min')).toBe(true);
      await stove.press(/Carry on, \d+ min more/);
      expect(cook14().state.phase).toBe('holding');
      expect(cook14().state.heldBeforeMs).toBeGreaterThan(50 * 60_000);
    });

    it('after heat off says when it opens and when the core is cool', async () => {
      await stove.press('Heat off');
      expect(stove.text()).toMatch(/minutes left to leave it shut/);
      expect(stove.text()).toContain('The middle is below 30 °C from about');
      expect(stove.has('It boiled dry')).toBe(true);
      expect(stove.has('Stop this cook')).toBe(false);
    });

    it('gives the verdict of the last cook when it is open', async () => {
      await step('heatOff');
      await step('open');
      expect(stove.text()).toContain('Canner is open, and warm yet.');
      expect(stove.text()).toMatch(/Cook 14: ?Not as planned\./);
    });

    it('counts nothing that was stopped, and offers its load again', async () => {
      await stove.press('Stop this cook');
      expect(stove.text()).toContain('Does not count');
      expect(stove.has('Load a cook')).toBe(true);
    });
  });

  it('gives each phase its clock and its next deed', async () => {
    setup = await demoHouse();
    const view = cook14();
    const at = (phase: string, sinceMs: number) =>
      ({ ...view, state: { ...view.state, phase, sinceMs } }) as typeof view;
    const now = Date.now();
    expect(cookClock(at('heating', now - 5 * 60_000), now)).toEqual(
      jasmine.objectContaining({ minutes: 5, counts: 'gone', step: 'steamSteady' }),
    );
    expect(cookClock(at('venting', now - 4 * 60_000), now)).toEqual(
      jasmine.objectContaining({ minutes: 6, counts: 'left', step: 'weightOn', share: 0.4 }),
    );
    expect(cookClock(at('comingUp', now - 60_000), now).next).toBe('At pressure');
    expect(cookClock(at('lost', now - 120_000), now)).toEqual(
      jasmine.objectContaining({ minutes: 2, next: 'At pressure again' }),
    );
  });

  describe('with a batch to get ready', () => {
    beforeEach(async () => {
      setup = await demoHouse();
      const g28 = setup.house().batches.find((b) => b.code === 'G28')!.batch;
      // As if the batch had just been made: only its first entry stands.
      const later = setup
        .house()
        .records.entries.filter(
          (e) =>
            ('batchId' in e && e.batchId === g28.id && e.kind !== 'batchMade') ||
            ('cookId' in e && e.cookId === cook14().cook.id),
        );
      await setup.db.rows('entries').bulkDelete(later.map((e) => e.id));
      await setup.db.bump('all');
      await until(setup.store, (h) => h.batches.find((b) => b.code === 'G28')!.lastStep === undefined);
      stove = await render(Stove);
    });

    it('leads through soak, simmer, drain, dry, test, weigh and fill', async () => {
      expect(stove.text()).toContain('1 980gWheat, whole');
      await stove.press('Start soak');
      expect(stove.text()).toMatch(/hours left of soaking/);
      expect(stove.text()).toContain('12 h to 24 h works');
      expect(stove.text()).toContain('Steam and simmering water burn.');
      await stove.press('Start simmer');
      await stove.press('Drain');
      await stove.press('Dry enough');
      await stove.press('Wet spot');
      expect(stove.button('Wet spot').getAttribute('aria-pressed')).toBe('true');
      await stove.fill('All of it weighs', '3640');
      expect(stove.text()).toMatch(/5[12]\.\d % moisture/);
      await stove.press('Weighed');
      expect(stove.text()).toContain('wetter than wanted: let it steam on');
      await stove.press('In the jars');
      expect(stove.text()).toContain('Canner is cold.');
    });

    it('tests the grain before it is called dry; a wet spot opens the next drying span', async () => {
      for (const deed of ['Start soak', 'Start simmer', 'Drain']) {
        await stove.press(deed);
      }
      expect(stove.text()).toContain('left of drying');
      await stove.press('Wet spot');
      expect(stove.text()).toMatch(/(9|10) minutes left of drying on, after a wet spot/);
      await stove.press('Dry core left');
      expect(stove.text()).toMatch(/[45] minutes left of heat for the dry core/);
      await stove.press('Clean');
      expect(stove.text()).not.toContain('after a wet spot');
      await stove.press('Dry enough');
      expect(stove.text()).toContain('Fill the jars');
    });

    it('leaves gypsum out by a press, and its last step no longer tells to stir it in', async () => {
      await stove.press('Leave gypsum out');
      expect(stove.text()).toContain('Left out');
      for (const deed of ['Start soak', 'Start simmer', 'Drain', 'Dry enough']) {
        await stove.press(deed);
      }
      expect(stove.text()).toContain('wipe the rims');
      expect(stove.text()).not.toContain('Stir in the gypsum');
    });

    it('refuses a drained mass that cannot be, and keeps what was typed', async () => {
      for (const deed of ['Start soak', 'Start simmer', 'Drain', 'Dry enough']) {
        await stove.press(deed);
      }
      await stove.fill('All of it weighs', '12');
      await stove.press('Weighed');
      expect(stove.text()).toMatch(
        /Drained mass must be between \d+ and \d+ g\. You gave 12 g\. Nothing was changed\./,
      );
      expect((stove.field('All of it weighs') as HTMLInputElement).value).toBe('12');
    });

    it('takes bags in place of the jars, as they were filled, and cooks those', async () => {
      const before = setup.house().batches.find((b) => b.code === 'G28')!;
      await stove.press('Other vessels than planned');
      await stove.choose('All of it goes into', '2.3 kg bags');
      expect((stove.field('How many') as HTMLInputElement).value).toBe('2');
      expect(stove.text()).toMatch(/1 \d{3} g in each, \d\d % full\./);
      await stove.fill('How many', '1');
      expect(stove.text()).toMatch(/% full: more than 75 % is hard to shake/);
      await stove.fill('How many', '2');
      await stove.press('Filled into these');
      await until(setup.store, (h) => h.batches.find((b) => b.code === 'G28')!.vessels.length === 2);
      await stove.settle();
      expect(stove.text()).toContain('2 × 2.3 kg bags');
      const after = setup.house().batches.find((b) => b.code === 'G28')!;
      expect(after.dryMatterG).toBe(before.dryMatterG);
      await TestBed.inject(Journal).undo();
      await until(setup.store, (h) => h.batches.find((b) => b.code === 'G28')!.vessels.length === 8);
    });

    it('loads the filled jars, shows the programme, and one press puts the lid on', async () => {
      for (const deed of [
        'Start soak',
        'Start simmer',
        'Drain',
        'Dry enough',
        'In the jars',
        'Load a cook',
      ]) {
        await stove.press(deed);
      }
      expect(stove.text()).toContain('8 of 8 places');
      expect(stove.text()).toContain('100 min at 15 psi');
      expect(stove.text()).toContain('here: 98 min');
      await stove.until(/Likely all 8 keep.*Overkill, F0 12: about/);
      expect(stove.text()).toContain('not for canning food');
      await stove.press('All so, lid on');
      await until(setup.store, (h) => h.cooks.some((c) => c.state.phase === 'heating'));
      await stove.settle();
      expect(stove.text()).toContain('Wait for a full plume');
      expect(setup.house().facts.some((f) => f.kind === 'cautionRead')).toBe(true);
      await stove.press('Steam is steady');
      expect(stove.text()).toMatch(/10 minutes left of full steam/);
      await stove.until(/Overkill, F0 12/);
    });
  });
});
