import {
  allReadyToInoculate,
  fedBy,
  forecastVessel,
  formOf,
  formsThatFeed,
  isUsedUp,
  newId,
  sourcesFor,
  type BatchId,
  type VesselId,
  type VesselView,
} from '../../../core/index';
import { TestBed } from '@angular/core/testing';
import { Scans } from '../../data/devices/scans';
import { Journal } from '../../data/journal/journal';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { AddCulture } from '../../pieces/add-culture';
import { Box } from './box';
import { BoxWork } from './box-work';
import { MatDialogRef } from '@angular/material/dialog';

/** Ends the cook that is on, so that G28's jars wait at the Box. */
async function endCook(setup: SpecHouse): Promise<void> {
  const journal = TestBed.inject(Journal);
  const { id } = setup.house().cooks.find((c) => c.cook.number === 14)!.cook;
  await journal.say({ kind: 'cookStep', cookId: id, step: 'heatOff' });
  await until(setup.store, (h) => h.cookById.get(id)!.state.phase === 'cooling');
  await journal.say({ kind: 'cookStep', cookId: id, step: 'open' });
  await until(setup.store, (h) => h.cookById.get(id)!.state.phase === 'opened');
}

describe('the Box', () => {
  let setup: SpecHouse;
  let box: Rendered<Box>;
  afterEach(() => setup.close());

  it('says what it waits for when it is empty', async () => {
    setup = await furnishedHouse();
    box = await render(Box);
    expect(box.text()).toContain('Nothing waits for the box.');
    expect(box.text()).toMatch(/Cultures in the house ?None yet\./);
  });

  describe('with jars that cool', () => {
    beforeEach(async () => {
      setup = await demoHouse();
      await endCook(setup);
      box = await render(Box);
    });

    it('says when the core will be cool, with the usual dose for all', () => {
      expect(box.text()).toMatch(/core below 30 °C about/);
      expect(box.host.querySelector<HTMLInputElement>('input[aria-label="How many"]')!.value).toBe('8');
      expect(box.host.querySelector<HTMLInputElement>('input[aria-label="Dose"]')!.value).toBe('2');
    });

    it('offers the newest source first, and one that fed bad jars last and marked', async () => {
      await box.press(/more that could feed it/);
      const codes = [...box.host.querySelectorAll('.source nw-plaque')].map((p) => p.textContent.trim());
      expect(codes[0]).toBe('L12-1');
      expect(codes.at(-2)).toBe('L6-1');
      // A plate that is suspect itself.
      expect(codes.at(-1)).toBe('A32-3');
      expect(box.text()).toContain('6 of 9 it fed went bad');
    });

    it('refuses more than there is, by name and range', async () => {
      await box.type('input[aria-label="Dose"]', '100');
      expect(box.text()).toMatch(
        /Dose must be above 0 and at most 43\.7 ml: L12-1 holds 350 ml for 8\. You typed 100 ml\. Nothing was changed\./,
      );
      expect((box.button(/begin|Go on all the same/) as HTMLButtonElement).disabled).toBe(true);
      await box.type('input[aria-label="Dose"]', '2');
      await box.type('input[aria-label="How many"]', '9');
      expect(box.text()).toContain('How many must be a whole number between 1 and 8. You gave 9.');
    });

    it('takes a reading and moves the hour, and refuses one that cannot be', async () => {
      await box.fill('A thermometer on the glass', '999');
      await box.press('Note it');
      expect(box.text()).toContain('Reading must be between -20 and 150 °C');
      await box.fill('A thermometer on the glass', '26');
      await box.press('Note it');
      expect(box.text()).toContain('cool to the middle');
    });

    it('takes a reading in °F where that is written behind it', async () => {
      await box.fill('A thermometer on the glass', '2 lb');
      await box.press('Note it');
      expect(box.text()).toContain('Reading must be in a unit of temperature, like °C. You gave lb.');
      await box.fill('A thermometer on the glass', '84 F');
      await box.press('Note it');
      const read = setup.house().facts.findLast((f) => f.kind === 'coreRead');
      expect(read?.celsius).toBeCloseTo(28.89, 2);
    });

    it('says of the cook before what its record says, and how many likely keep', async () => {
      // Its heat was turned off early.
      await box.until(/Cook 14: Not as planned\.\s*All 8 may keep, or all sour\./);
    });

    it('starts the settling clock and keeps it as a fact', async () => {
      await box.press('Stocked and wiped, settle 10 min');
      expect(box.text()).toMatch(/Air settles for 10 min more/);
    });

    it('says why the dose is what it is', async () => {
      await box.press('Why 2 ml each?');
      expect(box.text()).toContain('To a liter of jar');
      expect(box.text()).toContain('L12-1 holds 350 ml, for 8');
      expect(box.text()).toContain('1 ml to 4 ml is common');
      expect(box.text()).toContain('Common practice, no source.');
      await box.press('Close');
      expect(box.has('Why 2 ml each?')).toBe(true);
    });

    it('fills just the jars that are pressed, and names many of one batch together', async () => {
      expect(box.text()).toContain('G28-1 to 8 are still hot in the middle');
      await box.press(/G28-2$/);
      await box.press(/G28-3$/);
      await box.press(/G28-8$/);
      expect(box.host.querySelector<HTMLInputElement>('input[aria-label="How many"]')!.value).toBe('5');
      expect(box.text()).toContain('G28-1, 4 to 7 are still hot');
      await box.press(/G28-3$/);
      expect(box.text()).toContain('G28-1, 3 to 7 are still hot');
      // A number typed over takes those too that were left out.
      await box.type('input[aria-label="How many"]', '8');
      expect(box.text()).toContain('G28-1 to 8 are still hot');
    });

    it('takes a scanned jar alone, and each further one with it', async () => {
      const { vessels } = setup.house().batches.find((b) => b.code === 'G28')!;
      for (const [n, words] of [
        [4, 'G28-5 is still hot'],
        [6, 'G28-5, 7 are still hot'],
      ] as const) {
        TestBed.inject(Scans).read(`http://127.0.0.1:4310/demo/v/${vessels[n]!.vessel.id}`);
        await box.settle();
        expect(box.text()).toContain(words);
      }
    });

    it('shows syringes of one batch once, until one is taken', async () => {
      await TestBed.inject(Journal).drawOff(
        setup.house().batches.find((b) => b.code === 'L12')!.vessels[0]!,
        {
          stage: 'liquid',
          vessel: setup.house().records.vesselTypes.find((v) => v.id === 'culture-syringe')!,
          holds: { amount: 10, unit: 'ml' },
          takesEach: 10.1,
          count: 5,
        },
      );
      await box.settle();
      const rows = () => [...box.host.querySelectorAll('.source')].map((li) => li.textContent);
      const drawn = setup.house().batches.at(-1)!.code;
      // The newest is proposed; the others stand behind the next.
      expect(box.text()).toContain(`ml each from ${drawn}-1`);
      expect(rows().filter((words) => words.includes(`${drawn}-`)).length).toBe(2);
      expect(box.text()).toMatch(/10 ml left, and 3 more like it/);
      await box.press(`And ${drawn}-2`);
      expect(box.text()).toContain('10 ml left, and 2 more like it');
      expect(rows().filter((words) => words.includes(`${drawn}-`)).length).toBe(3);
    });

    it('records the cautions as read, by id, once a sitting', async () => {
      await box.press('Go on all the same');
      const read = () =>
        setup
          .house()
          .facts.flatMap((f) => (f.kind === 'cautionRead' ? [f.caution] : []))
          .filter((c) => ['alcoholAndFlame', 'needles', 'bleachMixes', 'dustMask', 'neverSmell'].includes(c));
      const before = read();
      expect(new Set(before.slice(-5)).size).toBe(5);
      await box.press('Go on all the same');
      expect(read()).toEqual(before);
    });

    it('shows the cautions of alcohol, flame and needles', () => {
      expect(box.text()).toContain('Never a flame in a closed box');
      expect(box.text()).toContain('no recapping');
    });
  });

  it('knows what waits, what can feed it, and what is used up', async () => {
    setup = await demoHouse();
    await endCook(setup);
    const house = setup.house();
    expect(allReadyToInoculate(house).map((w) => [w.view.code, w.vessels.length])).toEqual([['G28', 8]]);
    const spawn = sourcesFor('bulk', house, Date.now());
    expect(spawn.length).toBeGreaterThan(0);
    spawn.forEach((s) => {
      expect(formsThatFeed('bulk')).toContain(formOf(s.batch));
      expect(isUsedUp(s)).toBe(false);
    });
    const l6 = house.batches.find((b) => b.code === 'L6')!.vessels[0]!;
    expect(fedBy(l6, house)).toEqual({ fed: 9, bad: 6 });
  });
});

