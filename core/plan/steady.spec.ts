import {
  USUAL_WEEK,
  blocksOf,
  howOften,
  openingsOf,
  openingsWishOf,
  planCook,
  steadySupply,
  type Steady,
  type SteadyWish,
  type Supper,
  type WeekPattern,
} from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const house = emptyHouse();
const kitchen = { house, nowMs: PLANNED_AT, horizonMs: PLANNED_AT + 183 * DAY, plan: planCook };
const weekly = (massG: number, everyDays = 7, over: Partial<Supper> = {}): SteadyWish => ({
  supper: wantedSupper({ massG, ...over }),
  everyDays,
});
const steadyOf = (wishes: readonly SteadyWish[], week: WeekPattern = USUAL_WEEK): Steady => {
  const steady = steadySupply(wishes, kitchen, week);
  if (steady === undefined || 'kind' in steady) {
    throw new Error('no supply');
  }
  return steady;
};

describe('how often a thing can be done', () => {
  it('is what fits between two times, one after the other', () => {
    const span = (from: number, to: number) => ({
      startMs: from * HOUR,
      endMs: to * HOUR,
      date: '',
      isDayOff: false,
    });
    const spans = { free: [span(0, 4), span(24, 26)], awake: [span(0, 5), span(24, 27)] };
    const task = (hands: number, watched: number) => ({
      key: 't',
      goal: 'g',
      after: [],
      parts: [
        { minutes: hands, within: 'free' as const, uses: [{ of: 'hands', share: 1 }] },
        { minutes: watched, within: 'awake' as const, uses: [{ of: 'pot', share: 1 }] },
      ],
    });
    // Hands are at the next while the pot is watched: four, and two.
    expect(howOften(task(60, 30), spans, 0, 48 * HOUR)).toBe(6);
    expect(howOften(task(60, 120), spans, 0, 48 * HOUR)).toBe(3);
    expect(howOften(task(300, 0), spans, 0, 48 * HOUR)).toBe(0);
  });
});

describe('a supply that goes on', () => {
  it('takes the blocks that a supper takes, week by week', () => {
    const wish = weekly(500);
    const blocks = blocksOf(openingsOf(openingsWishOf(wish.supper, house)));
    const steady = steadyOf([wish]);
    expect(steady.blocksPerWeek).toBe(blocks);
    expect(steadyOf([{ ...wish, everyDays: 14 }]).blocksPerWeek).toBe(blocks / 2);
    expect([steady.massGPerWeek, steady.culture.isolates, steady.culture.slants]).toEqual([500, 1, 2]);
  });

  it('asks for so many hours and so much grain as its steps do, by hand', () => {
    const wish = weekly(500);
    const steady = steadyOf([wish]);
    const steps = plannedIn(house, [wish.supper]).suppers[0]!.steps.filter((s) => s.kind !== 'getCulture');
    const minutes = steps.reduce(
      (sum, s) => sum + s.task.parts.filter((p) => p.within === 'free').reduce((m, p) => m + p.minutes, 0),
      0,
    );
    expect(steady.sums.handHours).toBeCloseTo(minutes / 60, 9);
    // Evenings of four hours, and two days of twelve.
    expect(steady.freeHours).toBe(5 * 4 + 2 * 12);
    const jars = steps.find((s) => s.kind === 'sowGrain')!.count;
    // A quart jar takes some 230 g of dry wheat.
    expect(steady.sums.grainG / jars).toBeGreaterThan(180);
    expect(steady.sums.grainG / jars).toBeLessThan(300);
    expect(steady.sums.fuel.g).toBeGreaterThan(0);
  });

  it('is limited by what is fullest, and twice as much fills twice as much', () => {
    const [once, twice] = [steadyOf([weekly(500)]), steadyOf([weekly(500), weekly(500)])];
    expect(twice.uses.map((u) => u.of)).toEqual(once.uses.map((u) => u.of));
    twice.uses.forEach((u, i) => {
      expect(u.share).toBeCloseTo(once.uses[i]!.share * 2, 9);
    });
    expect(once.mostG).toBeCloseTo(500 / once.uses[0]!.share, 6);
    expect(once.liftedG).toBeGreaterThanOrEqual(once.mostG);
    expect(
      steadyOf([weekly(500)], { ...USUAL_WEEK, weekdays: USUAL_WEEK.weekdays.map(() => []) }).uses[0]?.share,
    ).toBe(Infinity);
  });

  it('holds in the calendar as far as it is said to, and no farther', () => {
    const late = (massG: number, suppers: number) => {
      const all = Array.from({ length: suppers }, (_, i) =>
        wantedSupper({ key: `s${i}`, massG, byMs: PLANNED_AT + (124 + 7 * i) * DAY + 17 * HOUR }),
      );
      return plannedIn(house, all).suppers.filter((s) => s.lateDays > 0).length;
    };
    const { mostG } = steadyOf([weekly(400)]);
    expect(late(mostG * 0.5, 8)).toBe(0);
    expect(late(mostG * 2.5, 8)).toBeGreaterThan(0);
  }, 60_000);

  it('says which cooker is missing, and nothing of nothing', () => {
    expect(steadySupply([], kitchen, USUAL_WEEK)).toBeUndefined();
    const none = { ...kitchen, house: emptyHouse({ appliances: [] }) };
    expect(steadySupply([weekly(500)], none, USUAL_WEEK)).toEqual({ kind: 'noCooker', stage: 'bulk' });
  });
});
