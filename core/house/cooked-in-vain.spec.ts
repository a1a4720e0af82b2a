import { becameOf, cookedInVain } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

describe('what was cooked in vain', () => {
  it('is what a cook left unsterile and nobody has used; cooked again, it is sterile by that cook', () => {
    const bench = new CultureBench();
    const [broth] = bench.received(0, 'culture-jar', 500, 'ml');
    const jars = bench.cooked(1, 'wheat-spawn', 'quart-jar', 5);
    expect(cookedInVain(bench.house)).toEqual([]);
    const cook = bench.house.cooks.at(-1)!;
    bench.say(2, {
      kind: 'proofRead',
      cookId: cook.cook.id,
      proof: {
        kind: 'indicator',
        form: 'ampoule',
        logPopulation: 6,
        dMinutes: 1.5,
        result: 'turned',
        control: 'turned',
        hours: 24,
        incubatedC: 57,
      },
    });
    const told = () => cookedInVain(bench.house).map((v) => [v.cook.name, v.vesselIds] as const);
    expect(told()).toEqual([[cook.name, jars]]);
    // What was used all the same is not offered.
    bench.give(3, jars.slice(0, 2), broth, 5, 'ml');
    expect(told()).toEqual([[cook.name, jars.slice(2)]]);
    bench.cookedAgain(4, jars.slice(2));
    expect(told()).toEqual([]);
    const again = bench.house.cooks.at(-1)!;
    expect(again.vesselIds).toEqual(jars.slice(2));
    expect(becameOf(again, bench.house).waiting).toBe(3);
    expect(becameOf(cook, bench.house).elsewhere).toBe(3);
  });
});
