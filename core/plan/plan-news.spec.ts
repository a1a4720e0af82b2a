import {
  agreedPlanOf,
  buildHouse,
  byHandOf,
  hollinRow,
  isOtherThan,
  keptUpToDate,
  newsOf,
  type AgreedPlan,
  type Entry,
  type House,
  type Records,
  type SupperPlan,
} from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const ON = '2027-02-14';

const records: Records = hollinRow(PLANNED_AT, PLANNED_AT);
/** Two blocks, of which one runs already, and time enough for the other. */
const supper = wantedSupper({
  key: `wish ${ON}`,
  speciesId: 'king-oyster',
  massG: 200,
  byMs: PLANNED_AT + 78 * DAY + 17 * HOUR,
});
const planOf = (house: House): SupperPlan => plannedIn(house, [supper]).suppers[0]!;
const told = (entry: Partial<Entry>): House =>
  buildHouse({
    ...records,
    entries: [
      ...records.entries,
      {
        id: '00000000-0000-4000-8000-000000000001',
        schemaVersion: 1,
        at: new Date(PLANNED_AT).toISOString(),
        ...entry,
      } as Entry,
    ],
  });

describe('a plan that was agreed to', () => {
  const house = buildHouse(records);
  const plan = planOf(house);
  const agreed = agreedPlanOf(plan, ON, house);
  const counted = agreed.counted.map((c) => house.vesselById.get(c.vesselId as never)!);

  it('says nothing while nothing has changed', () => {
    expect(plan.lateDays).toBe(0);
    expect(counted.some((v) => v.batch.stage === 'grain')).toBeTrue();
    expect(newsOf(agreed, plan, house, PLANNED_AT)).toBeUndefined();
    expect(isOtherThan(agreed, keptUpToDate(agreed, plan, house))).toBeFalse();
  });

  it('says which block was lost, and what is to be made instead', () => {
    const block = counted.find((v) => v.batch.stage === 'bulk')!;
    // Another of the same kind would take its place.
    const vesselIds = house.batchById.get(block.batch.id)!.vessels.map((v) => v.vessel.id);
    for (const entry of [
      { kind: 'discarded', vesselIds, reason: 'contaminated' },
      { kind: 'inspected', vesselIds, suspect: 'greenMold' },
    ] satisfies Partial<Entry>[]) {
      const after = told(entry);
      const news = newsOf(agreed, planOf(after), after, PLANNED_AT)!;
      expect(news.causes.map((c) => c.kind === 'lost' && c.view.code)).toEqual([block.code]);
      expect(
        news.effects.some((e) => e.step.kind === 'spawnBlocks' || e.step.kind === 'sowGrain'),
      ).toBeTrue();
      expect(news.lateDaysBefore).toBe(0);
    }
  });

  it('does not call lost what has done its work', () => {
    const jar = counted.find((v) => v.batch.stage === 'grain')!.vessel.id;
    const spent = told({ kind: 'discarded', vesselIds: [jar], reason: 'spent' });
    expect(newsOf(agreed, planOf(spent), spent, PLANNED_AT)?.causes ?? []).toEqual([]);
  });

  it('says by how many days what it counts on is slow', () => {
    const early: AgreedPlan = {
      ...agreed,
      steps: agreed.steps.map((s) => ({ ...s, at: new Date(Date.parse(s.at) - 5 * DAY).toISOString() })),
      counted: agreed.counted.map((c) => ({
        ...c,
        ...(c.readyAt !== undefined && { readyAt: new Date(Date.parse(c.readyAt) - 4 * DAY).toISOString() }),
      })),
    };
    const running = agreed.counted.filter((c) => c.readyAt !== undefined);
    const slow = newsOf(early, plan, house, PLANNED_AT)!.causes.filter((c) => c.kind === 'slow');
    expect(running.length).toBeGreaterThan(0);
    expect(slow.map((c) => c.days)).toEqual(running.map(() => 4));
  });

  it('says which cooker takes what was to be cooked in another, also where no step moves for it', () => {
    const { appliances } = emptyHouse().records;
    const wanted = wantedSupper({ key: `wish ${ON}` });
    const first = emptyHouse({ appliances });
    const [was] = plannedIn(first, [wanted]).suppers;
    const { appliance } = was!.steps.find((s) => s.load !== undefined)!.load!;
    const other = { ...appliance, id: 'other', name: 'Other cooker' };
    // Of two alike the first is taken: what took it before is cooked in the other now.
    const both = emptyHouse({ appliances: [other, ...appliances] });
    const [is] = plannedIn(both, [wanted]).suppers;
    const before = agreedPlanOf(was!, ON, first);
    const news = newsOf(before, is!, both, PLANNED_AT)!;
    expect(news.effects.length).toBeGreaterThan(0);
    expect(
      news.effects.every((e) => e.kind === 'elsewhere' && e.step.load!.appliance.id === 'other'),
    ).toBeTrue();
    const out = { from: new Date(PLANNED_AT).toISOString(), until: new Date(PLANNED_AT + DAY).toISOString() };
    const repaired = emptyHouse({
      appliances: [other, ...appliances.map((a) => ({ ...a, outOfOrder: out }))],
    });
    expect(newsOf(before, is!, repaired, PLANNED_AT)!.causes).toEqual([
      { kind: 'out', name: appliance.name, untilMs: PLANNED_AT + DAY },
    ]);
    // Who agreed before it was kept which one, is told nothing of it.
    const unnamed = before.steps.map(({ applianceId: _, ...step }) => step);
    expect(newsOf({ ...before, steps: unnamed }, is!, both, PLANNED_AT)).toBeUndefined();
    expect(newsOf(agreedPlanOf(is!, ON, both), is!, both, PLANNED_AT)).toBeUndefined();
  });

  it('says what was to be done by now and is not', () => {
    const [first] = plan.steps;
    const past = new Date(PLANNED_AT - 2 * DAY).toISOString();
    const missed: AgreedPlan = {
      ...agreed,
      steps: agreed.steps.map((s, i) => (i === 0 ? { ...s, at: past } : s)),
    };
    const news = newsOf(missed, plan, house, PLANNED_AT)!;
    expect(news.causes).toEqual([{ kind: 'missed', step: missed.steps[0]! }]);
    expect(news.effects).toEqual([{ kind: 'moved', step: first! }]);
  });

  it('says what is there in time where new blocks come too late', () => {
    const soon = { ...supper, massG: 2000, byMs: PLANNED_AT + 30 * DAY };
    const late = plannedIn(house, [soon]).suppers[0]!;
    const before: AgreedPlan = { ...agreedPlanOf(late, ON, house), lateDays: 0 };
    const news = newsOf(before, late, house, PLANNED_AT)!;
    expect(late.lateDays).toBeGreaterThan(0);
    expect(news.lateDaysBefore).toBe(0);
    expect(news.inTimeG ?? 0).toBeLessThan(2000);
  });
});

