import { TestBed } from '@angular/core/testing';
import { DAY_MS, HOUR_MS, dueItems, pouringOf } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { platesOutOfCooker } from '../../testing/agar';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Shelf } from './shelf';
import { shelfBatches } from './shelf-model';

describe('the Shelf', () => {
  let setup: SpecHouse;
  let shelf: Rendered<Shelf>;
  afterEach(() => setup.close());

  const jar = (code: string) =>
    setup
      .house()
      .batches.flatMap((b) => b.vessels)
      .find((v) => v.code === code)!;
  const press = (label: RegExp) => shelf.press(label);

  it('says where jars come from when there are none', async () => {
    setup = await furnishedHouse();
    shelf = await render(Shelf);
    expect(shelf.text()).toContain('No jars here yet. They arrive from the Box.');
    expect(shelf.button('To the Box').getAttribute('href')).toBe('/box');
  });

  describe('of the made-up household', () => {
    beforeEach(async () => {
      setup = await demoHouse();
      shelf = await render(Shelf);
    });

    it('groups jars by batch and cook, fourteen a plank, with what each group needs in a word', () => {
      const planks = [...shelf.host.querySelectorAll('.plank')];
      expect(planks.map((p) => p.querySelectorAll('.jar').length)).toEqual([14, 14, 12, 7, 1, 3, 1, 2]);
      const names = planks.map((p) =>
        (p.querySelector('.name')?.textContent ?? '').replace(/\s+/g, ' ').trim(),
      );
      expect(names[0]).toMatch(/Cook 11, not as planned ?4 bad/);
      expect(names[1]).toMatch(/Cook 12 ?shake/);
    });

    it('names trouble with its word, its letter and where it comes from', () => {
      expect(shelf.has('G27-3, wet rot')).toBe(true);
      expect(shelf.text()).toContain('4 pint jars of wet rot');
      expect(shelf.text()).toContain(
        'All from cook 11, vented 1 min; none of 26 from the others. Keep them shut, take them outdoors.',
      );
      expect(shelf.text()).toContain('W wet rot.');
    });

    it('names a jar that gained nothing', () => {
      expect(shelf.text()).toContain('G26-7 gained nothing in 4 days.');
      expect(shelf.text()).toContain('7 slow');
    });

    it('shakes all that are due in one press, and asks no more', async () => {
      await press(/Shaken, all 36/);
      expect(jar('G27-1').state.shakenAt).toBeDefined();
      expect(jar('G27-3').state.shakenAt).toBeUndefined();
      expect(shelf.has('Shaken, all')).toBe(false);
    });

    it('notes one daily swirl for every broth that runs, and then asks no more', async () => {
      expect(shelf.text()).toContain('Swirl L14-1');
      const swirls = () => setup.house().facts.filter((f) => f.kind === 'swirled');
      const before = swirls().length;
      await press(/^Swirled/);
      expect(swirls().length).toBe(before + 1);
      expect(jar('L14-1').state.swirledAt).toBe(swirls().at(-1)!.at);
      expect(shelf.has(/^Swirled/)).toBe(false);
    });

    it('takes the bad ones out in one press', async () => {
      await press(/Taken out, all 4/);
      expect(jar('G27-3').state).toEqual(
        jasmine.objectContaining({ phase: 'gone', goneBecause: 'contaminated' }),
      );
      const bad = [...shelf.host.querySelectorAll('.jar.bad')].map((j) => j.getAttribute('data-code'));
      expect(bad).toEqual(['A32-3']);
    });

    it('shows the fridge apart', async () => {
      await press(/^Fridge \d+/);
      expect(shelf.text()).toContain('G25');
      expect(shelf.text()).not.toContain('G27');
      expect(shelf.text()).toContain('run full');
    });

    it('opens a jar with its history, its forecast and seven levels', async () => {
      await shelf.set('open', 'G26-7');
      expect(shelf.host.querySelectorAll('.bands button').length).toBe(7);
      expect(shelf.text()).toContain('Black poplar');
      expect(shelf.text()).toContain('Cyclocybe aegerita');
      expect(shelf.text()).toContain('No gain in 4 days.');
      expect(shelf.text()).toMatch(/day 18, full \d+/);
      expect(shelf.text()).toMatch(/\d+ \w+ shaken/);
    });

    it('records a level, a note and a suspicion as looks', async () => {
      await shelf.set('open', 'G26-1');
      await shelf.type('textarea', 'even and white');
      await press(/^100 %/);
      expect(jar('G26-1').state.marks.at(-1)!.fraction).toBe(1);
      expect(shelf.text()).toContain('“even and white”');
      await press(/^Suspect/);
      expect(shelf.text()).toContain('Never open or smell a suspect one');
      await press(/orange bread mold/);
      expect(jar('G26-1').state.suspect).toBe('orangeMold');
      expect(shelf.text()).toContain('orange bread mold. Never open it indoors.');
    });

    it('moves a jar to the fridge and back, and takes it out', async () => {
      await shelf.set('open', 'G26-2');
      await press(/^More with G26-2/);
      await press(/^To: Fridge/);
      expect(jar('G26-2').state.place).toBe('fridge');
      await press(/^More with/);
      await press(/^To: Wardrobe/);
      expect(jar('G26-2').state.place).toBe('shelf');
      await press(/^More with/);
      await press(/^Taken out …/);
      await press(/^something else/);
      expect(jar('G26-2').state.goneBecause).toBe('other');
    });

    it('walks: one press each, forecast where it fits, the rest at once', async () => {
      await press(/Walk the shelf/);
      expect(shelf.text()).toContain('1 of 48, day 11');
      await press(/As forecast, \d+ %/);
      expect(shelf.text()).toContain('2 of 48');
      await press(/^50 %/);
      expect(jar('G27-2').state.marks.at(-1)!.fraction).toBe(0.5);
      await press(/Skip this one/);
      expect(shelf.text()).toContain('4 of 48');
    });

    it('never lets the forecast take back what was seen', async () => {
      const before = new Map(
        setup
          .house()
          .batches.flatMap((b) =>
            b.vessels.map((v) => [v.code, v.state.marks.at(-1)?.fraction ?? 0] as const),
          ),
      );
      await press(/Walk the shelf/);
      await press(/All the rest as forecast/);
      for (
        let i = 0;
        i < 40 && (jar('G26-7').state.lastLookAt ?? '') < new Date(Date.now() - 60_000).toISOString();
        i++
      ) {
        await shelf.settle();
      }
      for (const view of setup.house().batches.find((b) => b.code === 'G26')!.vessels) {
        expect(view.state.marks.at(-1)!.fraction).toBeGreaterThanOrEqual(before.get(view.code)!);
      }
    });
  });

  it('opens what an address names where it stands, and offers a walk of that batch alone', async () => {
    setup = await demoHouse();
    const b29 = setup.house().batches.find((b) => b.code === 'B29')!;
    shelf = await render(Shelf, { open: b29.batch.id });
    expect(shelf.has(/B29-1, \d+ %/)).toBe(true);
    await press(/^Look at B29 ?1, one press each/);
    expect(shelf.text()).toContain('1 of 1, day 18');
    await press(/^75 %/);
    expect(jar('B29-1').state.marks.at(-1)!.fraction).toBe(0.75);
    await shelf.set('open', 'G25');
    expect(shelf.text()).toContain('G25');
    expect(shelf.text()).withContext('the fridge').not.toContain('G27');
  });

  it('moves a batch and a row by a press, and says where things go when nothing stands there', async () => {
    setup = await demoHouse();
    shelf = await render(Shelf);
    await press(/Move all of G26/);
    await press(/^All 7 go to Fridge/);
    expect(jar('G26-7').state.place).toBe('fridge');
    await press(/Move the row: Cook 11/);
    await press(/^All 14 go to Counter/);
    expect([jar('G27-14').state.place, jar('G27-15').state.place]).toEqual(['counter', 'shelf']);
    await shelf.press(/^Counter 14/);
    expect(shelf.text()).toContain('4 bad');
    await press(/Move the row: Cook 11/);
    await press(/^All 14 go to Wardrobe/);
    expect(jar('G27-1').state.place).toBe('shelf');
  });

  it('shows what is cooked and waits, and keeps a jar of it as a control that is walked', async () => {
    setup = await demoHouse();
    const entries = setup.house().batches.find((b) => b.code === 'G28')!;
    const { cookId } = entries.vessels[0]!.state;
    for (const step of ['heatOff', 'open'] as const) {
      await TestBed.inject(Journal).say({ kind: 'cookStep', cookId: cookId!, step });
    }
    shelf = await render(Shelf);
    await press(/^Counter 8/);
    expect(shelf.text()).toContain('8 quart jars, without a culture');
    await shelf.set('open', 'G28-1');
    await press(/^Keep it as a control/);
    expect(jar('G28-1').state.isControl).toBe(true);
    await press(/^Wardrobe 55/);
    expect(shelf.has('G28-1, control')).toBe(true);
    await shelf.set('open', 'G28-1');
    await press(/^Looked at, nothing foreign/);
    expect(jar('G28-1').state.lastLookAt).toBeDefined();
  });

  it('says where a suspicion was seen; a doubt is watched; either is cleared', async () => {
    setup = await demoHouse();
    shelf = await render(Shelf, { open: 'G26-4' });
    await press(/^Suspect/);
    await press(/^At the lid or filter/);
    await press(/^G green mold/);
    expect(jar('G26-4').state.suspectWhere).toBe('lid');
    expect(shelf.text()).toContain('green mold at the lid or filter.');
    await press(/^Cleared: no green mold after all/);
    expect(jar('G26-4').state.suspect).toBeUndefined();
    await press(/^Suspect/);
    await press(/^Only a doubt: watch it/);
    expect(jar('G26-4').state.watchedAt).toBeDefined();
    expect(shelf.text()).toContain('4 watch');
    await press(/^Cleared: nothing wrong/);
    expect(shelf.text()).not.toContain('4 watch');
  });

  it('notes the same as the one before, and the rest as forecast, which one press takes back', async () => {
    setup = await demoHouse();
    shelf = await render(Shelf);
    await press(/Walk the shelf/);
    await press(/^50 %/);
    await press(/^As the one before, 50 %/);
    expect(jar('G27-2').state.marks.at(-1)!.fraction).toBe(0.5);
    const before = setup.house().noted.length;
    await press(/All the rest as forecast/);
    await shelf.settle();
    const more = setup.house().noted.slice(before);
    expect(more.length).toBeGreaterThan(30);
    expect(new Set(more.map((e) => ('deedId' in e ? e.deedId : ''))).size).toBe(1);
  });

  it('shows what stands at a place that is not known here, so that it can be moved', async () => {
    setup = await demoHouse();
    const moved = setup.house().facts.findLast((f) => f.kind === 'moved')!;
    await setup.lay('entries', { ...moved, place: 'moon' });
    shelf = await render(Shelf);
    await shelf.until(/a place that is not known here \d/);
    await press(/^a place that is not known here/);
    await press(/Move all of/);
    await press(/goe?s? to Wardrobe/);
    expect(shelf.text()).not.toContain('not known here');
  });

  it('keeps a used-up jar off the planks', async () => {
    setup = await demoHouse();
    const codes = shelfBatches(setup.house(), 'fridge', Date.now()).flatMap((b) =>
      b.planks.flatMap((p) => p.jars.map((j) => j.view.code)),
    );
    expect(codes).toContain('G17-7');
    expect(codes).not.toContain('G17-1');
  });
});

