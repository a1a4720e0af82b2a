import { TestBed } from '@angular/core/testing';
import { provideServiceWorker } from '@angular/service-worker';
import { Router } from '@angular/router';
import { Notices } from '../data/store/notices';
import { demoHouse, furnishedHouse, type SpecHouse } from '../testing/house';
import { render } from '../testing/render';
import { FaultHandler } from './fault-handler';
import { Frame } from './frame';
import { Night } from '../data/devices/night';
import { OpenCode } from './open-code';

const worker = provideServiceWorker('none.js', { enabled: false });

describe('the frame', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('hangs six places from the rim, with their keys and what is due', async () => {
    setup = await demoHouse(worker);
    const frame = await render(Frame);
    const tabs = [...frame.host.querySelectorAll('.tab')].map((t) =>
      t.textContent.replace(/\s+/g, ' ').trim(),
    );
    expect(tabs.map((t) => t.replace(/ ?\d+$/, ''))).toEqual(
      ['1 Desk', '2 Stove', '3 Box', '4 Shelf', '5 Tent', '6 Ledger'].map(
        (t) => jasmine.stringMatching(new RegExp(t.replace(' ', ' ?'))) as unknown as string,
      ),
    );
    expect(frame.host.querySelector('.tab[href="/tent"] .due')!.getAttribute('aria-label')).toBe('2 due');
  });

  it('says that the made-up household is made up, and nothing of the kind at home', async () => {
    setup = await demoHouse(worker);
    const frame = await render(Frame);
    expect(frame.text()).toContain('Hollin Row is an invented house; nothing here is advice or yours.');
    expect(frame.button('Start my own').getAttribute('href')).toBe('/start');
    await setup.close();
    setup = await furnishedHouse(worker);
    expect((await render(Frame)).text()).not.toContain('Made up');
  });

  it('offers to lay the made-up household out anew when it is of another day', async () => {
    setup = await demoHouse(worker);
    expect((await render(Frame)).has('Lay it out for today')).toBe(false);
    const { batches } = setup.house().records;
    await setup.lay('batches', ...batches.map((b) => ({ ...b, madeAt: '2025-01-01T00:00:00.000Z' })));
    expect((await render(Frame)).has('Lay it out for today')).toBe(true);
  });

  it('opens no place but the Shelf on a part of the records, since others count what is over too', async () => {
    setup = await demoHouse(worker);
    const frame = await render(Frame);
    const ready = setup.store.ready()!;
    const show = async (isWhole: boolean, path: string) => {
      const { revision } = setup.store.ready()!;
      setup.store.advance({ ...ready, isWhole, revision: revision + 1 });
      await TestBed.inject(Router).navigateByUrl(path);
      await frame.fixture.whenStable();
      return frame.host.querySelector('router-outlet') !== null;
    };
    expect(await show(false, '/box')).toBe(false);
    expect(frame.text()).toContain('Reading the rest of the records');
    expect(frame.host.querySelector('.tab[href="/tent"] .due')!.getAttribute('aria-label')).toBe('2 due');
    expect(await show(false, '/shelf?open=x')).toBe(true);
    expect(await show(false, '/v/G27')).toBe(false);
    expect(await show(true, '/box')).toBe(true);
    expect(frame.text()).not.toContain('Reading the rest');
  });

  it('shows a notice with its retry until it is closed', async () => {
    setup = await demoHouse(worker);
    const frame = await render(Frame);
    let retried = 0;
    TestBed.inject(Notices).show({
      text: 'Not saved: the disk is full.',
      isKept: true,
      about: 'a press',
      deed: { words: 'G1: Drain', atMs: Date.now() },
      retry: { word: 'Save again', act: () => retried++ },
    });
    await frame.settle();
    expect(frame.host.querySelector('[role=alert]')!.textContent).toContain('Not saved: the disk is full.');
    await frame.press('Save again');
    expect(retried).toBe(1);
    TestBed.inject(Notices).show({ text: 'Refused.', isKept: false, about: 'another' });
    await frame.settle();
    expect(frame.text()).toMatch(/G1: Drain\. Not saved: the disk is full\..*Refused\./);
    await frame.press('Let it go');
    await frame.press('Close');
    expect(frame.host.querySelector('[role=alert]')).toBeNull();
  });

  it('says that a part of a page failed, once, beside the rest', async () => {
    setup = await demoHouse(worker, FaultHandler);
    const frame = await render(Frame);
    const log = spyOn(console, 'error');
    const handler = TestBed.inject(FaultHandler);
    handler.handleError(new RangeError('Day must be between 0 and 400.'));
    handler.handleError(new RangeError('Day must be between 0 and 400.'));
    await frame.settle();
    expect(log).toHaveBeenCalledTimes(2);
    expect(frame.host.querySelectorAll('[role=alert]').length).toBe(1);
    expect(frame.text()).toContain('Something on this page failed: Day must be between 0 and 400.');
  });

  it('counts records that it cannot read, and leaves them where they are', async () => {
    setup = await demoHouse(worker);
    const before = await setup.db.rows('materials').count();
    await setup.lay('materials', { id: 'odd', densityGPerL: 'thick' });
    const frame = await render(Frame);
    await new Promise((resolve) => setTimeout(resolve, 200));
    await frame.fixture.whenStable();
    expect(frame.text()).toContain('1 record cannot be read by this version, so left out. Kept as stored.');
    expect(await setup.db.rows('materials').count()).toBe(before + 1);
  });

  it('follows a key to its place', async () => {
    setup = await demoHouse(worker);
    const frame = await render(Frame);
    document.dispatchEvent(new KeyboardEvent('keydown', { key: '4', cancelable: true }));
    await frame.settle();
    expect(TestBed.inject(Router).url).toBe('/shelf');
  });

  it('knows gloved work by its address', async () => {
    setup = await demoHouse(worker);
    const frame = await render(Frame);
    await TestBed.inject(Router).navigateByUrl('/box?work=G28:1*L12-1*2');
    await frame.settle();
    expect(frame.host.classList).toContain('in-work');
    await TestBed.inject(Router).navigateByUrl('/box');
    await frame.settle();
    expect(frame.host.classList).not.toContain('in-work');
  });
});

describe('a label’s link', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('goes on to the place, or says that nothing is called so', async () => {
    setup = await demoHouse();
    const open = await render(OpenCode, { name: 'B28-2' });
    const block = setup.house().batches.find((b) => b.code === 'B28')!.vessels[1]!;
    expect(TestBed.inject(Router).url).toBe(`/tent?open=${block.vessel.id}`);
    await open.set('name', 'G99');
    expect(open.text()).toContain('Nothing here is called G99.');
  });
});

describe('day and night', () => {
  it('is kept beside the screen, and the machine’s own where nothing was chosen', () => {
    const night = TestBed.inject(Night);
    night.choose('night');
    expect(document.documentElement.dataset['light']).toBe('night');
    expect(localStorage.getItem('nailwort-light')).toBe('night');
    night.choose('auto');
    expect(document.documentElement.dataset['light']).toBeUndefined();
    expect(night.light()).toBe('auto');
  });
});
