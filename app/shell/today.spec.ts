import { computed, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { startOfDay } from 'date-fns';
import { dueItems, isLate } from '../../core/index';
import { worded } from '../data/words/due-words';
import type { ReadyHouse } from '../data/store/ready-house';
import { openedIn } from '../data/views/opened';
import { demoHouse, furnishedHouse, type SpecHouse } from '../testing/house';
import { render } from '../testing/render';
import { Day } from './day';
import { Find } from './find';
import { KeyList } from './key-list';
import { Keys } from '../data/devices/keys';
import { Today } from './today';

describe('the Today line', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  function dueNow() {
    const now = Date.now();
    const due = worded(dueItems(setup.house(), now));
    return { due, late: due.filter((d) => isLate(d, now, startOfDay(now).getTime())) };
  }

  it('shows what is due with its place, and the last entry with its undo', async () => {
    setup = await demoHouse();
    const today = await render(Today, dueNow());
    expect(today.text()).toContain('Harvest B28-2');
    expect(today.text()).toContain('Heat off, cook 14');
    expect(today.text()).toContain('cook 14: At pressure');
    await today.press('Undo');
    expect(today.text()).toContain('Taken back: cook 14: At pressure');
    expect(setup.house().cooks.at(-1)!.state.phase).toBe('comingUp');
    await today.press('Put back');
    expect(setup.house().cooks.at(-1)!.state.phase).toBe('holding');
  });

  it('says that nothing is due', async () => {
    setup = await furnishedHouse();
    const today = await render(Today, dueNow());
    expect(today.text()).toContain('Nothing due today.');
    expect(today.has('Undo')).toBe(false);
  });

  it('cuts no word: what does not fit is counted', async () => {
    setup = await demoHouse();
    const today = await render(Today, dueNow());
    document.body.append(today.host);
    today.host.style.width = '420px';
    await today.settle();
    await new Promise((resolve) => setTimeout(resolve, 100));
    const line = today.host.querySelector('.line')!.getBoundingClientRect();
    const shown = [...today.host.querySelectorAll<HTMLElement>('.item:not(.hidden)')];
    shown.forEach((item) => expect(item.getBoundingClientRect().right).toBeLessThanOrEqual(line.right + 1));
    expect(shown.length).toBeLessThan(today.host.querySelectorAll('.item').length);
    today.host.remove();
  });

  describe('its dialogs', () => {
    let closed: number;
    const ref = { provide: MatDialogRef, useValue: { close: () => closed++ } };
    beforeEach(() => {
      closed = 0;
    });

    it('Find knows codes and words, and says where a thing is', async () => {
      setup = await demoHouse(ref);
      const find = await render(Find);
      await find.type('input', 'g27-3');
      expect(find.button(/^G27-3 /).textContent).toContain('Shelf');
      await find.type('input', 'king');
      expect(find.text()).toContain('King oyster');
      await find.type('input', 'zzzz');
      expect(find.text()).toContain('Nothing is called that.');
      await find.type('input', 'B28');
      await find.press(/^B28 /);
      expect(closed).toBe(1);
    });

    it('Find keeps what was asked of it until the records are read, and says that they are not', async () => {
      setup = await demoHouse(ref);
      const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
      const opened = setup.store.ready()!;
      const shown = signal<ReadyHouse | undefined>({
        ...opened,
        house: { ...opened.house, batches: [] },
        isWhole: false,
      });
      spyOn(setup.store, 'ready').and.callFake(shown);
      spyOn(setup.store, 'house').and.callFake(computed(() => shown()?.house));
      const find = await render(Find);
      const enter = () => {
        find.host.querySelector('form')!.requestSubmit();
      };
      await find.type('input', 'B28-2');
      expect(find.text()).toContain('The records are still being read.');
      enter();
      await find.type('input', 'B28-3');
      shown.set({ ...opened, isWhole: false });
      await find.settle();
      expect(find.button(/^B28-3 /)).toBeTruthy();
      enter();
      await find.settle();
      expect(closed).toBe(0);
      shown.set(opened);
      await find.settle();
      const wanted = openedIn(opened.house, 'B28-3')!.vessel!.vessel.id;
      expect(go.calls.allArgs() as unknown[]).toEqual([[['/v', wanted]]]);
      expect(closed).toBe(1);
      expect(find.text()).not.toContain('still being read');
    });

    it('Find knows formulas and materials too, these by their other names', async () => {
      setup = await furnishedHouse(ref);
      const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
      const find = await render(Find);
      await find.type('input', 'milo');
      await find.press(/Sorghum/);
      expect(go).toHaveBeenCalledWith(['/desk/materials'], { queryParams: { open: 'sorghum' } });
      await find.type('input', 'soy hull');
      expect(find.text()).toMatch(/Hardwood and soy hull ?formula/);
      await find.press(/Hardwood and soy hull/);
      expect(go).toHaveBeenCalledWith(['/desk'], { queryParams: { formula: 'hardwood-hull' } });
    });

    it('the day groups by place, late things named as late', async () => {
      const data = { due: [], late: [] } as { due: unknown; late: unknown };
      setup = await demoHouse(ref, { provide: MAT_DIALOG_DATA, useValue: data });
      Object.assign(data, dueNow());
      const day = await render(Day);
      const heads = [...day.host.querySelectorAll('h3')].map((h) => h.textContent);
      expect(heads).toEqual(['Stove', 'Shelf', 'Tent']);
    });

    it('the keys are listed with what they do', async () => {
      setup = await furnishedHouse(ref);
      TestBed.inject(Keys).add([{ key: 'u', words: 'Undo the last entry', act: () => undefined }]);
      const list = await render(KeyList);
      expect(list.text()).toMatch(/u ?Undo the last entry/);
    });
  });
});
