import { remindersAt, type Told, type WakingHours } from '../index.js';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const hours: WakingHours = { date: '2026-11-30', fromMs: 8 * HOUR, toMs: 23 * HOUR, endOfDayMs: 24 * HOUR };
const heatOff: Told = { text: 'Heat off, cook 14', atMs: 20 * HOUR, exact: true };
const shake: Told = { text: 'Shake G27', atMs: 0, exact: false };

describe('what is said of what is due', () => {
  it('is said at the minute, not before it, and not long after it', () => {
    expect(remindersAt([heatOff], 20 * HOUR - 1, hours)).toEqual([]);
    expect(remindersAt([heatOff], 20 * HOUR, hours)).toEqual([
      {
        tag: `minute Heat off, cook 14 ${(20 * HOUR) / 1000}`,
        lines: ['Heat off, cook 14'],
        isSilent: false,
      },
    ]);
    expect(remindersAt([heatOff], 21 * HOUR, hours)).toEqual([]);
  });

  it('makes no sound at night, and groups what is due on the day, under one name all day', () => {
    const late: Told = { ...heatOff, atMs: 23.5 * HOUR };
    expect(remindersAt([late], 23.5 * HOUR, hours)[0]?.isSilent).toBeTrue();
    expect(remindersAt([shake], 7 * HOUR, hours)).toEqual([]);
    const many = Array.from({ length: 8 }, (_, i) => ({ ...shake, text: `Look at A${i}` }));
    const [morning] = remindersAt(many, 8 * HOUR, hours);
    expect([morning?.tag, morning?.lines.length, morning?.lines.at(-1)]).toEqual([
      'day 2026-11-30',
      6,
      'and 3 more',
    ]);
    expect(remindersAt([shake], 22 * HOUR, hours)[0]?.tag).toBe('day 2026-11-30');
    expect(remindersAt([{ ...shake, atMs: 25 * HOUR }], 9 * HOUR, hours)).toEqual([]);
  });
});
