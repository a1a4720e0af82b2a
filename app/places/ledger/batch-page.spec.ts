import { differenceInCalendarDays } from 'date-fns';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { resolveFormula, scaleFormula } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { demoHouse, until, type SpecHouse } from '../../testing/house';
import { render } from '../../testing/render';
import { Notices } from '../../data/store/notices';
import { CorrectCulture } from '../../pieces/correct-culture';
import { BatchPage } from './batch-page';
import { DayHistory } from './day-history';

describe('the page of a batch', () => {
  let setup: SpecHouse;
  beforeEach(async () => {
    setup = await demoHouse();
    const { formulas, materials, vesselTypes } = setup.house().records;
    const wheat = formulas.find((f) => f.id === 'wheat-spawn')!;
    const formula = resolveFormula(wheat, materials);
    const vessel = vesselTypes.find((v) => v.id === 'quart-jar')!;
    await TestBed.inject(Journal).makeBatch(formula, scaleFormula(formula, { vessel, count: 1 }));
    await until(setup.store, (h) => h.batches.some((b) => b.vessels[0]!.state.phase === 'planned'));
  });
  afterEach(() => setup.close());

  const inPhase = (phase: string) =>
    setup
      .house()
      .batches.flatMap((b) => b.vessels)
      .find((v) => v.state.phase === phase)!;
  const now = (id: string) => setup.house().vesselById.get(id as never)!.state;

  for (const [phase, press, because] of [
    ['planned', 'cracked', 'cracked'],
    ['running', 'eaten by mice', 'eatenByMice'],
    ['opened', 'given away', 'givenAway'],
  ] as const) {
    it(`gives a vessel that is ${phase} an end`, async () => {
      const vessel = inPhase(phase);
      const page = await render(BatchPage, { name: vessel.vessel.id });
      await page.press('More with');
      await page.press('Taken out …');
      await page.press(press);
      expect(now(vessel.vessel.id)).toEqual(
        jasmine.objectContaining({ phase: 'gone', goneBecause: because }) as never,
      );
      expect(page.text()).toContain(`${vessel.code}: ${press}`);
    });
  }

  it('takes a suspicion and a note of an opened block, and of a jar that was never cooked', async () => {
    for (const phase of ['opened', 'planned']) {
      const vessel = inPhase(phase);
      const page = await render(BatchPage, { name: vessel.vessel.id });
      await page.type('nw-vessel-inspector textarea', 'a spot at the rim');
      await page.press('Suspect');
      await page.press(/G green mold/);
      expect(now(vessel.vessel.id).suspect).withContext(phase).toBe('greenMold');
      expect(now(vessel.vessel.id).notes.at(-1)!.text).toBe('a spot at the rim');
    }
  });

  it('notes something of the batch and of its culture', async () => {
    const culture = setup.house().batches.find((b) => b.batch.isolateId !== undefined)!;
    const page = await render(BatchPage, { name: culture.code });
    const [batch, isolate] = page.host.querySelectorAll('nw-note-form');
    expect(isolate).toBeDefined();
    const area = batch!.querySelector('textarea')!;
    area.value = 'from the spring';
    area.dispatchEvent(new Event('input', { bubbles: true }));
    await page.settle();
    batch!.querySelector<HTMLButtonElement>('button')!.click();
    await page.settle();
    expect(
      setup
        .house()
        .batchById.get(culture.batch.id)!
        .notes.map((n) => n.note),
    ).toEqual(['from the spring']);
    expect(area.value).toBe('');
  });

  it('puts a whole batch away, which is no longer due', async () => {
    const vessel = inPhase('planned');
    const page = await render(BatchPage, { name: vessel.batch.id });
    await page.press(`Put ${vessel.batchCode} away`);
    const view = setup.house().batchById.get(vessel.batch.id)!;
    expect(view.vessels.every((v) => v.state.phase === 'gone')).toBeTrue();
    expect(view.putAwayAt).toBeDefined();
    expect(page.has(`Put ${vessel.batchCode} away`)).toBeFalse();
  });

  it('says that nothing is called so', async () => {
    expect((await render(BatchPage, { name: 'G99' })).text()).toContain('Nothing here is called G99.');
  });
});

describe('what came, corrected', () => {
  it('is never less than was taken of it, and can be taken back', async () => {
    const plate = (setup: SpecHouse) => setup.house().batches.find((b) => b.code === 'A3')!;
    const setup: SpecHouse = await demoHouse(
      { provide: MAT_DIALOG_DATA, useFactory: () => plate(setup).batch.id },
      { provide: MatDialogRef, useValue: { close: () => undefined } },
    );
    const { amount } = plate(setup).batch.holds!;
    const taken = amount - plate(setup).vessels[0]!.remaining;
    expect(taken).toBeGreaterThan(1);
    const dialog = await render(CorrectCulture);
    await dialog.fill('Wedges in each', String(taken - 1));
    await dialog.press('That is what came');
    expect(TestBed.inject(Notices).shown()[0]!.text).toContain('In each when it came must be between');
    expect(plate(setup).batch.holds!.amount).toBe(amount);
    await dialog.fill('Wedges in each', String(taken + 1));
    await dialog.choose('How it came', 'swapped');
    await dialog.fill('Transfers before', '2');
    await dialog.fill('From whom', '');
    await dialog.press('That is what came');
    expect(plate(setup).vessels[0]!.remaining).toBeCloseTo(1, 9);
    expect(plate(setup).batch.origin).toEqual(jasmine.objectContaining({ how: 'swap', transfers: 2 }));
    await TestBed.inject(Journal).undo();
    await dialog.settle();
    expect(plate(setup).batch.holds!.amount).toBe(amount);
    await setup.close();
  });
});

describe('the history of a day', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('says of what is no day that it is none, once the field was left', async () => {
    setup = await demoHouse();
    const day = await render(DayHistory);
    await day.fill('Day', 'yesterday');
    day.field('Day').dispatchEvent(new Event('blur'));
    await day.settle();
    expect(day.text()).toContain('Day is a day, like 24 Oct 2026.');
    expect(day.field('Day').getAttribute('aria-invalid')).toBe('true');
  });

  it('lists what was noted, goes back a day, and takes a note', async () => {
    setup = await demoHouse();
    const day = await render(DayHistory);
    expect(day.text()).toContain('Today');
    await day.type('textarea', 'a hot day');
    await day.press('Save the note');
    expect(day.text()).toContain('“a hot day”');
    // After midnight the cook that is on began on the day before.
    const lidOnMs = setup.house().cooks.at(-1)!.state.lidOnMs!;
    for (let n = differenceInCalendarDays(Date.now(), lidOnMs); n > 0; n--) {
      await day.press('Before');
    }
    expect(day.text()).toContain('cook 14: Lid on');
    await day.press('Before');
    expect(day.text()).not.toContain('cook 14: Lid on');
    expect(day.text()).not.toContain('a hot day');
  });
});
