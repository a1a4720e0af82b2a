import { loadsOf, takenIn, type Limits, type Taken, type Task } from '../index.js';

const HOUR = 3_600_000;
const taken = (of: string, share: number, from: number, to: number): Taken => ({
  of,
  share,
  startMs: from * HOUR,
  endMs: to * HOUR,
  by: `${of} ${from}`,
});

describe('how much is taken when', () => {
  it('adds up what overlaps, and leaves out what is free', () => {
    const loads = loadsOf([
      taken('shelf', 0.5, 0, 4),
      taken('shelf', 0.25, 2, 6),
      taken('shelf', 1, 8, 9),
      taken('box', 1, 1, 2),
    ]);
    const shelf = loads.get('shelf')!.map((l) => [l.startMs / HOUR, l.endMs / HOUR, l.share]);
    expect(shelf).toEqual([
      [0, 2, 0.5],
      [2, 4, 0.75],
      [4, 6, 0.25],
      [8, 9, 1],
    ]);
    expect(loads.get('box')!.length).toBe(1);
  });

  it('takes what stands between tasks too', () => {
    const task = (key: string, after: Task['after']): Task => ({
      key,
      goal: 'g',
      parts: [{ minutes: 60, within: 'free', uses: [{ of: 'hands', share: 1 }] }],
      after,
    });
    const tasks = [task('a', []), task('b', [{ key: 'a', ms: HOUR, stands: [{ of: 'shelf', share: 0.3 }] }])];
    const limits: Limits = {
      nowMs: 0,
      horizonMs: 100 * HOUR,
      spans: { free: [], awake: [] },
      taken: [],
      easeMs: 0,
    };
    const slots = new Map([
      ['a', { startMs: 0, endMs: HOUR }],
      ['b', { startMs: 5 * HOUR, endMs: 6 * HOUR }],
    ]);
    const loads = loadsOf(takenIn(tasks, limits, { slots, with: new Map() }));
    expect(loads.get('shelf')).toEqual([{ startMs: HOUR, endMs: 5 * HOUR, share: 0.3 }]);
    expect(loads.get('hands')!.length).toBe(2);
  });
});
