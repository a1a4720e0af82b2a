import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { startOfDay } from 'date-fns';
import { dueItems, isLate } from '../../core/index';
import { worded } from '../data/words/due-words';
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
