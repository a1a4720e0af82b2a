import {
  buildHouse,
  couldBe,
  draftSuppers,
  hollinRow,
  planCook,
  scheduleTasks,
  tasksOf,
  type House,
  type Kitchen,
  type Supper,
} from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const DAY = 86_400_000;
const kitchenOf = (house: House): Kitchen => ({
  house,
  nowMs: PLANNED_AT,
  horizonMs: PLANNED_AT + 183 * DAY,
  plan: planCook,
});
const forward = (house: House, suppers: readonly Supper[] = []) => {
  const kitchen = kitchenOf(house);
  return couldBe(
    draftSuppers(
      suppers,
      suppers.map(() => undefined),
      kitchen,
    ).there,
    kitchen,
  );
};

describe('what could be made of what is here', () => {
  const house = buildHouse(hollinRow(PLANNED_AT, PLANNED_AT));

  it('is nothing where nothing is', () => {
    expect(forward(emptyHouse())).toEqual([]);
  });

  it('takes blocks and spawn that are there, and asks for no new culture', () => {
    const all = forward(house);
    expect(all.map((c) => c.species.id)).toContain('black-poplar');
    for (const could of all) {
      expect(could.steps.flatMap((s) => s.from).length)
        .withContext(could.species.id)
        .toBeGreaterThan(0);
      expect(could.steps.map((s) => s.kind))
        .withContext(could.species.id)
        .not.toContain('getCulture');
      expect(could.middleG).toBeGreaterThan(0);
    }
    const spawn = all.find((c) => c.species.id === 'black-poplar')!.steps;
    expect(spawn.some((s) => s.kind === 'sowGrain')).toBeFalse();
  });

  it('leaves out what plans take', () => {
    const wanted = wantedSupper({ speciesId: 'king-oyster', massG: 400, byMs: PLANNED_AT + 80 * DAY });
    const kitchen = kitchenOf(house);
    const { drafts, there } = draftSuppers([wanted], [undefined], kitchen);
    const taken = drafts[0]!.steps.flatMap((s) => s.from.filter((f) => f.left === 0).map((f) => f.view.code));
    const others = couldBe(there, kitchen).flatMap((c) =>
      c.steps.flatMap((s) => s.from.map((f) => f.view.code)),
    );
    expect(taken.length).toBeGreaterThan(0);
    expect(others.filter((code) => taken.includes(code))).toEqual([]);
    const free = forward(house).flatMap((c) => c.steps.flatMap((s) => s.from.map((f) => f.view.code)));
    expect(free.some((code) => taken.includes(code))).toBeTrue();
  });

  it('can be had as soon as its steps allow', () => {
    const all = forward(house);
    const { lateMs } = scheduleTasks(tasksOf(all), plannedIn(house, []).limits);
    const days = all.map((c) => lateMs.get(c.supper.key)! / DAY);
    expect(days.every((d) => d > 10 && d < 183))
      .withContext(String(days))
      .toBeTrue();
  });
});
