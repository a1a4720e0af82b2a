import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { demoHouse, type SpecHouse } from '../testing/house';
import { render } from '../testing/render';
import { LABEL_SHEETS, labelsPerPage } from '../workers/label-sheets';
import { LabelsWorker } from '../workers/labels-client';
import { BlockDrawing } from './block-drawing';
import { CannerDrawing } from './canner-drawing';
import { CookCurve } from './cook-curve';
import { JarDrawing } from './jar-drawing';
import { LabelDialog } from './label-dialog';
import { Plaque } from './plaque';
import { RunLine } from './run-line';

describe('drawings', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('a jar fills to its line and marks its limit', async () => {
    setup = await demoHouse();
    const jar = await render(JarDrawing, { fill: 0.5, limit: 0.75 });
    const kernels = () => jar.host.querySelectorAll('ellipse').length;
    const half = kernels();
    await jar.set('fill', 0.75);
    expect(kernels()).toBeGreaterThan(half * 1.3);
    expect(jar.host.querySelector('.limit')).not.toBeNull();
  });

  it('a block shows pins, fruit or rest, and says which', async () => {
    setup = await demoHouse();
    const block = await render(BlockDrawing, { look: 'pins', label: 'B28-3, pins' });
    expect(block.host.querySelectorAll('circle').length).toBe(8);
    expect(block.host.querySelector('svg')!.getAttribute('aria-label')).toBe('B28-3, pins');
    await block.set('look', 'ripe');
    expect(block.host.querySelectorAll('.stem').length).toBe(1);
    await block.set('look', 'resting');
    expect(block.host.querySelector('.dotted')).not.toBeNull();
    expect(block.host.querySelectorAll('.stem, circle').length).toBe(0);
  });

  it('a plaque wears its code and its state', async () => {
    setup = await demoHouse();
    const plaque = await render(Plaque, { code: 'G27', tone: 'trouble' });
    expect(plaque.text()).toBe('G27');
    expect(plaque.host.querySelector('.code')!.classList).toContain('trouble');
  });

  it('a canner is drawn with three jars, for the eye only', async () => {
    setup = await demoHouse();
    const canner = await render(CannerDrawing);
    expect(canner.host.querySelectorAll('nw-vessel-glyph').length).toBe(3);
    expect(canner.host.querySelector('svg')!.getAttribute('aria-hidden')).toBe('true');
  });

  it('a run line puts what was, what is expected and now at their places in time', async () => {
    setup = await demoHouse();
    const model = {
      dots: [{ atMs: 0 }, { atMs: 50 }],
      bands: [{ fromMs: 80, toMs: 100, label: 'full 1 to 5 Dec', due: false }],
      words: 'G27, full 1 to 5 Dec',
    };
    const line = await render(RunLine, { model, seen: { fromMs: 0, toMs: 100 }, nowMs: 60 });
    const left = (selector: string) =>
      [...line.host.querySelectorAll<HTMLElement>(selector)].map((el) => el.style.left);
    expect(left('.dot')).toEqual(['0%', '50%']);
    expect(left('.band')).toEqual(['80%']);
    expect(left('.now')).toEqual(['60%']);
    expect(line.host.querySelector('.track')!.getAttribute('aria-label')).toBe('G27, full 1 to 5 Dec');
    const text = line.host.querySelector<HTMLElement>('.text')!;
    expect(text.classList).withContext('no room after its band').toContain('before');
    expect(text.style.right).toBe('20%');
    await line.set('nowMs', 500);
    expect(left('.now')).withContext('now is not on the line').toEqual([]);
    await line.set('seen', { fromMs: 0, toMs: 1000 });
    expect(left('.now')).toEqual(['50%']);
    expect(left('.after')).toEqual(['10%']);
    const label = (fromMs: number, words: string) => ({
      fromMs,
      toMs: fromMs + 10,
      label: words,
      due: false,
    });
    await line.set('model', { ...model, bands: [label(80, 'shake'), label(120, 'full')] });
    const words = () => [...line.host.querySelectorAll('.text')].map((el) => el.textContent);
    expect(words()).withContext('the next band would cover the first word').toEqual(['full']);
    await line.set('model', { ...model, bands: [label(80, 'shake'), label(400, 'full')] });
    expect(words()).toEqual(['shake', 'full']);
    await line.set('seen', { fromMs: 40, toMs: 1000 });
    expect(left('.dot').length).withContext('what was before is not at the edge').toBe(1);
    await line.set('seen', { fromMs: 40, toMs: 300 });
    expect(words()).withContext('what comes after is not at the edge').toEqual(['shake']);
    const cut = () =>
      ['from-before', 'goes-on'].map((side) => line.host.querySelectorAll(`.band.${side}`).length);
    expect(cut()).toEqual([0, 0]);
    await line.set('seen', { fromMs: 85, toMs: 300 });
    expect(cut()).toEqual([1, 0]);
    await line.set('seen', { fromMs: 85, toMs: 88 });
    expect(cut()).toEqual([1, 1]);
    await line.set('seen', { fromMs: 200, toMs: 300 });
    expect(words()).withContext('nothing lies on the line').toEqual(['full ›']);
    await line.set('seen', { fromMs: 600, toMs: 1000 });
    expect(words()).toEqual(['‹ full']);
    await line.set('model', { ...model, bands: [], next: { words: 'shake now', afterMs: 500, due: true } });
    expect(words()).toEqual(['‹ shake now']);
    await line.set('seen', { fromMs: 400, toMs: 1000 });
    expect(words()).toEqual(['shake now']);
  });

  it('the cook’s curve names each step in a row of its own, those ahead with a dotted line', async () => {
    setup = await demoHouse();
    const view = setup.house().cooks.at(-1)!;
    const curve = await render(CookCurve, { view, nowMs: Date.now() });
    const marks = [...curve.host.querySelectorAll<HTMLElement>('.mark')];
    expect(marks.map((m) => m.textContent.trim().replace(/^(about )?\d\d:\d\d /, ''))).toEqual([
      'Lid on',
      'Steam is steady',
      'Weight on',
      'At pressure',
      'Heat off',
      'Open',
    ]);
    expect(marks.map((m) => m.classList.contains('ahead'))).toEqual([false, false, false, false, true, true]);
    expect(new Set(marks.slice(0, 4).map((m) => m.style.top)).size).toBe(4);
    expect(curve.host.querySelector('[role=img]')!.getAttribute('aria-label')).toContain(
      'Chamber 119.8 °C. Lid on',
    );
    expect(curve.host.querySelector('canvas')).not.toBeNull();
    await curve.set('compact', true);
    expect(curve.host.querySelectorAll('.mark').length).toBe(0);
  });
});