describe('a step that somebody put on a time', () => {
  it('stays there in every plan to come, with what waits for it after it', () => {
    const house = emptyHouse();
    const wish = wantedSupper({ key: `wish ${ON}` });
    const plan = plannedIn(house, [wish]).suppers[0]!;
    const cook = plan.steps.find((s) => s.kind === 'cookBlocks')!;
    const agreed = agreedPlanOf(
      { ...plan, steps: plan.steps.map((s) => (s === cook ? { ...s, isByHand: true } : s)) },
      ON,
      house,
    );
    const sooner: AgreedPlan = {
      ...agreed,
      steps: agreed.steps.map((s) =>
        s.byHand === true ? { ...s, at: new Date(Date.parse(s.at) - 3 * DAY).toISOString() } : s,
      ),
    };
    const chosen = byHandOf(sooner, wish.key);
    expect(chosen).toEqual([{ key: cook.key, atMs: cook.slot.startMs - 3 * DAY }]);
    const again = plannedIn(house, [wish], undefined, chosen);
    const [fill, moved] = ['mixBlocks', 'cookBlocks'].map((kind) =>
      again.suppers[0]!.steps.find((s) => s.kind === kind && s.key.endsWith(cook.key.slice(-1)))!,
    );
    // What is filled goes into the cooker at once, so that both come sooner, on the evening of that day.
    expect(fill!.isByHand).toBeTrue();
    expect(Math.abs(moved!.slot.startMs - (cook.slot.startMs - 3 * DAY))).toBeLessThan(DAY);
    expect(again.schedule.broken).toEqual([]);
  });

  it('makes late what waits for it, where it is put too late, and says so', () => {
    const house = emptyHouse();
    const wish = wantedSupper({ key: `wish ${ON}` });
    const plan = plannedIn(house, [wish]).suppers[0]!;
    const spawn = plan.steps.find((s) => s.kind === 'spawnBlocks')!;
    const again = plannedIn(house, [wish], undefined, [
      { key: spawn.key, atMs: spawn.slot.startMs + 14 * DAY },
    ]);
    const [late] = again.suppers;
    expect(late!.lateDays > 0 || again.schedule.broken.length > 0).toBeTrue();
    expect(late!.binding).toBeUndefined();
  });
});
