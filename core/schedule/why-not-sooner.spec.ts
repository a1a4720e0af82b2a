import { scheduleTasks, whyNotSooner, type FreeSpan, type Limits, type Task } from '../index.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Four hours each evening for a month. */
const evenings: readonly FreeSpan[] = Array.from({ length: 30 }, (_, i) => ({
  startMs: i * DAY + 18 * HOUR,
  endMs: i * DAY + 22 * HOUR,
  date: String(i),
  isDayOff: false,
}));
const limits = (over: Partial<Limits> = {}): Limits => ({
  nowMs: 0,
  horizonMs: 30 * DAY,
  spans: { free: evenings, awake: evenings },
  taken: [],
  easeMs: 0,
  ...over,
});
const task = (key: string, over: Partial<Task> = {}): Task => ({
  key,
  goal: 'g',
  parts: [{ minutes: 60, within: 'free', uses: [{ of: 'hands', share: 1 }] }],
  after: [],
  ...over,
});
const why = (tasks: readonly Task[], key: string, over: Partial<Limits> = {}) =>
  whyNotSooner(tasks, limits(over), scheduleTasks(tasks, limits(over)), key);

describe('why a task does not lie sooner', () => {
  it('is what it waits for, where that is ready then', () => {
    const tasks = [
      task('a', { fromMs: 2 * DAY }),
      task('b', { after: [{ key: 'a', ms: 9 * DAY }], due: { fromMs: 0, byMs: DAY } }),
    ];
    const because = why(tasks, 'b');
    expect(because?.kind).toBe('waits');
    expect(because?.kind === 'waits' && because.for).toBe('a');
    // What it needs is there at midnight, and somebody has time in the evening.
    expect(why(tasks, 'a')?.kind).toBe('nobody');
  });

  it('is a cooker that another has', () => {
    const cooker = { of: 'canner', share: 1, startMs: 0, endMs: 9 * DAY, by: 'out of order' };
    const cook = task('cook', {
      parts: [{ minutes: 60, within: 'free', uses: [{ of: 'canner', share: 1 }] }],
      due: { fromMs: 0, byMs: 3 * DAY },
    });
    expect(why([cook], 'cook', { taken: [cooker] })).toEqual({
      kind: 'taken',
      of: 'canner',
      by: ['out of order'],
    });
  });

  it('is that it would be stale, or that it is wanted no sooner', () => {
    const tasks = [
      task('fill'),
      task('use', {
        after: [{ key: 'fill', ms: DAY, mostMs: 2 * DAY }],
        due: { fromMs: 20 * DAY, byMs: 20 * DAY + 20 * HOUR },
      }),
    ];
    expect(why(tasks, 'use')?.kind).toBe('waits');
    // A day sooner it would keep still; two days sooner it would not.
    const filled = why(tasks, 'fill');
    expect(filled).toEqual({ kind: 'none', soonestMs: 18 * DAY + 18 * HOUR });
    const evening = why(
      [task('a', { due: { fromMs: 20 * DAY + 18 * HOUR, byMs: 20 * DAY + 19 * HOUR } })],
      'a',
    );
    expect(evening?.kind).toBe('due');
  });

  it('is nothing, where it only lies as late as its date allows', () => {
    const because = why([task('a', { due: { fromMs: 0, byMs: 20 * DAY } })], 'a');
    expect(because?.kind).toBe('none');
    expect(because?.kind === 'none' && because.soonestMs).toBe(18 * HOUR);
    expect(
      whyNotSooner([], limits(), { slots: new Map(), with: new Map(), lateMs: new Map() }, 'a'),
    ).toBeUndefined();
  });
});
