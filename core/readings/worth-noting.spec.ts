import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';
import { WorthNoting } from './worth-noting.js';

const START_MS = Date.parse('2026-03-01T00:00:00Z');
/** A reading every ten minutes for some hours. */
const read = (fromH: number, hours: number, value: number) =>
  Array.from({ length: hours * 6 }, (_, i) => ({
    atMs: START_MS + fromH * HOUR_MS + i * 10 * MINUTE_MS,
    value,
  }));

describe('what is worth noting of a place', () => {
  it('is the first hour, one a day, and what is new by three degrees at once', () => {
    const noting = new WorthNoting(undefined);
    const told = [
      ...noting.add(read(0, 48, 18)),
      ...noting.add(read(48, 1, 22)),
      ...noting.add(read(49, 3, 22.4)),
      ...noting.end(),
    ];
    expect(told.map((t) => [(t.atMs - START_MS) / HOUR_MS, t.value])).toEqual([
      [5 / 6, 18],
      [24 + 5 / 6, 18],
      [48 + 5 / 6, 22],
    ]);
  });

  it('goes by what is known already, and never back in time', () => {
    const known = { atMs: START_MS + 10 * HOUR_MS, value: 18 };
    const quiet = new WorthNoting(known);
    expect([...quiet.add(read(11, 3, 18.5)), ...quiet.end()]).toEqual([]);
    const earlier = new WorthNoting(known);
    expect([...earlier.add(read(2, 3, 26)), ...earlier.end()]).toEqual([]);
    const dayLater = new WorthNoting(known);
    expect(dayLater.add(read(34, 2, 18)).length).toBe(1);
    expect(dayLater.end()).toEqual([]);
    expect(DAY_MS).toBe(24 * HOUR_MS);
  });
});
