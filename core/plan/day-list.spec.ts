import { dayList, doableNow, draftSuppers, openingsOf, openingsWishOf, planCook } from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const MINUTE = 60_000;
const DAY = 1440 * MINUTE;
const house = emptyHouse();

describe('the list of a day', () => {
  const { suppers } = plannedIn(house, [wantedSupper()]);
  const cook = suppers[0]!.steps.find((s) => s.kind === 'cookBlocks')!;
  const fromMs = Math.floor(cook.slot.startMs / DAY) * DAY;
  const list = dayList(suppers, fromMs, fromMs + DAY);

  it('holds each step of that day with its place, and what of it hands are at', () => {
    const today = suppers[0]!.steps.filter((s) => s.slot.startMs < fromMs + DAY && s.slot.endMs > fromMs);
    expect(list.steps.map((s) => s.step.key)).toEqual(today.map((s) => s.key));
    const firing = list.steps.find((s) => s.step === cook)!;
    expect([firing.place, firing.stretches.map((t) => t.attention)]).toEqual([
      'stove',
      ['hands', 'watched', 'alone'],
    ]);
    expect(firing.stretches[0]!.startMs).toBe(cook.slot.startMs);
    expect(firing.stretches.at(-1)!.endMs).toBe(cook.slot.endMs);
  });

  it('tells when hands are free between two pieces of work, and never while they are not', () => {
    const work = list.steps.flatMap((s) => s.stretches.filter((t) => t.attention === 'hands'));
    for (const gap of list.gaps) {
      expect(work.some((t) => t.startMs < gap.endMs && t.endMs > gap.startMs)).toBeFalse();
      expect(gap.endMs - gap.startMs).toBeGreaterThanOrEqual(10 * MINUTE);
    }
    const two = [0, 1].map((i) =>
      wantedSupper({ key: `s${i}`, massG: 300, byMs: PLANNED_AT + (150 + i) * DAY }),
    );
    const all = dayList(plannedIn(house, two).suppers, PLANNED_AT, PLANNED_AT + 183 * DAY);
    expect(all.gaps.length).toBeGreaterThan(5);
  });

  it('is empty on a day on which nothing is planned', () => {
    expect(dayList(suppers, PLANNED_AT - DAY, PLANNED_AT)).toEqual({ steps: [], gaps: [] });
  });
});

describe('what can be done right now', () => {
  it('is what waits for nothing, goes on in that time, and makes nothing late or stale', () => {
    const suppers = [wantedSupper()];
    const plan = plannedIn(house, suppers);
    const kitchen = { house, nowMs: PLANNED_AT, horizonMs: plan.limits.horizonMs, plan: planCook };
    const drafts = draftSuppers(suppers, [openingsOf(openingsWishOf(suppers[0]!, house))], kitchen);
    const doable = (minutes: number) => doableNow({ ...plan, drafts }, minutes).map((d) => d.step.kind);
    // A culture can be ordered any day; a soak begun months before its grain is sown would spoil.
    expect(doable(40)).toEqual(['getCulture']);
    expect(doable(5)).toEqual([]);
  });
});
