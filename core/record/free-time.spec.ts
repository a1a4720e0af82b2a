import { USUAL_WEEK, WeekPattern } from '../index.js';

describe('when there is time', () => {
  const taken = (over: object) => WeekPattern.safeParse({ ...USUAL_WEEK, ...over }).success;

  it('is seven days of hours that end after they begin', () => {
    expect(taken({})).toBeTrue();
    expect(taken({ weekdays: USUAL_WEEK.weekdays.slice(1) })).toBeFalse();
    expect(taken({ dates: { '2026-12-24': [{ fromMinute: 600, toMinute: 540 }] } })).toBeFalse();
    expect(taken({ dates: { '24.12.2026': [] } })).toBeFalse();
    expect(taken({ daysOff: [7] })).toBeFalse();
  });

  it('has single dates for three years at most', () => {
    const day = (i: number) => new Date(Date.UTC(2026, 0, 1 + i)).toISOString().slice(0, 10);
    const dates = (count: number) =>
      Object.fromEntries(Array.from({ length: count }, (_, i) => [day(i), []]));
    expect([taken({ dates: dates(1100) }), taken({ dates: dates(1101) })]).toEqual([true, false]);
  });
});