describe('gloved work', () => {
  let setup: SpecHouse;
  let work: Rendered<BoxWork>;
  beforeEach(async () => {
    setup = await demoHouse();
    await endCook(setup);
    const { batches } = setup.house();
    const batch = batches.find((b) => b.code === 'G28')!.batch.id;
    const source = batches.find((b) => b.code === 'L12')!.vessels[0]!.vessel.id;
    work = await render(BoxWork, { sitting: `${batch}:1.2.3.4.5*${source}*2` });
  });
  afterEach(() => setup.close());

  const jars = () => setup.house().batches.find((b) => b.code === 'G28')!.vessels;
  const key = async (name: string) => {
    document.dispatchEvent(new KeyboardEvent('keydown', { key: name, cancelable: true }));
    await work.settle();
  };

  it('goes from jar to jar, each with its dose', async () => {
    expect(work.text()).toContain('jar 1 of 5');
    expect(work.text()).toContain('Flame the needle, outside');
    await work.press('Done, next');
    expect(work.text()).toContain('jar 2 of 5');
    expect(jars()[0]!.state).toEqual(
      jasmine.objectContaining({ phase: 'running', doseEach: 2, doseUnit: 'ml' }),
    );
    await work.press('Gave 4 ml');
    expect(jars()[1]!.state.doseEach).toBe(4);
  });

  it('takes any key or a foot pedal for Done, but Tab and arrows for nothing', async () => {
    await key('b');
    await key('Tab');
    await key('ArrowDown');
    expect(work.text()).toContain('jar 2 of 5');
    await key('F24');
    expect(work.text()).toContain('jar 3 of 5');
  });

  it('records what is open in the box at once, two at most', async () => {
    await work.press('Done, both in the box');
    await work.press('Done, both in the box');
    expect(jars().filter((j) => j.state.phase === 'running').length).toBe(4);
    expect(work.text()).toContain('jar 5 of 5');
    expect(work.has('in the box')).toBe(false);
  });

  it('records a flamed needle only where that was pressed', async () => {
    await work.press('Done, next');
    await work.press('Flame the needle, outside; let it cool');
    expect(work.text()).toContain('Needle flamed');
    await work.press('Done, next');
    await work.press('Done, next');
    const given = setup
      .house()
      .facts.filter((f) => f.kind === 'inoculated')
      .slice(-3);
    expect(given.map((f) => f.flamed)).toEqual([undefined, true, undefined]);
  });

  it('passes over a jar for which not enough was left, and says so at the end', async () => {
    await work.press('Not enough');
    expect(work.text()).toContain('jar 2 of 5');
    await work.press('Open too long');
    expect(work.text()).toContain('open too long');
    for (let n = 0; n < 4; n++) {
      await work.press('Done, next');
    }
    expect(work.text()).toContain('4 done, 1 got nothing.');
    expect(work.text()).toContain('L12-1 has 342 ml left');
    expect(jars()[0]!.state.phase).toBe('cooked');
    expect(jars()[1]!.state.mishaps.map((m) => m.what)).toEqual(['openTooLong']);
  });

  it('leaves a dropped jar out and goes on, and takes a slip back', async () => {
    await work.press('Dropped');
    expect(jars()[0]!.state.goneBecause).toBe('dropped');
    expect(work.text()).toContain('jar 2 of 5');
    await work.press('Undo');
    expect(work.text()).toContain('jar 1 of 5');
  });

  it('ends by saying what happened where one was dropped', async () => {
    await work.press('Dropped');
    await work.press('Done, both in the box');
    await work.press('Done, both in the box');
    expect(work.text()).toContain('4 done, 1 dropped.');
  });

  it('ends with what to do and where to go', async () => {
    await work.press('Done, both in the box');
    await work.press('Done, both in the box');
    await work.press('Done, next');
    expect(work.text()).toContain('All 5 are done.');
    expect(work.text()).toContain('label before they leave the box');
    expect(work.button('To the Shelf').getAttribute('href')).toBe(`/shelf?open=${jars()[0]!.batch.id}`);
  });
});

