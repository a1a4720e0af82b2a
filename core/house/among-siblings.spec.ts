import { isRunFull, milestonesOf, standingAmongSiblings, type VesselId } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

/** Jars of one batch, sown on day 1 and looked at by turns. */
function sown(bench: CultureBench, count: number, looks: Readonly<Record<number, readonly number[]>>) {
  const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
  const jars = bench.cooked(0, 'wheat-spawn', 'quart-jar', count);
  bench.give(1, jars, syringe, 2, 'ml');
  for (const [day, fractions] of Object.entries(looks)) {
    fractions.forEach((fraction, i) => {
      bench.looked(Number(day), [jars[i]!], fraction);
    });
  }
  return jars;
}
const standing = (bench: CultureBench, id: VesselId | undefined, day: number) =>
  standingAmongSiblings(bench.view(id), bench.house, bench.day(day));

describe('how a vessel stands among its siblings', () => {
  const looks = {
    6: [0.2, 0.2, 0.2, 0.2, 0.02],
    10: [0.55, 0.55, 0.55, 0.72, 0.08],
    13: [0.8, 0.8, 0.8, 0.93, 0.2],
  };

  it('is behind or first only where it clearly is, and says why as far as the record can', () => {
    const bench = new CultureBench();
    const jars = sown(bench, 5, looks);
    expect(standing(bench, jars[0], 13)).toBeUndefined();
    const late = standing(bench, jars[4], 13)!;
    expect([late.kind, late.reasons]).toEqual(['laggard', ['alone']]);
    expect(late.daysApart).toBeGreaterThan(2);
    expect(standing(bench, jars[3], 13)!.kind).toBe('leader');
    bench.say(14, { kind: 'inspected', vesselIds: [jars[4]!], wetness: 'pooled' });
    bench.say(14, { kind: 'moved', vesselIds: [jars[4]!], place: 'tent' });
    expect(standing(bench, jars[4], 14)!.reasons).toEqual(['wet', 'otherPlace']);
  });

  it('needs three siblings and a look of its own', () => {
    const bench = new CultureBench();
    const two = sown(bench, 3, { 10: [0.5, 0.5, 0.02], 13: [0.8, 0.8, 0.1] });
    expect(standing(bench, two[2], 13)).toBeUndefined();
    const other = new CultureBench();
    const unseen = sown(other, 5, { 10: [0.5, 0.5, 0.5, 0.5] });
    expect(standing(other, unseen[4], 12)).toBeUndefined();
  });

  it('stands still for a reason: cold, wet, shaken, or one that all share', () => {
    const bench = new CultureBench();
    const still = { 8: [0.4, 0.4, 0.4, 0.4], 13: [0.4, 0.75, 0.75, 0.75] };
    const jars = sown(bench, 4, still);
    expect(standing(bench, jars[0], 13)).toEqual({ kind: 'stalled', reasons: ['alone'], daysApart: 0 });
    bench.say(13, { kind: 'placeRead', placeId: 'shelf', celsius: 9 });
    bench.say(13, { kind: 'shaken', vesselIds: [jars[0]!] });
    expect(standing(bench, jars[0], 13.2)!.reasons).toEqual(['cold', 'shaken']);
    const all = new CultureBench();
    const four = sown(all, 4, { 8: [0.4, 0.4, 0.4, 0.4], 13: [0.4, 0.4, 0.4, 0.75] });
    expect(standing(all, four[0], 13)!.reasons).toEqual(['siblingsToo']);
  });

  it('bears early, where it had become cooler or for no reason that is known', () => {
    const bench = new CultureBench();
    const jars = sown(bench, 2, { 8: [0.5, 0.5], 12: [0.7, 0.7] });
    bench.say(12, { kind: 'pinned', vesselIds: [jars[0]!] });
    expect(standing(bench, jars[0], 12)).toEqual({ kind: 'earlyPins', reasons: ['alone'], daysApart: 0 });
    bench.say(10, { kind: 'placeRead', placeId: 'shelf', celsius: 14 });
    expect(standing(bench, jars[0], 12)!.reasons).toEqual(['coldAtPins']);
    bench.looked(13, [jars[1]!], 1);
    bench.say(14, { kind: 'pinned', vesselIds: [jars[1]!] });
    expect(isRunFull(bench.view(jars[1]))).toBeTrue();
    expect(standing(bench, jars[1], 14)).toBeUndefined();
  });

  it('has days of a third, of full and of firm that follow each other', () => {
    const bench = new CultureBench();
    const jars = sown(bench, 4, { 8: [0.4, 0.4, 0.4, 0.4] });
    const forecast = bench.house.batches.at(-1)!.vesselForecasts.get(jars[0]!)!;
    const { thirdDay, fullDay, firmDay } = milestonesOf(forecast);
    expect(thirdDay).toBeLessThan(fullDay);
    expect(fullDay).toBe(forecast.fullDay);
    expect(firmDay - fullDay).toBeCloseTo(Math.max(3, fullDay / 5), 9);
  });
});

describe('runs of this house', () => {
  const usualDays = (bench: CultureBench) => {
    const { forecast, ownRuns } = bench.house.batches.at(-1)!;
    return { fullDay: forecast!.fullDay, ownRuns };
  };

  it('tell when the next is full, and only what was begun after them', () => {
    const bench = new CultureBench();
    const [syringe] = bench.received(0, 'culture-syringe', 60, 'ml');
    const sownOn = (day: number) => {
      const jars = bench.cooked(day - 1, 'wheat-spawn', 'quart-jar', 3);
      bench.give(day, jars, syringe, 2, 'ml');
      return jars;
    };
    const first = sownOn(1);
    const before = usualDays(bench).fullDay;
    bench.looked(11, first, 0.9);
    bench.looked(12, first, 1);
    const second = sownOn(20);
    const one = usualDays(bench);
    expect(one.ownRuns).toBe(1);
    expect(one.fullDay).toBeLessThan(before - 1);
    bench.looked(30, second, 0.9);
    bench.looked(31, second, 1);
    sownOn(40);
    const two = usualDays(bench);
    expect(two.ownRuns).toBe(2);
    expect(two.fullDay).toBeLessThan(one.fullDay - 0.5);
    expect(bench.house.batches.find((b) => b.vessels.some((v) => v.vessel.id === first[0]))!.ownRuns).toBe(0);
  });
});
