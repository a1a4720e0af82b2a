import { TestBed } from '@angular/core/testing';
import { blockDryMassG } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { FakeSource } from '../../testing/fake-source';
import { demoHouse, furnishedHouse, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { Tent } from './tent';
import { efficiencyOf, flushName, usualRange } from './tent-model';

describe('the Tent', () => {
  let setup: SpecHouse;
  let tent: Rendered<Tent>;
  afterEach(() => setup.close());

  const block = (code: string) =>
    setup
      .house()
      .batches.flatMap((b) => b.vessels)
      .find((v) => v.code === code)!;
  const type = async (digits: string) => {
    for (const digit of digits) {
      const key = [...tent.host.querySelectorAll<HTMLButtonElement>('.pad button')].find(
        (b) => b.textContent.trim() === digit,
      )!;
      key.click();
    }
    await tent.settle();
  };

  it('says how blocks get here when there are none', async () => {
    setup = await furnishedHouse();
    tent = await render(Tent);
    expect(tent.text()).toContain(
      'No blocks here yet. Make a bulk batch at the Desk, cook it, and spawn it in the Box.',
    );
  });

  describe('of the made-up household', () => {
    beforeEach(async () => {
      setup = await demoHouse();
      tent = await render(Tent, { open: 'B28-2' });
    });

    it('shows every block with its word and what comes', () => {
      expect(tent.text()).toContain('chestnut, black poplar and king oyster, 8 vessels');
      const words = [...tent.host.querySelectorAll('.block')].map((b) =>
        b.textContent.replace(/\s+/g, ' ').trim(),
      );
      expect(words[0]).toMatch(/B31-1 ?waiting for pins ?pins about/);
      expect(words[1]).toMatch(/B28-1 ?resting ?304 g on/);
      expect(words[2]).toMatch(/B28-2 ?cut today ?Cut while the rims are turned down/);
      expect(words[3]).toMatch(/B28-3 ?pins ?cut about/);
    });

    it('notes mist and air of the tent, and says when it was done last', async () => {
      expect(tent.text()).toMatch(/Misted ?last (\w+ )?\d\d:\d\d/);
      await tent.press(/^Fanned/);
      const fact = setup.house().facts.findLast((f) => f.kind === 'tended');
      expect(fact).toEqual(jasmine.objectContaining({ placeId: 'tent', how: 'fanned' }));
      expect(tent.text()).toMatch(/Fanned ?last \d\d:\d\d/);
    });

    it('says when spores fall, and on how many flushes that rests; one stands cold for a night', async () => {
      expect(tent.text()).toMatch(/Cut \d+.* before spores fall about .*: by 12 flushes of yours\./);
      await tent.fill('Stood cold', '14');
      await tent.press('Note it');
      expect(block('B28-2').state.chills.map((c) => c.hours)).toEqual([14]);
      expect(tent.text()).toMatch(/Last \d+ \w+, for 14 h\./);
    });

    it('shows a tub that bears with its lid on as a tub, where it stands, and takes its pins', async () => {
      const drawn = [...tent.host.querySelectorAll('.block')].at(-1)!;
      expect(drawn.textContent.replace(/\s+/g, ' ').trim()).toMatch(
        /^B29-2 ?pins ?cut about .* still shut, Wardrobe$/,
      );
      expect(drawn.querySelector('.thin')!.getAttribute('d')).toContain('M4 60h142');
      await tent.set('open', 'B29-2');
      await type('120');
      await tent.press('Harvested, 120 g');
      expect(block('B29-2').state.harvests.length).toBe(1);
      expect(block('B29-2').state.phase).toBe('running');
      await tent.set('open', 'B29-2');
      await tent.press('Opened');
      expect(block('B29-2').state).toEqual(jasmine.objectContaining({ phase: 'opened', place: 'tent' }));
    });

    it('shows a moldy block as one, in its row too, and takes it outdoors', async () => {
      await tent.set('open', 'B28-3');
      await tent.press('Note, photo, trouble');
      await tent.press('Suspect');
      await tent.press('In the middle');
      await tent.press(/green mold/);
      const row = [...tent.host.querySelectorAll('.block')][3]!;
      expect(row.textContent.replace(/\s+/g, ' ').trim()).toMatch(/^G? ?B28-3 ?green mold ?in the middle$/);
      expect(row.querySelector('.hatch')).not.toBeNull();
      expect(tent.text()).toContain('Green mold in the middle. Nothing of it is eaten.');
      expect(tent.has('Harvested')).toBe(false);
      await tent.press('Taken out, outdoors');
      expect(block('B28-3').state.goneBecause).toBe('contaminated');
    });

    it('asks how a block that has run full is opened, and puts it where things fruit', async () => {
      await TestBed.inject(Journal).say({
        kind: 'inspected',
        vesselIds: [block('B29-1').vessel.id],
        fraction: 1,
      });
      await tent.set('open', 'B29-1');
      await tent.press('Lid off');
      await tent.press('Opened');
      expect(block('B29-1').state).toEqual(jasmine.objectContaining({ openedBy: 'lid', place: 'tent' }));
    });

    it('draws a tub with its layers, and reckons its yield by what was moved into it', async () => {
      const drawn = [...tent.host.querySelectorAll('.block')][0]!;
      expect(drawn.querySelector('.grain')!.getAttribute('d')).toMatch(/a2\.4.*l6-3/);
      expect(blockDryMassG(block('B31-1'), setup.house())).toBeCloseTo(2268 * 0.4, 6);
      await tent.set('open', 'B31-1');
      await tent.press('Note, photo, trouble');
      expect(tent.text()).toContain('moved over, broken up');
      expect(tent.text()).toContain(
        'from its bottom: 20 mm of wet perlite, 50 mm of substrate, 30 mm of casing (peat and lime)',
      );
    });

    it('reckons the typed grams against the dry mass, beside what this house usually gets', async () => {
      await type('318');
      expect(tent.text()).toContain('31 % of its 1 029 g dry');
      expect(tent.text()).toMatch(/yours run \d+ to \d+/);
    });

    it('wipes, goes back, and takes no more than five digits', async () => {
      await type('123456');
      expect(tent.text()).toMatch(/12345 ?g/);
      await tent.press('back');
      expect(tent.text()).toMatch(/1234 ?g/);
      await tent.press('wipe');
      expect((tent.button(/^Harvested/) as HTMLButtonElement).disabled).toBe(true);
    });

    it('notes a flush, and the block rests', async () => {
      await type('318');
      await tent.press('Harvested, 318 g');
      expect(block('B28-2').state.harvests.map((h) => h.massG)).toEqual([318]);
      expect(tent.text()).toMatch(/B28-2 ?resting/);
    });

    it('keeps how good a flush was and what for, asks what it weighs dry, and tells the next one', async () => {
      await tent.press('Prime');
      await tent.press('Dried');
      await type('318');
      await tent.press('Harvested, 318 g');
      await tent.set('open', 'B28-2');
      expect(tent.text()).toContain('So far 318 g: 31 % biological efficiency, spawn counted in.');
      expect(tent.text()).toMatch(
        /By (practice|your \d+ spent ones) the second flush brings \d+ % of it all, here about/,
      );
      await tent.fill('It weighs dry', '400');
      await tent.press('Note it');
      expect(tent.text()).toContain('It weighs dry must be between 0.1 and 318 g.');
      await tent.fill('It weighs dry', '29');
      await tent.press('Note it');
      expect(block('B28-2').state.harvests).toEqual([
        jasmine.objectContaining({ massG: 318, quality: 'prime', use: 'dried', dryG: 29 }),
      ]);
      await tent.press(/^What your/);
      expect(tent.text()).toContain('11.0 g fresh make 1 g dry');
    });

    it('takes a flush from a scale once it stands, to be typed over', async () => {
      const real = globalThis.EventSource;
      globalThis.EventSource = FakeSource as unknown as typeof EventSource;
      try {
        await tent.press('From a scale');
        const source = FakeSource.opened.at(-1)!;
        const at = new Date().toISOString();
        source.say({ source: 'kitchen', readings: [{ at, channel: 'scaleG', value: 287 }] });
        await tent.settle();
        await tent.press(/287 g ?take it from the scale/);
        expect(tent.text()).toContain('28 % of its 1 029 g dry');
        await tent.press('Harvested, 287 g');
        expect(block('B28-2').state.harvests.map((h) => h.massG)).toEqual([287]);
      } finally {
        globalThis.EventSource = real;
      }
    });

    it('tells what a species came to for the money and for the hour once that is asked', async () => {
      await tent.set('open', 'B28-1');
      expect(tent.text()).not.toContain('for an hour of work');
      await tent.press(/^What your/);
      expect(tent.text()).toMatch(/[\d.]+ of money went in, cooks and spawn too: [\d\s]+ g fresh for each 1/);
      expect(tent.text()).toMatch(
        /[\d\s]+ g for an hour of work, by the times of your notes: [\d.]+ h at them/,
      );
    });

    it('notes a soak with what it took up', async () => {
      await tent.set('open', 'B28-1');
      await tent.fill('Water taken up', '180');
      await tent.press('Soaked');
      expect(block('B28-1').state.soaks.map((s) => s.takenUpG)).toEqual([180]);
      expect(tent.text()).toContain('Soaked once, took up 180 g.');
    });

    it('shares a bowl between two blocks', async () => {
      await tent.press('Weighed with B28-4');
      await type('600');
      expect(tent.text()).toContain('29 % of its 1 029 g dry');
      await tent.press('Harvested, 600 g');
      expect(block('B28-4').state.harvests[0]!.massG).toBe(300);
    });

    it('refuses a harvest that weighs more than its block, and keeps what was typed', async () => {
      await type('9999');
      await tent.press('Harvested, 9999 g');
      expect(block('B28-2').state.harvests).toEqual([]);
      expect(tent.text()).toMatch(/9999 ?g/);
    });

    it('notes pins on a resting block and takes a spent one out', async () => {
      await tent.set('open', 'B28-1');
      expect(tent.text()).toContain('So far 304 g: 30 % biological efficiency, spawn counted in.');
      await tent.press('Pins seen');
      expect(block('B28-1').state.pinnedAt).toBeDefined();
      await tent.press('Spent, to the compost');
      expect(block('B28-1').state.goneBecause).toBe('spent');
      expect(setup.house().facts.at(-1)).toEqual(jasmine.objectContaining({ to: 'compost' }));
      expect(tent.text()).toContain('7 vessels');
    });
  });

  it('counts the spawn’s dry half into the dry mass, and names flushes', async () => {
    setup = await demoHouse();
    const view = block('B28-1');
    // Its spawn was drained to 50.9 % water.
    expect(blockDryMassG(view, setup.house())).toBeCloseTo(2268 * 0.38 + 340 * 0.491, 0);
    expect(efficiencyOf(view, setup.house())).toBeCloseTo(304 / blockDryMassG(view, setup.house()), 9);
    expect(efficiencyOf(view, setup.house(), 100)).toBeCloseTo(404 / blockDryMassG(view, setup.house()), 9);
    expect(flushName(view)).toBe('second flush');
    expect(flushName(block('B28-3'))).toBe('first flush');
  });

  it('speaks of a usual range only from three blocks on', async () => {
    setup = await demoHouse();
    expect(usualRange(block('B28-2'), setup.house())!.low).toBeLessThan(
      usualRange(block('B28-2'), setup.house())!.high,
    );
    expect(usualRange(block('B27-1'), setup.house())).toBeUndefined();
  });
});