describe('spawn into bulk', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('is asked how it lies, once for all that follow, and a forecast goes by it', async () => {
    setup = await demoHouse();
    const { batches } = setup.house();
    const like = batches.find((b) => b.code === 'B29')!;
    const source = batches.find((b) => b.code === 'G25')!.vessels[0]!;
    const batch = { ...like.batch, id: newId(Date.now(), Math.random) as BatchId, number: 77 };
    const vessels = like.vessels.map(({ vessel }) => ({
      ...vessel,
      id: newId(Date.now(), Math.random) as VesselId,
      batchId: batch.id,
    }));
    await setup.lay('batches', batch);
    await setup.lay('vessels', ...vessels);
    const journal = TestBed.inject(Journal);
    await journal.say({ kind: 'batchMade', batchId: batch.id, vesselIds: vessels.map((v) => v.id) });
    await journal.say({ kind: 'stepDone', batchId: batch.id, step: 'cooled' });
    const work = await render(BoxWork, { sitting: `${batch.id}:1.2*${source.vessel.id}*90` });
    expect(work.text()).toContain('Break it up until it runs loose');
    await work.press('On top');
    await work.press('Done, next');
    await work.press('Mixed through');
    await work.press('Done, next');
    const [onTop, mixed] = setup.house().batchById.get(batch.id)!.vessels;
    expect([onTop!.state.spawnLies, mixed!.state.spawnLies]).toEqual(['onTop', 'mixed']);
    const full = (v: VesselView) => forecastVessel(setup.house(), v)!.fullDay;
    expect(full(onTop!)).toBeGreaterThan(full(mixed!) * 1.2);
  });
});

