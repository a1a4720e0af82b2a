import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { householdAtmosphereKPa } from '../../../core/index';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { handWords } from '../../data/words/hand-words';
import { Journal } from '../../data/journal/journal';
import { Writer } from '../../data/journal/writer';
import { pictureFile } from '../../testing/picture';
import { render } from '../../testing/render';
import { EditIsolate } from '../../pieces/edit-isolate';
import { Archive } from './archive';
import { Cultures } from './cultures';
import { Ledger } from './ledger';
import { LineageView } from './lineage';
import { wayBack } from './way-back';
import { LayoutWorker } from '../../workers/layout-client';
import { placeFamily } from '../../../core/index';
import { Settings } from './settings';

/** Without a worker: what it is asked is answered here. */
const layoutHere = {
  provide: LayoutWorker,
  useValue: {
    place: (...asked: Parameters<typeof placeFamily>) => Promise.resolve(placeFamily(...asked)),
  },
};

describe('the Ledger', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('opens on the lineage, and on the part that the address names', async () => {
    setup = await demoHouse();
    const ledger = await render(Ledger);
    expect(ledger.host.querySelector('nw-lineage')).not.toBeNull();
    await ledger.set('tab', 'settings');
    expect(ledger.host.querySelector('nw-settings')).not.toBeNull();
    expect(ledger.button('Settings').getAttribute('aria-selected')).toBe('true');
    await ledger.set('tab', 'nonsense');
    expect(ledger.host.querySelector('nw-lineage')).not.toBeNull();
  });

  describe('lineage', () => {
    it('goes back from a block to the clone, jars of one batch in one step', async () => {
      setup = await demoHouse();
      const view = setup.house().batches.find((b) => b.code === 'B12')!.vessels[1]!;
      const way = wayBack(view, setup.house()).map((s) => s.views.map((v) => v.code).join(' '));
      expect(way).toEqual(['B12-2', 'G14-1 G14-2 G14-3 G14-4', 'L5-1', 'A12-1', 'A3-1']);
    });

    it('draws the batches of a family, unfolds one by a press, and goes along by keys', async () => {
      setup = await demoHouse(layoutHere);
      const lineage = await render(LineageView, { open: 'L6-1' });
      const nodes = () =>
        [...lineage.host.querySelectorAll<HTMLElement>('[data-node]')].map((b) => b.textContent.trim());
      await lineage.until(/G15/);
      expect(nodes()).toEqual(['A3', 'A12', 'L6', 'G15', 'G16']);
      expect(lineage.host.querySelectorAll('.edge.bad').length).toBe(2);
      await lineage.press(/^G15 G15, 5 quart jars, 4 bad/);
      await lineage.until(/G15-5/);
      expect(nodes()).toEqual(['A3', 'A12', 'L6', 'G15-1', 'G15-2', 'G15-3', 'G15-4', 'G15-5', 'G16']);
      const first = lineage.host.querySelector<HTMLElement>('[data-node]')!;
      first.focus();
      // Time runs down a narrow screen.
      const key = matchMedia('(max-width: 820px)').matches ? 'ArrowDown' : 'ArrowRight';
      first.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await lineage.settle();
      await new Promise((resolve) => setTimeout(resolve));
      expect(document.activeElement?.textContent.trim()).toBe('A12');
      await lineage.press('Fold G15');
      await lineage.until(/5 quart jars, 4 bad/);
    });

    it('lists what a vessel has to do with, with counts, and goes out as two kinds of file', async () => {
      setup = await demoHouse(layoutHere);
      const lineage = await render(LineageView, { open: 'G15-5' });
      expect(lineage.text()).toContain('8 from the same source, 6 bad');
      expect(lineage.text()).toContain('3 it came from');
      const names: string[] = [];
      spyOn(HTMLAnchorElement.prototype, 'click').and.callFake(function (this: HTMLAnchorElement) {
        names.push(this.download);
      });
      await lineage.press('Edges as CSV');
      await lineage.press('As GraphML');
      expect(names).toEqual(['lineage-G15-5.csv', 'lineage-G15-5.graphml']);
    });

    it('shows everything of an isolate', async () => {
      setup = await demoHouse(layoutHere);
      const lineage = await render(LineageView, { open: 'isolate ko-sill' });
      expect(lineage.text()).toContain('Everything of KO-Sill');
      await lineage.until(/L12/);
      expect(lineage.text()).toContain('G18');
      expect(lineage.text()).not.toContain('G15');
    });

    it('says in words what a culture fed and what became of it', async () => {
      setup = await demoHouse();
      const lineage = await render(LineageView, { open: 'L6-1' });
      expect(lineage.text()).toMatch(/It fed ?9 ?vessels\./);
      expect(lineage.text()).toContain('6 of them went bad.');
      await lineage.set('open', 'B12-2');
      expect(lineage.text()).toMatch(/\d+ g and \d+ g: \d+ % biological efficiency/);
    });

    it('has words for an empty house', async () => {
      setup = await furnishedHouse();
      const lineage = await render(LineageView);
      expect(lineage.text()).toContain('Nothing has a lineage yet.');
    });
  });

  it('lists cultures with what is left and what went bad', async () => {
    setup = await demoHouse();
    const cultures = await render(Cultures);
    const rows = [...cultures.host.querySelectorAll('.living li')].map((r) =>
      r.textContent.replace(/\s+/g, ' ').trim(),
    );
    expect(rows.find((r) => r.startsWith('L6-1'))).toContain('9 vessels, 6 went bad');
    const l12 = rows.find((r) => r.startsWith('L12-1'))!;
    expect(l12).toMatch(/350 ml left, transfer 0, 2[56] days, fridge/);
    expect(l12).toContain('clean on A31-1 after 6 days');
    const crate = [...cultures.host.querySelectorAll('section')].find((c) =>
      c.textContent.includes('SH-Crate'),
    )!;
    expect(crate.textContent).toContain('only copy');
    expect(crate.textContent).toMatch(/swapped \d+ \w+ \d{4}, from the supper club, 3 transfers before/);
  });

  it('shows the last photos of an isolate, and takes one of a vessel there', async () => {
    setup = await demoHouse();
    const cultures = await render(Cultures);
    const shelf = () => cultures.host.querySelector('[aria-label="Photo of A14-1"]')!.closest('section')!;
    expect(shelf().querySelector('nw-photos img')).toBeNull();
    await cultures.give(await pictureFile(64, 48), 'Photo of A14-1');
    await cultures.until(/A14-1, \d+ \w+ \d{4}/);
    const [image] = shelf().querySelectorAll<HTMLImageElement>('nw-photos img');
    await image!.decode();
    expect([image!.naturalWidth, image!.naturalHeight]).toEqual([64, 48]);
    const { state } = setup.house().batches.find((b) => b.code === 'A14')!.vessels[0]!;
    expect(state.photos.length).toBe(1);
    const letter = new File(['no picture'], 'letter.png', { type: 'image/png' });
    await cultures.give(letter, 'Photo of A14-1');
    await cultures.until(/That file is no picture that this browser can read\. Nothing was changed\./);
    await TestBed.inject(Journal).undo();
    await cultures.settle();
    expect(shelf().querySelector('nw-photos img')).toBeNull();
  });

  it('lets an isolate be called otherwise, with another species and a note', async () => {
    let closed = 0;
    setup = await demoHouse(
      {
        provide: MAT_DIALOG_DATA,
        useFactory: () => setup.house().records.isolates.find((i) => i.name === 'SH-Crate'),
      },
      { provide: MatDialogRef, useValue: { close: () => closed++ } },
    );
    const edit = await render(EditIsolate);
    await edit.fill('Isolate', ' ');
    await edit.press('Keep it so');
    expect(edit.text()).toContain('Isolate must be 1 to 80 letters long');
    await edit.fill('Isolate', 'SH-Crate 2');
    await edit.fill('Note', 'thin, but it fruits');
    await edit.press('Keep it so');
    expect(closed).toBe(1);
    const isolate = setup.house().records.isolates.find((i) => i.name === 'SH-Crate 2');
    expect(isolate?.note).toBe('thin, but it fruits');
    expect((await render(Cultures)).text()).toContain('thin, but it fruits');
  });

  describe('archive', () => {
    it('counts what it holds, and wipes only after the word was typed', async () => {
      setup = await demoHouse();
      const archive = await render(Archive);
      expect(archive.text()).toMatch(/\d+ batches, \d+ vessels, 14 cooks, \d+ entries/);
      const wipe = archive.button('Wipe everything') as HTMLButtonElement;
      expect(wipe.disabled).toBe(true);
      await archive.fill('Type wipe', 'Wipe');
      expect(wipe.disabled).toBe(true);
      await archive.fill('Type wipe', 'wipe');
      expect(wipe.disabled).toBe(false);
      wipe.click();
      await until(setup.store, (h) => h.records.entries.length === 0);
      expect(await setup.db.rows('household').count()).toBe(0);
    });
  });

  describe('rows that cannot be read', () => {
    it('are listed with what they are and why, and never as markup', async () => {
      setup = await demoHouse();
      await setup.lay('entries', { id: 'broken', kind: 'dreamt' });
      await setup.db.unread.add({ table: 'dreams', row: { id: '<b>x</b>' }, reason: 'not known here' });
      const archive = await render(Archive);
      await archive.until(/These 2 records cannot be read/);
      expect(archive.text()).toContain('not known here');
      expect(archive.text()).toContain('<b>x</b>');
      expect(archive.host.querySelector('td b')).toBeNull();
    });
  });

  describe('shipped figures that were corrected', () => {
    it('stand beside one that was changed here, and can be taken', async () => {
      setup = await demoHouse();
      const journal = TestBed.inject(Journal);
      const mine = setup.house().records.materials.find((m) => m.id === 'rye')!;
      const ships = {
        ...mine,
        densityGPerL: { ...mine.densityGPerL!, value: 715 },
        shipped: { version: 2, digest: 'later' },
      };
      const archive = await render(Archive);
      journal.offers.set([{ table: 'materials', mine, ships }]);
      await archive.settle();
      expect(archive.text()).toMatch(/Rye.*densityGPerL: yours 721, ships 715/);
      await archive.press('Take what ships');
      expect(setup.house().records.materials.find((m) => m.id === 'rye')!.densityGPerL!.value).toBe(715);
      expect(archive.text()).not.toContain('ships 715');
    });
  });

  describe('settings', () => {
    it('keep a figure within its range and refuse one outside by name', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      await settings.type('#altitude', '640');
      expect(setup.house().household!.altitudeM).toBe(640);
      await settings.type('#altitude', '9000');
      expect(settings.text()).toContain(
        'Altitude must be between -430 and 5100 m. You gave 9000 m. Nothing was changed.',
      );
      await settings.type('#altitude', 'high');
      expect(settings.text()).toContain('Altitude must be a number. You typed “high”.');
      expect(setup.house().household!.altitudeM).toBe(640);
    });

    it('keep how many vessels stand open at once, in whole ones', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      await settings.fill('Open in the box', '2.5');
      expect(settings.text()).toContain('must be a whole number between 1 and 12. You gave 2.5.');
      await settings.fill('Open in the box', '3');
      await settings.fill('Grain fed to grain', '3');
      expect(setup.house().household).toEqual(
        jasmine.objectContaining({ openAtOnce: 3, grainGenerations: 3 }),
      );
    });

    it('keep how much the trade’s record counts', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      await settings.fill('The trade’s record counts', '50');
      expect(setup.house().household!.practiceWeight).toBe(0.5);
      await settings.fill('The trade’s record counts', '0');
      expect(setup.house().household!.practiceWeight).toBe(0);
      await settings.fill('The trade’s record counts', '120');
      expect(settings.text()).toContain('must be between 0 and 100 %. You gave 120 %.');
    });

    it('call this device and its people by name, and every entry says so', async () => {
      setup = await demoHouse();
      const settings = await render(Settings);
      await settings.fill('This device is called', 'Kitchen tablet');
      await settings.fill('People', 'Ada, Bo, Ada');
      expect(setup.house().household!.people).toEqual(['Ada', 'Bo']);
      await until(setup.store, (h) => h.records.devices.length === 1);
      await settings.choose('Now writes', 'Bo');
      const [batch] = setup.house().batches;
      await TestBed.inject(Journal).say({ kind: 'batchNoted', batchId: batch!.batch.id, note: 'x' });
      const house = await until(setup.store, (h) => h.facts.some((f) => f.kind === 'batchNoted'));
      const noted = house.facts.find((f) => f.kind === 'batchNoted')!;
      expect(noted.who).toBe('Bo');
      expect(handWords(noted, house, undefined)).toBe('Bo, Kitchen tablet');
      expect(handWords(noted, house, noted.device)).toBe('Bo');
      TestBed.inject(Writer).setWho('');
    });

    it('take a barometer, and leave it again when it is emptied', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      await settings.type('#barometer', '939');
      expect(setup.house().household!.barometerKPa).toBeCloseTo(93.9, 9);
      await settings.type('#barometer', '');
      expect(setup.house().household!.barometerKPa).toBeUndefined();
    });

    it('let one cooker lead the plans', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      settings.host.querySelectorAll<HTMLInputElement>('input[type=radio]')[1]!.click();
      await until(
        setup.store,
        (h) =>
          h.records.appliances
            .filter((a) => a.inUse)
            .map((a) => a.id)
            .join() === 'multi-cooker',
      );
      await settings.type('[id="multi-cooker-quart-jar"]', '2');
      expect(setup.house().records.appliances.find((a) => a.id === 'multi-cooker')!.places['quart-jar']).toBe(
        2,
      );
    });

    it('ask which pressure “2 bar” is, with what either would mean', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      const canner = () => setup.house().records.appliances.find((a) => a.id === 'canner')!;
      await settings.choose('Unit of the printed pressure', 'bar');
      await settings.type('#canner-rated', '2');
      expect(settings.text()).toContain('Which is meant?');
      expect(settings.text()).toMatch(/29 psi on a gauge, 13\d\.\d °C inside/);
      await settings.press('From nothing (absolute)');
      expect(canner().ratedGaugeKPa).toBeCloseTo(200 - householdAtmosphereKPa(setup.house().household!), 6);
      await settings.type('#canner-rated', '0.05');
      expect(settings.text()).toContain(
        'Printed pressure must be between 0.2 and 2.3 bar. You gave 0.05 bar. Nothing was changed.',
      );
    });

    it('take another appliance, and the test of a dial', async () => {
      setup = await furnishedHouse();
      const settings = await render(Settings);
      await settings.choose('What is it', 'Autoclave');
      await settings.fill('Its name', 'Old autoclave');
      await settings.press('Add it');
      await until(setup.store, (h) => h.records.appliances.length === 3);
      await settings.settle();
      const added = () => setup.house().records.appliances.find((a) => a.name === 'Old autoclave')!;
      expect(added().gauge).toBe('dial');
      await settings.type(`[id="${added().id}-over"]`, '1');
      expect(added().gaugeReadsOverKPa).toBeCloseTo(6.9, 1);
      expect(settings.text()).toContain('estimated from energy until its cooks have shown them');
    });
  });
});
