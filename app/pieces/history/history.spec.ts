import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { TestBed } from '@angular/core/testing';
import { isCulture, type EntryId, type EntryKind } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { demoHouse, type SpecHouse } from '../../testing/house';
import { render } from '../../testing/render';
import { CorrectEntry } from './correct-entry';
import { HistoryList } from './history-list';

describe('an entry of the record', () => {
  let setup: SpecHouse;
  let closed = 0;
  const data: { entryId?: EntryId } = {};

  beforeEach(async () => {
    closed = 0;
    setup = await demoHouse(
      { provide: MatDialogRef, useValue: { close: () => closed++ } },
      { provide: MAT_DIALOG_DATA, useValue: data },
    );
  });
  afterEach(() => setup.close());

  async function correct(kind: EntryKind, nth = -1) {
    const fact = setup
      .house()
      .facts.filter((f) => f.kind === kind)
      .at(nth)!;
    data.entryId = fact.id;
    return { fact, dialog: await render(CorrectEntry) };
  }
  const standing = (id: string) => setup.house().facts.find((f) => f.id === id);

  it('gets another time, and still says when it was first noted', async () => {
    const before = setup.house().cooks.at(-1)!.state.atPressureMs!;
    const { fact, dialog } = await correct('cookStep');
    await dialog.press('−2 min');
    expect(setup.house().cooks.at(-1)!.state.atPressureMs).toBe(before - 120_000);
    expect(standing(fact.id)!.notedAt).toBe(fact.notedAt);
    expect(closed).toBe(1);
    expect(dialog.text()).toContain('First noted');
  });

  it('refuses what is no date and changes nothing', async () => {
    const count = await setup.db.rows('entries').count();
    const { dialog } = await correct('cookStep');
    await dialog.fill('or type it', 'yesterday');
    await dialog.press('It was then');
    expect(dialog.text()).toContain('When must be a date and a time. Nothing was changed.');
    expect(await setup.db.rows('entries').count()).toBe(count);
  });

  it('gets another value: a harvest that was typed wrongly', async () => {
    const { fact, dialog } = await correct('harvested');
    await dialog.fill('Mass', '123');
    await dialog.press('Keep this instead');
    expect(standing(fact.id)).toEqual(
      jasmine.objectContaining({ massG: 123, notedAt: fact.notedAt }) as never,
    );
    expect(dialog.text()).toMatch(/as “.*harvested/);
  });

  it('gets another source: the wrong culture was named', async () => {
    const { fact, dialog } = await correct('inoculated');
    const [was, unit] = fact.kind === 'inoculated' ? [fact.sourceVesselIds[0], fact.doseUnit] : [];
    const other = [...setup.house().vesselById.values()].find(
      (v) =>
        v.vessel.id !== was && v.remainingUnit === unit && (unit === 'g' || isCulture(v)) && v.remaining > 0,
    )!;
    const words = [other.code, other.species?.name, other.isolate?.name].filter(Boolean).join(' ');
    await dialog.choose('From', words);
    await dialog.press('Keep this instead');
    const now = standing(fact.id)!;
    expect(now.kind === 'inoculated' && now.sourceVesselIds[0]).toBe(other.vessel.id);
  });

  it('keeps its value when what was typed cannot be true of it', async () => {
    const { fact, dialog } = await correct('harvested');
    await dialog.fill('Mass', '-5');
    await dialog.press('Keep this instead');
    expect(dialog.text()).toContain('That value cannot be true of this entry. Nothing was changed.');
    expect(standing(fact.id)).toEqual(fact);
  });

  it('is struck with what could not have happened without it, or not at all', async () => {
    const bore = [...setup.house().vesselById.values()].find((v) => v.state.harvests.length > 0)!;
    const sown = setup
      .house()
      .facts.find((f) => f.kind === 'inoculated' && f.vesselIds.includes(bore.vessel.id))!;
    data.entryId = sown.id;
    const dialog = await render(CorrectEntry);
    await dialog.press('Strike it');
    expect(dialog.text()).toMatch(/could not have happened:.*harvested/);
    await dialog.press('Leave it as it is');
    expect(standing(sown.id)).toBeDefined();
    await dialog.press('Strike it');
    await dialog.press('Strike them too');
    expect(standing(sown.id)).toBeUndefined();
    expect(setup.house().vesselById.get(bore.vessel.id)!.state.harvests).toEqual([]);
    // One press, so one undo.
    await TestBed.inject(Journal).undo();
    await dialog.settle();
    expect(standing(sown.id)).toBeDefined();
  });

  it('can be put back, whether it was struck or walked back', async () => {
    const { fact, dialog } = await correct('harvested');
    await dialog.press('Strike it');
    expect(standing(fact.id)).toBeUndefined();
    await dialog.press('Put it back');
    expect(standing(fact.id)).toBeDefined();
  });

  it('stands in the history with what was corrected', async () => {
    const { fact, dialog } = await correct('harvested');
    await dialog.fill('Mass', '99');
    await dialog.press('Keep this instead');
    const [vessel] = fact.kind === 'harvested' ? fact.vesselIds : [];
    const list = await render(HistoryList, { subject: { kind: 'vessel', id: vessel } });
    expect(list.text()).toMatch(/harvested, 99 g first noted as “.*g”/);
  });
});