describe('two jobs in one sitting', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('each give their own, the first syringe emptied first, and are told apart at the end', async () => {
    setup = await demoHouse();
    await endCook(setup);
    const journal = TestBed.inject(Journal);
    const { batches, records } = setup.house();
    const broth = batches.find((b) => b.code === 'L12')!.vessels[0]!;
    const drawn = (await journal.drawOff(broth, {
      stage: 'liquid',
      vessel: records.vesselTypes.find((v) => v.id === 'culture-syringe')!,
      holds: { amount: 3, unit: 'ml' },
      takesEach: 3.1,
      count: 2,
    }))!;
    await until(setup.store, (h) => h.batchById.has(drawn.batch.id));
    const jars = batches.find((b) => b.code === 'G28')!.batch.id;
    const syringes = drawn.vessels.map((v) => v.id).join(',');
    const work = await render(BoxWork, {
      sitting: `0~${jars}:1.2*${syringes}*2*inTurn;${jars}:3.4*${broth.vessel.id}*1*inTurn`,
    });
    const code = setup.house().batchById.get(drawn.batch.id)!.code;
    expect(work.text()).toContain('jar 1 of 4');
    expect(work.text()).toContain(`${code}-1`);
    await work.press('Done, next');
    await work.press('Done, next');
    const [first, second] = setup.house().batchById.get(jars)!.vessels;
    // One milliliter was left in the first, so the second jar had of both.
    expect(first!.state.sourceVesselIds).toEqual([drawn.vessels[0]!.id]);
    expect(second!.state.sourceVesselIds).toEqual(drawn.vessels.map((v) => v.id));
    expect(
      setup
        .house()
        .batchById.get(drawn.batch.id)!
        .vessels.map((v) => v.remaining),
    ).toEqual([0, 2]);
    expect(work.text()).toContain('L12-1');
    await work.press('Done, next');
    await work.press('Done, next');
    expect(work.text()).toContain('All 4 are done.');
    expect(work.text()).toContain(`${code}-1 has 0 ml left, ${code}-2 has 2 ml left`);
    expect(work.text()).toMatch(/G28: 2 jars\. L12-1 has \d+\.?\d* ml left/);
  });
});

describe('adding a culture', () => {
  let setup: SpecHouse;
  let form: Rendered<AddCulture>;
  let closed: number;
  beforeEach(async () => {
    closed = 0;
    setup = await furnishedHouse({ provide: MatDialogRef, useValue: { close: () => closed++ } });
    form = await render(AddCulture);
  });
  afterEach(() => setup.close());
  async function fill(isolate: string, ml: string): Promise<void> {
    await form.fill('Isolate', isolate);
    await form.fill('Milliliters', ml);
    await form.press('It is in the house');
  }

  it('names what is missing or out of range, and keeps what was typed', async () => {
    await fill('', '10');
    expect(form.text()).toContain('Isolate must be 1 to 80 letters long');
    await fill('KO-Sill', '31');
    expect(form.text()).toContain(
      'Milliliters in each must be between 0.5 and 30 ml. You gave 31 ml. Nothing was changed.',
    );
    await fill('KO-Sill', 'ten');
    expect(form.text()).toContain('Milliliters in each must be a number. You typed “ten”');
    expect((form.field('Isolate') as HTMLInputElement).value).toBe('KO-Sill');
    expect(closed).toBe(0);
    expect(setup.house().batches).toEqual([]);
  });

  it('keeps a name that looks like markup as the text that it is', async () => {
    await fill('<img src=x onerror=alert(1)>', '10');
    await until(setup.store, (h) => h.batches.length === 1);
    expect(closed).toBe(1);
    expect(setup.house().records.isolates[0]!.name).toBe('<img src=x onerror=alert(1)>');
    expect(setup.house().batches[0]!.code).toBe('L1');
  });

  it('uses a known isolate again instead of naming it twice', async () => {
    await fill('KO-Sill', '10');
    await until(setup.store, (h) => h.batches.length === 1);
    await fill('KO-Sill', '12');
    await until(setup.store, (h) => h.batches.length === 2);
    expect(setup.house().records.isolates.length).toBe(1);
  });
});

