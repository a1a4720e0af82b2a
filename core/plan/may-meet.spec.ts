import { mayMeet, shippedDefinitions } from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const DAY = 86_400_000;

describe('steps that wait for what grows as it will', () => {
  const apart = (days: number, speciesId = 'black-poplar') => {
    const wanted = [0, days].map((d, i) =>
      wantedSupper({
        key: `wish${i}`,
        massG: 300,
        byMs: PLANNED_AT + (120 + d) * DAY,
        speciesId: i === 0 ? 'black-poplar' : speciesId,
      }),
    );
    const { suppers } = plannedIn(emptyHouse(), wanted);
    expect(suppers.every((s) => s.lateDays === 0)).toBeTrue();
    return { suppers, meets: mayMeet(suppers) };
  };
  const spawningOf = ({ suppers }: ReturnType<typeof apart>, i: number) =>
    suppers[i]!.steps.find((s) => s.kind === 'spawnBlocks')!;

  it('may be ready on the same days as those of another wish, and each of the two says so', () => {
    const week = apart(7);
    const [first, second] = [spawningOf(week, 0), spawningOf(week, 1)];
    // By hand: a jar of black poplar runs full between the low and the high of what ships, from when it was sown.
    const { low, high } = shippedDefinitions().species.find((s) => s.id === 'black-poplar')!.grainFullDay;
    const sown = week.suppers.map((s) => s.steps.find((t) => t.kind === 'sowGrain')!.slot.endMs);
    expect(
      sown[0]! + low * DAY < sown[1]! + high * DAY && sown[1]! + low * DAY < sown[0]! + high * DAY,
    ).toBeTrue();
    expect(week.meets.get(first.key)).toContain(second);
    expect(week.meets.get(second.key)).toContain(first);
  });

  it('meet nothing months apart, nor within one wish', () => {
    expect(apart(60).meets.size).toBe(0);
    const { suppers } = plannedIn(emptyHouse(), [wantedSupper()]);
    expect(suppers[0]!.steps.some((s) => s.ranges.size > 0)).toBeTrue();
    expect(mayMeet(suppers).size).toBe(0);
  });

  it('meet nothing where neither needs what the other takes', () => {
    const { suppers } = apart(7);
    const bare = suppers.map((s) => ({
      ...s,
      steps: s.steps.map((t) => ({ ...t, task: { ...t.task, parts: [] } })),
    }));
    expect(mayMeet(bare).size).toBe(0);
  });
});