describe('the label dialog', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  async function dialog() {
    setup = await demoHouse({
      provide: MAT_DIALOG_DATA,
      useFactory: () => {
        const { code, vessels } = setup.house().batches.find((b) => b.code === 'G26')!;
        return { title: code, vessels };
      },
    });
    return render(LabelDialog);
  }

  it('offers every sheet and draws one label a vessel', async () => {
    const label = await dialog();
    for (const sheet of LABEL_SHEETS) {
      await label.choose('Paper', sheet.words);
    }
    await label.choose('Paper', LABEL_SHEETS[0]!.words);
    expect(label.text()).toContain('7 labels: code, species, date, source, formula and a QR');
    const draw = spyOn(TestBed.inject(LabelsWorker), 'draw').and.resolveTo(new Uint8Array([37, 80, 68, 70]));
    spyOn(HTMLAnchorElement.prototype, 'click');
    await label.press('Save the PDF');
    const [labels, sheet, how] = draw.calls.mostRecent().args;
    expect(labels.map((l) => l.code)).toEqual([
      'G26-1',
      'G26-2',
      'G26-3',
      'G26-4',
      'G26-5',
      'G26-6',
      'G26-7',
    ]);
    expect(labels[0]!.link).toMatch(/\/demo\/v\/[0-9a-f-]{36}$/);
    expect(sheet.id).toBe('a4-24');
    expect(how).toEqual({ byHand: false, first: 1 });
  });

  it('draws the chosen ones, from any place of the sheet, by weeks', async () => {
    const label = await dialog();
    const draw = spyOn(TestBed.inject(LabelsWorker), 'draw').and.resolveTo(new Uint8Array([37, 80, 68, 70]));
    spyOn(HTMLAnchorElement.prototype, 'click');
    await label.press('None of them');
    expect((label.button('Save the PDF') as HTMLButtonElement).disabled).toBeTrue();
    await label.press(/^3 ?$/);
    await label.press(/^5 ?$/);
    await label.fill('First free label', '25');
    await label.press('Save the PDF');
    expect(label.text()).toContain('First label must be a whole number between 1 and 24. You gave 25.');
    expect(draw).not.toHaveBeenCalled();
    await label.fill('First free label', '7');
    label.host.querySelectorAll<HTMLElement>('mat-checkbox input')[1]!.click();
    await label.press('Save the PDF');
    const [labels, , how] = draw.calls.mostRecent().args;
    expect(labels.map((l) => l.code)).toEqual(['G26-3', 'G26-5']);
    expect(labels[0]!.sown).toMatch(/^inoc\. week \d+, \d{4} from L7-1$/);
    expect(how.first).toBe(7);
  });

  it('says what to do when they cannot be drawn', async () => {
    const label = await dialog();
    spyOn(TestBed.inject(LabelsWorker), 'draw').and.rejectWith(new Error('no memory'));
    await label.press('Save the PDF');
    expect(label.text()).toContain(
      'The labels could not be drawn: no memory. Try again, or write them by hand.',
    );
    expect(label.has('Save the PDF')).toBe(true);
  });
});

describe('the label sheets', () => {
  it('fit their pages', () => {
    for (const sheet of LABEL_SHEETS) {
      expect(sheet.marginMm[0] + sheet.columns * sheet.labelMm[0])
        .withContext(sheet.id)
        .toBeLessThanOrEqual(sheet.pageMm[0] + 0.01);
      expect(labelsPerPage(sheet)).toBe(
        Number(sheet.id.split('-')[1]) === 62 ? 1 : Number(sheet.id.split('-')[1]),
      );
    }
  });
});