describe('blank plates', () => {
  it('have an age, are wrapped after a night, and are never late', async () => {
    const setup = await furnishedHouse();
    const plates = () => setup.house().batches[0]!;
    await platesOutOfCooker(setup, 10, 14 * 60);
    const pouring = pouringOf(plates(), setup.house())!;
    const at = new Date(Date.now() - 13 * HOUR_MS).toISOString();
    await TestBed.inject(Journal).say({
      kind: 'agarPoured',
      cookId: pouring.cook.cook.id,
      batchId: plates().batch.id,
      vesselIds: pouring.toPour.map((v) => v.vessel.id),
      bottles: 1,
      at,
    });
    await until(setup.store, () => plates().vessels[0]!.state.pouredAt === at);
    const due = dueItems(setup.house(), Date.now());
    expect(due.map((d) => d.deed.kind)).toEqual(['wrap']);
    const shelf = await render(Shelf);
    await shelf.press('Counter');
    expect(shelf.text()).toMatch(/10 dishes, blank, poured (today|yesterday), not wrapped/);
    await shelf.press('Wrapped, all 10');
    await until(setup.store, () => plates().vessels.every((v) => v.state.wrappedAt !== undefined));
    await shelf.settle();
    expect(shelf.text()).toMatch(/poured (today|yesterday), wrapped/);
    expect(shelf.has('Wrapped, all')).toBeFalse();
    expect(dueItems(setup.house(), Date.now() + 5 * DAY_MS)).toEqual([]);
    await setup.close();
  });
});
