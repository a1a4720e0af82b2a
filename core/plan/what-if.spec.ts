import {
  blocksOf,
  draftSuppers,
  kitchenIf,
  openingsOf,
  openingsWishOf,
  planCook,
  scheduleTasks,
  sumsOf,
  tasksIf,
  type Kitchen,
  type Supper,
  type WhatIf,
} from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const DAY = 86_400_000;
const house = emptyHouse();
const kitchen: Kitchen = { house, nowMs: PLANNED_AT, horizonMs: PLANNED_AT + 183 * DAY, plan: planCook };
const soon = [wantedSupper({ massG: 500, byMs: PLANNED_AT + 30 * DAY })];

function lateDays(whatIf: WhatIf | undefined, suppers: readonly Supper[]): number {
  const changed = whatIf === undefined ? { suppers, kitchen } : kitchenIf(whatIf, suppers, kitchen);
  const openings = changed.suppers.map((s) => openingsOf(openingsWishOf(s, house)));
  const { tasks } = draftSuppers(changed.suppers, openings, changed.kitchen);
  const { limits } = plannedIn(house, []);
  const schedule = scheduleTasks(whatIf === undefined ? tasks : tasksIf(whatIf, tasks, new Set()), limits);
  return Math.max(...schedule.lateMs.values()) / DAY;
}

describe('what if', () => {
  it('there were more spawn: blocks run sooner, and more jars are made', () => {
    expect(lateDays({ kind: 'moreSpawn' }, soon)).toBeLessThan(lateDays(undefined, soon));
    const jars = (k: Kitchen) =>
      draftSuppers(soon, [undefined], k).drafts[0]!.steps.find((s) => s.kind === 'sowGrain')!.count;
    const much = kitchenIf({ kind: 'moreSpawn' }, soon, kitchen).kitchen;
    // 25 % against 15 % of the wet block.
    expect(jars(much) / jars(kitchen)).toBeGreaterThan(1.3);
    expect(jars(much) / jars(kitchen)).toBeLessThan(2);
  });

  it('the room were colder: everything takes longer, by the same share', () => {
    const colder = kitchenIf({ kind: 'colderRoom' }, soon, kitchen).kitchen;
    expect(colder.pace).toBeLessThan(1);
    expect(colder.pace).toBeGreaterThan(0.5);
    expect(lateDays({ kind: 'colderRoom' }, soon)).toBeGreaterThan(lateDays(undefined, soon));
  });

  it('another species were grown: another chain, and no isolate of the first', () => {
    const own = [{ ...soon[0]!, isolateId: 'bp-alder' }];
    const changed = kitchenIf({ kind: 'species', speciesId: 'king-oyster' }, own, kitchen).suppers[0]!;
    expect([changed.speciesId, changed.isolateId]).toEqual(['king-oyster', undefined]);
  });

  it('there were a second cooker: two firings at once, where one was', () => {
    const suppers = [wantedSupper({ massG: 2500, byMs: PLANNED_AT + 150 * DAY })];
    const { tasks } = draftSuppers(suppers, [undefined], kitchen);
    const uses = (all: typeof tasks) =>
      all.flatMap((t) => t.parts.flatMap((p) => p.uses)).filter((u) => u.of.startsWith('cooker '));
    expect(uses(tasks).every((u) => u.share === 1)).toBeTrue();
    expect(
      uses(tasksIf({ kind: 'secondCooker' }, tasks, new Set())).every((u) => u.share === 0.5),
    ).toBeTrue();
    expect(lateDays({ kind: 'secondCooker' }, suppers)).toBeLessThanOrEqual(lateDays(undefined, suppers));
  });
});

describe('what steps take in all', () => {
  it('is what each takes; a shared cook burns once', () => {
    const [plan] = plannedIn(house, [wantedSupper()]).suppers;
    const sums = sumsOf(plan!.steps, house);
    const cooks = plan!.steps.filter((s) => s.load !== undefined);
    expect(sums.cooks.reduce((n, c) => n + c.count, 0)).toBe(cooks.length);
    const shared = sumsOf(
      plan!.steps.map((s) => (s === cooks[0] ? { ...s, with: cooks[1]!.key } : s)),
      house,
    );
    expect(shared.cooks.reduce((n, c) => n + c.count, 0)).toBe(cooks.length - 1);
    expect(shared.fuel.g).toBeLessThan(sums.fuel.g);
    expect(shared.handHours).toBe(sums.handHours);
    expect(blocksOf(plan!.openings)).toBeGreaterThan(0);
  });
});
