import { pourClock, type CookLog, type PourClock } from '../index.js';
import { excessAfter } from '../heat/cooling.js';
import { MINUTE_MS, START_MS } from '../testing/sample-house.js';

const RATE = 2.2e-3;
const agarC = (minute: number) => 20 + excessAfter(70, minute, RATE);
const log = (minutes: readonly number[], values = minutes.map(agarC)): CookLog => ({
  id: 'log',
  channel: 'agarC',
  source: 'typed',
  at: new Date(START_MS).toISOString(),
  seconds: minutes.map((m) => m * 60),
  values,
  count: minutes.length,
});
const trueMs = (celsius: number) => {
  for (let s = 0; ; s++) {
    if (agarC(s / 60) <= celsius) {
      return START_MS + s * 1000;
    }
  }
};

function holdsTruth({ lastMs, window }: PourClock, of: 'opens' | 'sets', celsius: number): boolean {
  const minutes = (trueMs(celsius) - lastMs!) / MINUTE_MS;
  return minutes >= window![of].low && minutes <= window![of].high;
}

describe('the clock of agar that cools', () => {
  it('wants two readings since the bottles came out, and says when it may be poured and when it sets', () => {
    expect(pourClock([], 20, START_MS)).toEqual({ readings: 0, isRising: false });
    expect(pourClock([log([4])], 20, START_MS).opensMs).toBeUndefined();
    const clock = pourClock([log([4, 20])], 20, START_MS);
    expect(holdsTruth(clock, 'opens', 50)).toBeTrue();
    expect(holdsTruth(clock, 'sets', 40)).toBeTrue();
    expect(clock.setsMs!).toBeGreaterThan(clock.opensMs!);
    // Bottles that were melted again since are another heat.
    expect(pourClock([log([4, 20])], 20, START_MS + 60 * MINUTE_MS).readings).toBe(0);
  });

  it('takes a stream of readings as a few of them, and still holds what a reading may be off', () => {
    const minutes = Array.from({ length: 200 }, (_, i) => 4 + i / 10);
    const clock = pourClock([log(minutes)], 20, START_MS);
    expect(clock.readings).toBe(200);
    expect(holdsTruth(clock, 'opens', 50)).toBeTrue();
    const { low, high } = clock.window!.opens;
    expect(high - low).toBeGreaterThan(1);
  });

  it('says so where they rise', () => {
    expect(pourClock([log([0, 5], [60, 64])], 20, START_MS).isRising).toBeTrue();
  });
});
