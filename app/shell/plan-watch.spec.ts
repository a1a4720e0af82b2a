import { TestBed } from '@angular/core/testing';
import { addDays, format } from 'date-fns';
import { isLate, type House } from '../../core/index';
import { PlannedDue } from '../data/store/planned-due';
import { Journal } from '../data/journal/journal';
import { AgreedPlans } from '../data/work/agreed-plans';
import { SupperPlanner } from '../data/work/supper-planner';
import { Wishes } from '../data/work/wishes';
import { worded } from '../data/words/due-words';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../testing/house';
import { render } from '../testing/render';
import { PlanWatch } from './plan-watch';

describe('what has changed of a plan', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  const day = (inDays: number) => format(addDays(Date.now(), inDays), 'yyyy-MM-dd');
  const isAgreed = (house: House) => house.records.wishes.some((w) => (w.agreed?.length ?? 0) > 0);
  const kingOyster = (inDays: number) =>
    TestBed.inject(Wishes).add({ speciesId: 'king-oyster', massG: 200, on: day(inDays), certainty: 'even' });
  const loseBlocks = () =>
    TestBed.inject(Journal).say({
      kind: 'discarded',
      vesselIds: setup
        .house()
        .batches.filter((b) => b.batch.stage === 'bulk' && b.species?.id === 'king-oyster')
        .flatMap((b) => b.vessels.filter((v) => v.state.phase === 'running').map((v) => v.vessel.id)),
      reason: 'contaminated',
    });

  it('is silent at first, tells a loss in one line, and is silent again once that is agreed to', async () => {
    setup = await demoHouse();
    for (const wish of setup.house().records.wishes) {
      await TestBed.inject(Wishes).change(wish.id, { isGone: true });
    }
    await kingOyster(90);
    const watch = await render(PlanWatch);
    await until(setup.store, (house) =>
      house.records.wishes.some((w) => (w.agreed?.[0]?.steps.length ?? 0) > 0),
    );
    expect(watch.text()).toBe('');
    await loseBlocks();
    await watch.until(
      /Plan\. B29-1 lost: Inoculate 2 quart jars \(.*G28.*\) from L12.*200 g of king oyster, \w{3} \d+ \w{3}, still holds\./,
    );
    // Until it is kept it is told: a page that is closed before would have forgotten that it was agreed to.
    const agree = spyOn(TestBed.inject(Wishes), 'agree');
    let isWritten = (_isKept: boolean): void => undefined;
    agree.and.returnValue(new Promise((resolve) => (isWritten = resolve)));
    await watch.press('Agree');
    expect(watch.text()).toContain('B29-1 lost');
    isWritten(false);
    await watch.settle();
    expect(watch.text()).toContain('B29-1 lost');
    agree.and.callThrough();
    await watch.press('Agree');
    for (let i = 0; i < 200 && watch.text() !== ''; i += 1) {
      await watch.settle();
    }
    expect(watch.text()).toBe('');
  });

  it('offers to settle for what is there in time, and that holds for that day alone', async () => {
    setup = await furnishedHouse();
    await kingOyster(150);
    await render(PlanWatch);
    await until(setup.store, isAgreed);
    const agreed = TestBed.inject(AgreedPlans);
    const plan = TestBed.inject(SupperPlanner).plan()!.suppers[0]!;
    await agreed.settleFor(plan, 120);
    await until(setup.store, (house) => house.records.wishes[0]?.agreed?.[0]?.massG === 120);
    for (
      let i = 0;
      i < 200 && TestBed.inject(SupperPlanner).plan()!.suppers[0]!.supper.massG !== 120;
      i += 1
    ) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      TestBed.tick();
    }
    expect(TestBed.inject(SupperPlanner).plan()!.suppers[0]!.supper.massG).toBe(120);
    expect(setup.house().records.wishes[0]?.massG).toBe(200);
    expect(agreed.news()).toEqual([]);
    await until(setup.store, (house) => house.records.wishes[0]?.agreed?.[0]?.massG === 120);
  });

  it('is among what is due, where something begins that nothing calls for yet', async () => {
    setup = await furnishedHouse();
    await kingOyster(10);
    await render(PlanWatch);
    await until(setup.store, isAgreed);
    const due = worded(TestBed.inject(PlannedDue).items());
    expect(due.map((d) => d.text)).toContain('Order a culture of king oyster');
    expect(due.some((d) => isLate(d, Date.now(), Date.now()))).toBeFalse();
  });
});