describe('receiving', () => {
  let setup: SpecHouse;
  let form: Rendered<AddCulture>;
  beforeEach(async () => {
    setup = await furnishedHouse({ provide: MatDialogRef, useValue: { close: () => undefined } });
    form = await render(AddCulture);
  });
  afterEach(() => setup.close());

  it('counts plates in wedges, from a day that is past, with where they come from', async () => {
    await form.choose('What came', 'dish');
    expect((form.field('Wedges in each') as HTMLInputElement).value).toBe('40');
    await form.fill('Isolate', 'SH-Crate');
    await form.fill('How many', '3');
    await form.fill('Wedges in each', '20');
    await form.fill('Came on', '3 Mar 2026');
    await form.choose('How it came', 'swapped');
    await form.fill('From whom', 'the club');
    await form.fill('Transfers before', '4');
    await form.fill('Note', 'thin but clean');
    await form.press('It is in the house');
    await until(setup.store, (h) => h.batches.length === 1);
    const [batch] = setup.house().batches;
    expect(batch!.vessels.map((v) => [v.code, v.remaining, v.remainingUnit, v.state.place])).toEqual([
      ['A1-1', 20, 'wedge', 'fridge'],
      ['A1-2', 20, 'wedge', 'fridge'],
      ['A1-3', 20, 'wedge', 'fridge'],
    ]);
    expect(batch!.batch.madeAt.slice(0, 10)).toBe('2026-03-03');
    expect(batch!.batch.origin).toEqual({ how: 'swap', from: 'the club', transfers: 4 });
    expect(batch!.notes[0]!.note).toBe('thin but clean');
  });

  it('takes half a dish, and two swabs of a print', async () => {
    await form.choose('What came', 'dish');
    await form.choose('Told in', 'share of a full dish');
    await form.fill('Isolate', 'SH-Half');
    await form.fill('Share in each', '3/2');
    await form.press('It is in the house');
    expect(form.text()).toContain('Share in each, like 1/2 must be between 0.02 and 1.');
    await form.fill('Share in each', '1/2');
    await form.press('It is in the house');
    await until(setup.store, (h) => h.batches.length === 1);
    expect(setup.house().batches[0]!.vessels[0]!.remaining).toBe(20);
    await form.choose('What came', 'spore print');
    await form.choose('Told in', 'swabs');
    await form.fill('Swabs in each', '2');
    await form.press('It is in the house');
    await until(setup.store, (h) => h.batches.length === 2);
    const [view] = setup.house().batches.at(-1)!.vessels;
    expect([view!.remaining, view!.remainingUnit]).toEqual([8, 'scrape']);
  });

  it('takes a wild clone as tissue of a species of one’s own, with its caution recorded', async () => {
    await form.choose('What came', 'mushroom to clone');
    expect(form.has('Transfers before')).toBe(false);
    await form.fill('Species', 'Another species');
    form.field('Species').dispatchEvent(new Event('blur'));
    await form.settle();
    await form.choose('How it came', 'found in the wild');
    expect(form.text()).toContain('only after an expert has identified it');
    await form.fill('Isolate', 'Beech stump');
    await form.press('It is in the house');
    expect(form.text()).toContain('Species must be 1 to 80 letters long');
    await form.fill('Its name', 'Honey cap');
    await form.press('It is in the house');
    await until(setup.store, (h) => h.batches.length === 1);
    const [view] = setup.house().batches[0]!.vessels;
    expect([view!.code, view!.species?.name, view!.remainingUnit]).toEqual(['T1-1', 'Honey cap', 'piece']);
    expect(setup.house().facts.some((f) => f.kind === 'cautionRead' && f.caution === 'wildClone')).toBe(true);
  });
});
