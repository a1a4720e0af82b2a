import { networkTimes, type Activity } from '../index.js';
import { RELIABLE } from '../testing/schedule-checks.js';

const ACTIVITIES: readonly Activity[] = RELIABLE.map(([key, length, after]) => ({
  key,
  length,
  after: after.split(''),
}));

describe('a network of activities', () => {
  it('has the critical path and the slack of a published one', () => {
    const times = networkTimes(ACTIVITIES);
    expect(Math.max(...[...times.values()].map((t) => t.earliestEnd))).toBe(44);
    const critical = [...times].filter(([, t]) => t.float === 0).map(([key]) => key);
    expect(critical.join('')).toBe('ABCEFJLN');
    // The slack of D, G, H and M is 4 weeks, of I 2, of K 1, in the same place.
    const slack = Object.fromEntries([...times].map(([key, t]) => [key, t.float]));
    expect(slack).toEqual(jasmine.objectContaining({ D: 4, G: 4, H: 4, M: 4, I: 2, K: 1 }));
    expect([times.get('H')?.earliestStart, times.get('H')?.latestStart]).toEqual([29, 33]);
  });

  it('begins later where more time is given, and is behind where there is less', () => {
    expect(networkTimes(ACTIVITIES, 47).get('A')).toEqual(
      jasmine.objectContaining({ earliestStart: 0, latestStart: 3, float: 3 }),
    );
    expect(networkTimes(ACTIVITIES, 40).get('N')?.float).toBe(-4);
  });

  it('does not go in a ring, nor wait for what is not there', () => {
    const one = (key: string, ...after: string[]): Activity => ({ key, length: 1, after });
    expect(() => networkTimes([one('a', 'b'), one('b', 'a')])).toThrowError(RangeError);
    expect(() => networkTimes([one('a', 'z')])).toThrowError(/z, which is not there/);
  });
});
